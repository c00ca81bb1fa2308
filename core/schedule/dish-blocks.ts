import type { PlanRequest } from '#core/plan/request'
import type { Plan, Stage } from '#core/plan/result'
import { celsius } from '#core/units/units'
import { timelineOf } from '#core/plan/timeline'
import { soakWindow } from '#core/water/soak-window'
import { blendOf } from '#core/grain/blend'
import { STATED_SPREAD } from './evening-odds'
import { assertNoCircle } from './join-dishes'
import type { Block, Dish, Need, PotUse, TaskAt } from './task'

/** A rested pot can wait this long for a cook without harm, minutes. */
export const REST_WAITS = 8
/** Grain that has steamed off on a tray may wait this long before it is fried, minutes. */
const TRAY_WAITS = 60
/** What follows at once: hands do not let go between two strokes, minutes. */
const AT_ONCE = 1
/** Grain that has soaked waits in its sieve this long at least before it dries, minutes. */
const SIEVE_WAITS = 20
/** Beyond this a dish is not held though it would stay hot, minutes. */
const HELD_MOST = 45
/** A pot that another dish needs is emptied: its grain may wait so long, and so long without being kept hot. */
const HELD_IN_TURN = 90
const HELD_IN_BOWL = 20
/** Grain that is loosened and covered loses nothing for this long, minutes. */
const HELD_LEAST = 5

const whole = (minutes: number): number => Math.max(1, Math.ceil(minutes - 1e-6))

export interface PlannedDish {
  id: string
  title: string
  request: PlanRequest
  plan: Plan
  /** The same pot planned on each burner it can use. */
  onBurner?: Readonly<Record<string, Plan>>
  appliance?: string
  /** Its pot, where other dishes may want the same. */
  pot?: string
  /** Another dish is cooked in the same pot, so it may wait longer, in a bowl. */
  potInTurn?: boolean
  /** Dishes that are done before it is heated. */
  afterDishes?: readonly string[]
  holdMost?: number
}

/** How long a piece may wait for what follows it; grain in its soak as long as that allows. */
const WAITS_AFTER: Readonly<Record<string, number>> = { cook: REST_WAITS, tray: TRAY_WAITS }

/** How long a stage after the rest may wait for its turn.  @param closed whether the pot still rests */
export const waitBefore = (id: string, closed: boolean): number =>
  closed ? REST_WAITS : id === 'fry' ? TRAY_WAITS : AT_ONCE

interface Piece {
  id: string
  stages: Stage[]
}

/**
 * A plan as blocks: what must follow at once hangs together; it may be torn after a soak, and after the rest,
 * within their limits.
 */
export function dishOf(planned: PlannedDish): Dish {
  const { id, title, request, plan, onBurner, appliance, pot, potInTurn, afterDishes, holdMost } = planned
  const pieces = piecesOf(plan)
  const soak = soakWaits(request)
  const filled = pieces.findIndex(({ stages }) => stages.some(isFilling))
  const blocks = pieces.map((piece, i): Block => {
    const before = pieces[i - 1]
    const cut = cutOf(piece, appliance)
    const there =
      onBurner &&
      Object.fromEntries(
        Object.entries(onBurner).map(([burner, other]) => [burner, cutOf(piecesOf(other)[i]!, appliance)]),
      )
    return {
      id: `${id} ${piece.id}`,
      dish: id,
      minutes: cut.minutes,
      needs: cut.needs,
      tasks: cut.tasks,
      after: before ? [{ id: `${id} ${before.id}`, mostWait: WAITS_AFTER[before.id] ?? soak }] : [],
      ...(appliance !== undefined && cut.needs.some((n) => n.place === 'appliance') ? { appliance } : {}),
      ...(pot === undefined || i < filled ? {} : { pot: potUse(pot, piece, cut) }),
      ...(i === Math.max(0, filled) && afterDishes ? { afterDishes } : {}),
      ...(there && cut.needs.some((n) => n.place === 'burner')
        ? {
            onBurner: Object.fromEntries(
              Object.entries(there).map(([b, c]) => [b, { minutes: c.minutes, needs: c.needs }]),
            ),
            tasksOnBurner: Object.fromEntries(Object.entries(there).map(([b, c]) => [b, c.tasks])),
          }
        : {}),
    }
  })
  const keeps = heldMost(request, plan)
  return potInTurn
    ? {
        id,
        title,
        blocks,
        holdMost: holdMost ?? Math.max(keeps, HELD_IN_TURN),
        keepsMost: Math.min(keeps, HELD_IN_BOWL),
      }
    : { id, title, blocks, holdMost: holdMost ?? keeps }
}

/** The pot is filled: with grain, water, or what is fried first. */
export const isFilling = ({ id, power_w }: Stage): boolean =>
  id === 'pour' || id === 'boiler' || id === 'fry-first' || power_w > 0

