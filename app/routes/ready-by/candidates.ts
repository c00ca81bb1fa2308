import type { Candidate } from '#core/compare/by-hour'
import { varietyOf } from '#core/grain/varieties'
import type { MethodId } from '#core/methods/index'
import { isSensible, methodsOf } from '#core/methods/usual-method'
import { hasBasket } from '#core/vessel/vessel'
import { firstBench, requestOf, usualSoakFor, type BenchState, type House } from '../../planning/plan-state'

/** A bag in a pot by a way: what could be cooked. */
export interface Choice {
  state: BenchState
  bagName: string
  vesselName: string
  method: MethodId
}

/** Everything on the shelf in every pot by every way a cook would think of, as it is usually soaked, for so many eaters.
 *  @returns only bags that hold enough */
export function candidatesOf(house: House, eaters: number, nowMs: number): Candidate<Choice>[] {
  const first = firstBench(house)
  const strongest = house.heats.toSorted(
    (a, b) => b.rated_w * b.efficiency * b.power_factor - a.rated_w * a.efficiency * a.power_factor,
  )[0]
  const bags = house.bags.filter(
    (bag, i) => (bag.left_g ?? 1) > 0 && house.bags.findIndex((b) => b.variety === bag.variety) === i,
  )
  return bags.flatMap((bag) =>
    house.vessels.flatMap((vessel) =>
      methodsOf(vessel.kind)
        .filter(
          (method) =>
            isSensible(varietyOf(bag.variety), method) && (!method.startsWith('steam') || hasBasket(vessel)),
        )
        .map((method) => {
          const state: BenchState = {
            ...first,
            grain: bag.variety,
            bagId: bag.id,
            amount: { basis: 'servings', value: eaters },
            vesselId: vessel.id,
            heatId: strongest?.id ?? first.heatId,
            method,
            soak: usualSoakFor(bag.variety, method, house),
          }
          return {
            of: { state, bagName: bag.name, vesselName: vessel.name, method },
            request: requestOf(state, house, nowMs),
          }
        }),
    ),
  )
}
