import { TZDateMini } from '@date-fns/tz'

/** A moment on the household's wall. Computed moments may fall between milliseconds. */
const zoned = (ms: number, zone: string) => new TZDateMini(Math.round(ms), zone)
const two = (n: number) => String(n).padStart(2, '0')
const hourAndMinute = (hour: string): [number, number] => hour.split(':').map(Number) as [number, number]
const DAY_MS = 86_400_000
/**
 * A moment on a wall. An hour that comes twice in autumn is the first of them; one the clock skips in spring
 * is the one after it.
 */
export function onWall(year: number, month: number, day: number, hour: string, zone: string): number {
  const moment = new TZDateMini(year, month, day, ...hourAndMinute(hour), zone).getTime()
  // Clocks go back by an hour, on one island by half of it.
  return (
    [60, 30]
      .map((minutes) => moment - minutes * 60_000)
      .find((earlier) => hourOf(earlier, zone) === hourOf(moment, zone)) ?? moment
  )
}
/** Days since 1970 of the day on a wall. */
const dayNumber = (wall: Date): number =>
  Date.UTC(wall.getFullYear(), wall.getMonth(), wall.getDate()) / DAY_MS

/** An hour on the household's wall clock, as "19:00". */
const HOUR = /^([01]\d|2[0-3]):([0-5]\d)$/

export const isClockHour = (text: string): boolean => HOUR.test(text)

/**
 * The next time the household's clock shows an hour. An hour the clock skips in spring counts as the one
 * after it.
 * @param hour "19:00"
 * @returns UTC milliseconds, after now
 * @throws {RangeError} for anything else
 */
export function nextAt(hour: string, zone: string, nowMs: number): number {
  if (!isClockHour(hour)) throw new RangeError(`nextAt: hour must be like "19:00", got "${hour}"`)
  const now = zoned(nowMs, zone)
  const inDays = (days: number) => onWall(now.getFullYear(), now.getMonth(), now.getDate() + days, hour, zone)
  return inDays(0) > nowMs ? inDays(0) : inDays(1)
}

/** When a soak that goes on till the morning ends. */
export const WAKING_HOUR = '07:00'
/** A night's soak is offered where it would take this long, minutes. */
const NIGHT_SOAK_MIN = [180, 840] as const
/** Minutes until the cook is up, to five; undefined by day. */
export function minutesTillMorning(nowMs: number, zone: string): number | undefined {
  const minutes = Math.round((nextAt(WAKING_HOUR, zone, nowMs) - nowMs) / 300_000) * 5
  return minutes >= NIGHT_SOAK_MIN[0] && minutes <= NIGHT_SOAK_MIN[1] ? minutes : undefined
}

/** The moment with the household's own offset, "2026-03-05T19:00:00+01:00". */
export const withOffset = (ms: number, zone: string): string => {
  const wall = zoned(ms, zone)
  const offset = -wall.getTimezoneOffset()
  return `${dayOf(ms, zone)}T${two(wall.getHours())}:${two(wall.getMinutes())}:${two(wall.getSeconds())}${offset < 0 ? '-' : '+'}${two(Math.floor(Math.abs(offset) / 60))}:${two(Math.abs(offset) % 60)}`
}

/** The hour on the household's wall at a moment, to the nearest five minutes, as "19:05". */
export function hourAt(ms: number, zone: string): string {
  return hourOf(Math.round(ms / 300_000) * 300_000, zone)
}

export interface HouseholdClock {
  zone: string
  clock: '24' | '12'
}

/** "18:12", or "6:12 pm". */
export function clockTime(ms: number, { zone, clock }: HouseholdClock): string {
  if (clock === '24') return hourOf(ms, zone)
  const wall = zoned(ms, zone)
  const [hour, mm] = [wall.getHours(), two(wall.getMinutes())]
  return `${hour % 12 === 0 ? 12 : hour % 12}:${mm} ${hour < 12 ? 'am' : 'pm'}`
}

const DAYS = ['Sunday', 'Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday']
const MONTHS = [
  'January',
  'February',
  'March',
  'April',
  'May',
  'June',
  'July',
  'August',
  'September',
  'October',
  'November',
  'December',
]

/** A day as it is said in a kitchen: "today", "yesterday", "Sunday", "1 February". */
export function dayWord(ms: number, nowMs: number, zone: string): string {
  const [day, today] = [zoned(ms, zone), zoned(nowMs, zone)]
  const ago = dayNumber(today) - dayNumber(day)
  if (ago === 0) return 'today'
  if (ago === 1) return 'yesterday'
  if (ago === -1) return 'tomorrow'
  if (ago > 1 && ago < 7) return DAYS[day.getDay()]!
  const date = `${day.getDate()} ${MONTHS[day.getMonth()]}`
  return day.getFullYear() === today.getFullYear() ? date : `${date} ${day.getFullYear()}`
}

/** Minutes as they are said: "40 min", "2 h 5 min", "5 h". */
export function spanWord(minutes: number): string {
  const whole = Math.round(minutes)
  if (whole < 90) return `${whole} min`
  const rest = whole % 60
  return rest === 0 ? `${Math.floor(whole / 60)} h` : `${Math.floor(whole / 60)} h ${rest} min`
}

/** The day on the household's wall, "2026-03-05". */
export const dayOf = (ms: number, zone: string): string => {
  const wall = zoned(ms, zone)
  return `${String(wall.getFullYear()).padStart(4, '0')}-${two(wall.getMonth() + 1)}-${two(wall.getDate())}`
}

/** The exact hour on the household's wall, "19:05". */
export const hourOf = (ms: number, zone: string): string => {
  const wall = zoned(ms, zone)
  return `${two(wall.getHours())}:${two(wall.getMinutes())}`
}
