import { dayOf, hourOf } from './clock-hour'
import { wallMs } from './wall-time'
import { afterNight } from './after-night'
import { countdown } from './countdown'
import {
  clockTime,
  dayWord,
  isClockHour,
  minutesTillMorning,
  nextAt,
  spanWord,
  withOffset,
} from './clock-hour'

const berlin = 'Europe/Berlin'
const utc = (...parts: [number, number, number, number, number]) => Date.UTC(...parts)

test('the next seven in the evening is today or tomorrow, by the wall clock', () => {
  expect(nextAt('19:00', berlin, utc(2026, 2, 5, 17, 0))).toBe(utc(2026, 2, 5, 18, 0))
  expect(nextAt('19:00', berlin, utc(2026, 2, 5, 18, 0))).toBe(utc(2026, 2, 6, 18, 0))
})

test('no alert for a soak between 22:30 and 06:30', () => {
  const at = (hour: number, minute: number, day = 5) => utc(2026, 2, day, hour - 1, minute)
  expect(afterNight(at(22, 29), berlin)).toBe(at(22, 29))
  expect(afterNight(at(22, 30), berlin)).toBe(at(6, 30, 6))
  expect(afterNight(at(4, 0), berlin)).toBe(at(6, 30))
  expect(afterNight(at(6, 30), berlin)).toBe(at(6, 30))
})

test('a soak till the morning is offered in the evening, and ends at seven', () => {
  const at = (hour: number, minute: number) => utc(2026, 2, 5, hour - 1, minute)
  expect(minutesTillMorning(at(22, 0), berlin)).toBe(540)
  expect(minutesTillMorning(at(17, 0), berlin)).toBe(840)
  expect(minutesTillMorning(at(16, 50), berlin)).toBeUndefined()
  expect(minutesTillMorning(at(4, 10), berlin)).toBeUndefined()
})

test('the night the clocks go forward is an hour shorter', () => {
  // 29 March 2026: 02:00 becomes 03:00 in Berlin.
  expect(nextAt('19:00', berlin, utc(2026, 2, 28, 19, 0))).toBe(utc(2026, 2, 29, 17, 0))
  expect(nextAt('02:30', berlin, utc(2026, 2, 28, 12, 0))).toBe(utc(2026, 2, 29, 1, 30))
  expect(withOffset(utc(2026, 2, 29, 17, 0), berlin)).toBe('2026-03-29T19:00:00+02:00')
})

test.each(['7', '24:00', '19:60', '', 'seven', '19:00:00'])('"%s" is no hour', (text) => {
  expect(isClockHour(text)).toBe(false)
  expect(() => nextAt(text, berlin, 0)).toThrow(RangeError)
})

test('both clocks', () => {
  const at = utc(2026, 2, 5, 23, 5)
  expect(clockTime(at, { zone: berlin, clock: '24' })).toBe('00:05')
  expect(clockTime(at, { zone: berlin, clock: '12' })).toBe('12:05 am')
  expect(clockTime(utc(2026, 2, 5, 11, 5), { zone: berlin, clock: '12' })).toBe('12:05 pm')
})

test('a moment between milliseconds has its minute too', () => {
  expect(clockTime(utc(2026, 2, 5, 11, 5) + 0.4, { zone: berlin, clock: '24' })).toBe('12:05')
})

test('days by their names within a week, by date after', () => {
  const now = utc(2026, 2, 5, 12, 0) // a Thursday
  const word = (day: number) => dayWord(utc(2026, 2, day, 20, 0), now, berlin)
  expect([5, 4, 1, -2, 6].map(word)).toEqual(['today', 'yesterday', 'Sunday', '26 February', 'tomorrow'])
  expect(dayWord(utc(2025, 11, 31, 12, 0), now, berlin)).toBe('31 December 2025')
})

test('spans and countdowns', () => {
  expect([40, 89.6, 125, 300].map(spanWord)).toEqual(['40 min', '1 h 30 min', '2 h 5 min', '5 h'])
  expect([725_000, 3_725_000, -5, 400].map(countdown)).toEqual(['12:05', '1:02:05', '0:00', '0:01'])
})

describe('a day and an hour on the wall', () => {
  test('there and back, in every zone', () => {
    for (const zone of ['Europe/Berlin', 'America/New_York', 'Asia/Kolkata', 'Pacific/Auckland', 'UTC'])
      for (const [day, hour] of [
        ['2026-03-05', '19:00'],
        ['2026-07-01', '00:05'],
        ['2026-12-31', '23:59'],
      ] as const) {
        const ms = wallMs(day, hour, zone)!
        expect([dayOf(ms, zone), hourOf(ms, zone)]).toEqual([day, hour])
      }
  })
  test('an hour that comes twice in autumn is the first of them; one that never comes is the one after', () => {
    expect(wallMs('2026-10-25', '02:30', 'Europe/Berlin')).toBe(Date.UTC(2026, 9, 25, 0, 30))
    expect(wallMs('2026-03-29', '02:30', 'Europe/Berlin')).toBe(Date.UTC(2026, 2, 29, 1, 30))
  })
  test.each([
    ['2026-02-30', '12:00'],
    ['2026-13-01', '12:00'],
    ['05.03.2026', '12:00'],
    ['2026-03-05', '24:00'],
    ['2026-03-05', 'noon'],
    ['', ''],
  ])('%s %s is no moment', (day, hour) => {
    expect(wallMs(day, hour, 'Europe/Berlin')).toBeUndefined()
  })
})
