import { readPlanRequest } from '#core/contract/plan-request'
import { judgedCookOf } from '#core/learn/judged'
import { correctionOf, learnedFrom, type Correction, type JudgedCook } from '#core/learn/learned'
import type { NotedCook } from '../database/cooks'

function evidenceOf(cook: NotedCook): JudgedCook | undefined {
  if (cook.end !== 'finish' || !cook.judgement) return undefined
  const read = readPlanRequest(cook.request)
  if (!read.ok) return undefined
  return judgedCookOf({ request: read.value, plan: cook.plan, vesselId: cook.vesselId, endedMs: cook.endedMs, judgement: cook.judgement })
}

/** What the notebook has taught so far, by grain and pot; computed from the records each time. */
export function corrections(noted: readonly NotedCook[]): Record<string, Correction> {
  const judged = noted.map(evidenceOf).filter((cook) => cook !== undefined)
  return Object.fromEntries([...learnedFrom(judged)].map(([key, known]) => [key, correctionOf(known)]))
}
