import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { PlanRequestJson } from '#core/contract/plan-request'
import { runningCookOf } from '#core/contract/running-cook'
import { estimatePot } from '#core/cook/estimate-pot'
import { replay } from '#core/cook/replay'
import { truthOf } from '#core/cook/true-pot'
import { TARN_HEAD } from '../../demo/household'
import { beginHousehold } from '#server/commands/begin-household'
import { openKitchen, type Kitchen } from '#server/store/open-household'
import { press } from '#server/commands/press'
import { startCook } from '#server/commands/start-cook'
import { DEVICE_KINDS, type DeviceKind } from '#core/contract/equipment'
import type { Reading } from './device'
import { faulty } from './faults'
import { watchOnce } from './watch'

const START = Date.UTC(2026, 2, 5, 17, 0)
const MINUTE = 60_000
let folder: string
let kitchen: Kitchen

beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'omsel-devices-'))
  kitchen = openKitchen(join(folder, 'omsel.sqlite'))
  beginHousehold(kitchen, TARN_HEAD)
})
afterEach(() => {
  kitchen.db.close()
  rmSync(folder, { recursive: true })
})

const on = (
  kind: DeviceKind,
  over: Partial<{
    trusted: 0 | 1
    drift_per_hour: number
    lag_s: number
    drop_out: number
    lie: number
  }> = {},
) =>
  kitchen.devices.put({
    kind,
    on_since_ms: START,
    trusted: 1,
    drift_per_hour: 0,
    lag_s: 0,
    drop_out: 0,
    lie: 0,
    ...over,
  })
const VESSELS: Partial<Record<NonNullable<PlanRequestJson['method']>, string>> = {
  'switch-cooker': 'scoop-cooker',
  'pressure-electric': 'pressure-pot',
}
function begin(more: Partial<PlanRequestJson>): string {
  const vessel_id = VESSELS[more.method ?? 'covered-simmer'] ?? 'heavy-blue'
  const request = { grains: [{ variety: 'long-white' }], amount: { basis: 'dry-mass', value: 300 }, ...more }
  const started = startCook(kitchen, { request, vessel_id, heat_id: kitchen.equipment.heats()[0]!.id }, START)
  if (!started.ok) throw new Error(JSON.stringify(started.errors))
  return started.value
}
const state = (id: string, nowMs: number) => {
  const cook = kitchen.cooks.find(id)!
  const events = kitchen.cooks.events(id)
  const running = runningCookOf(cook, events)
  return { running, events, view: replay(running, events, nowMs) }
}
/** Lets the stove be watched until the cook is over, or so many minutes. */
function cookThrough(id: string, { minutes = 180, stepS = 5 } = {}): number {
  let now = START
  while (now < START + minutes * MINUTE && !kitchen.cooks.findFinished(id)) {
    watchOnce(kitchen, now + stepS * 1000, now)
    now += stepS * 1000
  }
  return now
}

test.each([
  ['switch-cooker', { rinse: { washes: 0, drain: 'none' } }],
  ['pressure-electric', { rinse: { washes: 0, drain: 'none' } }],
  ['covered-simmer', { rinse: { washes: 0, drain: 'none' } }],
] as const)(
  '%s: with devices trusted it runs from start to waiting to be judged without a hand',
  (method, more) => {
    for (const kind of DEVICE_KINDS) on(kind)
    const id = begin({ method, ...more } as Partial<PlanRequestJson>)
    const end = cookThrough(id)
    const { view, events, running } = state(id, end)
    expect(view.outcome).toBe('finished')
    expect(kitchen.cooks.findFinished(id)).toMatchObject({ end: 'finish', rating: null })
    // Every sign came once, in the order of the plan, and the pour as it was weighed.
    const cues = events.filter((e) => e.kind === 'cue').map((e) => e.stage)
    expect(new Set(cues).size).toBe(cues.length)
    expect(cues).toEqual(running.plan.stages.filter((s) => s.ends_on === 'cue').map((s) => s.id))
    expect(
      Math.abs(events.find((e) => e.stage === 'pour')!.amount! - running.plan.water.pour_g),
    ).toBeLessThan(4)
  },
)

