import { randomUUID } from 'node:crypto'
import * as v from 'valibot'
import { between, quoted, wholeBetween } from '#core/contract/fields'
import { nameText } from '#core/contract/texts'
import { formNumber, readerOf } from '#core/contract/settings'
import { parsePlanRequest, type Result } from '#core/contract/plan-request'
import { SCHEDULE_LIMITS } from '#core/contract/schedule'
import { COMPANION_LIMITS } from '#core/schedule/companions'
import { readTasks, type Nameable } from '#core/schedule/read-tasks'
import { nowMs } from '#server/clock'
import { inOneWrite } from '#server/store/write'
import type { MealDish, MealTask } from '#server/store/meals'
import type { Kitchen } from '#server/store/open-household'
import { AppliedSchema } from './start-cook'
import { fieldError } from '#core/contract/field-error'

const title = nameText(80)
/** Who cooks: names with commas between them. */
const names = v.pipe(
  v.optional(v.string(), ''),
  v.maxLength(200, (issue) => `must be at most 200 characters, got ${issue.input.length}`),
  v.transform((text) =>
    text
      .split(',')
      .map((name) => name.trim())
      .filter((name) => name !== ''),
  ),
  v.check(
    (list) => list.length <= SCHEDULE_LIMITS.cooks[1],
    (issue) => `holds at most ${SCHEDULE_LIMITS.cooks[1]}, got ${issue.input.length}`,
  ),
  v.check((list) => list.every((name) => name.length <= 24), 'holds names of up to 24 letters'),
)
const parseMeal = readerOf(
  v.object({
    title,
    serve_ms: v.pipe(formNumber, between(0, 8.64e15)),
    cooks: v.pipe(formNumber, wholeBetween(...SCHEDULE_LIMITS.cooks)),
    oven: v.optional(v.pipe(formNumber, wholeBetween(...SCHEDULE_LIMITS.oven)), '1'),
    names,
  }),
)

/** Creates a meal, or changes its name, serving time and number of cooks.  @returns its id */
export function saveMeal({ meals }: Kitchen, input: Record<string, unknown>, nowMs: number): Result<string> {
  const read = parseMeal(input)
  if (!read.ok) return read
  const given = typeof input.id === 'string' && input.id !== '' ? input.id : undefined
  const old = given === undefined ? undefined : meals.find(given)
  if (given !== undefined && !old)
    return fieldError('id', `must be a meal of this kitchen, got "${given}"`, 'not-found')
  const id = old?.id ?? randomUUID()
  meals.save({
    id,
    made_ms: old?.made_ms ?? Math.round(nowMs),
    dishes: old?.dishes ?? [],
    published: old?.published ?? null,
    ...read.value,
    serve_ms: Math.round(read.value.serve_ms),
  })
  return { ok: true, value: id }
}

const MAX_LINES = 4000

/** Steps as typed, one a line.  @param dishes other dishes they may wait for */
export function parseTasks(text: string, dishes: Nameable = []): Result<MealTask[]> {
  const read = readTasks(text, dishes)
  return read.ok
    ? { ok: true, value: read.tasks }
    : fieldError('tasks', read.message, read.tooMany ? 'too-many' : 'invalid')
}

const hold = v.optional(
  v.union(
    [
      v.pipe(
        v.literal(''),
        v.transform(() => undefined),
      ),
      v.pipe(formNumber, between(...SCHEDULE_LIMITS.hold_max_minutes, 'minutes')),
    ],
    (issue) => issue.issues?.at(-1)?.message ?? 'must be a number',
  ),
  '',
)
const parseDish = readerOf(
  v.variant(
    'kind',
    [
      v.object({
        kind: v.literal('companion'),
        title,
        tasks: v.pipe(v.string('is required'), v.maxLength(MAX_LINES, 'is too long')),
        hold_max_minutes: hold,
        /** Saved as a usual dish of the house as well. */
        save: v.optional(v.string()),
      }),
      v.object({
        kind: v.literal('plan'),
        title,
        search: v.pipe(v.string('is required'), v.maxLength(2000, 'is too long')),
        vessel_id: v.pipe(v.string('is required'), v.nonEmpty('is required')),
        request: v.string('is required'),
        heat_id: v.optional(v.string()),
        bag_id: v.optional(v.string()),
        applied: v.optional(v.string()),
        hold_max_minutes: hold,
      }),
    ],
    (issue) => `must be companion or plan, got ${quoted(issue.input)}`,
  ),
)

const parseApplied = readerOf(v.nullable(AppliedSchema))

