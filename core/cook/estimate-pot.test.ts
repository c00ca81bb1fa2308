import { planFrom } from '#core/contract/plan'
import type { PlanRequestJson } from '#core/contract/plan-request'
import { runningCookOf } from '#core/contract/running-cook'
import type { VarietyId } from '#core/grain/varieties'
import type { MethodId } from '#core/methods/index'
import { grainWater } from '#core/pot/pot'
import type { CookEvent } from './events'
import { minutesStillNeeded, outlookOf } from './outlook'
import { estimatePot } from './estimate-pot'
import { replay } from './replay'

const START = Date.UTC(2026, 2, 5, 17, 0)
const MINUTE = 60_000
const LATE = new Set(['heat-up', 'pressure-up'])

/** A cook whose signs are pressed as the plan expects them, the first heat so many minutes late. */
function cookOf(request: PlanRequestJson, late = 0) {
  const read = planFrom(request)
  if (!read.ok) throw new Error(JSON.stringify(read.errors))
  const saved = { request, plan: read.value, startedMs: START }
  let events: CookEvent[] = []
  for (;;) {
    const cook = runningCookOf(saved, events)
    const now = replay(cook, events, START + 900 * MINUTE).now.find(
      (s) => cook.plan.stages.find((p) => p.id === s.id)!.ends_on === 'cue',
    )
    if (!now || now.id === 'fluff') break
    const expected = cook.plan.stages.find((s) => s.id === now.id)!.minutes.expected
    events = [
      ...events,
      {
        id: `cue-${now.id}`,
        kind: 'cue',
        stage: now.id,
        atMs: now.startMs + (expected + (LATE.has(now.id) ? late : 0)) * MINUTE,
      },
    ]
  }
  const cook = runningCookOf(saved, events)
  const at = (nowMs: number, more: CookEvent[] = []) => {
    const all = [...events, ...more]
    const again = more.length > 0 ? runningCookOf(saved, all) : cook
    return {
      cook: again,
      estimate: estimatePot({
        plan: again.plan,
        request: again.request,
        view: replay(again, all, nowMs),
        events: all,
        nowMs,
      })!,
    }
  }
  return { cook, plan: read.value, at, hot: events.filter((e) => LATE.has(e.stage)).at(-1)!.atMs }
}
const asked = (variety: VarietyId, method: MethodId, vessel: string): PlanRequestJson =>
  ({ grains: [{ variety }], amount: { basis: 'dry-mass', value: 300 }, method, vessel }) as PlanRequestJson

const WAYS = [
  ['covered-simmer', 'heavy-2.5'],
  ['boiling-start', 'heavy-2.5'],
  ['pressure-electric', 'pressure-electric-6'],
  ['boil-and-drain', 'heavy-3.5'],
] as const

describe.each(WAYS)('%s in %s', (method, vessel) => {
  test.each(['long-white', 'short-white', 'brown-short', 'quinoa', 'barley-hulled'] as const)(
    '%s: on time the estimated pot ends as it was planned',
    (variety) => {
      const { cook, plan, at, hot } = cookOf(asked(variety, method, vessel))
      const { estimate } = at(hot + MINUTE)
      expect(estimate.burner).toBeCloseTo(1, 1)
      const { outcome, verdict } = outlookOf(estimate)
      expect(verdict.cookedThrough).toBe('yes')
      expect(verdict.scorched).toBe(false)
      expect(Math.abs(outcome.uptakeMean / plan.water.uptake_target - 1)).toBeLessThan(0.04)
      // The open stage keeps its minutes to a tenth or so: the planner's coarser pot and this one are the same pot.
      if (cook.retimed)
        expect(Math.abs(cook.retimed.isMinutes / cook.retimed.wasMinutes - 1)).toBeLessThan(0.1)
    },
  )
})

test.each(['long-white', 'short-white', 'brown-short', 'barley-hulled'] as const)(
  '%s: a boil five minutes late is a weaker burner, and the pot still ends well',
  (variety) => {
    const { at, hot, plan } = cookOf(asked(variety, 'covered-simmer', 'heavy-2.5'), 5)
    const { estimate } = at(hot + MINUTE)
    const believed = plan.stages.find((s) => s.id === 'heat-up')!.minutes.expected
    expect(estimate.burner).toBeLessThan(1)
    expect(estimate.burner).toBeGreaterThan(believed / (believed + 5) - 0.05)
    const { verdict, outcome } = outlookOf(estimate)
    expect(verdict).toMatchObject({ cookedThrough: 'yes', soggy: false, scorched: false })
    // Its lowest setting is weaker too and boils less off, the more the longer it simmers.
    expect(outcome.uptakeMean / plan.water.uptake_target).toBeGreaterThan(0.94)
    expect(outcome.uptakeMean / plan.water.uptake_target).toBeLessThan(1.2)
  },
)

describe('events of the heat', () => {
  const { at, hot } = cookOf(asked('long-white', 'covered-simmer', 'heavy-2.5'))
  const eventOf = (kind: CookEvent['kind'], minute: number, amount: number): CookEvent => ({
    id: `${kind}-${minute}`,
    kind,
    stage: 'simmer',
    atMs: hot + minute * MINUTE,
    amount,
  })
  const then = hot + 6 * MINUTE
  const plain = at(then).estimate.pot
  test('high boils more away, low and out boil less, each by its minutes', () => {
    const high = at(then, [eventOf('heat-high', 5, 2)]).estimate.pot
    const out = at(then, [eventOf('heat-out', 5, 2)]).estimate.pot
    const low = at(then, [eventOf('heat-low', 5, 2)]).estimate.pot
    expect(high.evaporatedG).toBeGreaterThan(plain.evaporatedG + 10)
    expect(out.evaporatedG).toBeLessThanOrEqual(plain.evaporatedG)
    expect(low.evaporatedG).toBeLessThanOrEqual(plain.evaporatedG)
    expect(low.bulkC).toBeGreaterThanOrEqual(out.bulkC - 1e-9)
  })
  test('two entries for the same minutes count once, the later one', () => {
    const twice = at(then, [eventOf('heat-high', 5, 2), { ...eventOf('heat-high', 5, 2), id: 'again' }])
      .estimate.pot
    expect(twice.evaporatedG).toBeCloseTo(at(then, [eventOf('heat-high', 5, 2)]).estimate.pot.evaporatedG, 6)
  })
  test('longer than the stage has lasted, it reaches back to its start and no further', () => {
    const [long, whole] = [
      at(then, [eventOf('heat-out', 5, 100)]).estimate.pot,
      at(then, [eventOf('heat-out', 5, 5)]).estimate.pot,
    ]
    expect(long.bulkC).toBeCloseTo(whole.bulkC, 6)
  })
  test('water added and taken out again changes nothing', () => {
    const both = at(then, [eventOf('water-added', 4, 60), eventOf('boiled-over', 4, 60)]).estimate.pot
    expect(both.freeG + grainWater(both)).toBeCloseTo(plain.freeG + grainWater(plain), 0)
  })
  test('what is still needed falls as it cooks, minute by minute', () => {
    const needed = [1, 3, 5, 7].map((minute) => minutesStillNeeded(at(hot + minute * MINUTE).estimate)!)
    needed.slice(1).forEach((minutes, i) => expect(minutes).toBeLessThanOrEqual(needed[i]! + 0.1))
    expect(needed[0]! - needed[2]!).toBeGreaterThan(2)
  })
})
