import { LIMITS } from '#core/contract/plan-request'
import { planOfSteps, stepsText, type RecipeStep } from '#core/plan/recipe-steps'
import { readSteps } from '#core/sentence/read-steps'
import { readWay } from '#core/sentence/read-way'
import { localText } from '#core/units/local-text'
import { parseQuantity } from '#core/units/parse-quantity'
import { waterGrams } from '../../planning/entered-amounts'
import { stateOf } from '../../planning/order'
import { vesselOfState, type PlanningData, type PlanState } from '../../planning/plan-state'

/** A way as stated: grain, water, pot and soak as a plan has them, and the heat step by step. */
export interface MyWay {
  plan: PlanState
  steps: RecipeStep[]
  drained: boolean
}

/** Steps of most packets, before anything was stated. */
const USUAL_STEPS = 'high heat lid on until it boils, lowest heat lid on 15 min, heat off lid on 10 min'
export const MAX_STEPS = 12
export const STEP_MINUTES = [1, 600] as const

/** Steps of an address; the usual ones where it has none. */
export function stepsOfAddress(text: string | null): Pick<MyWay, 'steps' | 'drained'> {
  const { steps, drained } = readSteps(text ?? USUAL_STEPS)
  const inLimits = steps
    .filter(({ minutes = 1 }) => minutes >= STEP_MINUTES[0] && minutes <= STEP_MINUTES[1])
    .slice(0, MAX_STEPS)
  return inLimits.length > 0 ? { steps: inLimits, drained } : stepsOfAddress(null)
}

export const addressOfSteps = ({ steps, drained }: Pick<MyWay, 'steps' | 'drained'>): string =>
  stepsText(steps, { drained })

/** Water as it is typed in its own field: nothing for the plan's. */
export function readWater(
  text: string,
  household: PlanningData,
): { grams: number | null; wrong?: undefined } | { wrong: string } {
  if (text.trim() === '') return { grams: null }
  const read = parseQuantity(
    text,
    household.measures.map((m) => m.name),
  )
  const bare = read.ok && read.rest.replace(/\b(of|water)\b/g, '').trim() === ''
  const grams = bare ? waterGrams(read.quantity, household) : undefined
  if (grams === undefined) return { wrong: 'Enter an amount, for example 2 cups or 450 g.' }
  const [min, max] = LIMITS.pour_override_g
  return grams >= min && grams <= max
    ? { grams }
    : { wrong: localText(`From ${min} g to ${max} g.`, household) }
}

/** What of a text was understood, as a way; what it does not say stays. */
export interface ReadText {
  way: MyWay
  unread: string[]
  notes: string[]
}

export function readText(text: string, before: MyWay, household: PlanningData): ReadText {
  const read = readWay(text, {
    vessels: household.vessels,
    measures: household.measures.map((m) => m.name),
    bags: household.bags,
  })
  const { sentence, water, steps, soakMinutes, washes, drained } = read
  const recipe: typeof sentence = {
    ...sentence,
    ...(soakMinutes === undefined ? {} : { soakMinutes }),
    ...(washes === undefined ? {} : { washes }),
  }
  const plan =
    sentence.grains.length > 0
      ? stateOf(recipe, before.plan, household)
      : withoutGrain(recipe, before.plan, household)
  const grams = water && waterGrams(water, household)
  const [min, max] = LIMITS.pour_override_g
  const fits = grams !== undefined && grams >= min && grams <= max
  return {
    way: {
      plan: { ...plan, ...(fits ? { poured: grams } : {}) },
      steps: steps.length > 0 ? steps.slice(0, MAX_STEPS) : before.steps,
      drained: steps.length > 0 ? drained : before.drained || drained,
    },
    unread: [
      ...read.unread,
      ...(water && !fits ? ['that much water'] : []),
      ...(steps.length > MAX_STEPS ? [`more than ${MAX_STEPS} steps`] : []),
    ],
    notes: sentence.notes,
  }
}

const withoutGrain = (
  recipe: Parameters<typeof stateOf>[0],
  plan: PlanState,
  household: PlanningData,
): PlanState => {
  const named = stateOf({ ...recipe, grains: [{ variety: plan.grain }] }, plan, household)
  return { ...named, bagId: plan.bagId, others: plan.others }
}

/** Whether the steps are cooked as they are: in an open pot, with the water left in it. */
export const cooksByStep = ({ plan, drained }: MyWay, household: PlanningData): boolean =>
  !drained && vesselOfState(plan, household).kind === 'pot'

/** The plan that comes nearest to the way. */
export function planOfWay({ plan, steps, drained }: MyWay, household: PlanningData): PlanState {
  const { method, minutes = null, restMinutes, lidUntilBoil, heatStyle } = planOfSteps(steps, { drained })
  const pot = vesselOfState(plan, household).kind === 'pot'
  return {
    ...plan,
    at: null,
    method: pot ? method : plan.method,
    // A plan has room for so much; the steps themselves are cooked as they are.
    minutes: minutes === null ? null : Math.min(minutes, LIMITS.own_minutes[1]),
    ...(pot ? { rest: Math.min(restMinutes, LIMITS.rest_minutes[1]), lidUntilBoil, heatStyle } : {}),
  }
}
