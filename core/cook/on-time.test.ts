import { planFrom } from '#core/contract/plan'
import type { PlanRequestJson } from '#core/contract/plan-request'
import { runningCookOf } from '#core/contract/running-cook'
import { VARIETY_IDS, varietyOf, type VarietyId } from '#core/grain/varieties'
import { METHOD_IDS, methodOf, type MethodId } from '#core/methods/index'
import type { Plan } from '#core/plan/result'
import type { CookEvent } from './events'
import { replay } from './replay'

const START = Date.UTC(2026, 2, 5, 17, 0)
const MINUTE = 60_000

/** Every sign pressed at the minute the plan expects it: the minutes each stage then really has. */
function cookedOnTime(request: PlanRequestJson): { plan: Plan; now: Plan } {
  const read = planFrom(request)
  if (!read.ok) throw new Error(JSON.stringify(read.errors))
  const saved = { request, plan: read.value, startedMs: START }
  let events: CookEvent[] = []
  for (;;) {
    const cook = runningCookOf(saved, events)
    const waiting = replay(cook, events, START + 3000 * MINUTE).now.find(
      (s) => cook.plan.stages.find((p) => p.id === s.id)!.ends_on === 'cue',
    )
    if (!waiting) return { plan: read.value, now: cook.plan }
    const stage = read.value.stages.find((s) => s.id === waiting.id)!
    events = [
      ...events,
      {
        id: `event-${events.length}-${waiting.id}`,
        kind: 'cue',
        stage: waiting.id,
        atMs: waiting.startMs + stage.minutes.expected * MINUTE,
      },
    ]
  }
}

const GRAINS: readonly VarietyId[] = [
  'long-white',
  'basmati',
  'brown-short',
  'glutinous',
  'couscous',
  'bulgur-medium',
  'risotto-white',
  'wheat-berries',
  'lentils-green',
  'oats-steel-cut',
]
const CASES = METHOD_IDS.flatMap((method) =>
  GRAINS.filter((id) => methodOf(method).suits(varietyOf(id))).map((id): [MethodId, VarietyId] => [
    method,
    id,
  ]),
)

test('every method is suited to some grain', () => {
  for (const method of METHOD_IDS)
    expect([method, VARIETY_IDS.some((id) => methodOf(method).suits(varietyOf(id)))]).toEqual([method, true])
})

test.each(CASES)(
  '%s, %s: pressed on time, no later stage moves by more than a quarter',
  (method, variety) => {
    for (const value of [200, 500]) {
      const { plan, now } = cookedOnTime({
        grains: [{ variety }],
        amount: { basis: 'dry-mass', value },
        method,
        elevation_m: 1120,
      })
      for (const stage of plan.stages) {
        const is = now.stages.find((s) => s.id === stage.id)!.minutes
        // A stage of a minute or two is pressed to the half minute.
        expect([
          method,
          stage.id,
          value,
          Math.abs(is.expected - stage.minutes.expected) <= Math.max(1, 0.25 * stage.minutes.expected),
        ]).toEqual([method, stage.id, value, true])
        expect(is.low).toBeLessThanOrEqual(is.expected + 0.05)
        expect(is.expected).toBeLessThanOrEqual(is.high + 0.05)
      }
    }
  },
)

