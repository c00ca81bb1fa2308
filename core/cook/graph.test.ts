import type { Plan, Stage } from '#core/plan/result'
import type { CookEvent } from './events'
import { lidCanBeLifted } from './lid-lift'
import { replay, type RunningCook } from './replay'

const MINUTE = 60_000
const stage = (id: string, after: string[], minutes: number, endsOn: Stage['ends_on'] = 'clock'): Stage => ({
  id,
  after,
  kind: 'boil',
  title: id,
  heat: 'off',
  power_w: 0,
  lid: 'off',
  minutes: { low: minutes, expected: minutes, high: minutes },
  ends_on: endsOn,
  hands_on: false,
  checks: [],
})
/** Water comes to the boil while the grain soaks; then both go on together. */
const stages = [
  stage('rinse', [], 4, 'cue'),
  stage('kettle', [], 9, 'cue'),
  stage('soak', ['rinse'], 20),
  stage('join', ['kettle', 'soak'], 2, 'cue'),
  stage('simmer', ['join'], 12),
]
const cook: RunningCook = {
  plan: { stages } as unknown as Plan,
  startedMs: 0,
  pot: { lossWK: 1, openArea: 0.03, boilC: 100, kitchenC: 20 },
}
const cue = (id: string, minutes: number): CookEvent => ({
  id,
  kind: 'cue',
  stage: id,
  atMs: minutes * MINUTE,
})
const now = (events: CookEvent[], minutes: number) => replay(cook, events, minutes * MINUTE)

test('stages that wait for nothing start together, and the one that ends next comes first', () => {
  expect(now([], 1).now.map((s) => s.id)).toEqual(['rinse', 'kettle'])
  expect(now([cue('rinse', 5)], 6).now.map((s) => s.id)).toEqual(['kettle', 'soak'])
})

test('what waits for two waits for the later of them', () => {
  const view = now([cue('rinse', 5), cue('kettle', 9)], 20)
  expect(view.now.map((s) => s.id)).toEqual(['soak'])
  expect(view.stages.find((s) => s.id === 'join')).toMatchObject({ state: 'next', startMs: 25 * MINUTE })
  expect(now([cue('rinse', 5), cue('kettle', 9)], 26).now.map((s) => s.id)).toEqual(['join'])
})

test('a kettle that never boils holds up what needs it, and nothing else', () => {
  const view = now([cue('rinse', 5)], 40)
  expect(view.now.map((s) => s.id)).toEqual(['kettle'])
  expect(view.stages.find((s) => s.id === 'soak')).toMatchObject({ state: 'done', endMs: 25 * MINUTE })
  expect(view.tableMs).toBe((40 + 2 + 12) * MINUTE)
})

test('the planned table is the longest path, not the sum', () => {
  expect(now([], 0).plannedTableMs).toBe((4 + 20 + 2 + 12) * MINUTE)
})

test('a stage that waits for its hour leaves nothing under way; it is next, and can be begun early', () => {
  const lagged = { ...stage('dress', ['rinse'], 3, 'cue'), lag_minutes: 20 }
  const waits: RunningCook = { ...cook, plan: { stages: [stages[0]!, lagged] } as unknown as Plan }
  const at = (minutes: number, events: CookEvent[]) => replay(waits, events, minutes * MINUTE)
  const idle = at(10, [cue('rinse', 5)])
  expect(idle.now).toEqual([])
  expect(idle.outcome).toBe('cooking')
  expect(idle.next).toMatchObject({ id: 'dress', startMs: 25 * MINUTE })
  const begun = at(11, [cue('rinse', 5), { id: 'b', kind: 'begin', stage: 'dress', atMs: 10 * MINUTE }])
  expect(begun.now).toMatchObject([{ id: 'dress', startMs: 10 * MINUTE }])
  expect(begun.next).toBeUndefined()
})

test('next is what begins first, also while something else goes on', () => {
  const late = { ...stage('warm the dish', [], 2, 'cue'), lag_minutes: 8 }
  const two: RunningCook = {
    ...cook,
    plan: { stages: [stages[0]!, stage('soak', ['rinse'], 20), late] } as unknown as Plan,
  }
  expect(replay(two, [cue('rinse', 4)], 5 * MINUTE).next?.id).toBe('warm the dish')
})

test('a lid is lifted where there is one on a hot pot, never under pressure', () => {
  const under = (kind: Stage['kind'], power_w: number, lid: Stage['lid'] = 'on') =>
    lidCanBeLifted({ kind, lid, power_w })
  expect(under('simmer', 300)).toBe(true)
  expect(under('rest', 0)).toBe(true)
  expect(under('simmer', 300, 'off')).toBe(false)
  expect(under('soak', 0)).toBe(false)
  for (const kind of ['pressure-up', 'pressure', 'release'] as const) expect(under(kind, 500)).toBe(false)
})
