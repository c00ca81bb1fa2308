import * as v from 'valibot'
import { plan } from '#core/plan/plan'
import type { PlanRequest } from '#core/plan/request'
import type { Plan } from '#core/plan/result'
import { judge } from '#core/simulate/judge'
import { oddsOf } from '#core/simulate/odds'
import { parsePlanRequest, runsFields, type Result } from './plan-request'
import { verdictJson } from './simulate'

const RunsSchema = v.object(runsFields)

/**
 * Kitchens asked for with a plan; 1 where none were, or where they cannot be read (parsePlanRequest names what
 * is wrong).
 */
function runsOf(input: unknown): { runs: number; seed: number } {
  const read = v.safeParse(RunsSchema, input)
  return read.success ? read.output : { runs: 1, seed: 1 }
}

/** Kitchens a way of the cook's own is tried in, where nothing else is asked. */
const JUDGE_RUNS = 100

/**
 * The contract's `plan` for programs: asked with `runs`, it answers its odds as well; a way of the cook's own
 * is judged. Pages take planFrom, which needs no simulator.
 */
export function planWithOdds(input: unknown): Result<Plan> {
  const read = parsePlanRequest(input)
  if (!read.ok) return read
  const request = read.value
  const made = plan(request)
  const { runs, seed } = runsOf(input)
  return {
    ok: true,
    value: {
      ...made,
      ...(isOwnWay(input)
        ? { judged: judgedJson(request, { runs: runs > 1 ? runs : JUDGE_RUNS, seed }) }
        : {}),
      ...(runs > 1 ? { chances: oddsOf(request, { runs, seed }) } : {}),
    },
  }
}

const isOwnWay = (input: unknown): boolean => Boolean((input as { own?: unknown }).own)

/** How the way ends, in how many kitchens it is good, and the smallest change that would help. */
export function judgedJson(
  request: PlanRequest,
  of: { runs: number; seed: number },
): NonNullable<Plan['judged']> {
  const { good, ends, smallest_change } = judge(request, of)
  return { good, ends: verdictJson(ends), ...(smallest_change ? { smallest_change } : {}) }
}
