import { parsePlanRequestOrThrow, type PlanRequestJson } from '#core/contract/plan-request'
import { plan } from '#core/plan/plan'
import type { PlanRequest } from '#core/plan/request'
import type { ActionKind } from './action-kind'
import type { Plan } from '#core/plan/result'

/** What the player can do in a situation, besides heat and lid. */
export type Hand = 'put-in' | 'vent'

/** A pot to be cooked for practice: the card says one thing, the kitchen is another. */
export interface Situation {
  id: string
  title: string
  /** What is known beforehand: nothing in it is hidden that a cook could see. */
  description: string
  /** What the card in the drawer is a plan for. */
  card: PlanRequestJson
  /** What differs here from what the card was written for. */
  here: Partial<PlanRequestJson>
  hands?: readonly Hand[]
  /** What the grain kept aside is called on its key. */
  aside?: string
  /** Who wants what, at which stage, after how many minutes. */
  asked?: readonly { stage: string; afterMin: number; says: string }[]
  /** Which of the deeds it turns on. */
  about: ActionKind
  /** What is worth doing here, said only after the pot. */
  trap: string
  /** The sentence that stays. */
  learned: string
}

/** A situation ready to be cooked. */
export interface PracticeConditions {
  /** The card's own plan, which the stove shows. */
  card: Plan
  cardRequest: PlanRequest
  /** The kitchen as it is. */
  real: PlanRequest
  /** What this kitchen would have wanted. */
  right: Plan
  /** For how long the card sets a pressure pot to hold, minutes. */
  heldMinutes: number
}

const laid = new Map<string, PracticeConditions>()

/** The card's plan and the true kitchen. Computed once for each situation. */
export function kitchenOf(situation: Situation): PracticeConditions {
  const known = laid.get(situation.id)
  if (known) return known
  const cardRequest = parsePlanRequestOrThrow(situation.card)
  const real = parsePlanRequestOrThrow({ ...situation.card, pour_override_g: null, ...situation.here })
  const card = plan(cardRequest)
  const heldMinutes = card.stages.find((s) => s.kind === 'pressure')?.minutes.expected ?? 0
  // The card's own soak, where the grain came dry, is part of what is right.
  const right = plan(real.soak === null ? { ...real, soak: cardRequest.soak } : real)
  const kitchen = { card, cardRequest, real, right, heldMinutes }
  laid.set(situation.id, kitchen)
  return kitchen
}
