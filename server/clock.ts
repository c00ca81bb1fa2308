import { readFileSync } from 'node:fs'
import { TZDate } from '@date-fns/tz'

/**
 * The server's clock, UTC milliseconds. A rehearsal may set it ahead through a file that holds the
 * milliseconds to add.
 */
export function nowMs(): number {
  const file = process.env.OMSEL_CLOCK_FILE
  if (!file) return Date.now()
  try {
    const ahead = Number(readFileSync(file, 'utf8'))
    return Date.now() + (Number.isFinite(ahead) ? ahead : 0)
  } catch {
    return Date.now()
  }
}

/** The day of a moment in a time zone, "2026-03-05". */
export const dayIn = (ms: number, zone: string): string =>
  new TZDate(Math.round(ms), zone).toISOString().slice(0, 'YYYY-MM-DD'.length)
