import * as v from 'valibot'
import { plan } from '#core/plan/plan'
import type { PlanRequest } from '#core/plan/request'
import type { Plan } from '#core/plan/result'
import { companionOf, dishOf, standsAt } from '#core/schedule/dish-blocks'
import type { Lock, Placement } from '#core/schedule/place'
import { joinDishes } from '#core/schedule/join-dishes'
import { SCHEDULE_LIMITS } from '#core/schedule/limits'
import { eveningOdds } from '#core/schedule/evening-odds'
import { roundTo } from '#core/units/rounding'
import { search } from '#core/schedule/search'
import { placeLive, type LiveInput } from '#core/schedule/reschedule'
import type { Block, Dish, FixedBlock, KitchenPlaces, Need, Placed, TaskAt } from '#core/schedule/task'
import type { Timetable } from './answers'
import {
  between,
  fieldErrorOf,
  fieldErrors,
  flag,
  oneOf,
  quoted,
  record,
  wholeBetween,
  type ErrorCode,
  type FieldError,
} from './fields'
import { parsePlanRequest, PlanRequestSchema, type Result } from './plan-request'

export { SCHEDULE_LIMITS }

const id = v.pipe(
  v.string((issue) => `must be text, got ${quoted(issue.input)}`),
  v.regex(/^[\w-]{1,64}$/, (issue) => `must be letters, digits and dashes, got ${quoted(issue.input)}`),
)
const words = v.pipe(
  v.string((issue) => `must be text, got ${quoted(issue.input)}`),
  v.trim(),
  v.nonEmpty('must say what it is'),
  v.maxLength(80, (issue) => `must be at most 80 characters, got ${issue.input.length}`),
)
const moment = v.pipe(
  v.string((issue) => `must be a date and time, got ${quoted(issue.input)}`),
  v.check(
    (text) =>
      /^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}(:\d{2}(\.\d+)?)?(Z|[+-]\d{2}:\d{2})$/.test(text) &&
      Number.isFinite(Date.parse(text)),
    (issue) => `must be a date and time with its offset, got ${quoted(issue.input)}`,
  ),
)
const list = <const T extends v.GenericSchema>(item: T, most: number) =>
  v.pipe(
    v.array(item, (issue) => `must be a list, got ${quoted(issue.input)}`),
    v.maxLength(most, (issue) => `holds at most ${most}, got ${issue.input.length}`),
  )

const TaskSchema = record({
  id,
  title: words,
  minutes: between(...SCHEDULE_LIMITS.task_minutes, 'minutes'),
  hands_on: v.optional(flag, false),
  needs: v.optional(oneOf(['burner', 'oven', 'none']), 'none'),
  look_in_every_min: v.optional(between(...SCHEDULE_LIMITS.look_in_every_min, 'minutes')),
  /** Tasks of this dish, or whole dishes, that come before it. */
  after: v.optional(list(id, SCHEDULE_LIMITS.tasks)),
  /** How long what comes before it may wait for it. */
  wait_most_minutes: v.optional(between(...SCHEDULE_LIMITS.wait_most_minutes, 'minutes')),
  /** Whether the dish is in its pot meanwhile; left out: while it needs a burner. */
  in_pot: v.optional(flag),
})

/** What has happened, is on, or is bound to follow, with its hours. */
const FixedSchema = record({
  id,
  title: words,
  starts_at: moment,
  ends_at: moment,
  hands_on: v.optional(flag, false),
  resource: v.optional(id),
  in_pot: v.optional(flag),
})

const PublishedTaskSchema = record({ dish: id, id, starts_at: moment, resource: v.optional(id) })

export const ScheduleSchema = record({
  serve_at: moment,
  /** Nothing begins before. */
  not_before: v.optional(moment),
  burners: list(record({ id, heat: v.unknown() }), SCHEDULE_LIMITS.burners),
  oven: v.optional(wholeBetween(...SCHEDULE_LIMITS.oven), 1),
  appliances: v.optional(list(record({ id, vessel: v.unknown() }), SCHEDULE_LIMITS.appliances), []),
  cooks: v.optional(wholeBetween(...SCHEDULE_LIMITS.cooks), 1),
  /** Whether the chance that all is ready on time is asked for. */
  odds: v.optional(flag, false),
  /** Tasks as last published: kept as far as possible. */
  told: v.optional(list(PublishedTaskSchema, SCHEDULE_LIMITS.published), []),
  dishes: v.pipe(
    list(v.looseObject({ id }, 'must be an object with an id'), SCHEDULE_LIMITS.dishes),
    v.minLength(1, 'needs at least one dish'),
  ),
})

