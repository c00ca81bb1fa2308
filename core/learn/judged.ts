import type { PlanRequest } from '#core/plan/request'
import type { Plan } from '#core/plan/result'
import type { Judgement } from './judgement'
import type { JudgedCook } from './learned'

/** A grain or a blend by name, whatever order and scale its shares were told in.  @example "basmati 0.75 + wild 0.25" */
export function grainKeyOf(grains: PlanRequest['grains']): string {
  if (grains.length === 1) return grains[0]!.variety
  const total = grains.reduce((sum, grain) => sum + grain.share, 0)
  return [...grains]
    .sort((a, b) => a.variety.localeCompare(b.variety, 'en'))
    .map(({ variety, share }) => `${variety} ${(share / total).toFixed(2)}`)
    .join(' + ')
}

/** What is compared with what: the same grain in the same pot. */
export const learningKey = (grainKey: string, vesselId: string): string => `${grainKey} in ${vesselId}`

/** A finished cook as evidence: how far its water was from the published figure, and what the cook said of it. */
export function judgedCookOf(cook: {
  request: Pick<PlanRequest, 'grains' | 'uptakeDelta' | 'minutesFactor'>
  plan: Pick<Plan, 'water' | 'grain'>
  vesselId: string
  endedMs: number
  judgement: Judgement
}): JudgedCook {
  const { plan, request } = cook
  const published = plan.water.uptake_target - request.uptakeDelta
  return {
    key: learningKey(grainKeyOf(request.grains), cook.vesselId),
    endedMs: cook.endedMs,
    uptakeDelta: plan.water.absorbed_g / plan.grain.mass_g - published,
    minutesFactor: request.minutesFactor,
    judgement: cook.judgement,
  }
}
