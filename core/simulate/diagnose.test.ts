import { parsePlanRequest, type PlanRequestJson } from '#core/contract/plan-request'
import { plan } from '#core/plan/plan'
import { diagnose, ENDINGS, type Ending, type PastPot } from './diagnose'

const settled = (more: Partial<PlanRequestJson> = {}) => {
  const read = parsePlanRequest({
    grains: [{ variety: 'long-white' }],
    amount: { basis: 'dry-mass', value: 300 },
    method: 'covered-simmer',
    ...more,
  })
  if (!read.ok) throw new Error(JSON.stringify(read.errors))
  return read.value
}
const past = (ended: Ending, more: Partial<Omit<PastPot, 'ended'>> = {}) =>
  diagnose({
    request: settled(),
    pourG: plan(settled()).water.pour_g,
    simmerMinutes: 15,
    restMinutes: 10,
    ended,
    ...more,
  })

const brown = settled({ grains: [{ variety: 'brown-long' }] })
const minutesOf = (request: ReturnType<typeof settled>) =>
  plan(request).stages.find((s) => s.kind === 'simmer')!.minutes.expected

/** Told mishaps with their true cause. */
const DESCRIBED: readonly [string, Ending, Partial<Omit<PastPot, 'ended'>>, string][] = [
  [
    'brown rice by white rice’s minutes',
    'hard',
    { request: brown, pourG: plan(brown).water.pour_g, simmerMinutes: 18 },
    'short',
  ],
  ['a third more water', 'wet', { pourG: 740 }, 'much-water'],
  ['a quarter less water', 'dry', { pourG: 410 }, 'little-water'],
  ['no rest after a short simmer', 'hard', { simmerMinutes: 11, restMinutes: 0 }, 'no-rest'],
  ['40 min on the heat', 'scorched', { simmerMinutes: 40 }, 'long'],
  ['everything as planned, and wet', 'wet', {}, 'more-water'],
  [
    'brown rice as planned, and hard',
    'hard',
    { request: brown, pourG: plan(brown).water.pour_g, simmerMinutes: minutesOf(brown) },
    'shorter',
  ],
  ['much water and long on the heat', 'mush', { pourG: 880, simmerMinutes: 25 }, 'much-water'],
  ['five minutes, and no rest', 'uneven', { simmerMinutes: 5, restMinutes: 0 }, 'short'],
  [
    'sea level’s minutes at 2500 m',
    'hard',
    {
      request: settled({ elevation_m: 2500 }),
      pourG: plan(settled({ elevation_m: 2500 })).water.pour_g,
      simmerMinutes: 13,
      restMinutes: 5,
    },
    'altitude',
  ],
  ['the lid off', 'dry', { lid: 'off' }, 'lid'],
  ['the lid ajar', 'hard', { lid: 'ajar', simmerMinutes: 15 }, 'lid'],
]

test.each(DESCRIBED)('%s: %s, and the true cause is among the first two', (_told, ended, more, cause) => {
  expect(
    past(ended, more)
      .causes.slice(0, 2)
      .map((c) => c.id),
  ).toContain(cause)
})
test('the true cause comes first in at least three quarters of them', () => {
  const first = DESCRIBED.filter(([, ended, more, cause]) => past(ended, more).causes[0]!.id === cause)
  expect(first.length).toBeGreaterThanOrEqual(9)
})

test('brown rice after 18 min: longer is what helps, and by how much is said', () => {
  const { change } = past('hard', { request: brown, pourG: plan(brown).water.pour_g, simmerMinutes: 18 })
  expect(change!.says).toMatch(/^\d+ min more on the lowest heat$/)
  expect(change!.helps).toBeGreaterThan(0.8)
})

test.each(ENDINGS)(
  '%s: never fewer than two causes, each with what it looked like, the likeliest first',
  (ended) => {
    for (const more of [{}, { pourG: 420 }, { simmerMinutes: 3, restMinutes: 0 }]) {
      const { causes } = past(ended, more)
      expect(causes.length).toBeGreaterThanOrEqual(2)
      for (const { says, looks, share } of causes) {
        expect([says.length > 10, looks.length > 10, share >= 0 && share <= 1]).toEqual([true, true, true])
      }
      const shares = causes.map((c) => c.share)
      expect(shares).toEqual([...shares].sort((a, b) => b - a))
      expect(shares.reduce((a, b) => a + b, 0)).toBeLessThanOrEqual(1 + 1e-9)
    }
  },
)

test('a change that would not have helped is not offered: what was dry gets no less water', () => {
  expect(past('dry', { pourG: 430 }).change?.says).not.toMatch(/less water/)
  expect(past('wet', { pourG: 700 }).change?.says).toMatch(/less water/)
})