/** Adds a dish to a meal. */
export function addDish(
  { db, meals, equipment, companions }: Kitchen,
  mealId: string,
  input: unknown,
  atMs = nowMs(),
): Result<string> {
  const meal = meals.find(mealId)
  if (!meal) return fieldError('meal', `must be a meal of this kitchen, got "${mealId}"`, 'not-found')
  if (meal.dishes.length >= SCHEDULE_LIMITS.dishes)
    return fieldError('dishes', `hold at most ${SCHEDULE_LIMITS.dishes}`, 'too-many')
  const read = parseDish(input)
  if (!read.ok) return read
  const id = randomUUID()
  const saved =
    read.value.hold_max_minutes === undefined ? {} : { hold_max_minutes: read.value.hold_max_minutes }
  if (read.value.kind === 'companion') {
    const tasks = parseTasks(read.value.tasks, meal.dishes)
    if (!tasks.ok) return tasks
    const { title, tasks: typed, save } = read.value
    if (save !== undefined && isNew(title, companions) && companions.all().length >= COMPANION_LIMITS.most)
      return fieldError(
        'save',
        `there may be ${COMPANION_LIMITS.most} saved dishes; take one off the list first`,
        'too-many',
      )
    inOneWrite(db, () => {
      meals.save({
        ...meal,
        dishes: [...meal.dishes, { id, kind: 'companion', title, tasks: tasks.value, ...saved }],
      })
      if (save !== undefined)
        companions.put({ id: randomUUID(), title, tasks: typed, saved_ms: Math.round(atMs) })
    })
    return { ok: true, value: id }
  }
  let request: unknown
  let learned: unknown
  try {
    request = JSON.parse(read.value.request)
    learned = JSON.parse(read.value.applied || 'null')
  } catch {
    return fieldError('request', 'must be JSON, as what was learned must', 'not-json')
  }
  // What a start would refuse is refused here, where it can still be changed.
  const applied = parseApplied(learned)
  if (!applied.ok) return applied
  const planned = parsePlanRequest(request)
  if (!planned.ok) return planned
  const { vessel_id, search, heat_id, bag_id } = read.value
  if (!equipment.vessels().some((row) => row.id === vessel_id))
    return fieldError('vessel_id', `must be a pot of this kitchen, got "${vessel_id}"`, 'not-found')
  const { serve_at: _hour, ...rest } = request as Record<string, unknown>
  meals.save({
    ...meal,
    dishes: [
      ...meal.dishes,
      {
        id,
        kind: 'plan',
        title: read.value.title,
        search,
        vessel_id,
        request: rest,
        ...(heat_id ? { heat_id } : {}),
        ...(bag_id ? { bag_id } : {}),
        ...(applied.value ? { applied: applied.value } : {}),
        ...saved,
      },
    ],
  })
  return { ok: true, value: id }
}

const isNew = (title: string, companions: Kitchen['companions']): boolean =>
  !companions.all().some((c) => c.title.toLowerCase() === title.toLowerCase())

/** A dish whose steps wait no longer for one that was taken off. */
const withoutWaitFor =
  (gone: string) =>
  (dish: MealDish): MealDish =>
    dish.kind === 'companion'
      ? {
          ...dish,
          tasks: dish.tasks.map(({ after, ...task }) => {
            const left = after?.filter((id) => id !== gone) ?? []
            return left.length > 0 ? { ...task, after: left } : task
          }),
        }
      : dish

export function dropDish({ meals }: Kitchen, mealId: string, dishId: unknown): Result<null> {
  const meal = meals.find(mealId)
  if (!meal) return fieldError('meal', `must be a meal of this kitchen, got "${mealId}"`, 'not-found')
  if (!meal.dishes.some((d) => d.id === dishId))
    return fieldError('dish', `must be a dish of this meal, got ${quoted(dishId)}`, 'not-found')
  meals.save({
    ...meal,
    dishes: meal.dishes.filter((d) => d.id !== dishId).map(withoutWaitFor(dishId as string)),
  })
  return { ok: true, value: null }
}

const parseFix = readerOf(
  v.object({
    dish: v.pipe(v.string('is required'), v.nonEmpty('is required')),
    burner: v.optional(v.pipe(v.string(), v.maxLength(64, 'is too long')), ''),
    ready_before_minutes: v.optional(
      v.union(
        [
          v.pipe(
            v.literal(''),
            v.transform(() => undefined),
          ),
          v.pipe(formNumber, between(...SCHEDULE_LIMITS.hold_max_minutes, 'minutes')),
        ],
        (issue) => issue.issues?.at(-1)?.message ?? 'must be a number',
      ),
      '',
    ),
  }),
)

/** Fixes a dish to a burner or to minutes before serving; empty removes that. */
export function fixDish({ meals, equipment }: Kitchen, mealId: string, input: unknown): Result<null> {
  const meal = meals.find(mealId)
  if (!meal) return fieldError('meal', `must be a meal of this kitchen, got "${mealId}"`, 'not-found')
  const read = parseFix(input)
  if (!read.ok) return read
  const { dish: dishId, burner, ready_before_minutes: early } = read.value
  if (!meal.dishes.some((d) => d.id === dishId))
    return fieldError('dish', `must be a dish of this meal, got ${quoted(dishId)}`, 'not-found')
  if (burner !== '' && !equipment.heats().some((row) => row.id === burner))
    return fieldError('burner', `must be a burner of this kitchen, got "${burner}"`, 'not-found')
  meals.save({
    ...meal,
    dishes: meal.dishes.map((d) => {
      if (d.id !== dishId) return d
      const { burner: _burner, ready_before_minutes: _early, ...rest } = d
      return {
        ...rest,
        ...(burner === '' ? {} : { burner }),
        ...(early === undefined ? {} : { ready_before_minutes: early }),
      } as typeof d
    }),
  })
  return { ok: true, value: null }
}
