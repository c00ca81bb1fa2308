import { parsePlanRequest, type PlanRequestJson } from '#core/contract/plan-request'
import { runningCookOf } from '#core/contract/running-cook'
import type { CookEvent } from '#core/cook/events'
import { replay } from '#core/cook/replay'
import { plan } from '#core/plan/plan'
import { NOTHING_APPLIED } from './evidence'
import { evidenceOf, type CookRecord } from './record'

const START = Date.UTC(2026, 2, 5, 17, 0)
const MINUTE = 60_000

/** A cook as it was pressed: every sign at its expected time, the boil so many minutes late. */
function record(
  json: Partial<PlanRequestJson> = {},
  {
    boilFactor = 1,
    more = [],
    over = {},
  }: { boilFactor?: number; more?: CookEvent[]; over?: Partial<CookRecord> } = {},
): CookRecord {
  const request: PlanRequestJson = {
    grains: [{ variety: 'short-white' }],
    amount: { basis: 'dry-mass', value: 300 },
    ...json,
  }
  const read = parsePlanRequest(request)
  if (!read.ok) throw new Error(read.errors[0]!.message)
  const made = plan(read.value)
  let at = START
  const events: CookEvent[] = []
  for (const stage of made.stages) {
    at += stage.minutes.expected * (stage.id === 'heat-up' ? boilFactor : 1) * MINUTE
    if (stage.ends_on === 'cue')
      events.push({ id: stage.id, kind: 'cue', stage: stage.id, atMs: Math.round(at) })
  }
  const all = [...events, ...more]
  const running = runningCookOf({ request, plan: made, startedMs: START }, all)
  const endedMs = Math.round(at + MINUTE)
  return {
    cookId: 'a',
    endedMs,
    request: running.request,
    plan: running.plan,
    view: replay(running, all, endedMs),
    events: all,
    vesselId: 'blue',
    heatId: 'gas',
    bagId: null,
    bagDelta: 0,
    applied: NOTHING_APPLIED,
    rating: { wetDry: 1, hardness: 0 },
    potBeforeG: null,
    potAfterG: null,
    ...over,
  }
}

test('a cook by the published figures held nothing over', () => {
  const e = evidenceOf(record())
  expect(e.extraUptake).toBeCloseTo(0, 2)
  expect(e.grainKey).toBe('short-white')
  expect(e.judged).toEqual({ wetDry: 1, hardness: 0 })
})

test('what was corrected for, and what was known of the bag, are told apart from what is published', () => {
  // 0.10 g/g over the published were planned: 0.06 learned, 0.04 by the bag's label.
  const e = evidenceOf(
    record(
      { uptake_delta_g_g: 0.1 },
      { over: { bagDelta: 0.04, applied: { ...NOTHING_APPLIED, uptake: 0.06 } } },
    ),
  )
  expect(e.extraUptake).toBeCloseTo(0.06, 2)
})

test('water of one’s own is counted as it was poured', () => {
  const plain = record()
  const more = evidenceOf(record({ pour_override_g: plain.plan.water.pour_g + 60 }))
  expect(more.extraUptake!).toBeCloseTo(0.2, 1)
})

test('water added and water that ran over count in the grain', () => {
  const told = (kind: 'water-added' | 'boiled-over', amount: number): CookEvent => ({
    id: kind,
    kind,
    stage: 'simmer',
    atMs: START + 20 * MINUTE,
    amount,
  })
  const base = evidenceOf(record()).extraUptake!
  expect(evidenceOf(record({}, { more: [told('water-added', 30)] })).extraUptake! - base).toBeCloseTo(0.1, 2)
  expect(evidenceOf(record({}, { more: [told('boiled-over', 30)] })).extraUptake! - base).toBeCloseTo(-0.1, 2)
})

test('a boil in half the time speaks of a stronger burner, a late one of a weaker; what was otherwise says nothing', () => {
  const at = (boilFactor: number) => evidenceOf(record({}, { boilFactor })).boilFactor
  expect(at(1)!).toBeCloseTo(1, 1)
  expect(at(1.4)!).toBeLessThan(0.8)
  expect(at(0.7)!).toBeGreaterThan(1.3)
  // Nobody's burner is five times as strong: that was hot water.
  expect(at(0.15)).toBeNull()
  const lifted: CookEvent = {
    id: 'l',
    kind: 'lid-lifted',
    stage: 'heat-up',
    atMs: START + 12 * MINUTE,
    seconds: 30,
  }
  expect(evidenceOf(record({}, { more: [lifted] })).boilFactor).toBeNull()
})

test('the scale tells the steam, where both weights are there and make sense', () => {
  const steam = record().plan.water.evaporated_g
  const weighed = (before: number | null, after: number | null) =>
    evidenceOf(record({}, { over: { potBeforeG: before, potAfterG: after } })).steamFactor
  expect(weighed(2600, 2600 - 1.3 * steam)!).toBeCloseTo(1.3, 2)
  expect(weighed(2600, null)).toBeNull()
  expect(weighed(2600, 2700)).toBeNull()
  expect(weighed(2600, 200)).toBeNull()
})

test.each(['boil-and-drain', 'steam'] as const)(
  'where minutes set the texture (%s) the tongue says nothing of the pour',
  (method) => {
    const e = evidenceOf(record({ method }))
    expect(e.extraUptake).toBeNull()
    expect(e.steamFactor).toBeNull()
  },
)

describe('what was cooked beside what this grain takes', () => {
  const skipped = (id: string, kind: string, at: number): CookEvent =>
    ({ id, kind: 'skip', stage: kind, atMs: START + at * MINUTE }) as CookEvent
  test('as planned is neither short nor long', () => {
    expect(evidenceOf(record()).heated).toBeNull()
  })
  test('own minutes far under what it takes are short, and far over long', () => {
    const usual = plan(record().request).stages.find((s) => s.kind === 'simmer')!.minutes.expected
    const own = (simmer: number) => evidenceOf(record({ own: { minutes: { simmer } } })).heated
    expect(own(Math.round(usual * 0.4))).toBe('short')
    expect(own(Math.round(usual))).toBeNull()
    expect(own(Math.round(usual * 2))).toBe('long')
  })
  test('a rest that was skipped is short', () => {
    const done = record()
    const rest = done.view.stages.find((s) => s.id === 'rest')!
    const cut = record({}, { more: [skipped('s', 'rest', (rest.startMs - START) / MINUTE + 0.5)] })
    expect(evidenceOf(cut).heated).toBe('short')
  })
})
