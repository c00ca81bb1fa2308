import type { Candidate } from '#core/compare/by-hour'
import { varietyOf } from '#core/grain/varieties'
import type { MethodId } from '#core/methods/index'
import { isSensible, methodsOf } from '#core/methods/usual-method'
import { hasBasket } from '#core/vessel/vessel'
import {
  firstPlan,
  requestOf,
  usualSoakFor,
  type PlanState,
  type PlanningData,
} from '../../planning/plan-state'

/** A bag in a pot by a way: what could be cooked. */
export interface Choice {
  state: PlanState
  bagName: string
  vesselName: string
  method: MethodId
}

/**
 * Everything on the shelf in every pot by every way a cook would think of, as it is usually soaked, for so
 * many eaters.
 * @returns only bags that hold enough
 */
export function candidatesOf(household: PlanningData, people: number, nowMs: number): Candidate<Choice>[] {
  const first = firstPlan(household)
  const strongest = household.heats.toSorted(
    (a, b) => b.rated_w * b.efficiency * b.power_factor - a.rated_w * a.efficiency * a.power_factor,
  )[0]
  const bags = household.bags.filter(
    (bag, i) => (bag.left_g ?? 1) > 0 && household.bags.findIndex((b) => b.variety === bag.variety) === i,
  )
  return bags.flatMap((bag) =>
    household.vessels.flatMap((vessel) =>
      methodsOf(vessel.kind)
        .filter(
          (method) =>
            isSensible(varietyOf(bag.variety), method) && (!method.startsWith('steam') || hasBasket(vessel)),
        )
        .map((method) => {
          const state: PlanState = {
            ...first,
            grain: bag.variety,
            bagId: bag.id,
            amount: { basis: 'servings', value: people },
            vesselId: vessel.id,
            heatId: strongest?.id ?? first.heatId,
            method,
            soak: usualSoakFor(bag.variety, method, household),
          }
          return {
            of: { state, bagName: bag.name, vesselName: vessel.name, method },
            request: requestOf(state, household, nowMs),
          }
        }),
    ),
  )
}
