import { plan } from '#core/plan/plan'
import type { Plan } from '#core/plan/result'
import { readPlanRequest, type Read } from './plan-request'

/** The contract's `plan`: JSON in, plan or named errors out. */
export function planFrom(input: unknown): Read<Plan> {
  const request = readPlanRequest(input)
  return request.ok ? { ok: true, value: plan(request.value) } : request
}
