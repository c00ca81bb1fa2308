import type { CookView } from '#core/cook/replay'
import type { Plan } from '#core/plan/result'
import { isFilling, waitBefore } from './dish-blocks'

/** A stretch with its hours, UTC milliseconds. */
export interface Lying {
  id: string
  title: string
  startMs: number
  endMs: number
  hands: boolean
  /** The burner, the oven or the appliance it is on. */
  at?: string
  /** Whether the grain or its water is in the pot. */
  inPot?: boolean
}

/** What is still to do by hand after the heat, and how long the pot may wait for it. */
export interface RemainingTask {
  id: string
  title: string
  minutes: number
  hands: boolean
  waitMost: number
  inPot: boolean
  /** Fried at the end, it needs a burner. */
  burner: boolean
}

const MINUTE = 60_000

/**
 * A pot under way, for the timetable: everything up to the end of its rest is fixed; what comes after it may
 * wait for the cook.
 * @param at the burner or appliance it is on
 * @param keeps whether it stays there through its rest, as an appliance does
 */
export function splitRunningPlan(
  plan: Plan,
  view: CookView,
  at: string | undefined,
  keeps: boolean,
): { fixedTasks: Lying[]; toDo: RemainingTask[] } {
  const seen = new Map(view.stages.map((s) => [s.id, s]))
  const rest = plan.stages.findLastIndex((s) => s.kind === 'rest' || s.kind === 'release')
  // What is beside the pot, a dressing that is mixed, follows its own clock.
  const behind = new Set(rest < 0 ? [] : [plan.stages[rest]!.id])
  for (const stage of plan.stages) if (stage.after.some((id) => behind.has(id))) behind.add(stage.id)
  const after = new Set(
    plan.stages
      .slice(rest + 1)
      .filter((s) => behind.has(s.id) && seen.get(s.id)!.state === 'next')
      .map((s) => s.id),
  )
  const hot = plan.stages
    .filter((s) => s.power_w > 0 || (keeps && (s.kind === 'rest' || s.kind === 'release')))
    .map((s) => seen.get(s.id)!)
  const [from, to] = [Math.min(...hot.map((s) => s.startMs)), Math.max(...hot.map((s) => s.endMs))]
  const stands = (start: number, end: number, isHot: boolean) =>
    isHot || (start >= from && end <= to && !hot.some((h) => h.startMs < end && h.endMs > start))
  // In the pot from its filling until it is loosened.
  const filled = plan.stages.findIndex(isFilling)
  const emptied = plan.stages.findLastIndex((s) => s.id === 'fluff')
  const inPot = (id: string): boolean => {
    const i = plan.stages.findIndex((s) => s.id === id)
    return i >= filled && (emptied < 0 || i <= emptied)
  }
  const fixedTasks = plan.stages
    .filter((s) => !after.has(s.id))
    .map((s): Lying => {
      const { startMs, endMs } = seen.get(s.id)!
      return {
        id: s.id,
        title: s.title,
        startMs,
        endMs: Math.max(startMs, endMs),
        hands: s.hands_on,
        inPot: inPot(s.id),
        ...(at !== undefined &&
        stands(
          startMs,
          endMs,
          hot.some((h) => h.id === s.id),
        )
          ? { at }
          : {}),
      }
    })
  const toDo = plan.stages
    .filter((s) => after.has(s.id))
    .map((s): RemainingTask => {
      const { startMs, endMs } = seen.get(s.id)!
      return {
        id: s.id,
        title: s.title,
        minutes: Math.max(1, Math.ceil((endMs - startMs) / MINUTE)),
        hands: s.hands_on,
        waitMost: waitBefore(s.id, s.after.includes(plan.stages[rest]?.id ?? '')),
        inPot: inPot(s.id),
        burner: s.id === 'fry',
      }
    })
  return { fixedTasks, toDo }
}
