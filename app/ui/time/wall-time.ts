import { isClockHour, onWall } from './clock-hour'

/**
 * The moment of a day and an hour on the household's wall; an hour the clock skips in spring counts as the
 * one after it.
 * @returns undefined for what is neither
 */
export function wallMs(day: string, hour: string, zone: string): number | undefined {
  const [, y, m, d] = /^(\d{4})-(\d{2})-(\d{2})$/.exec(day) ?? []
  if (d === undefined || !isClockHour(hour)) return undefined
  const [year, month, date] = [Number(y), Number(m), Number(d)]
  // A day that no calendar has would be taken for one of the next month.
  const calendar = new Date(Date.UTC(year, month - 1, date))
  if (calendar.getUTCMonth() !== month - 1 || calendar.getUTCDate() !== date || year < 100) return undefined
  return onWall(year, month - 1, date, hour, zone)
}
