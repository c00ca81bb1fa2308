import { createHash } from 'node:crypto'
import * as v from 'valibot'
import { runningCookOf } from '#core/contract/running-cook'
import { between, oneOf, quoted } from '#core/contract/fields'
import { EPOCH_LIMITS, readerOf } from '#core/contract/settings'
import type { Result } from '#core/contract/plan-request'
import { whereToWait } from '#core/cook/late'
import type { Schedule } from '#core/contract/schedule'
import { replay } from '#core/cook/replay'
import { soakWaits } from '#core/schedule/dish-blocks'
import { NOTHING_APPLIED } from '#core/learn/evidence'
import { MEAL_EVENT_KINDS } from '#core/contract/schedule'
import type { MealDish, MealEvent, MealRow } from '#server/store/meals'
import { announce } from '#server/realtime/hub'
import { burnersNow } from '#server/queries/burners'
import type { Kitchen } from '#server/store/open-household'
import { happenedAt, press } from './press'
import { startCook } from './start-cook'
import { scheduleIn } from '#server/queries/meal-schedule'
import { notUndone } from '#core/event-log'
import { underWayIn } from '#server/queries/running-meal'
import { publishedTasks } from './acknowledge-changes'
import { fieldError } from '#core/contract/field-error'
import { inOneWrite } from '../store/write'

/** Presses that belong to a pot's own stove and are only passed on. */
const POT_KINDS = ['cue', 'finish'] as const
const LATE_MINUTES = [1, 240] as const

const id = v.pipe(
  v.string((issue) => `must be text, got ${quoted(issue.input)}`),
  v.nonEmpty('is required'),
  v.maxLength(80, 'is too long'),
)
const parseMealPress = readerOf(
  v.object({
    id,
    kind: oneOf([...MEAL_EVENT_KINDS, ...POT_KINDS]),
    /** The task of a dish, or the stage of a pot. */
    stage: v.pipe(v.string(), v.maxLength(80, 'is too long')),
    dish: v.optional(id),
    amount: v.optional(between(0, LATE_MINUTES[1])),
    target: v.optional(id),
    pressed_ms: between(...EPOCH_LIMITS),
    sent_ms: between(...EPOCH_LIMITS),
    ahead_ms: v.optional(between(-EPOCH_LIMITS[1], EPOCH_LIMITS[1])),
  }),
)

/**
 * Records what happened at a meal: a task or a pot begun, a task done, guests who are late, who has a dish;
 * or passes a pot's sign on to its stove. A repeat is no error and changes nothing.
 */
export function pressMeal(
  kitchen: Kitchen,
  mealId: string,
  input: unknown,
  receivedMs: number,
): Result<{ isNew: boolean }> {
  const { meals, db } = kitchen
  const meal = meals.find(mealId)
  if (!meal) return fieldError('meal', `must be a meal of this kitchen, got "${mealId}"`, 'not-found')
  const read = parseMealPress(input)
  if (!read.ok) return read
  const said = read.value
  const dish = meal.dishes.find((d) => d.id === said.dish)
  if (!dish && said.kind !== 'late' && said.kind !== 'take-back')
    return fieldError('dish', `must be a dish of this meal, got ${quoted(said.dish ?? '')}`, 'not-found')
  if (said.kind === 'cue' || said.kind === 'finish') {
    const cook = underWayIn(kitchen, meal, receivedMs).pots.get(dish!.id)
    if (!cook) return fieldError('dish', 'is no pot that has been started')
    const { dish: _dish, ...rest } = said
    return press(kitchen, cook.id, rest, receivedMs)
  }
  const refused = whyRefused(said, meal, dish)
  if (refused) return refused
  const event = eventOf(kitchen, meal, dish, said, receivedMs)
  const done = inOneWrite(db, () => append(kitchen, meal, dish, event, receivedMs))
  if (done.ok && done.value.isNew) announce(`meal ${mealId}`)
  return done
}

type Press = Extract<ReturnType<typeof parseMealPress>, { ok: true }>['value']

