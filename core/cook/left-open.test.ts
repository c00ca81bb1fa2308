import type { Plan } from '#core/plan/result'
import type { CookEvent } from './events'
import { leftOpen } from './left-open'
import type { CookView } from './replay'

const MINUTE = 60_000
const at = (minute: number) => minute * MINUTE
const plan = { stages: [{ ends_on: 'cue' }, { ends_on: 'clock' }] } as Pick<Plan, 'stages'>
const view = (over: Partial<CookView> = {}, endMs = at(30)): CookView =>
  ({
    outcome: 'cooking',
    plannedTableMs: at(60),
    stages: [
      { state: 'done', endMs: at(20) },
      { state: 'now', endMs },
    ],
    ...over,
  }) as CookView
const pressed = (minute: number): CookEvent => ({ id: 'e', kind: 'cue', stage: 's', atMs: at(minute) })

test('asked an hour and a half after its hour, and not a minute sooner', () => {
  expect(leftOpen(plan, view(), [], at(149))).toBeUndefined()
  expect(leftOpen(plan, view(), [], at(150))).toBe(at(60))
})
test('a press lately is no pot forgotten', () => {
  expect(leftOpen(plan, view(), [pressed(100)], at(150))).toBeUndefined()
  expect(leftOpen(plan, view(), [pressed(100)], at(190))).toBe(at(100))
})
test('a soak or a set that still runs is waited for', () => {
  expect(leftOpen(plan, view({}, at(600)), [], at(300))).toBeUndefined()
})
test('ready and never served, it is asked about; over, it is not', () => {
  const ready = { outcome: 'ready' as const, stages: [] }
  expect(leftOpen(plan, view(ready), [], at(200))).toBe(at(60))
  for (const outcome of ['finished', 'stopped'] as const)
    expect(leftOpen(plan, view({ outcome, stages: [] }), [], at(900))).toBeUndefined()
})