export type Schedule = Timetable
type ScheduledTask = Timetable['dishes'][number]['tasks'][number]

interface Settled {
  dishes: Dish[]
  /** Where the cook wants blocks to be; the rest goes round them. */
  locks: Map<string, Lock>
  kitchen: KitchenPlaces
  serveMs: number
  notBeforeMs: number | undefined
  wantsOdds: boolean
  unheated: string[]
  fixed: FixedBlock[]
  published: LiveInput['published']
}

const MINUTE = 60_000
const iso = (ms: number): string => new Date(Math.round(ms)).toISOString()

/** A meal's timetable for a request from outside. */
export function scheduleFrom(input: unknown): Result<Schedule> {
  const parsed = v.safeParse(ScheduleSchema, input)
  if (!parsed.success) return { ok: false, errors: fieldErrors(parsed.issues) }
  const settled = interpret(parsed.output)
  if (!settled.ok) return settled
  return { ok: true, value: scheduleOf(settled.value) }
}

type ScheduleInput = v.InferOutput<typeof ScheduleSchema>

/** Where and when a dish is wanted by the cook. */
interface DishWishes {
  title: string
  burner: string | undefined
  readyBeforeMinutes: number | undefined
  holdMost: number | undefined
  appliance: string | undefined
  pot: string | undefined
  after: readonly string[] | undefined
  over: string | undefined
}

interface ReadDish {
  wishes: DishWishes
  dish?: Dish
  fixed: FixedBlock[]
  /** Why none of the burners can heat it, in words. */
  unheated?: string
}

const WishesSchema = record({
  title: v.optional(words),
  burner: v.optional(id),
  ready_before_minutes: v.optional(between(...SCHEDULE_LIMITS.hold_max_minutes, 'minutes')),
  hold_max_minutes: v.optional(between(...SCHEDULE_LIMITS.hold_max_minutes, 'minutes')),
  appliance: v.optional(id),
  /** Its pot: dishes that name the same are cooked in it in turn. */
  pot: v.optional(id),
  /** Dishes that are done before this one is heated. */
  after: v.optional(list(id, SCHEDULE_LIMITS.dishes)),
  /** The dish whose steam cooks it: on the same burner, once that is done. */
  over: v.optional(id),
})

/** Every field a dish may have: what is wanted of it, and either a plan's or tasks of its own. */
export const DishSchema = v.object({
  ...PlanRequestSchema.entries,
  grains: v.optional(PlanRequestSchema.entries.grains),
  ...WishesSchema.entries,
  id,
  tasks: v.optional(list(TaskSchema, SCHEDULE_LIMITS.tasks)),
  fixed: v.optional(list(FixedSchema, SCHEDULE_LIMITS.fixed)),
})

const failed = (path: string, code: ErrorCode, message: string): Result<never> => ({
  ok: false,
  errors: [fieldErrorOf(path, message, code)],
})
/** The errors of a part, by the path of the whole. */
const under = (at: string, errors: readonly FieldError[]): Result<never> => ({
  ok: false,
  errors: errors.map((e) => ({ ...e, path: `${at}.${e.path}`, message: `${at}.${e.message}` })),
})