/** From its filling, or from the piece's start where it was filled before, until it is loosened. */
function potUse(id: string, { stages }: Piece, { minutes, tasks }: ReturnType<typeof cutOf>): PotUse {
  const at = (stage: Stage | undefined) => tasks.find((t) => t.id === stage?.id)
  const emptied = at(stages.findLast((s) => s.id === 'fluff'))
  return {
    id,
    from: at(stages.find(isFilling))?.from ?? 0,
    ...(emptied ? { emptyBeforeEnd: minutes - emptied.from - emptied.minutes } : {}),
  }
}

/** How long a pot that is ready may stand before it is dry or cold, minutes. */
export function heldMost(request: PlanRequest, plan: Plan): number {
  const keeps =
    request.vessel.kind === 'cooker' || request.vessel.kind === 'pressure-electric'
      ? plan.keeps.dry_minutes
      : Math.min(plan.keeps.warm_minutes, plan.keeps.dry_minutes)
  return Math.max(HELD_LEAST, Math.min(HELD_MOST, Math.floor(keeps)))
}

/** How long soaked grain may wait before it goes on: in its water while it grows no worse, or drained in the sieve. */
export function soakWaits(request: PlanRequest): number {
  if (!request.soak) return SIEVE_WAITS
  const { slowest } = blendOf(request.grains)
  const { fragileFrom, souringFrom } = soakWindow(slowest, celsius(request.soak.celsius))
  return Math.max(SIEVE_WAITS, Math.floor(Math.min(fragileFrom, souringFrom) - request.soak.minutes))
}

function piecesOf({ stages }: Plan): Piece[] {
  const chain = stages.every(
    (stage, i) => i === 0 || (stage.after.length === 1 && stage.after[0] === stages[i - 1]!.id),
  )
  const soakAt = chain ? stages.findIndex((s) => s.kind === 'soak') : -1
  const restAt = stages.findLastIndex((s) => s.kind === 'rest' || s.kind === 'release')
  const fryAt = stages.findIndex((s) => s.id === 'fry')
  const cuts = [
    ...(soakAt >= 0 ? [{ at: soakAt + 1, id: 'soak' }] : []),
    ...(restAt >= 0 && restAt < stages.length - 1 ? [{ at: restAt + 1, id: 'cook' }] : []),
    ...(fryAt > restAt + 1 ? [{ at: fryAt, id: 'tray' }] : []),
    { at: stages.length, id: 'end' },
  ]
  // A stage beside the pot, a dressing that is mixed, belongs to the piece in which it ends.
  const line = timelineOf(stages)
  const pieceOf = stages.map((stage, i) =>
    cuts.findIndex(({ at }) => i < at || line.get(stage.id)!.end <= line.get(stages[at - 1]!.id)!.end + 1e-6),
  )
  return cuts.map(({ id }, piece) => ({ id, stages: stages.filter((_, i) => pieceOf[i] === piece) }))
}

/** A piece on the minute grid: its stages at their places, and what they occupy. */
function cutOf(
  { stages }: Piece,
  appliance: string | undefined,
): { minutes: number; needs: Need[]; tasks: TaskAt[] } {
  const known = new Set(stages.map((s) => s.id))
  const line = timelineOf(
    stages.map((s) => ({
      ...s,
      minutes: { low: 0, high: 0, expected: whole(s.minutes.expected) },
      after: s.after.filter((id) => known.has(id)),
      lag_minutes: s.lag_minutes === undefined ? 0 : Math.floor(s.lag_minutes),
    })),
  )
  const first = Math.min(...stages.map((s) => line.get(s.id)!.start))
  const heated = stages.filter((s) => s.power_w > 0)
  const place: Need['place'] = appliance !== undefined ? 'appliance' : 'burner'
  // Fried at the end, the grain is in a pan on a burner, wherever it was cooked.
  const inPan = (s: Stage) => s.id === 'fry'
  const tasks = stages.map((s): TaskAt => {
    const { start, end } = line.get(s.id)!
    return {
      id: s.id,
      title: s.title,
      from: start - first,
      minutes: end - start,
      hands: s.hands_on,
      heat: s.heat,
      place: inPan(s) ? 'burner' : s.power_w > 0 ? place : null,
      ...spreadOf(s),
    }
  })
  const minutes = Math.max(...tasks.map((t) => t.from + t.minutes))
  const needs: Need[] = tasks
    .filter((t) => t.hands)
    .map((t) => ({ from: t.from, minutes: t.minutes, hands: true, place: null }))
  // The pot keeps its place from its first heat to its last; an appliance keeps it through its rest.
  const inPlace =
    appliance !== undefined
      ? stages.filter((s) => s.power_w > 0 || s.kind === 'rest' || s.kind === 'release')
      : heated
  const stand = (inPlace: readonly Stage[], place: Need['place']) => {
    if (inPlace.length === 0) return
    const spans = inPlace.map((s) => tasks.find((t) => t.id === s.id)!)
    const from = Math.min(...spans.map((t) => t.from))
    needs.push({
      from,
      minutes: Math.max(...spans.map((t) => t.from + t.minutes)) - from,
      hands: false,
      place,
    })
  }
  stand(inPlace, place)
  stand(stages.filter(inPan), 'burner')
  return { minutes, needs, tasks }
}

