import { prepare } from '#core/plan/prepare'
import type { PlanRequest } from '#core/plan/request'
import type { Plan } from '#core/plan/result'
import { activeEvents } from '#core/event-log'
import type { CookEvent } from './events'
import { minutesStillNeeded } from './outlook'
import { estimatePot } from './estimate-pot'
import { replay, type RunningCook } from './replay'

/** A stage whose length what happened has changed. */
export interface Retimed {
  stage: string
  wasMinutes: number
  isMinutes: number
  /** The event after which it was computed again. */
  because: CookEvent
}

/** What moves the time a pot still needs. A lifted lid costs its own minutes (lid-lift.ts) and is not counted twice. */
const MOVES = new Set<CookEvent['kind']>([
  'heat-high',
  'heat-low',
  'heat-out',
  'boiled-over',
  'water-added',
  'stirred',
  'seen-water',
  'seen-hard',
])
/** A change smaller than this is not worth telling, minutes. */
const WORTH_TELLING = 0.75

/**
 * The plan with its open stage as long as this pot needs it: computed when that stage begins, by when the
 * boil really came, and again after everything that moved its heat or its water. The margin over the earliest
 * end stays what it was.
 */
export function retime(
  cook: RunningCook,
  request: PlanRequest,
  events: readonly CookEvent[],
): { plan: Plan; retimed: Retimed | undefined } {
  const { plan } = cook
  const happened = activeEvents(events)
  const { timed, fixedMinutes } = prepare(request)
  // Minutes of the cook's own stay as they were stated.
  if (fixedMinutes !== undefined) return { plan, retimed: undefined }
  const open = timed.stages.find((s) => s.until === 'solved')
  const place = plan.stages.findIndex((s) => s.id === open?.id)
  const stage = plan.stages[place]
  if (!open || !stage) return { plan, retimed: undefined }
  const because = happened.findLast(
    (e) => (e.stage === stage.id && MOVES.has(e.kind)) || (e.kind === 'cue' && stage.after.includes(e.stage)),
  )
  if (!because) return { plan, retimed: undefined }
  const known = events.filter((e) => e.atMs <= because.atMs)
  const view = replay(cook, known, because.atMs)
  const own = view.stages[place]!
  if (own.state !== 'now') return { plan, retimed: undefined }
  const estimate = estimatePot({ plan, request, view, events: known, nowMs: because.atMs })
  const more = estimate && minutesStillNeeded(estimate)
  if (more === undefined) return { plan, retimed: undefined }
  const { low, expected, high } = stage.minutes
  const elapsed = (because.atMs - own.startMs) / 60_000
  const margin = expected - low
  const isMinutes = Math.max(elapsed + more + margin, open.atLeast ?? 0)
  if (Math.abs(isMinutes - expected) < WORTH_TELLING) return { plan, retimed: undefined }
  const moved = {
    low: Math.max(elapsed + more, low + isMinutes - expected),
    expected: isMinutes,
    high: Math.max(isMinutes, high + isMinutes - expected),
  }
  return {
    plan: { ...plan, stages: plan.stages.map((s, i) => (i === place ? { ...s, minutes: moved } : s)) },
    retimed: { stage: stage.id, wasMinutes: expected, isMinutes, because },
  }
}
