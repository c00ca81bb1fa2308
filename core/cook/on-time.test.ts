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

/** Every sign told at the minute the plan expects it: the minutes each stage then really has. */
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

test.each(CASES)('%s, %s: told on time, no later stage moves by more than a quarter', (method, variety) => {
  for (const value of [200, 500]) {
    const { plan, now } = cookedOnTime({
      grains: [{ variety }],
      amount: { basis: 'dry-mass', value },
      method,
      elevation_m: 1120,
    })
    for (const stage of plan.stages) {
      const is = now.stages.find((s) => s.id === stage.id)!.minutes
      // A stage of a minute or two is told by the half minute.
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
})