/** What is wrong with the press for this meal and dish, if anything. */
function whyRefused(said: Press, meal: MealRow, dish: MealDish | undefined) {
  const { kind, amount } = said
  const onTask = kind === 'begin' || kind === 'done'
  if (kind === 'late' || kind === 'hand') {
    const [min, max] = kind === 'hand' ? ([0, meal.cooks - 1] as const) : LATE_MINUTES
    if (amount === undefined || amount < min || amount > max)
      return fieldError('amount', `must be from ${min} to ${max}, got ${quoted(amount)}`, 'out-of-range')
  }
  if (dish?.kind === 'plan' && kind === 'done')
    return fieldError('dish', 'is on the stove; finish it there', 'conflict')
  if (dish?.kind === 'companion' && onTask && !dish.tasks.some((t) => t.id === said.stage))
    return fieldError('stage', `must be a step of the ${dish.title}, got ${quoted(said.stage)}`)
  if ((kind === 'take-back') !== (said.target !== undefined))
    return fieldError('target', 'goes with take-back, and only with it')
  return undefined
}

function eventOf(
  kitchen: Kitchen,
  meal: MealRow,
  dish: MealDish | undefined,
  said: Press,
  receivedMs: number,
): MealEvent {
  const { kind } = said
  return {
    id: said.id,
    // Signs and ends of pots were passed on before.
    kind: kind as MealEvent['kind'],
    identity: identityOf(said, kitchen.meals.events(meal.id), potsGone(kitchen, meal)),
    dish_id: dish?.id ?? null,
    task_id: kind === 'begin' || kind === 'done' ? said.stage : null,
    resource: null,
    cook_id: null,
    amount: said.amount ?? null,
    target: said.target ?? null,
    at_ms: Math.round(happenedAt(said, receivedMs)),
    received_ms: receivedMs,
  }
}

/** Writes the event and what follows from it. Runs in a transaction. */
function append(
  kitchen: Kitchen,
  meal: MealRow,
  dish: MealDish | undefined,
  event: MealEvent,
  receivedMs: number,
): Result<{ isNew: boolean }> {
  const { meals } = kitchen
  const { kind, at_ms: atMs } = event
  const events = meals.events(meal.id)
  if (events.some((e) => e.id === event.id || e.identity === event.identity))
    return { ok: true, value: { isNew: false } }
  const target = events.find((e) => e.id === event.target)
  if (kind === 'take-back' && !target)
    return fieldError('target', `names nothing that happened here, got ${quoted(event.target)}`, 'not-found')
  if (target?.cook_id) return fieldError('target', 'is on the stove; stop it there', 'conflict')
  const first = (kind === 'begin' || kind === 'done') && !underWayIn(kitchen, meal, receivedMs).begun
  const schedule = first || kind === 'begin' ? scheduleIn(kitchen, meal, receivedMs) : undefined
  const started = kind === 'begin' ? begin(kitchen, meal, dish!, event, schedule) : undefined
  if (started && !started.ok) return started
  meals.append(meal.id, event)
  // What was published before the first task began is what changes are shown against.
  if (first && schedule) meals.save({ ...meal, published: publishedTasks(schedule) })
  if (kind === 'late') lateAtTheStove(kitchen, meal, event.amount!, event.id, atMs, receivedMs)
  if (target?.kind === 'late') onTimeAgain(kitchen, meal, target.id, event.id, atMs, receivedMs)
  return { ok: true, value: { isNew: true } }
}

/** Takes the burner or oven the timetable has for it; a pot goes on the stove. */
function begin(
  kitchen: Kitchen,
  meal: MealRow,
  dish: MealDish,
  event: MealEvent,
  schedule: Schedule | undefined,
): Result<string> | undefined {
  const tasks = schedule?.dishes.find((d) => d.id === dish.id)?.tasks
  const resource = tasks?.find((t) =>
    dish.kind === 'plan' ? t.resource !== undefined : t.id === event.task_id,
  )?.resource
  event.resource = resource ?? null
  if (dish.kind !== 'plan') return undefined
  const started = startPot(kitchen, meal, dish, resource, event.at_ms)
  if (started.ok) event.cook_id = started.value
  return started
}