test('the boil comes when the true burner brings it, and the household learns how strong that is', () => {
  for (const kind of ['scale', 'probe'] as const) on(kind)
  // The true pot is drawn from the cook's id: a fixed one, so that every run measures the same burner.
  const id = 'heavy-blue-on-big-gas'
  kitchen.db
    .prepare('UPDATE cook SET id = ? WHERE id = ?')
    .run(id, begin({ rinse: { washes: 0, drain: 'none' } }))
  let now = START
  while (
    state(id, now).view.stages.find((s) => s.id === 'heat-up')!.state !== 'done' &&
    now < START + 60 * MINUTE
  ) {
    watchOnce(kitchen, now + 2000, now)
    now += 2000
  }
  const { running, view, events } = state(id, now + MINUTE)
  const estimate = estimatePot({
    plan: running.plan,
    request: running.request,
    view,
    events,
    nowMs: now + MINUTE,
  })!
  // A probe tells the boil half a minute before a hand would have turned it down.
  expect(Math.abs(estimate.burner / truthOf(id).burner - 1)).toBeLessThan(0.09)
})

test('a device that is not trusted only proposes', () => {
  on('scale', { trusted: 0 })
  const id = begin({ rinse: { washes: 0, drain: 'none' } })
  const readings = watchOnce(kitchen, START + 2 * MINUTE)
  expect(readings).toEqual([
    expect.objectContaining({ cookId: id, kind: 'scale', ends: 'measure', grams: expect.any(Number) }),
  ])
  expect(state(id, START + 2 * MINUTE).events).toEqual([])
})

test('after a gap in the looking a cue is written at its own moment, and the next ones with it', () => {
  on('scale')
  on('probe')
  const id = begin({ rinse: { washes: 0, drain: 'none' } })
  watchOnce(kitchen, START + 25 * MINUTE, START)
  const { events } = state(id, START + 25 * MINUTE)
  const at = (stage: string) => (events.find((e) => e.stage === stage)!.atMs - START) / MINUTE
  expect(at('measure')).toBeLessThan(1.5)
  expect(at('pour')).toBeGreaterThan(at('measure'))
  expect(at('pour')).toBeLessThan(4)
  expect(at('heat-up')).toBeGreaterThan(at('pour') + 1)
  expect(at('heat-up')).toBeLessThan(24)
})

describe('devices fail as real ones do', () => {
  const reading: Reading = { kind: 'probe', atMs: START + 60 * MINUTE, celsius: 80 }
  const none = { driftPerHour: 0, lagSeconds: 0, dropOut: 0, lie: 0 }
  test('they drift, lie, and drop out for whole spells', () => {
    expect(faulty(reading, { ...none, driftPerHour: 1.5 }, START, 'a')!.celsius).toBeCloseTo(81.5, 9)
    expect(faulty(reading, { ...none, lie: -4 }, START, 'a')!.celsius).toBe(76)
    expect(faulty(reading, { ...none, dropOut: 1 }, START, 'a')).toBeUndefined()
    const share =
      Array.from({ length: 400 }, (_, i) =>
        faulty({ ...reading, atMs: START + i * 20_000 }, { ...none, dropOut: 0.3 }, START, 'a'),
      ).filter((r) => r === undefined).length / 400
    expect(share).toBeGreaterThan(0.2)
    expect(share).toBeLessThan(0.4)
  })
  test('a lagging probe says what was', () => {
    on('probe', { trusted: 0, lag_s: 60 })
    const id = begin({ rinse: { washes: 0, drain: 'none' } })
    for (const [stage, minute] of [
      ['measure', 1],
      ['pour', 2],
    ] as const)
      press(
        kitchen,
        id,
        { id: stage, kind: 'cue', stage, pressed_ms: 0, sent_ms: 0 },
        START + minute * MINUTE,
      )
    const late = watchOnce(kitchen, START + 5 * MINUTE)[0]!.celsius!
    kitchen.devices.put({
      kind: 'probe',
      on_since_ms: START,
      trusted: 0,
      drift_per_hour: 0,
      lag_s: 0,
      drop_out: 0,
      lie: 0,
    })
    expect(late).toBeCloseTo(watchOnce(kitchen, START + 4 * MINUTE)[0]!.celsius!, 1)
    expect(watchOnce(kitchen, START + 5 * MINUTE)[0]!.celsius!).toBeGreaterThan(late + 5)
  })
  test('a scale that lies by far ends nothing, even when it is trusted', () => {
    on('scale', { lie: 80 })
    const id = begin({ rinse: { washes: 0, drain: 'none' } })
    watchOnce(kitchen, START + 3 * MINUTE, START)
    expect(state(id, START + 3 * MINUTE).events).toEqual([])
  })
})

test('no device, no work: nothing is read', () => {
  begin({})
  expect(watchOnce(kitchen, START + MINUTE)).toEqual([])
})
