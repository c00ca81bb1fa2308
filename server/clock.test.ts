import { dayIn } from './clock'

test.each([
  ['2026-03-05T23:30:00Z', 'Europe/Berlin', '2026-03-06'],
  ['2026-03-05T22:59:00Z', 'Europe/Berlin', '2026-03-05'],
  ['2026-03-05T07:59:00Z', 'America/Los_Angeles', '2026-03-04'],
  ['2026-12-31T12:00:00Z', 'Pacific/Kiritimati', '2027-01-01'],
])('at %s it is in %s %s', (moment, zone, day) => expect(dayIn(Date.parse(moment), zone)).toBe(day))