function interpret(given: ScheduleInput): Result<Settled> {
  const serveMs = Date.parse(given.serve_at)
  const errors = [
    ...duplicates('burners', given.burners),
    ...duplicates('appliances', given.appliances),
    ...duplicates('dishes', given.dishes),
  ]
  const read: (ReadDish & { id: string })[] = []
  given.dishes.forEach((raw, i) => {
    const got = readDish(raw, `dishes.${i}`, given, serveMs)
    if (got.ok) read.push({ id: raw.id, ...got.value })
    else errors.push(...got.errors)
  })
  errors.push(...namedDishes(read, given))
  if (errors.length > 0) return { ok: false, errors }
  const fixed = read.flatMap((r) => r.fixed)
  const joined = joinedDishes(read, fixed)
  if (!joined.ok) return joined
  const dishes = joined.value
  return {
    ok: true,
    value: {
      locks: locksFor(
        read.map(({ id: dish, wishes }) => ({
          dish,
          burner: wishes.burner,
          early: wishes.readyBeforeMinutes,
        })),
        dishes,
      ),
      dishes,
      fixed,
      unheated: read.flatMap(({ unheated }) => unheated ?? []),
      published: publishedOf(given.told, dishes, serveMs),
      serveMs,
      wantsOdds: given.odds,
      notBeforeMs: given.not_before === undefined ? undefined : Date.parse(given.not_before),
      kitchen: {
        burners: given.burners.map(({ id: name }) => ({ id: name })),
        oven: given.oven,
        appliances: given.appliances.map((a) => a.id),
        cooks: given.cooks,
      },
    },
  }
}

type ReadWithId = ReadDish & { id: string }

/** Dishes that come before, and under, others are dishes of this meal. */
const namedDishes = (read: readonly ReadWithId[], { dishes }: ScheduleInput): FieldError[] =>
  read.flatMap(({ id: name, wishes: { after = [], over } }) => {
    const i = dishes.findIndex((d) => d.id === name)
    const wrong = (value: string) => value === name || !dishes.some((d) => d.id === value)
    const message = (value: string) => `must name another dish of this meal, got "${value}"`
    return [
      ...after.flatMap((value, n) =>
        wrong(value) ? [fieldErrorOf(`dishes.${i}.after.${n}`, message(value), 'not-found')] : [],
      ),
      ...(over !== undefined && wrong(over)
        ? [fieldErrorOf(`dishes.${i}.over`, message(over), 'not-found')]
        : []),
    ]
  })

function joinedDishes(read: readonly ReadWithId[], fixed: readonly FixedBlock[]): Result<Dish[]> {
  const dishes = read.flatMap(({ dish }) => dish ?? [])
  const overs = read.flatMap(({ id: dish, wishes: { over } }) =>
    over !== undefined && dishes.some((d) => d.id === dish) ? [{ dish, over }] : [],
  )
  try {
    return { ok: true, value: joinDishes(dishes, fixed, overs) }
  } catch (error) {
    if (!(error instanceof RangeError)) throw error
    return failed('dishes', 'invalid', 'must not wait for each other: one has to be first')
  }
}

function duplicates(list: string, entries: readonly { id: string }[]): FieldError[] {
  const seen = new Set<string>()
  return entries.flatMap(({ id: value }, i) => {
    if (!seen.has(value)) {
      seen.add(value)
      return []
    }
    return [fieldErrorOf(`${list}.${i}.id`, `"${value}" is there twice`, 'duplicate')]
  })
}

/** One dish of the request: tasks of its own, or a pot to be planned. */
function readDish(
  raw: Record<string, unknown> & { id: string },
  at: string,
  given: ScheduleInput,
  serveMs: number,
): Result<ReadDish> {
  const {
    id: name,
    title,
    hold_max_minutes,
    burner,
    ready_before_minutes,
    tasks,
    fixed,
    appliance,
    pot,
    after,
    over,
    ...request
  } = raw
  const asked = v.safeParse(WishesSchema, {
    title,
    burner,
    ready_before_minutes,
    hold_max_minutes,
    appliance,
    pot,
    after,
    over,
  })
  if (!asked.success) return under(at, fieldErrors(asked.issues))
  const wish = asked.output
  if (wish.burner !== undefined && !given.burners.some((b) => b.id === wish.burner))
    return failed(`${at}.burner`, 'not-found', `names none of burners, got "${wish.burner}"`)
  if (fixed !== undefined && tasks === undefined)
    return failed(`${at}.fixed`, 'invalid', 'goes with tasks: what is still to do of it')
  const wishes: DishWishes = {
    title: wish.title ?? name,
    burner: wish.burner,
    readyBeforeMinutes: wish.ready_before_minutes,
    // Wanted so much earlier, it is held for that long at least.
    holdMost:
      wish.ready_before_minutes === undefined
        ? wish.hold_max_minutes
        : Math.max(wish.hold_max_minutes ?? 0, wish.ready_before_minutes),
    appliance: wish.appliance,
    pot: wish.pot,
    after: wish.after,
    over: wish.over,
  }
  return tasks === undefined
    ? readPot(name, request, wishes, at, given)
    : readTasks(name, { tasks, fixed }, wishes, at, given, serveMs)
}