/** Starts a pot of the meal, planned for the burner the timetable gives it. */
function startPot(
  kitchen: Kitchen,
  meal: MealRow,
  dish: Extract<MealDish, { kind: 'plan' }>,
  resource: string | undefined,
  atMs: number,
): Result<string> {
  const { equipment, cooks } = kitchen
  const busy = cooks.running().find((c) => c.vesselId === dish.vessel_id)
  if (busy) return fieldError('dish', `${busy.vesselName} is in use (${busy.title})`, 'conflict')
  const own = equipment.vessels().find((row) => row.id === dish.vessel_id)?.own_rated_w
  // The timetable may have moved it: it is planned for the burner it is on.
  const burner =
    typeof own === 'number' ? undefined : burnersNow(kitchen).find((b) => b.id === (resource ?? dish.heat_id))
  const { power } = burner ?? dish.applied ?? NOTHING_APPLIED
  return startCook(
    kitchen,
    {
      request: {
        ...dish.request,
        ...(burner ? { heat: burner.heat } : {}),
        serve_at: new Date(meal.serve_ms).toISOString(),
      },
      vessel_id: dish.vessel_id,
      heat_id: burner?.id ?? null,
      bag_id: dish.bag_id ?? null,
      applied: { ...(dish.applied ?? NOTHING_APPLIED), power },
    },
    atMs,
  )
}

/** The same event has the same id at the same pot, whenever it is asked for. */
const lateIdOf = (eventId: string, cookId: string): string =>
  createHash('sha256').update(`${eventId} ${cookId}`).digest('hex').slice(0, 32)

/** Guests are late: every pot under way waits where it costs its texture least. */
function lateAtTheStove(
  kitchen: Kitchen,
  meal: MealRow,
  minutes: number,
  eventId: string,
  atMs: number,
  receivedMs: number,
): void {
  for (const cook of underWayIn(kitchen, meal, receivedMs).pots.values()) {
    const events = kitchen.cooks.events(cook.id)
    const running = runningCookOf(cook, events)
    const view = replay(running, events, receivedMs)
    if (view.outcome === 'finished' || view.outcome === 'stopped') continue
    const { stage } = whereToWait(running.plan, view, minutes, soakWaits(running.request))
    press(
      kitchen,
      cook.id,
      {
        id: lateIdOf(eventId, cook.id),
        kind: 'late',
        stage,
        amount: minutes,
        pressed_ms: atMs,
        sent_ms: receivedMs,
        ahead_ms: 0,
      },
      receivedMs,
    )
  }
}

function onTimeAgain(
  kitchen: Kitchen,
  meal: MealRow,
  lateId: string,
  eventId: string,
  atMs: number,
  receivedMs: number,
): void {
  for (const cook of underWayIn(kitchen, meal, receivedMs).pots.values()) {
    const late = kitchen.cooks.events(cook.id).find((e) => e.id === lateIdOf(lateId, cook.id))
    if (late)
      press(
        kitchen,
        cook.id,
        {
          id: lateIdOf(eventId, cook.id),
          kind: 'take-back',
          stage: late.stage,
          target: late.id,
          pressed_ms: atMs,
          sent_ms: receivedMs,
          ahead_ms: 0,
        },
        receivedMs,
      )
  }
}

/** Pots of this meal that were stopped: they may be started again. */
const potsGone = ({ meals, cooks }: Kitchen, meal: MealRow): ReadonlySet<string> =>
  new Set(
    meals
      .events(meal.id)
      .flatMap((e) =>
        e.cook_id !== null &&
        (!cooks.find(e.cook_id) || cooks.events(e.cook_id).some((c) => c.kind === 'stop'))
          ? [e.id]
          : [],
      ),
  )

/** What makes two presses one, on whatever device. */
function identityOf(
  {
    kind,
    dish,
    stage,
    target,
    id: own,
  }: { id: string; kind: string; stage: string; dish?: string | undefined; target?: string | undefined },
  events: readonly MealEvent[],
  gone: ReadonlySet<string>,
): string {
  if (kind === 'take-back') return `take-back ${target}`
  if (kind === 'late' || kind === 'hand') return own
  const stands = new Set(notUndone(events).map((e) => e.id))
  const before = events.filter(
    (e) =>
      e.kind === kind &&
      e.dish_id === dish &&
      (e.cook_id !== null || e.task_id === stage) &&
      (!stands.has(e.id) || gone.has(e.id)),
  ).length
  return `${kind} ${dish} ${stage} ${before}`
}