/** Heat varies by this share at the most: beyond it a stage's window is how long it may go on, not how it varies. */
const HEATED_MOST = 0.2

/** How much less and more a stage that ends on a sign may take. */
function spreadOf({
  ends_on,
  power_w,
  minutes: { low, expected, high },
}: Stage): Pick<TaskAt, 'early' | 'late'> {
  if (ends_on === 'clock') return {}
  const most = power_w > 0 ? HEATED_MOST * expected : Infinity
  return { early: Math.min(expected - low, most), late: Math.min(high - expected, most) }
}

/** What a pot of this method stands at: nothing of the stove for an appliance or the oven. */
export const standsAt = (request: PlanRequest): 'burner' | 'oven' | 'appliance' => {
  const vesselKind = request.vessel.kind
  return vesselKind === 'oven-dish'
    ? 'oven'
    : vesselKind === 'pot' || vesselKind === 'pressure-stovetop'
      ? 'burner'
      : 'appliance'
}

export interface CompanionTask {
  id: string
  title: string
  minutes: number
  handsOn: boolean
  needs: 'burner' | 'oven' | 'none'
  lookInEveryMin?: number
  after?: readonly string[]
  /** Dishes that are done before it. */
  afterDishes?: readonly string[]
  /** How long what comes before may wait for it. */
  waitMost?: number
  /** Whether the dish is in its pot; left out: while it is on a burner. */
  inPot?: boolean
}

/** A look takes a cook one minute. */
const LOOK_MIN = 1
/** A companion waits between its tasks for as long as it likes; at the end it is held like any food. */
const COMPANION_HELD = 20

/**
 * A dish that is no grain: the tasks its cook typed.
 * @throws {RangeError} for tasks that come after none of their own, or in a circle
 */
export function companionOf({
  id,
  title,
  tasks,
  behind = [],
  pot,
  holdMost = COMPANION_HELD,
}: {
  id: string
  title: string
  tasks: readonly CompanionTask[]
  /** Tasks that lie already, in their order. */ behind?: readonly string[]
  /** Its pot, where other dishes may want the same. */
  pot?: string
  holdMost?: number
}): Dish {
  const known = new Set([...behind, ...tasks.map((t) => t.id)])
  // What lies between two tasks in the pot is in it as well.
  const inPot = tasks.map((task) => task.inPot ?? task.needs === 'burner')
  const [firstIn, lastIn] = [inPot.indexOf(true), inPot.lastIndexOf(true)]
  const blocks = tasks.map((task, i): Block => {
    // After another dish alone, it is still after what comes before it here.
    const after = task.after ?? (i > 0 ? [tasks[i - 1]!.id] : behind.slice(-1))
    for (const before of after)
      if (!known.has(before))
        throw new RangeError(
          `companionOf: task "${task.id}" comes after "${before}", which is none of this dish`,
        )
    const minutes = whole(task.minutes)
    const looks =
      task.handsOn || !task.lookInEveryMin
        ? []
        : Array.from(
            { length: Math.ceil(minutes / task.lookInEveryMin) - 1 },
            (_, n) => (n + 1) * task.lookInEveryMin!,
          ).filter((at) => at + LOOK_MIN <= minutes)
    const place = task.needs === 'none' ? null : task.needs
    return {
      id: `${id} ${task.id}`,
      dish: id,
      minutes,
      after: after.map((before) => ({ id: `${id} ${before}`, mostWait: task.waitMost ?? Infinity })),
      ...(task.afterDishes ? { afterDishes: task.afterDishes } : {}),
      ...(pot !== undefined && firstIn >= 0 && i >= firstIn && i <= lastIn
        ? { pot: { id: pot, from: 0, ...(i < lastIn ? {} : { emptyBeforeEnd: 0 }) } }
        : {}),
      needs: [
        ...(place === null && !task.handsOn ? [] : [{ from: 0, minutes, hands: task.handsOn, place }]),
        ...looks.map((from) => ({ from: Math.round(from), minutes: LOOK_MIN, hands: true, place: null })),
      ],
      tasks: [
        {
          id: task.id,
          title: task.title,
          from: 0,
          minutes,
          hands: task.handsOn,
          place,
          early: STATED_SPREAD * minutes,
          late: STATED_SPREAD * minutes,
        },
      ],
    }
  })
  assertNoCircle(blocks)
  return { id, title, blocks, holdMost }
}