/** A dish given as tasks, of which some may be under way. */
function readTasks(
  name: string,
  { tasks, fixed }: { tasks: unknown; fixed: unknown },
  wishes: DishWishes,
  at: string,
  given: ScheduleInput,
  serveMs: number,
): Result<ReadDish> {
  const read = v.safeParse(
    v.pipe(
      list(TaskSchema, SCHEDULE_LIMITS.tasks),
      v.minLength(fixed === undefined ? 1 : 0, 'needs at least one task'),
    ),
    tasks,
  )
  if (!read.success) return under(`${at}.tasks`, fieldErrors(read.issues))
  const begun = v.safeParse(list(FixedSchema, SCHEDULE_LIMITS.fixed), fixed ?? [])
  if (!begun.success) return under(`${at}.fixed`, fieldErrors(begun.issues))
  const errors: FieldError[] = []
  const blocks = begun.output.flatMap(
    (f, n) => fixedBlock({ name, pot: wishes.pot }, f, serveMs, `${at}.fixed.${n}`, given, errors) ?? [],
  )
  if (errors.length > 0) return { ok: false, errors }
  const own = new Set([...begun.output, ...read.output].map((t) => t.id))
  const others = new Set(given.dishes.map((d) => d.id).filter((d) => d !== name))
  try {
    const dish = companionOf({
      id: name,
      title: wishes.title,
      tasks: read.output.map((t) => ({ ...companionTask(t), ...beforeOf(t.after, own, others) })),
      ...(wishes.pot === undefined ? {} : { pot: wishes.pot }),
      behind: begun.output.map((f) => f.id),
      ...(wishes.holdMost === undefined ? {} : { holdMost: wishes.holdMost }),
    })
    return { ok: true, value: { wishes, dish, fixed: blocks } }
  } catch (error) {
    if (!(error instanceof RangeError)) throw error
    return failed(
      `${at}.tasks`,
      'invalid',
      `do not fit together: ${error.message.replace('companionOf: ', '')}`,
    )
  }
}

/** What comes before a task, as tasks of its own dish and as other dishes. */
function beforeOf(
  after: readonly string[] | undefined,
  own: ReadonlySet<string>,
  dishes: ReadonlySet<string>,
) {
  const isDish = (name: string) => !own.has(name) && dishes.has(name)
  const [inDish, others] = [after?.filter((n) => !isDish(n)) ?? [], after?.filter(isDish) ?? []]
  return {
    // After another dish alone, it still comes after the task before it.
    ...(after === undefined || (inDish.length === 0 && others.length > 0) ? {} : { after: inDish }),
    ...(others.length > 0 ? { afterDishes: others } : {}),
  }
}

const companionTask = (t: v.InferOutput<typeof TaskSchema>) => ({
  id: t.id,
  title: t.title,
  minutes: t.minutes,
  handsOn: t.hands_on,
  needs: t.needs,
  ...(t.look_in_every_min === undefined ? {} : { lookInEveryMin: t.look_in_every_min }),
  ...(t.in_pot === undefined ? {} : { inPot: t.in_pot }),
  ...(t.wait_most_minutes === undefined ? {} : { waitMost: t.wait_most_minutes }),
})

/** Whether several dishes are cooked in a pot, one after another. */
const inTurn = (pot: string, { dishes }: ScheduleInput): boolean =>
  dishes.filter((d) => d.pot === pot).length > 1

