import type { Candidate } from '#core/compare/by-hour'
import { varietyOf, type VarietyId } from '#core/grain/varieties'
import type { MethodId } from '#core/methods/index'
import { isSensible, methodsOf } from '#core/methods/usual-method'
import { SERVING_G } from '#core/plan/amount'
import { closestFits } from '#core/vessel/closest-fits'
import { hasBasket } from '#core/vessel/vessel'
import {
  firstPlan,
  methodOfState,
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

/** Of pots that differ only in size the two that fit best are offered; of appliances too. */
const OF_A_KIND = 2

/**
 * Everything on the shelf, for so many eaters, as it is usually soaked: each grain by its usual way in the
 * pots and appliances that fit; with a grain named, that grain by every way a cook would think of.
 * @returns only bags that hold enough
 */
export function candidatesOf(
  household: PlanningData,
  people: number,
  nowMs: number,
  only?: VarietyId,
): Candidate<Choice>[] {
  const first = firstPlan(household)
  const strongest = household.heats.toSorted(
    (a, b) => b.rated_w * b.efficiency * b.power_factor - a.rated_w * a.efficiency * a.power_factor,
  )[0]
  const bags = household.bags.filter(
    (bag, i) =>
      (bag.left_g ?? 1) > 0 &&
      (only === undefined || bag.variety === only) &&
      household.bags.findIndex((b) => b.variety === bag.variety && (b.left_g ?? 1) > 0) === i,
  )
  const kinds = [...new Set(household.vessels.map(({ kind }) => kind))].map((kind) =>
    household.vessels.filter((vessel) => vessel.kind === kind),
  )
  return bags.flatMap((bag) => {
    const variety = varietyOf(bag.variety)
    const cookedMl =
      (people * SERVING_G[first.serving] * (1 + variety.uptake.standard)) / variety.cookedDensity
    return kinds.flatMap((vessels) =>
      closestFits(vessels, cookedMl, OF_A_KIND).flatMap((vessel) => {
        const plain = { ...first, grain: bag.variety, others: [], method: null }
        const usual = methodOfState(plain, vessel)
        return methodsOf(vessel.kind)
          .filter((method) => only !== undefined || method === usual)
          .filter(
            (method) => isSensible(variety, method) && (!method.startsWith('steam') || hasBasket(vessel)),
          )
          .map((method) => {
            const state: PlanState = {
              ...plain,
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
              usual: method === usual,
            }
          })
      }),
    )
  })
}
