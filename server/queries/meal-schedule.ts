import { scheduleFrom, type Schedule } from '#core/contract/schedule'
import { heldMost } from '#core/schedule/dish-blocks'
import { splitRunningPlan, type Lying } from '#core/schedule/running-plan'
import type { MealDish, MealRow } from '#server/store/meals'
import { burnersNow } from './burners'
import type { Kitchen } from '#server/store/open-household'
import { taskKey, underWayIn, type PotUnderWay, type UnderWay } from './running-meal'

const MINUTE = 60_000
const iso = (ms: number): string => new Date(Math.round(ms)).toISOString()

/**
 * A meal's timetable with this kitchen's equipment and with what has happened so far. Dishes in one pot are
 * cooked in it in turn.
 */
export function scheduleIn(kitchen: Kitchen, meal: MealRow, nowMs: number): Schedule | undefined {
  const { equipment } = kitchen
  if (meal.dishes.length === 0) return undefined
  const vessels = equipment.vessels()
  // Asked again within moments only the clock has moved: the cached answer is used, unless something
  // happened meanwhile.
  const newest = newestOf(kitchen, meal)
  const moment = Math.max(Math.floor(nowMs / MOMENT_MS) * MOMENT_MS, Math.min(newest, nowMs))
  const live = underWayIn(kitchen, meal, moment)
  const serveMs = meal.serve_ms + live.lateMinutes * MINUTE
  const request = {
    serve_at: iso(serveMs),
    ...(serveMs > moment || live.begun ? { not_before: iso(moment) } : {}),
    burners: burnersNow(kitchen).map(({ id, heat }) => ({ id, heat })),
    oven: meal.oven,
    appliances: vessels
      .filter((row) => row.own_rated_w !== null && row.kind !== 'oven-dish')
      .map(({ id }) => ({ id, vessel: 'cooker-5' })),
    cooks: meal.cooks,
    odds: true,
    ...(live.begun && meal.published ? { told: meal.published } : {}),
    dishes: meal.dishes.map((dish) => ({
      ...dishRequest(dish, live, moment, kitchen),
      ...boilerOf(dish, meal, live),
    })),
  }
  const read = answered(meal.id, request)
  if (!read.ok)
    return {
      start_at: '',
      table_at: iso(serveMs),
      dishes: [],
      conflicts: read.errors.map((e) => e.message),
      feasible: false,
      notes: [],
      nearest: [],
      exact: false,
    }
  return read.value
}

/** A clock that has moved by less than this has not moved, ms. */
const MOMENT_MS = 15_000

/** When a meal last changed: it was saved, or something happened at it, ms. */
export const lastChangeOf = (kitchen: Kitchen, meal: MealRow): number =>
  Math.max(meal.changed_ms ?? meal.made_ms, newestOf(kitchen, meal))

/** The latest event of this meal or of one of its pots, ms. */
function newestOf({ meals, cooks }: Kitchen, meal: MealRow): number {
  const events = meals.events(meal.id)
  const atPots = events.flatMap((e) => (e.cook_id === null ? [] : cooks.events(e.cook_id).map((c) => c.atMs)))
  return Math.max(0, ...events.map((e) => e.at_ms), ...atPots)
}

/**
 * The last answer for each meal: several screens ask the same within moments, and the question is all the
 * answer comes from.
 */
const lastAnswers = new Map<string, { question: string; answer: ReturnType<typeof scheduleFrom> }>()
const MAX_ANSWERS = 8

function answered(mealId: string, request: object): ReturnType<typeof scheduleFrom> {
  const question = JSON.stringify(request)
  const last = lastAnswers.get(mealId)
  if (last?.question === question) return last.answer
  const answer = scheduleFrom(request)
  lastAnswers.delete(mealId)
  lastAnswers.set(mealId, { question, answer })
  if (lastAnswers.size > MAX_ANSWERS) lastAnswers.delete(lastAnswers.keys().next().value!)
  return answer
}

