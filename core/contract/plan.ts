import { plan } from '#core/plan/plan'
import type { Plan } from '#core/plan/result'
import { oddsOf } from '#core/simulate/odds'
import { readPlanRequest, runsOf, type Read } from './plan-request'

/** The contract's `plan`: JSON in, plan or named errors out; asked with `runs`, its odds as well. */
export function planFrom(input: unknown): Read<Plan> {
  const request = readPlanRequest(input)
  if (!request.ok) return request
  const made = plan(request.value)
  const { runs, seed } = runsOf(input)
  return { ok: true, value: runs > 1 ? { ...made, chances: oddsOf(request.value, { runs, seed }) } : made }
}
