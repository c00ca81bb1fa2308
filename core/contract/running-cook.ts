import type { RunningCook } from '#core/cook/replay'
import type { Plan } from '#core/plan/result'
import { readPlanRequest } from './plan-request'

/** A stored cook, ready to replay: the plan as frozen, and the pot it was made for. */
export function runningCookOf(stored: { request: unknown; plan: Plan; startedMs: number }): RunningCook {
  const read = readPlanRequest(stored.request)
  if (!read.ok) throw new RangeError(`runningCookOf: the stored request cannot be read: ${read.errors[0]!.message}`)
  const { vessel, kitchenC } = read.value
  return {
    plan: stored.plan,
    startedMs: stored.startedMs,
    pot: {
      lossWK: vessel.loss,
      openArea: (Math.PI / 4) * (vessel.rimDiameter / 1000) ** 2,
      boilC: stored.plan.boil_c,
      kitchenC,
    },
  }
}
