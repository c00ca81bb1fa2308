import { activeEvents } from '#core/event-log'
import type { CookEvent } from '#core/cook/events'
import { withRemedy } from '#core/cook/remedy'
import { replanned, requestSeen, preCookReadings } from '#core/cook/replan'
import { retime, type Retimed } from '#core/cook/retime'
import type { PlanRequest } from '#core/plan/request'
import type { RunningCook } from '#core/cook/replay'
import { lengthOf } from '#core/plan/timeline'
import type { Plan } from '#core/plan/result'
import { parsePlanRequest } from './plan-request'

/** A batch as it is stored: what was asked for, and the plan as it was frozen at the start. */
export interface StoredCook {
  request: unknown
  plan: Plan
  startedMs: number
}

/** A stored cook, ready to replay, with everything the stove computes from. */
export interface CookAtTheStove extends RunningCook {
  /** As it was asked for, with what was seen before the pour. */
  request: PlanRequest
  /** What changed the length of the simmer, where something did. */
  retimed: Retimed | undefined
}

/**
 * A stored cook, ready to replay: the plan as frozen; solved again where the cook saw more than the plan
 * could know; its simmer as long as this pot needs it; and with the remedies that were begun.
 */
export function runningCookOf(saved: StoredCook, events: readonly CookEvent[]): CookAtTheStove {
  const read = parsePlanRequest(saved.request)
  if (!read.ok)
    throw new RangeError(`runningCookOf: the stored request cannot be read: ${read.errors[0]!.message}`)
  const seen = preCookReadings(events)
  const request = requestSeen(read.value, seen)
  const { vessel, kitchenC } = request
  const cook: RunningCook = {
    plan: replanned(read.value, saved.plan, seen),
    plannedMinutes: lengthOf(saved.plan.stages),
    startedMs: saved.startedMs,
    pot: {
      lossWK: vessel.loss,
      openArea: (Math.PI / 4) * (vessel.rimDiameter / 1000) ** 2,
      boilC: saved.plan.boil_c,
      kitchenC,
    },
  }
  const { plan, retimed } = retime(cook, request, events)
  const running = activeEvents(events).reduce(
    (made, e) => (e.kind === 'remedy' && e.remedy ? withRemedy(made, e.id, e.stage, e.remedy, e.atMs) : made),
    plan,
  )
  return { ...cook, plan: running, request, retimed }
}