const white = {
  grains: [{ variety: 'long-white' as const }],
  amount: { basis: 'dry-mass' as const, value: 320 },
}
/** Ways of the cook's own, blends and dressed grain: what a plan by the book does not reach. */
const WAYS: readonly [string, PlanRequestJson][] = [
  ['water of one’s own, a little', { ...white, own: { pour_g: 420 } }],
  ['water of one’s own, much', { ...white, own: { pour_g: 781 } }],
  ['water of one’s own, in a wide pot', { ...white, vessel: 'wide-3', own: { pour_g: 700 } }],
  ['water of one’s own, brown', { ...white, grains: [{ variety: 'brown-long' }], own: { pour_g: 900 } }],
  ['own water and a soak', { ...white, soak: { minutes: 30, celsius: 20 }, own: { pour_g: 500 } }],
  ['own minutes', { ...white, own: { minutes: { simmer: 12 } } }],
  ['own minutes and water', { ...white, own: { minutes: { simmer: 25, rest: 5 }, pour_g: 600 } }],
  [
    'a programme under pressure',
    { ...white, vessel: 'pressure-electric-6', own: { programme: { minutes: 12 } } },
  ],
  [
    'a programme, quick release',
    { ...white, vessel: 'pressure-electric-6', own: { programme: { minutes: 8, release: 'quick' } } },
  ],
  ['a rice cooker', { ...white, vessel: 'cooker-5', own: { pour_g: 520 } }],
  [
    'a blend, the quick one later',
    {
      grains: [
        { variety: 'brown-long', share: 2 },
        { variety: 'quinoa', share: 1 },
      ],
      amount: { basis: 'dry-mass', value: 360 },
      blend_timing: 'add-later',
    },
  ],
  [
    'a blend, the slow one soaked',
    {
      grains: [
        { variety: 'wheat-berries', share: 1 },
        { variety: 'long-white', share: 1 },
      ],
      amount: { basis: 'dry-mass', value: 360 },
      blend_timing: 'soak-slow',
      soak: { minutes: 600, celsius: 5 },
    },
  ],
  [
    'dressed, with things cooked along',
    {
      ...white,
      grains: [{ variety: 'short-white' }],
      purpose: 'dressed',
      salt_percent: 0.5,
      add_ins: [
        { name: 'bay leaf', grams_per_100g_dry: 0.1, when: 'with-water', out: 'after-rest' },
        { name: 'peas', grams_per_100g_dry: 25, water_share: 0.79, when: 'at-boil' },
      ],
      dressing: { style: 'usual', infuse_minutes: 30, set_minutes: 10 },
    },
  ],
  [
    'steamed in three passes',
    { ...white, grains: [{ variety: 'glutinous' }], method: 'steam-passes', passes: 3 },
  ],
  ['loosened halfway through the rest', { ...white, loosen_in_rest: true }],
  ['fried at the end', { ...white, purpose: 'frying', fry_at_end: true }],
  ['in a warm drawer', { ...white, hold_minutes: 60, hold_in: 'warm-drawer' }],
  ['in a hurry', { ...white, hurry: true }],
  ['boiled hard a minute', { ...white, heat_style: 'strong-minute-then-low' }],
  ['medium, then full, then off', { ...white, heat_style: 'medium-then-full-then-off' }],
]

test.each(WAYS)('%s: pressed on time, the stove keeps the minutes of the plan', (_way, request) => {
  const { plan, now } = cookedOnTime(request)
  const own = Object.keys(request.own ?? {}).some((key) => key !== 'pour_g')
  for (const stage of plan.stages) {
    const is = now.stages.find((s) => s.id === stage.id)!.minutes
    const moved = Math.abs(is.expected - stage.minutes.expected)
    const most =
      own && ['simmer', 'pressure', 'rest'].includes(stage.kind)
        ? 0.05
        : Math.max(1, 0.25 * stage.minutes.expected)
    expect([stage.id, stage.minutes.expected, is.expected, moved <= most]).toEqual([
      stage.id,
      stage.minutes.expected,
      is.expected,
      true,
    ])
    for (const n of [is.low, is.expected, is.high]) expect(n).toBeGreaterThanOrEqual(0)
  }
})

test.each(WAYS)('%s: what is measured says how much, and grams add up to the whole', (_way, request) => {
  const { plan } = cookedOnTime(request)
  for (const stage of plan.stages)
    if (stage.kind === 'measure')
      expect([stage.id, (stage.amounts ?? []).length > 0]).toEqual([stage.id, true])
  const sum = (what: string) =>
    plan.stages.reduce(
      (total, { amounts = [] }) => total + amounts.reduce((s, a) => s + (a.what === what ? a.grams : 0), 0),
      0,
    )
  expect(sum('grain') / plan.grain.mass_g).toBeCloseTo(1, 1)
})
