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

test('corrections and what was known of the bag are separated from published figures', () => {
  // 0.10 g/g over the published were planned: 0.06 learned, 0.04 by the bag's label.
  const e = evidenceOf(
    record(
      { uptake_delta_g_g: 0.1 },
      { over: { bagDelta: 0.04, applied: { ...NOTHING_APPLIED, uptake: 0.06 } } },
    ),
  )
  expect(e.extraUptake).toBeCloseTo(0.06, 2)
})

test('own water is counted as it was poured', () => {
  const plain = record()
  const more = evidenceOf(record({ pour_override_g: plain.plan.water.pour_g + 60 }))
  expect(more.extraUptake!).toBeCloseTo(0.2, 1)
})

test('water added and water that ran over count in the grain', () => {
  const eventOf = (kind: 'water-added' | 'boiled-over', amount: number): CookEvent => ({
    id: kind,
    kind,
    stage: 'simmer',
    atMs: START + 20 * MINUTE,
    amount,
  })
  const base = evidenceOf(record()).extraUptake!
  expect(evidenceOf(record({}, { more: [eventOf('water-added', 30)] })).extraUptake! - base).toBeCloseTo(
    0.1,
    2,
  )
  expect(evidenceOf(record({}, { more: [eventOf('boiled-over', 30)] })).extraUptake! - base).toBeCloseTo(
    -0.1,
    2,
  )
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

describe('minutes cooked against minutes needed', () => {
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

describe('each figure of a record, calculated by hand', () => {
  const done = record()
  const dryG = done.plan.grain.mass_g
  const remedied = (addG: number): CookEvent =>
    ({
      id: 'r',
      kind: 'remedy',
      stage: 'simmer',
      atMs: START + 20 * MINUTE,
      remedy: { says: 'Add boiling water', addG, stages: [] },
    }) as unknown as CookEvent

  test('water a remedy added is in the grain; what says nothing of water adds none', () => {
    const base = evidenceOf(done).extraUptake!
    const { events } = record({}, { more: [remedied(45)] })
    expect(evidenceOf({ ...done, events }).extraUptake! - base).toBeCloseTo(45 / dryG, 9)
    const late = { id: 'n', kind: 'late', stage: 'simmer', atMs: START, amount: 60 } as CookEvent
    expect(evidenceOf({ ...done, events: [...done.events, late] }).extraUptake).toBe(base)
  })

  test('water left in the pot is eaten with it, steam that a lifted lid lost is not', () => {
    const water = { ...done.plan.water, absorbed_g: 400, left_in_pot_g: 24 }
    const e = evidenceOf({
      ...done,
      plan: { ...done.plan, water },
      view: { ...done.view, lostSteamG: 9 },
    })
    const published = water.uptake_target - done.request.uptakeDelta
    expect(e.extraUptake).toBeCloseTo((400 + 24 - 9) / dryG - published, 9)
    expect(e.steamPerDry).toBeCloseTo(water.evaporated_g / dryG, 9)
  })

  test('stock ladled in says something of the pour, too', () => {
    const ladled = record({ grains: [{ variety: 'risotto-white' }], method: 'ladled' })
    expect(evidenceOf(ladled).extraUptake).toEqual(expect.any(Number))
  })

  test('what was not rated is not judged', () => {
    expect(evidenceOf({ ...done, rating: null }).judged).toBeNull()
  })

  test('by the scale: what was added counts, what ran over does not, lost steam was expected', () => {
    const water = { ...done.plan.water, evaporated_g: 80 }
    const weighed = (more: Partial<CookRecord>) =>
      evidenceOf({
        ...done,
        plan: { ...done.plan, water },
        view: { ...done.view, lostSteamG: 20 },
        potBeforeG: 2600,
        potAfterG: 2500,
        ...more,
      }).steamFactor
    expect(weighed({})).toBeCloseTo(100 / 100, 9)
    expect(weighed({ events: [...done.events, remedied(50)] })).toBeCloseTo(150 / 100, 9)
    const over = { id: 'o', kind: 'boiled-over', stage: 'simmer', atMs: START, amount: 50 } as CookEvent
    expect(weighed({ events: [...done.events, over] })).toBeCloseTo(100 / 100, 9)
    // Nothing was lost, or no steam was expected: a scale that was not read twice.
    expect(weighed({ potAfterG: 2600 })).toBeNull()
    const dry = { ...done.plan, water: { ...water, evaporated_g: 0 } }
    expect(weighed({ plan: dry })).toBeNull()
    // Between a fifth and five times what was expected; beyond, one of the weights is wrong.
    expect(weighed({ potAfterG: 2580 })).toBeCloseTo(0.2, 9)
    expect(weighed({ potAfterG: 2580.1 })).toBeNull()
    expect(weighed({ potAfterG: 2100 })).toBeCloseTo(5, 9)
    expect(weighed({ potAfterG: 2099.9 })).toBeNull()
  })

  const heatUp = done.plan.stages.find((s) => s.id === 'heat-up')!
  const boiled = (factor: number, more: CookEvent[] = [], plan = done.plan) => {
    const stages = done.view.stages.map((s) =>
      s.id === 'heat-up'
        ? { ...s, startMs: START, endMs: START + heatUp.minutes.expected * factor * MINUTE }
        : s,
    )
    return evidenceOf({ ...done, plan, view: { ...done.view, stages }, events: [...done.events, ...more] })
      .boilFactor
  }

  test('the burner: the heat beyond what the pot loses on its way, in other minutes', () => {
    const loss = (done.request.vessel.loss * (done.plan.boil_c - done.request.kitchenC)) / 2
    for (const factor of [0.6, 1, 1.5])
      expect(boiled(factor)).toBeCloseTo(((heatUp.power_w - loss) / factor + loss) / heatUp.power_w, 6)
    expect(boiled(0)).toBeNull()
    expect(boiled(-0.1)).toBeNull()
  })

  test('only the sign of the boil itself counts, and only of a heat that was left alone', () => {
    const eventAt = (kind: string, stage: string) =>
      ({ id: kind + stage, kind, stage, atMs: START }) as CookEvent
    for (const kind of ['heat-low', 'skip', 'minute-more', 'lid-lifted', 'water-added', 'late'])
      expect([kind, boiled(1, [eventAt(kind, 'heat-up')])]).toEqual([kind, null])
    expect(boiled(1, [eventAt('heat-low', 'simmer')])).not.toBeNull()
    const unsaid = done.events.filter((e) => e.stage !== 'heat-up')
    expect(evidenceOf({ ...done, events: unsaid }).boilFactor).toBeNull()
    expect(evidenceOf({ ...done, events: [...unsaid, eventAt('photo', 'heat-up')] }).boilFactor).toBeNull()
    const stages = (change: object) => ({
      ...done.plan,
      stages: done.plan.stages.map((s) => (s.id === 'heat-up' ? { ...s, ...change } : s)),
    })
    expect(boiled(1, [], stages({ ends_on: 'clock' }))).toBeNull()
    expect(boiled(1, [], stages({ power_w: 0 }))).toBeNull()
  })

  test('short is under 0.85 of its minutes, long over 1.25: at either it is neither', () => {
    const cooked = done.plan.stages.filter((s) => ['simmer', 'rest', 'boil'].includes(s.kind))
    const ids = new Set(cooked.map((s) => s.id))
    const took = (share: number) => {
      const minutes = cooked.reduce((sum, s) => sum + s.minutes.expected, 0) * share
      const stages = done.view.stages.map((s) =>
        ids.has(s.id)
          ? { ...s, startMs: START, endMs: START + (s.id === 'simmer' ? minutes * MINUTE : 0) }
          : s,
      )
      return evidenceOf({ ...done, view: { ...done.view, stages } }).heated
    }
    expect([0.849, 0.851, 1.249, 1.251].map(took)).toEqual(['short', null, null, 'long'])
  })
})
