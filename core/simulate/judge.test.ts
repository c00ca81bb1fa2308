import { planWithOdds } from '#core/contract/plan-with-odds'
import { parsePlanRequestOrThrow, type PlanRequestJson } from '#core/contract/plan-request'
import { plan } from '#core/plan/plan'
import { asMade } from './what-if'
import { simulate } from './simulate'
import { chancesOf } from './sweep'

/** The cook's own water and minutes: planned exactly so, judged by simulation, and left alone when good. */

const BASE: PlanRequestJson = {
  grains: [{ variety: 'long-white' }],
  amount: { basis: 'dry-mass', value: 300 },
}
const planned = (more: Partial<PlanRequestJson>) => {
  const read = planWithOdds({ ...BASE, ...more })
  if (!read.ok) throw new Error(read.errors.map((e) => e.message).join('; '))
  return read.value
}
const minutesOf = (made: ReturnType<typeof planned>, kind: string) =>
  made.stages.find((s) => s.kind === kind)!.minutes

test('a programme is planned as set, and says what to set', () => {
  const own = { programme: { minutes: 12, pressure: 'low', release: 'natural' } } as const
  const made = planned({ vessel: 'pressure-electric-6', own })
  expect(minutesOf(made, 'pressure')).toEqual({ low: 12, expected: 12, high: 12 })
  expect(made.stages.find((s) => s.kind === 'pressure-up')!.set).toEqual({
    setting: 'pressure cook',
    minutes: 12,
    pressure: 'low',
    release: 'natural',
  })
  expect(made.judged!.good).toBeGreaterThan(0.9)
  expect(made.judged!.smallest_change).toBeUndefined()
})

test('own water stays to the gram, with the minutes of the plan', () => {
  const usual = planned({})
  const made = planned({ own: { pour_g: 650 } })
  expect(made.water.pour_g).toBe(650)
  expect(minutesOf(made, 'simmer').expected).toBe(minutesOf(usual, 'simmer').expected)
  expect(planned({ pour_override_g: 650 }).water).toEqual(made.water)
})

test.each([
  ['brown-long' as const, { minutes: { simmer: 15 } }],
  ['long-white' as const, { pour_g: 330, minutes: { simmer: 12 } }],
])('%s %j is bad as it is, and good with the change that is named', (variety, own) => {
  const request: PlanRequestJson = { ...BASE, grains: [{ variety }], own }
  const made = planned(request)
  expect(made.cautions.map((c) => c.code)).not.toContain('no-time-to-spare')
  for (const [kind, minutes] of Object.entries(own.minutes))
    expect(minutesOf(made, kind).expected).toBe(minutes)
  expect(made.judged!.good).toBeLessThan(0.7)
  const change = made.judged!.smallest_change!
  const mended = parsePlanRequestOrThrow({
    ...request,
    own: {
      ...own,
      ...(change.minutes === undefined ? {} : { minutes: { simmer: change.minutes } }),
      ...(change.pour_g === undefined ? {} : { pour_g: change.pour_g }),
      ...(change.rest_minutes === undefined ? {} : { rest_minutes: change.rest_minutes }),
    },
  })
  const chances = chancesOf(asMade(mended), { seed: 7, runs: 200, anyTexture: true })
  expect(chances.good).toBeGreaterThan(made.judged!.good + 0.1)
  expect(chances.good).toBeCloseTo(change.good, 0.5)
})

test('the water of own minutes is what those minutes boil off and the grain takes', () => {
  for (const minutes of [14, 18, 24]) {
    const request = parsePlanRequestOrThrow({ ...BASE, own: { minutes: { simmer: minutes } } })
    const { water } = plan(request)
    expect(water.pour_g + water.carried_in_g).toBeCloseTo(
      water.absorbed_g + water.evaporated_g + water.left_in_pot_g,
      1,
    )
    expect(simulate(asMade(request)).verdict.soggy).toBe(false)
  }
})

test.each([
  [{ minutes: { simmer: -1 } }, 'own.minutes.simmer', 'out-of-range'],
  [{ minutes: { simmer: 601 } }, 'own.minutes.simmer', 'out-of-range'],
  [{ programme: {} }, 'own.programme.minutes', 'required'],
  [{ pour_g: 'much' }, 'own.pour_g', 'wrong-type'],
])('own %j is refused at %s', (own, path, code) => {
  const read = planWithOdds({ ...BASE, own })
  expect(read.ok ? [] : read.errors).toEqual([expect.objectContaining({ path, code })])
})
