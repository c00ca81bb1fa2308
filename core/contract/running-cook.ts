import type { CookEvent } from '#core/cook/events'
import { replanned, seenIn } from '#core/cook/replan'
import type { RunningCook } from '#core/cook/replay'
import { lengthOf } from '#core/plan/timeline'
import type { Plan } from '#core/plan/result'
import { readPlanRequest } from './plan-request'

/** A cook as it is kept: what was asked for, and the plan as it was frozen at the start. */
export interface KeptCook {
  request: unknown
  plan: Plan
  startedMs: number
}

/** A stored cook, ready to replay: the plan as frozen, solved again where the cook saw more than the plan could know, and the pot it
 *  was made for. */
export function runningCookOf(kept: KeptCook, events: readonly CookEvent[]): RunningCook {
  const read = readPlanRequest(kept.request)
  if (!read.ok) throw new RangeError(`runningCookOf: the stored request cannot be read: ${read.errors[0]!.message}`)
  const { vessel, kitchenC } = read.value
  return {
    plan: replanned(read.value, kept.plan, seenIn(events)),
    plannedMinutes: lengthOf(kept.plan.stages),
    startedMs: kept.startedMs,
    pot: {
      lossWK: vessel.loss,
      openArea: (Math.PI / 4) * (vessel.rimDiameter / 1000) ** 2,
      boilC: kept.plan.boil_c,
      kitchenC,
    },
  }
}
