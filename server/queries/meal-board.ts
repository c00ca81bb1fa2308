import type { Schedule } from '#core/contract/schedule'
import { nextTouch } from '#core/cook/next-action'
import { SIGN_WORDS } from '#core/methods/sign-words'
import { changed, type Change } from '#core/schedule/timetable-changes'
import { assignHands } from '#core/schedule/assign-cooks'
import { nextActs, type Act, type BoardDish, type BoardTask } from '#core/schedule/next-actions'
import type { MealRow } from '#server/store/meals'
import type { Kitchen } from '#server/store/open-household'
import { scheduleIn } from './meal-schedule'
import { taskKey, underWayIn, type UnderWay } from './running-meal'

/** A meal as its board and its list show it. */
export interface Board {
  begun: boolean
  lateMinutes: number
  dishes: (BoardDish & { heldMinutes: number })[]
  acts: Act[]
  changes: Change[]
  /** Which cook has a task, by dish and task. */
  hands: Record<string, number>
  /** What can be taken back. */
  last: { id: string; kind: string; dish: string | null; task: string | null } | undefined
}

/** The meal a pot is part of, as the stove shows it. */
export function boardOfCook(kitchen: Kitchen, cookId: string, nowMs: number) {
  const id = kitchen.meals.ofCook(cookId)
  const meal = id === undefined ? undefined : kitchen.meals.find(id)
  const schedule = meal && scheduleIn(kitchen, meal, nowMs)
  if (!meal || !schedule || schedule.start_at === '') return null
  const { dishes, acts, hands } = boardOf(kitchen, meal, schedule, nowMs)
  return {
    id: meal.id,
    title: meal.title,
    dishes: dishes.map(({ id: dish, title }) => ({ id: dish, title })),
    acts,
    hands:
      meal.cooks === 1
        ? {}
        : Object.fromEntries(
            Object.entries(hands).map(([key, n]) => [key, meal.names[n] ?? `hands ${n + 1}`]),
          ),
    places: Object.fromEntries(
      [...kitchen.equipment.heats(), ...kitchen.equipment.vessels()].map((row) => [row.id, row.name]),
    ),
  }
}

/** Joins what was planned and what has happened. */
export function boardOf(kitchen: Kitchen, meal: MealRow, schedule: Schedule, nowMs: number): Board {
  const live = underWayIn(kitchen, meal, nowMs)
  const dishes = schedule.dishes.map((scheduled): Board['dishes'][number] => {
    const dish = meal.dishes.find((d) => d.id === scheduled.id)!
    const pot = live.pots.get(dish.id)
    const tasks = scheduled.tasks.map((t): BoardTask => {
      const look =
        dish.kind === 'companion' ? dish.tasks.find((own) => own.id === t.id)?.look_in_every_min : undefined
      const heat = t.heat ?? pot?.running.plan.stages.find((s) => s.id === t.id)?.heat
      return {
        id: t.id,
        title: t.title,
        ...(heat === undefined ? {} : { heat }),
        startMs: Date.parse(t.starts_at),
        endMs: Date.parse(t.ends_at),
        hands: t.hands_on,
        state: stateOf(dish.id, t.id, live),
        ...(t.resource === undefined ? {} : { at: t.resource }),
        ...(look === undefined ? {} : { lookInEveryMin: look }),
      }
    })
    const over = pot
      ? pot.view.outcome === 'finished'
      : tasks.length > 0 && tasks.every((t) => t.state === 'done')
    return {
      id: dish.id,
      title: dish.title,
      isPot: dish.kind === 'plan',
      over,
      tasks,
      heldMinutes: scheduled.held_minutes,
      ...(pot ? { cook: pot.id, ...touchOf(pot) } : {}),
    }
  })
  const byHand = dishes.flatMap((d) =>
    d.tasks.filter((t) => t.hands).map((t) => ({ dish: d.id, id: t.id, start: t.startMs, end: t.endMs })),
  )
  const hands = assignHands(byHand, meal.cooks, live.hands)
  return {
    begun: live.begun,
    lateMinutes: live.lateMinutes,
    dishes,
    acts: nextActs(dishes, nowMs),
    changes:
      live.begun && meal.published
        ? changed(
            meal.published.map((t) => ({
              dish: t.dish,
              id: t.id,
              startMs: Date.parse(t.starts_at),
              ...(t.resource === undefined ? {} : { at: t.resource }),
            })),
            dishes.flatMap((d) =>
              d.tasks.map((t) => ({
                dish: d.id,
                id: t.id,
                startMs: t.startMs, // A pot under way has its own stove page.
                begun: t.state !== 'next' || d.cook !== undefined,
                ...(t.at === undefined ? {} : { at: t.at }),
              })),
            ),
          )
        : [],
    hands: Object.fromEntries(byHand.map((t, i) => [taskKey(t.dish, t.id), hands[i]!])),
    last: live.last && {
      id: live.last.id,
      kind: live.last.kind,
      dish: live.last.dish_id,
      task: live.last.task_id,
    },
  }
}

function stateOf(dish: string, task: string, live: UnderWay): BoardTask['state'] {
  const pot = live.pots.get(dish)
  if (pot) return pot.view.stages.find((s) => s.id === task)?.state ?? 'next'
  const at = live.tasks.get(taskKey(dish, task))
  return !at ? 'next' : at.doneMs === undefined ? 'now' : 'done'
}

function touchOf({
  running,
  view,
}: NonNullable<ReturnType<UnderWay['pots']['get']>>): Pick<BoardDish, 'touch'> {
  const touch = nextTouch(running.plan, view)
  if (!touch) return {}
  const stage = running.plan.stages.find((s) => s.id === touch.stage)!
  const ready = view.outcome === 'ready'
  return {
    touch: {
      stage: touch.stage,
      title: touch.title,
      atMs: touch.atMs,
      kind: ready ? 'finish' : 'cue',
      ...(touch.cue ? { word: ready ? 'Serve' : stage.cue_id ? SIGN_WORDS[stage.cue_id].key : 'Done' } : {}),
    },
  }
}
