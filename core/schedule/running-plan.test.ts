import { planFrom } from '#core/contract/plan'
import type { PlanRequestJson } from '#core/contract/plan-request'
import { runningCookOf } from '#core/contract/running-cook'
import type { CookEvent, EventKind } from '#core/cook/events'
import { replay } from '#core/cook/replay'
import { splitRunningPlan } from './running-plan'

const START = Date.UTC(2026, 2, 5, 17, 0)
const MINUTE = 60_000

/** A pot under way: what its stove shows at a minute, after these presses. */
function running(
  more: Partial<PlanRequestJson>,
  minute: number,
  presses: readonly (readonly [EventKind, string, number])[] = [],
) {
  const request: PlanRequestJson = {
    grains: [{ variety: 'long-white' }],
    amount: { basis: 'dry-mass', value: 300 },
    ...more,
  }
  const made = planFrom(request)
  if (!made.ok) throw new Error(made.errors[0]!.message)
  const plan = made.value
  const events = presses.map(([kind, stage, at], i): CookEvent => ({
    id: `e${i}`.padEnd(9, '0'),
    kind,
    stage,
    atMs: START + at * MINUTE,
  }))
  const view = replay(
    runningCookOf({ request, plan, startedMs: START }, events),
    events,
    START + minute * MINUTE,
  )
  return { plan, view }
}
const split = (more: Partial<PlanRequestJson>, at: string | null = 'b1', keeps = false, minute = 1) => {
  const { plan, view } = running(more, minute)
  return { plan, view, ...splitRunningPlan(plan, view, at ?? undefined, keeps) }
}

test('up to the end of the rest it is fixed, at the hours of its stove; what comes after may wait', () => {
  const { plan, view, fixedTasks, toDo } = split({})
  const rest = plan.stages.findIndex((s) => s.kind === 'rest')
  expect(fixedTasks.map((t) => t.id)).toEqual(plan.stages.slice(0, rest + 1).map((s) => s.id))
  for (const task of fixedTasks) {
    const seen = view.stages.find((s) => s.id === task.id)!
    expect([task.startMs, task.endMs]).toEqual([seen.startMs, seen.endMs])
    expect(task.hands).toBe(plan.stages.find((s) => s.id === task.id)!.hands_on)
  }
  expect(toDo.map((t) => t.id)).toEqual(plan.stages.slice(rest + 1).map((s) => s.id))
  // Whole minutes, never fewer than planned; the pot may rest for eight minutes more.
  const fluff = plan.stages.find((s) => s.id === 'fluff')!
  expect(toDo[0]).toEqual({
    id: 'fluff',
    title: fluff.title,
    minutes: Math.ceil(fluff.minutes.expected),
    hands: true,
    waitMost: 8,
    inPot: true,
    burner: false,
  })
})

test('it stands on its burner from its first heat to its last, in an appliance through the rest', () => {
  const onBurner = (got: ReturnType<typeof split>) =>
    got.fixedTasks.filter((t) => t.at === 'b1').map((t) => t.id)
  const pot = split({})
  expect(onBurner(pot)).toEqual(pot.plan.stages.filter((s) => s.power_w > 0).map((s) => s.id))
  const cooker = split({ method: 'switch-cooker' }, 'b1', true)
  const last = cooker.fixedTasks.at(-1)!
  expect([last.id, last.at]).toEqual(['rest', 'b1'])
  expect(split({ method: 'switch-cooker' }, 'b1', false).fixedTasks.at(-1)!.at).toBeUndefined()
  expect(split({}, null).fixedTasks.every((t) => t.at === undefined)).toBe(true)
})

test('the grain is in its pot from the filling until it is loosened', () => {
  const inPot = (got: ReturnType<typeof split>) =>
    Object.fromEntries([...got.fixedTasks, ...got.toDo].map((t) => [t.id, t.inPot]))
  expect(inPot(split({}))).toMatchObject({
    measure: false,
    rinse: false,
    pour: true,
    'heat-up': true,
    rest: true,
    fluff: true,
  })
})

test('once it is loosened nothing of that is left to place', () => {
  const { plan, view } = running({}, 1)
  const minutes = plan.stages.map(
    (s) => [s.id, (view.stages.find((v) => v.id === s.id)!.endMs - START) / MINUTE] as const,
  )
  const presses = minutes
    .filter(([id]) => plan.stages.find((s) => s.id === id)!.ends_on === 'cue')
    .map(([id, end]) => ['cue', id, end] as const)
  const ended = presses.at(-1)![2]
  const now = running({}, ended + 1, presses)
  const got = splitRunningPlan(now.plan, now.view, 'b1', false)
  expect(got.toDo).toEqual([])
  expect(got.fixedTasks.map((t) => t.id)).toEqual(now.plan.stages.map((s) => s.id))
})

test('grain that is to be fried has cooked before, and wants a burner by itself', () => {
  const { toDo, fixedTasks } = split({ purpose: 'frying', fry_at_end: true })
  const fry = toDo.find((t) => t.id === 'fry')!
  for (const task of toDo) expect(task.burner).toBe(task.id === 'fry')
  expect(fry).toMatchObject({ waitMost: 60, inPot: false, hands: true })
  expect(fixedTasks.some((t) => t.id === 'fry')).toBe(false)
  // What is done between two strokes follows at once.
  const between = toDo.slice(1).filter((t) => t.id !== 'fry')
  for (const task of between) expect(task.waitMost).toBe(1)
})
