import { statfsSync } from 'node:fs'
import { dirname } from 'node:path'
import type { Db } from './open'

/** Under this a write may fail soon, bytes. */
export const LEAST_FREE_BYTES = 20_000_000

/** What SQLite says of a file whose content is not what it wrote. */
const DAMAGE = /^SQLITE_(?:CORRUPT|NOTADB)/
let damageSeen = false

/** Takes down that the household's file is damaged, when an error says so: asking it again may not meet the place. */
export function noteDamage(error: unknown): void {
  const code = (error as { code?: unknown } | null)?.code
  if (typeof code === 'string' && DAMAGE.test(code)) damageSeen = true
}

/** Why nothing more should be asked of the household, in words; nothing when no damage was met. */
export const whyDamaged = (): string | undefined =>
  damageSeen
    ? 'The household’s file is damaged. Stop Omsel, then put a copy in its place: the folder “copies” beside the file has them, and “bin/omsel restore COPY” does it.'
    : undefined

const freeBytes = (folder: string): number => {
  const { bavail, bsize } = statfsSync(folder)
  return bavail * bsize
}

/**
 * Whether a household can be written to now: a row that is written and deleted again, and room on its disk.
 * Another program's write in between is no fault, and is not waited for.
 * @param free bytes free in a folder
 * @returns what is wrong, in words; nothing when it can
 */
export function whyNotWritable(db: Db, free = freeBytes): string | undefined {
  if (db.name !== ':memory:') {
    const left = free(dirname(db.name))
    if (left < LEAST_FREE_BYTES)
      return `The disk is nearly full: ${Math.round(left / 1e6)} MB free. Make room on it; nothing new is sure to be saved until then.`
  }
  const waits = db.pragma('busy_timeout', { simple: true }) as number
  db.pragma('busy_timeout = 0')
  try {
    db.exec('BEGIN IMMEDIATE')
    try {
      // Until it is committed nothing has reached the disk.
      db.exec("INSERT INTO answered_form (id, at_ms) VALUES ('write-probe', 0)")
      db.exec("DELETE FROM answered_form WHERE id = 'write-probe'")
      db.exec('COMMIT')
    } catch (error) {
      if (db.inTransaction) db.exec('ROLLBACK')
      throw error
    }
    return undefined
  } catch (error) {
    noteDamage(error)
    const { code } = error as { code?: string }
    if (code?.startsWith('SQLITE_BUSY')) return undefined
    return (
      whyDamaged() ??
      `The household cannot be written to (${code}). See who owns its folder, and whether its disk is full or there for reading only.`
    )
  } finally {
    db.pragma(`busy_timeout = ${waits}`)
  }
}