/** Grain steamed over another dish of the meal, by the name it was planned with, stands on that dish. */
function boilerOf(dish: MealDish, { dishes }: MealRow, live: UnderWay): { over?: string } {
  if (dish.kind !== 'plan' || live.pots.has(dish.id)) return {}
  const name = (dish.request.boiler_dish as { name?: string } | null | undefined)?.name?.toLowerCase()
  const boiler = dishes.find((d) => d.id !== dish.id && d.title.toLowerCase() === name)
  return boiler ? { over: boiler.id } : {}
}

function dishRequest(
  dish: MealDish,
  live: UnderWay,
  nowMs: number,
  { equipment }: Kitchen,
): Record<string, unknown> {
  const burners = new Set(equipment.heats().map((row) => row.id))
  const held = dish.hold_max_minutes === undefined ? {} : { hold_max_minutes: dish.hold_max_minutes }
  const wishes = {
    ...held,
    ...(dish.burner === undefined || !burners.has(dish.burner) ? {} : { burner: dish.burner }),
    ...(dish.ready_before_minutes === undefined ? {} : { ready_before_minutes: dish.ready_before_minutes }),
  }
  if (dish.kind === 'companion') {
    const begun = dish.tasks.flatMap((task) => {
      const at = live.tasks.get(taskKey(dish.id, task.id))
      return at
        ? [
            {
              id: task.id,
              title: task.title,
              startMs: at.beginMs,
              endMs: at.doneMs ?? Math.max(nowMs, at.beginMs + task.minutes * MINUTE),
              hands: task.hands_on,
              ...(at.resource === undefined ? {} : { at: at.resource }),
            },
          ]
        : []
    })
    if (begun.length === 0) return { id: dish.id, title: dish.title, tasks: dish.tasks, ...wishes }
    const { ready_before_minutes: _early, ...rest } = wishes
    return {
      id: dish.id,
      title: dish.title,
      fixed: begun.sort((a, b) => a.endMs - b.endMs).map(fixedOf),
      tasks: dish.tasks.filter((t) => !begun.some((b) => b.id === t.id)),
      ...rest,
    }
  }
  const pot = live.pots.get(dish.id)
  const vessel = equipment.vessels().find((row) => row.id === dish.vessel_id)
  // A burner that has been given away since is no place on the board any more.
  const at =
    vessel?.kind === 'oven-dish'
      ? 'oven'
      : pot && (burners.has(pot.at) || typeof vessel?.own_rated_w === 'number')
        ? pot.at
        : undefined
  if (pot) return potRequest(dish, pot, at, typeof vessel?.own_rated_w === 'number')
  return {
    ...dish.request,
    id: dish.id,
    title: dish.title,
    pot: dish.vessel_id,
    ...wishes,
    ...(typeof vessel?.own_rated_w === 'number' ? { appliance: dish.vessel_id } : {}),
  }
}

function potRequest(
  dish: Extract<MealDish, { kind: 'plan' }>,
  { running, view }: PotUnderWay,
  at: string | undefined,
  appliance: boolean,
): Record<string, unknown> {
  const { fixedTasks, toDo } = splitRunningPlan(running.plan, view, at, appliance)
  return {
    id: dish.id,
    title: dish.title,
    pot: dish.vessel_id,
    fixed: fixedTasks.map(fixedOf),
    hold_max_minutes: dish.hold_max_minutes ?? heldMost(running.request, running.plan),
    tasks: toDo.map((t) => ({
      id: t.id,
      title: t.title,
      minutes: t.minutes,
      hands_on: t.hands,
      wait_most_minutes: t.waitMost,
      in_pot: t.inPot,
      needs: t.burner ? 'burner' : 'none',
    })),
  }
}

const fixedOf = ({ id, title, startMs, endMs, hands, at, inPot }: Lying) => ({
  id,
  title,
  starts_at: iso(startMs),
  ends_at: iso(Math.max(startMs, endMs)),
  hands_on: hands,
  ...(at === undefined ? {} : { resource: at }),
  ...(inPot === undefined ? {} : { in_pot: inPot }),
})