/** A pot to be planned where it will be cooked: on each burner, in its appliance or in the oven. */
function readPot(
  name: string,
  request: Record<string, unknown>,
  wishes: DishWishes,
  at: string,
  given: ScheduleInput,
): Result<ReadDish> {
  const read = parsePlanRequest(request)
  if (!read.ok) return under(at, read.errors)
  const base = {
    id: name,
    title: wishes.title,
    request: read.value,
    ...(wishes.pot === undefined ? {} : { pot: wishes.pot, potInTurn: inTurn(wishes.pot, given) }),
    ...(wishes.after === undefined ? {} : { afterDishes: wishes.after }),
    ...(wishes.holdMost === undefined ? {} : { holdMost: wishes.holdMost }),
  }
  const place = standsAt(read.value)
  if (place === 'burner') {
    const plans = plansByBurner(request, given.burners)
    if (!plans.ok) return plans
    const [first] = plans.value
    const dish = first && dishOf({ ...base, plan: first[1], onBurner: Object.fromEntries(plans.value) })
    const why = first && cannotHeat(first[1])
    return {
      ok: true,
      value: {
        wishes,
        fixed: [],
        ...(dish ? { dish } : {}),
        ...(why ? { unheated: `${wishes.title}: ${why.text}` } : {}),
      },
    }
  }
  const appliance =
    place === 'appliance' ? applianceFor(wishes.appliance, request, given.appliances, read.value) : undefined
  if (place === 'appliance' && appliance === undefined)
    return failed(`${at}.vessel`, 'required', 'needs an appliance: choose one of "appliances" or add it')
  const dish = dishOf({
    ...base,
    plan: plan(read.value),
    ...(appliance === undefined ? {} : { appliance }),
  })
  return { ok: true, value: { wishes, fixed: [], dish: place === 'oven' ? inOven(dish) : dish } }
}

/**
 * The pot planned on every burner, by the burner's id. A burner that cannot heat it is left out; where all of
 * them are, the pot is planned all the same, and the first one's caution is the meal's conflict.
 */
function plansByBurner(
  request: Record<string, unknown>,
  burners: ScheduleInput['burners'],
): Result<(readonly [string, Plan])[]> {
  const errors: FieldError[] = []
  const plans: (readonly [string, Plan])[] = []
  burners.forEach((burner, b) => {
    const read = parsePlanRequest({ ...request, heat: burner.heat })
    if (read.ok) plans.push([burner.id, plan(read.value)])
    else
      errors.push({
        path: `burners.${b}.heat`,
        message: `burners.${b}.${read.errors[0]!.message}`,
        code: 'invalid',
      })
  })
  if (errors.length > 0) return { ok: false, errors }
  const good = plans.filter(([, made]) => !cannotHeat(made))
  return { ok: true, value: good.length > 0 ? good : plans }
}

/**
 * A fixed block, on the nearest minutes of the grid: rounded outward, each task begun a second late would
 * move serving by a minute.
 */
function fixedBlock(
  { name: dish, pot }: { name: string; pot: string | undefined },
  { id: name, title, starts_at, ends_at, hands_on, resource, in_pot }: v.InferOutput<typeof FixedSchema>,
  serveMs: number,
  path: string,
  { burners, appliances }: v.InferOutput<typeof ScheduleSchema>,
  errors: FieldError[],
): FixedBlock | undefined {
  const [from, to] = [(Date.parse(starts_at) - serveMs) / MINUTE, (Date.parse(ends_at) - serveMs) / MINUTE]
  const place: Need['place'] | undefined =
    resource === undefined
      ? null
      : resource === 'oven'
        ? 'oven'
        : burners.some((b) => b.id === resource)
          ? 'burner'
          : appliances.some((a) => a.id === resource)
            ? 'appliance'
            : undefined
  if (place === undefined)
    return void errors.push(
      fieldErrorOf(
        `${path}.resource`,
        `must be a burner, an appliance or the oven, got "${resource}"`,
        'not-found',
      ),
    )
  if (to < from)
    return void errors.push(fieldErrorOf(`${path}.ends_at`, `must not be before starts_at, got ${ends_at}`))
  const start = Math.round(from)
  const minutes = Math.max(0, Math.round(to) - start)
  return {
    start,
    ...(place === 'burner' || place === 'appliance' ? { at: resource! } : {}),
    block: {
      id: `${dish} ${name}`,
      dish,
      minutes,
      after: [],
      ...(pot !== undefined && (in_pot ?? place === 'burner') ? { pot: { id: pot, from: 0 } } : {}),
      needs: [
        ...(hands_on && minutes > 0 ? [{ from: 0, minutes, hands: true, place: null }] : []),
        ...(place !== null && minutes > 0 ? [{ from: 0, minutes, hands: false, place }] : []),
      ],
      tasks: [{ id: name, title, from: from - start, minutes: to - from, hands: hands_on, place }],
    },
  }
}

