import { planFrom } from '#core/contract/plan'
import { parsePlanRequest, type PlanRequestJson } from '#core/contract/plan-request'
import { guidanceOf } from '#core/leftovers/guidance'
import type { CautionInput } from '#core/plan/caution-input'
import { KEEPING_RULES } from './keeping'

/** Every limit of the cautions: nothing just under it, the caution just over it. */

const BASE: PlanRequestJson = {
  grains: [{ variety: 'long-white' }],
  amount: { basis: 'dry-mass', value: 300 },
}
const codesOf = (more: Partial<PlanRequestJson>): string[] => {
  const read = planFrom({ ...BASE, ...more })
  if (!read.ok) throw new Error(read.errors[0]!.message)
  return read.value.cautions.map((c) => c.code)
}
const keeping = (
  more: Partial<PlanRequestJson>,
  keeps = { warmMin: 40, dryMin: 90, driesPercentPerHour: 5 },
) => {
  const read = parsePlanRequest({ ...BASE, method: 'covered-simmer', ...more })
  if (!read.ok) throw new Error(read.errors[0]!.message)
  const facts = { request: read.value, keeps } as unknown as CautionInput
  return KEEPING_RULES.flatMap((rule) => rule(facts) ?? [])
}
const severity = (of: ReturnType<typeof keeping>, code: string) => of.find((c) => c.code === code)?.severity

test.each([
  [40, undefined],
  [40.1, 'stop'],
  [79, 'stop'],
])('held %d min in a pot that is warm for 40: %s', (hold_minutes, expected) =>
  expect(severity(keeping({ hold_minutes }), 'held-too-cool')).toBe(expected),
)

test.each([
  [90, undefined],
  [90.1, 'warn'],
])('held %d min in a pot that dries from 90: %s', (hold_minutes, expected) =>
  expect(
    severity(keeping({ hold_minutes }, { warmMin: 500, dryMin: 90, driesPercentPerHour: 5 }), 'held-dry'),
  ).toBe(expected),
)

test.each([
  [10, undefined],
  [10.1, 'note'],
])('a wait of %d min: %s', (hold_minutes, expected) =>
  expect(severity(keeping({ hold_minutes }), 'held')).toBe(expected),
)

test('dressed rice at room temperature: a note up to the limit of the guidance, a stop over it', () => {
  const limit = guidanceOf('stricter').room_min.value
  const dressed = (set_minutes: number) =>
    severity(
      keeping({ dressing: { style: 'usual', set_minutes, infuse_minutes: 0 } }),
      'dressed-at-room-warmth',
    )
  expect([dressed(limit), dressed(limit + 1)]).toEqual(['note', 'stop'])
})

test.each([
  [4.9, true],
  [5, false],
  [5.1, false],
])('a rest of %d min is short: %s', (rest_minutes, short) =>
  expect(codesOf({ method: 'covered-simmer', rest_minutes }).includes('short-rest')).toBe(short),
)

test.each([
  [20, 240, false],
  [20, 241, true],
  [25, 120, false],
  [25, 121, true],
  [8.1, 241, true],
  [8, 241, false],
])('soaking at %d °C for %d min belongs in the fridge: %s', (celsius, minutes, found) => {
  const codes = codesOf({ grains: [{ variety: 'brown-short' }], soak: { minutes, celsius, water: 'drain' } })
  expect(codes.includes('soak-belongs-in-fridge')).toBe(found)
})
