import { plan } from '#core/plan/plan'
import type { Plan } from '#core/plan/result'
import { oddsOf } from '#core/simulate/odds'
import { parsePlanRequest, runsOf, type Result } from './plan-request'

/**
 * The contract's `plan` for programs: asked with `runs`, it answers its odds as well. Pages take planFrom,
 * which needs no simulator.
 */
export function planWithOdds(input: unknown): Result<Plan> {
  const request = parsePlanRequest(input)
  if (!request.ok) return request
  const made = plan(request.value)
  const { runs, seed } = runsOf(input)
  return { ok: true, value: runs > 1 ? { ...made, chances: oddsOf(request.value, { runs, seed }) } : made }
}
