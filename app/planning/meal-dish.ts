import type { PlanRequestJson } from '#core/contract/plan-request'
import { toSearch } from './plan-address'
import { startFieldsOf, type PlanState, type PlanningData } from './plan-state'
import { grainWord } from './plan-words'

/** This plan as a dish of a meal, as the form sends it. */
export function mealDishOf(
  state: PlanState,
  household: PlanningData,
  first: PlanState,
  request: PlanRequestJson,
): Record<string, string> {
  const { vessel_id, heat_id, bag_id, applied } = startFieldsOf(state, household)
  return {
    kind: 'plan',
    title: grainWord(state, household),
    search: toSearch(state, first).toString(),
    vessel_id,
    request: JSON.stringify(request),
    ...(heat_id === null ? {} : { heat_id }),
    ...(bag_id === null ? {} : { bag_id }),
    ...(applied ? { applied: JSON.stringify(applied) } : {}),
  }
}
