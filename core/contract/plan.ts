import { plan } from '#core/plan/plan'
import type { Plan } from '#core/plan/result'
import { parsePlanRequest, type Result } from './plan-request'

/** The contract's `plan`: JSON in, plan or named errors out. */
export function planFrom(input: unknown): Result<Plan> {
  const request = parsePlanRequest(input)
  return request.ok ? { ok: true, value: plan(request.value) } : request
}
