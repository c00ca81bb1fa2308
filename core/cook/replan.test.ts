import { planFrom } from '#core/contract/plan'
import { parsePlanRequest, type PlanRequestJson } from '#core/contract/plan-request'
import { runningCookOf } from '#core/contract/running-cook'
import { replay } from './replay'
import { replanned, preCookReadings } from './replan'
import type { CookEvent, EventKind } from './events'

const START = Date.UTC(2026, 2, 5, 17, 0)
const MINUTE = 60_000
const json = {
  grains: [{ variety: 'brown-short' }],
  amount: { basis: 'dry-mass', value: 300 },
  soak: { minutes: 120, celsius: 20 },
  kitchen_c: 20,
} as PlanRequestJson
const [asked, made] = [parsePlanRequest(json), planFrom(json)]
if (!asked.ok || !made.ok) throw new Error('not a request')
const [request, frozen] = [asked.value, made.value]
let n = 0
const event = (
  kind: EventKind,
  stage: string,
  minutes: number,
  more: Partial<CookEvent> = {},
): CookEvent => ({ id: `e${++n}`, kind, stage, atMs: START + minutes * MINUTE, ...more })
const simmer = (plan: typeof frozen) => plan.stages.find((s) => s.id === 'simmer')!.minutes.expected

test('nothing seen, nothing changed: the very same plan', () => {
  expect(replanned(request, frozen, preCookReadings([event('cue', 'measure', 2)]))).toBe(frozen)
})

test('soaked overnight instead of two hours: less water, less time, and what was done keeps its minutes', () => {
  const again = replanned(request, frozen, preCookReadings([event('soaked', 'drain', 130, { amount: 720 })]))
  expect(again.water.soaked_in_g).toBeGreaterThan(frozen.water.soaked_in_g)
  expect(again.water.pour_g).toBeLessThan(frozen.water.pour_g)
  expect(simmer(again)).toBeLessThanOrEqual(simmer(frozen))
  expect(again.stages.find((s) => s.id === 'soak')!.minutes.expected).toBe(120)
  expect(again.stages.map((s) => s.id)).toEqual(frozen.stages.map((s) => s.id))
})

test("weighed wet, the scale's figure is what is carried in", () => {
  const again = replanned(request, frozen, preCookReadings([event('weighed', 'drain', 130, { amount: 405 })]))
  expect(again.water.carried_in_g).toBeCloseTo(105, 0)
  // Every gram more on the scale is a gram less from the jug, but for the steam.
  const more = replanned(request, frozen, preCookReadings([event('weighed', 'drain', 130, { amount: 415 })]))
  expect(
    Math.abs(
      again.water.pour_g - more.water.pour_g - 10 - (again.water.evaporated_g - more.water.evaporated_g),
    ),
  ).toBeLessThan(1.5)
})

test('only rinsed and weighed, all it carries hangs on it', () => {
  const plain = { ...request, soak: null }
  const once = planFrom({ ...json, soak: null })
  if (!once.ok) throw new Error('not a request')
  const again = replanned(plain, once.value, preCookReadings([event('weighed', 'drain', 9, { amount: 345 })]))
  expect(again.water).toMatchObject({ clinging_g: 45, soaked_in_g: 0 })
})

test('a clearer rinse than usual makes grains more separate and foam less', () => {
  const cloudy = replanned(request, frozen, preCookReadings([event('washed', 'rinse', 4, { clarity: 0 })]))
  const clear = replanned(
    request,
    frozen,
    preCookReadings([
      event('washed', 'rinse', 4, { clarity: 0 }),
      event('washed', 'rinse', 5, { clarity: 1 }),
    ]),
  )
  expect(clear.separate_index).toBeGreaterThan(cloudy.separate_index)
  expect(clear.gauges.froth_level_mm).toBeLessThan(cloudy.gauges.froth_level_mm)
})

test('entries after the water is in, or undone, change nothing', () => {
  const poured = event('cue', 'pour', 140)
  expect(preCookReadings([poured, event('weighed', 'pour', 141, { amount: 405 })]).wetMassG).toBeNull()
  const weighed = event('weighed', 'drain', 130, { amount: 405 })
  expect(
    preCookReadings([weighed, event('take-back', 'drain', 131, { target: weighed.id })]).wetMassG,
  ).toBeNull()
})

test('the stove continues at the same stage, with serving as first planned', () => {
  const events = [
    event('cue', 'measure', 2),
    event('cue', 'rinse', 5),
    event('soaked', 'drain', 126, { amount: 600 }),
  ]
  const before = replay(
    runningCookOf({ request: json, plan: frozen, startedMs: START }, events.slice(0, 2)),
    events.slice(0, 2),
    START + 126 * MINUTE,
  )
  const after = replay(
    runningCookOf({ request: json, plan: frozen, startedMs: START }, events),
    events,
    START + 126 * MINUTE,
  )
  expect(after.now.map((s) => s.id)).toEqual(before.now.map((s) => s.id))
  expect(after.plannedTableMs).toBe(before.plannedTableMs)
})