/** Published tasks, as the starts of their blocks, without blocks that were not published. */
function publishedOf(
  tasks: readonly v.InferOutput<typeof PublishedTaskSchema>[],
  dishes: readonly Dish[],
  serveMs: number,
): LiveInput['published'] {
  if (tasks.length === 0) return undefined
  const byTask = new Map(tasks.map((t) => [`${t.dish} ${t.id}`, t]))
  const resourceOf = (block: Block) =>
    block.tasks.map((t) => byTask.get(`${block.dish} ${t.id}`)?.resource).find((r) => r !== undefined)
  return new Map(
    dishes
      .flatMap((d) => d.blocks)
      .flatMap((block) => {
        const at = resourceOf(block)
        const first = ((at !== undefined && block.tasksOnBurner?.[at]) || block.tasks).find((t) =>
          byTask.has(`${block.dish} ${t.id}`),
        )
        return first
          ? [
              [
                block.id,
                {
                  start: Math.round(
                    (Date.parse(byTask.get(`${block.dish} ${first.id}`)!.starts_at) - serveMs) / MINUTE -
                      first.from,
                  ),
                  ...(at === undefined ? {} : { at }),
                },
              ] as const,
            ]
          : []
      }),
  )
}

/** A burner that is wanted, and an hour, as places of the blocks they concern. */
function locksFor(
  wishes: readonly { dish: string; burner: string | undefined; early: number | undefined }[],
  dishes: readonly Dish[],
): Map<string, Lock> {
  const locks = new Map<string, Lock>()
  for (const { dish: name, burner, early } of wishes) {
    const dish = dishes.find((d) => d.id === name)
    for (const block of dish?.blocks ?? []) {
      const last = !dish!.blocks.some((b) => b.after.some((a) => a.id === block.id))
      const at =
        burner !== undefined &&
        block.needs.some((n) => n.place === 'burner') &&
        (!block.onBurner || burner in block.onBurner)
          ? burner
          : undefined
      const minutes = (at !== undefined ? block.onBurner?.[at]?.minutes : undefined) ?? block.minutes
      if (at !== undefined || (last && early !== undefined))
        locks.set(block.id, {
          ...(at === undefined ? {} : { at }),
          ...(last && early !== undefined ? { start: Math.round(early) + minutes } : {}),
        })
    }
  }
  return locks
}

const CANNOT_HEAT: ReadonlySet<string> = new Set(['never-boils', 'not-on-induction'])
const cannotHeat = (made: Plan) => made.cautions.find((c) => CANNOT_HEAT.has(c.code))

/**
 * The appliance a dish is cooked in: the one it names, the one whose vessel is the same, or the only one of
 * its kind.
 */
function applianceFor(
  named: string | undefined,
  request: Record<string, unknown>,
  appliances: readonly { id: string; vessel: unknown }[],
  read: PlanRequest,
): string | undefined {
  if (named !== undefined) return appliances.find((a) => a.id === named)?.id
  const same = appliances.find((a) => JSON.stringify(a.vessel) === JSON.stringify(request.vessel))
  if (same) return same.id
  const kind = appliances.filter((a) => {
    const other = parsePlanRequest({ ...request, vessel: a.vessel })
    return other.ok && other.value.vessel.kind === read.vessel.kind
  })
  return kind[0]?.id
}

const inOven = (dish: Dish): Dish => ({
  ...dish,
  // Grain baked and then fried is fried on a burner.
  blocks: dish.blocks.map((b) =>
    b.tasks.some((t) => t.id === 'fry')
      ? b
      : {
          ...b,
          needs: b.needs.map((n) => (n.place === 'burner' ? { ...n, place: 'oven' as const } : n)),
          tasks: b.tasks.map((t) => (t.place === 'burner' ? { ...t, place: 'oven' as const } : t)),
        },
  ),
})

/** What cannot be, in words: pots that no burner heats, and blocks that found no place. */
const conflictsOf = ({ unheated, dishes, kitchen }: Settled, undone: Placement['undone']): string[] => [
  ...unheated,
  ...undone.filter((u) => u.why !== 'after-undone').map((u) => conflictWords(u, dishes, kitchen)),
]

