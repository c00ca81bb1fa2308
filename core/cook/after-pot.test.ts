import { planFrom } from '#core/contract/plan'
import { parsePlanRequest, type PlanRequestJson } from '#core/contract/plan-request'
import { replay, type RunningCook } from './replay'
import type { CookEvent } from './events'
import { celsiusAfter, handWarmMinutes, HAND_WARM_C, STILL_AIR_H } from '#core/finish/hand-warm'
import { afterPot } from './after-pot'

const MINUTE = 60_000

/** Everything pressed on time; so many minutes after the given stage began. */
function signIn(more: Partial<PlanRequestJson>, stageId: string, minutes: number) {
  const json: PlanRequestJson = {
    grains: [{ variety: 'long-white' }],
    amount: { basis: 'dry-mass', value: 300 },
    ...more,
  }
  const [plan, request] = [planFrom(json), parsePlanRequest(json)]
  if (!plan.ok || !request.ok) throw new Error('unread')
  const cook: RunningCook = {
    plan: plan.value,
    startedMs: 0,
    pot: { lossWK: 1, openArea: 0.03, boilC: 100, kitchenC: 20 },
  }
  let events: CookEvent[] = []
  for (;;) {
    const at = replay(cook, events, 1e9)
    const open = at.now.find((s) => plan.value.stages.find((p) => p.id === s.id)!.ends_on === 'cue')
    const place = at.stages.find((s) => s.id === stageId)!
    if (!open || (place.state !== 'next' && open.id === stageId)) {
      const nowMs = place.startMs + minutes * MINUTE
      return afterPot(plan.value, replay(cook, events, nowMs), request.value, nowMs)
    }
    const expected = plan.value.stages.find((s) => s.id === open.id)!.minutes.expected
    events = [...events, { id: open.id, kind: 'cue', stage: open.id, atMs: open.startMs + expected * MINUTE }]
  }
}

test('in the pot there is nothing to say of it', () => {
  expect(signIn({}, 'simmer', 3)).toBeUndefined()
  expect(signIn({}, 'rest', 3)).toBeUndefined()
  expect(signIn({}, 'fluff', 0)).toBeUndefined()
})

test.each([
  [{ purpose: 'frying' as const }, 'spread', 'tray'],
  [{ purpose: 'dressed' as const }, 'cool', 'bowl'],
  [{ purpose: 'batch' as const }, 'cool-batch', 'containers'],
  [
    { purpose: 'salad' as const, method: 'boil-and-drain' as const, finish: 'cold-rinse' as const },
    'cool',
    'sieve',
  ],
])('%j: the grain is where it was put', (more, stage, place) => {
  expect(signIn(more, stage, 1)?.place).toBe(place)
})

test('spread it cools, and no further than the kitchen; rinsed cold it is cold', () => {
  const at = (minutes: number) => signIn({ purpose: 'frying' }, 'spread', minutes)!.celsius
  expect(at(0)).toBeGreaterThan(75)
  expect(at(5)).toBeLessThan(at(0))
  expect(at(9)).toBeLessThan(at(5))
  const rinsed = { purpose: 'salad', method: 'boil-and-drain', finish: 'cold-rinse', water_c: 12 } as const
  expect(signIn(rinsed, 'cool', 1)!.celsius).toBeLessThanOrEqual(20)
})

test.each([
  // UK Food Standards Agency: cooked rice cooled within an hour; hot food off hot holding, once, two hours.
  ['stricter', 60, 120],
  ['uk', 60, 120],
  // FDA Food Code: to 21 °C within two hours; USDA: two hours at room temperature.
  ['us', 120, 120],
] as const)('%s: minutes left count from when it left the pot', (guidance, chill, eat) => {
  const at = (minutes: number) => signIn({ purpose: 'batch', guidance }, 'portion', minutes)!
  expect(at(0)).toMatchObject({ chillWithinMin: chill, eatWithinMin: eat })
  expect(at(59)).toMatchObject({ chillWithinMin: chill - 59, eatWithinMin: eat - 59 })
  expect(at(chill - 1).chillWithinMin).toBe(1)
  expect(at(chill + 1).chillWithinMin).toBe(0)
  expect(at(119).eatWithinMin).toBe(1)
  expect(at(121).eatWithinMin).toBe(0)
})

describe('open to the air', () => {
  const grain = { heatPerGram: 3.4, densityGMl: 0.8, kitchenC: 20 }
  test('hand-warm is reached at the minute it is computed for', () => {
    expect(celsiusAfter(grain, handWarmMinutes(grain))).toBeCloseTo(HAND_WARM_C, 0)
  })
  test('a thicker layer and still air take longer; nothing gets colder than the kitchen', () => {
    expect(celsiusAfter({ ...grain, depthMm: 50 }, 5)).toBeGreaterThan(celsiusAfter(grain, 5))
    expect(celsiusAfter({ ...grain, airH: STILL_AIR_H }, 5)).toBeGreaterThan(celsiusAfter(grain, 5))
    expect(celsiusAfter(grain, 100_000)).toBeGreaterThanOrEqual(20)
    expect(celsiusAfter({ ...grain, fromC: 12 }, 30)).toBeLessThanOrEqual(20)
  })
})
