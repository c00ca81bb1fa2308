import { Temporal } from 'temporal-polyfill'

/** A moment on the household's wall. Computed moments may fall between milliseconds. */
const zoned = (ms: number, zone: string) => Temporal.Instant.fromEpochMilliseconds(Math.round(ms)).toZonedDateTimeISO(zone)

/** An hour on the household's wall clock, as "19:00". */
const HOUR = /^([01]\d|2[0-3]):([0-5]\d)$/

export const isClockHour = (text: string): boolean => HOUR.test(text)

/** The next time the household's clock shows an hour. An hour the clock skips in spring counts as the one after it.
 *  @param hour "19:00"  @returns UTC milliseconds, after now  @throws {RangeError} for anything else */
export function nextAt(hour: string, zone: string, nowMs: number): number {
  if (!isClockHour(hour)) throw new RangeError(`nextAt: hour must be like "19:00", got "${hour}"`)
  const now = zoned(nowMs, zone)
  const today = now.withPlainTime(Temporal.PlainTime.from(hour))
  return (today.epochMilliseconds > nowMs ? today : today.add({ days: 1 })).epochMilliseconds
}

/** The moment with the household's own offset, "2026-03-05T19:00:00+01:00". */
export const withOffset = (ms: number, zone: string): string =>
  zoned(ms, zone).toString({ timeZoneName: 'never', fractionalSecondDigits: 0 })

/** The hour on the household's wall at a moment, to the nearest five minutes, as "19:05". */
export function hourAt(ms: number, zone: string): string {
  const { hour, minute } = zoned(Math.round(ms / 300_000) * 300_000, zone)
  return `${String(hour).padStart(2, '0')}:${String(minute).padStart(2, '0')}`
}

export interface HouseClock {
  zone: string
  clock: '24' | '12'
}

/** "18:12", or "6:12 pm". */
export function clockTime(ms: number, { zone, clock }: HouseClock): string {
  const { hour, minute } = zoned(ms, zone)
  const mm = String(minute).padStart(2, '0')
  if (clock === '24') return `${String(hour).padStart(2, '0')}:${mm}`
  return `${hour % 12 === 0 ? 12 : hour % 12}:${mm} ${hour < 12 ? 'am' : 'pm'}`
}

const DAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday']
const MONTHS = ['January', 'February', 'March', 'April', 'May', 'June', 'July', 'August', 'September', 'October', 'November', 'December']

/** A day as it is said in a kitchen: "today", "yesterday", "Sunday", "1 February". */
export function dayWord(ms: number, nowMs: number, zone: string): string {
  const day = zoned(ms, zone).toPlainDate()
  const today = zoned(nowMs, zone).toPlainDate()
  const ago = day.until(today, { largestUnit: 'days' }).days
  if (ago === 0) return 'today'
  if (ago === 1) return 'yesterday'
  if (ago === -1) return 'tomorrow'
  if (ago > 1 && ago < 7) return DAYS[day.dayOfWeek - 1]!
  const date = `${day.day} ${MONTHS[day.month - 1]}`
  return day.year === today.year ? date : `${date} ${day.year}`
}

/** Minutes as they are said: "40 min", "2 h 5", "5 h". */
export function spanWord(minutes: number): string {
  const whole = Math.round(minutes)
  if (whole < 90) return `${whole} min`
  const rest = whole % 60
  return rest === 0 ? `${Math.floor(whole / 60)} h` : `${Math.floor(whole / 60)} h ${rest}`
}

/** A running clock: "12:05", "1:02:05". */
export function countdown(ms: number): string {
  const seconds = Math.max(0, Math.ceil(ms / 1000))
  const [h, m, s] = [Math.floor(seconds / 3600), Math.floor(seconds / 60) % 60, seconds % 60]
  const two = (n: number) => String(n).padStart(2, '0')
  return h > 0 ? `${h}:${two(m)}:${two(s)}` : `${m}:${two(s)}`
}

/** The day on the household's wall, "2026-03-05". */
export const dayOf = (ms: number, zone: string): string => zoned(ms, zone).toPlainDate().toString()

/** The exact hour on the household's wall, "19:05". */
export const hourOf = (ms: number, zone: string): string => zoned(ms, zone).toPlainTime().toString({ smallestUnit: 'minute' })

/** The moment of a day and an hour on the household's wall; an hour the clock skips in spring counts as the one after it.
 *  @returns undefined for what is neither */
export function wallMs(day: string, hour: string, zone: string): number | undefined {
  if (!/^\d{4}-\d{2}-\d{2}$/.test(day) || !isClockHour(hour)) return undefined
  try {
    return Temporal.PlainDateTime.from(`${day}T${hour}`).toZonedDateTime(zone).epochMilliseconds
  } catch {
    return undefined
  }
}