/** The timetable of settled dishes. */
function scheduleOf(settled: Settled): Schedule {
  const { dishes, kitchen, serveMs, notBeforeMs, locks } = settled
  if (settled.fixed.length > 0) return liveScheduleOf(settled)
  const got = search({ dishes, kitchen, locks })
  const conflicts = conflictsOf(settled, got.undone)
  const nearest = got.undone.length > 0 ? nearestTo(dishes, kitchen, locks) : []
  const startMs = serveMs - got.cost.span * MINUTE
  const lateMin = notBeforeMs === undefined ? 0 : Math.ceil((notBeforeMs - startMs) / MINUTE)
  const late = lateMin > 0 && got.undone.length === 0
  if (late) conflicts.push(`It would have to start ${lateMin} min too early.`)
  return {
    start_at: iso(startMs),
    table_at: iso(serveMs),
    dishes: dishes.map((dish) => {
      const placed = dish.blocks.map((b) => got.placed.get(b.id)).filter((p) => p !== undefined)
      const end = placed.length === 0 ? 0 : Math.max(...placed.map((p) => p.end))
      return {
        id: dish.id,
        title: dish.title,
        ready_at: iso(serveMs + end * MINUTE),
        held_minutes: -end + 0,
        tasks: placed
          .flatMap((p) => tasksOf(p, serveMs))
          .sort((a, b) => (a.starts_at < b.starts_at ? -1 : a.starts_at > b.starts_at ? 1 : 0)),
      }
    }),
    conflicts,
    notes: notesOf(dishes, got.placed),
    feasible: conflicts.length === 0,
    nearest,
    ...(late ? { ready_by: iso(serveMs + lateMin * MINUTE) } : {}),
    exact: got.exact,
    ...(settled.wantsOdds && conflicts.length === 0 ? { odds: oddsJson(settled, got.placed) } : {}),
  }
}

function oddsJson(
  { dishes, fixed }: Settled,
  placed: ReadonlyMap<string, Placed>,
): NonNullable<Schedule['odds']> {
  const { onTime, withinMin, margin } = eveningOdds({ dishes, placed, fixed })
  return {
    on_time: roundTo(onTime, 2),
    within_minutes: withinMin,
    ...(margin
      ? {
          margin: {
            dish: margin.dish,
            title: margin.title,
            ready_before_minutes: margin.readyBeforeMin,
            on_time: roundTo(margin.onTime, 2),
          },
        }
      : {}),
  }
}

/** Dishes that wait in a bowl while their pot is used for another. */
const notesOf = (dishes: readonly Dish[], placed: ReadonlyMap<string, Placed>): string[] =>
  dishes.flatMap(({ title, blocks, keepsMost }) => {
    const waits = -Math.max(...blocks.map((b) => placed.get(b.id)?.end ?? -Infinity))
    return keepsMost !== undefined && Number.isFinite(waits) && waits > keepsMost
      ? [
          `${title}: ${Math.round(waits)} min in a bowl. Cover it and keep it hot, or reheat it until it steams.`,
        ]
      : []
  })

/**
 * The rest of a meal under way. What it shows is how it will be; only what cannot be helped any more is a
 * conflict.
 */
function liveScheduleOf(settled: Settled): Schedule {
  const { dishes, kitchen, serveMs, notBeforeMs, locks, fixed, published } = settled
  const now = notBeforeMs === undefined ? -Infinity : (notBeforeMs - serveMs) / MINUTE
  const got = placeLive({ dishes, kitchen, locks, fixed, now, ...(published ? { published } : {}) })
  const tableMs = serveMs + got.late * MINUTE
  const conflicts = conflictsOf(settled, got.undone)
  const starts = [...got.placed.values()].map((p) => p.start)
  const ways = dishes.map((dish) => {
    const placed = [...got.placed.values()].filter((p) => p.block.dish === dish.id)
    const end = placed.length === 0 ? 0 : Math.max(...placed.map((p) => p.end))
    if (placed.length > 0 && -end > dish.holdMost)
      conflicts.push(
        `${dish.title} will have waited ${Math.round(-end)} min; it keeps ${Math.round(dish.holdMost)}.`,
      )
    return {
      id: dish.id,
      title: dish.title,
      ready_at: iso(tableMs + end * MINUTE),
      held_minutes: -end + 0,
      tasks: placed
        .flatMap((p) => tasksOf(p, tableMs))
        .sort((a, b) => (a.starts_at < b.starts_at ? -1 : a.starts_at > b.starts_at ? 1 : 0)),
    }
  })
  return {
    start_at: iso(tableMs + Math.min(0, ...starts) * MINUTE),
    table_at: iso(tableMs),
    dishes: ways,
    conflicts,
    notes: notesOf(dishes, got.placed),
    feasible: conflicts.length === 0,
    nearest: [],
    ...(got.late > 0 ? { ready_by: iso(tableMs) } : {}),
    exact: got.exact,
    ...(settled.wantsOdds && conflicts.length === 0 ? { odds: oddsJson(settled, got.placed) } : {}),
  }
}

