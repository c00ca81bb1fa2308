import { normal, randomOf } from '#core/random'
import type { Dish, FixedBlock, Placed, TaskAt } from './task'

/** How far the minutes of a task that a cook gave may be off: one standard deviation, as a share of them. */
export const STATED_SPREAD = 0.1
/** "Ready on time": within so many minutes of serving. */
export const ON_TIME_MIN = 5
/** Margins that are tried, minutes. */
const MARGINS = [3, 5, 8, 10, 15, 20] as const
/** A margin is worth proposing where it raises the odds by this much. */
const WORTH = 0.05

export interface EveningOdds {
  /** The chance that everything is ready within ON_TIME_MIN of serving, 0..1. */
  onTime: number
  withinMin: number
  /** The dish whose margin helps most: ready so many minutes before serving, and the odds then. */
  margin?: { dish: string; title: string; readyBeforeMin: number; onTime: number }
}

/** Of a task: one standard deviation towards less and towards more, minutes; none where a clock ends it. */
const stretch = ({ early = 0, late = 0 }: TaskAt, z: number): number => (z < 0 ? z * early : z * late)

interface Run {
  block: Placed['block']
  dish: string
  start: number
  tasks: readonly TaskAt[]
  /** Of each task: those of its block that end where it begins. */
  before: number[][]
  /** What must be over before it starts: what it comes after, and what stood at its place. */
  waitsFor: number[]
}

/**
 * The chance that a whole meal is ready on time, by many evenings in which every task takes as long as it may:
 * each begins at its hour, or as soon as what it waits for is over. What is ready early is held.
 * @param placed the timetable
 * @param fixed what has begun; it is taken as it is
 */
export function eveningOdds({
  dishes,
  placed,
  fixed = [],
  runs = 1000,
  seed = 1,
}: {
  dishes: readonly Dish[]
  placed: ReadonlyMap<string, Placed>
  fixed?: readonly FixedBlock[]
  runs?: number
  seed?: number
}): EveningOdds {
  const begun = new Set(fixed.map(({ block }) => block.id))
  const order = [...placed.values()].sort((a, b) => a.start - b.start || a.end - b.end)
  const steps = order.map((p) => runOf(p, order))
  const names = dishes.map(({ id }) => id)
  // Of each evening, when each dish is ready: minutes before (negative) or after serving.
  const ready = Array.from({ length: runs }, () => new Float64Array(names.length).fill(-Infinity))
  const random = randomOf(seed)
  const ends = new Float64Array(steps.length)
  for (const evening of ready)
    steps.forEach(({ block, dish, start, tasks, before, waitsFor }, i) => {
      const begins = waitsFor.reduce((at, n) => Math.max(at, ends[n]!), start)
      ends[i] = begins + (begun.has(block.id) ? block.minutes : lengthOf(tasks, before, random))
      const n = names.indexOf(dish)
      if (n >= 0) evening[n] = Math.max(evening[n]!, ends[i]!)
    })
  const chance = (moved: number, earlier: number) =>
    ready.filter((evening) => evening.every((at, n) => at - (n === moved ? earlier : 0) <= ON_TIME_MIN))
      .length / runs
  const onTime = chance(-1, 0)
  const margin = bestMargin(dishes, placed, chance, onTime)
  return { onTime, withinMin: ON_TIME_MIN, ...(margin ? { margin } : {}) }
}

function bestMargin(
  dishes: readonly Dish[],
  placed: ReadonlyMap<string, Placed>,
  chance: (moved: number, earlier: number) => number,
  onTime: number,
): EveningOdds['margin'] {
  let best: { dish: Dish; at: number; minutes: number; onTime: number } | undefined
  dishes.forEach((dish, n) => {
    const end = Math.max(...dish.blocks.map((b) => placed.get(b.id)?.end ?? -Infinity))
    if (!Number.isFinite(end)) return
    for (const minutes of MARGINS) {
      if (-end + minutes > dish.holdMost) break
      const then = chance(n, minutes)
      // A longer margin has to bring something over a shorter one.
      if (then >= onTime + WORTH && then >= (best?.onTime ?? 0) + (best?.dish === dish ? WORTH / 2 : 1e-9))
        best = { dish, at: end, minutes, onTime: then }
    }
  })
  return (
    best && {
      dish: best.dish.id,
      title: best.dish.title,
      readyBeforeMin: Math.round(-best.at + best.minutes),
      onTime: best.onTime,
    }
  )
}

function runOf(p: Placed, order: readonly Placed[]): Run {
  const { block, start, at } = p
  const tasks = (at !== undefined && block.tasksOnBurner?.[at]) || block.tasks
  const comesAfter = new Set(block.after.map(({ id }) => id))
  return {
    block,
    dish: block.dish,
    start,
    tasks,
    before: tasks.map(({ from }) =>
      tasks.flatMap((t, n) => (t.minutes > 0 && Math.abs(t.from + t.minutes - from) < 1e-6 ? [n] : [])),
    ),
    waitsFor: order.flatMap((other, n) => {
      const samePlace = at !== undefined && other.at === at && other.block.underBlock !== block.id
      const samePot = block.pot !== undefined && other.block.pot?.id === block.pot.id
      return other !== p &&
        other.end <= start + 1e-6 &&
        (comesAfter.has(other.block.id) || samePlace || samePot)
        ? [n]
        : []
    }),
  }
}

/** How long a block takes one evening: its tasks follow one another as they do in the plan. */
function lengthOf(tasks: readonly TaskAt[], before: readonly number[][], random: () => number): number {
  const ends = new Float64Array(tasks.length)
  let longest = 0
  tasks.forEach((task, i) => {
    const from = before[i]!.length === 0 ? task.from : Math.max(...before[i]!.map((n) => ends[n]!))
    ends[i] = from + Math.max(0, task.minutes + stretch(task, normal(random)))
    longest = Math.max(longest, ends[i]!)
  })
  return longest
}