function tasksOf({ block, start, at }: Placed, serveMs: number): ScheduledTask[] {
  const tasks: TaskAt[] = (at !== undefined && block.tasksOnBurner?.[at]) || block.tasks
  return tasks.map((t) => ({
    id: t.id,
    title: t.title,
    hands_on: t.hands,
    starts_at: iso(serveMs + (start + t.from) * MINUTE),
    ends_at: iso(serveMs + (start + t.from + t.minutes) * MINUTE),
    ...(t.place === null ? {} : { resource: t.place === 'oven' ? 'oven' : at! }),
    ...(t.heat === undefined ? {} : { heat: t.heat }),
  }))
}

function conflictWords(
  { block, why }: Placement['undone'][number],
  dishes: readonly Dish[],
  kitchen: KitchenPlaces,
): string {
  const dish = dishes.find((d) => d.id === block.dish)!
  const what =
    block.tasks.length === 1
      ? `“${block.tasks[0]!.title}”`
      : `from “${block.tasks[0]!.title}” to “${block.tasks.at(-1)!.title}”`
  if (why === 'too-soon') return `${dish.title}: ${what} does not fit before serving.`
  if (why === 'waits-too-long')
    return `${dish.title}: ${what} would be done too soon; it may be held ${Math.round(dish.holdMost)} min, and nothing is free later.`
  const burner = block.needs.some((n) => n.place === 'burner')
  if (burner && kitchen.burners.length === 0)
    return `${dish.title}: ${what} needs a burner, and there is none.`
  if (block.needs.some((n) => n.place === 'oven') && kitchen.oven === 0)
    return `${dish.title}: ${what} needs an oven, and there is none.`
  return `${dish.title}: no free ${burner ? 'burner' : block.needs.some((n) => n.place === 'oven') ? 'oven' : 'hands'} for ${what}.`
}

/**
 * The smallest changes with which all of it can be done: another pair of hands, one more place, or one dish
 * held longer.
 */
function nearestTo(
  dishes: readonly Dish[],
  kitchen: KitchenPlaces,
  locks: ReadonlyMap<string, Lock>,
): string[] {
  const works = (d: readonly Dish[], k: KitchenPlaces, l = locks): boolean =>
    search({ dishes: d, kitchen: k, locks: l, tries: 120, mostExact: 300 }).undone.length === 0
  const found: string[] = []
  if (locks.size > 0 && works(dishes, kitchen, new Map()))
    found.push('It works if nothing is fixed to a burner or time.')
  if (kitchen.cooks < 2 && works(dishes, { ...kitchen, cooks: 2 })) found.push('It works with a second cook.')
  if (works(dishes, { ...kitchen, burners: [...kitchen.burners, { id: 'one-more' }] }))
    found.push('With one more burner, or one dish in an appliance, it can be done.')
  for (const dish of dishes) {
    const more = [15, 30, 60].find((minutes) =>
      works(
        dishes.map((d) => (d === dish ? { ...d, holdMost: d.holdMost + minutes } : d)),
        kitchen,
      ),
    )
    if (more !== undefined)
      found.push(
        `With ${dish.title} ready ${Math.round(dish.holdMost + more)} min early and kept warm, it is possible.`,
      )
  }
  for (const dish of dishes)
    if (
      found.length === 0 &&
      dishes.length > 1 &&
      works(
        dishes.filter((d) => d !== dish),
        kitchen,
      )
    )
      found.push(`It works without the ${dish.title}.`)
  return found.slice(0, 4)
}

/** What can happen at a meal; signs and ends of its pots are events of their batches. */
export const MEAL_EVENT_KINDS = ['begin', 'done', 'late', 'hand', 'take-back'] as const
