import type { Candidate } from '#core/compare/by-hour'
import { varietyOf } from '#core/grain/varieties'
import type { MethodId } from '#core/method/index'
import { isSensible } from '#core/method/sensible'
import type { BagRow } from '#server/database/shelf'
import { firstBench, METHODS_OF_KIND, requestOf, type BenchState, type House } from '../bench/bench-state'

/** A bag in a pot by a way: what could be cooked. */
export interface Choice {
  state: BenchState
  bagName: string
  vesselName: string
  method: MethodId
}

/** Pots named for a basket, and no others, are steamed in unasked. */
const BASKET = /basket|tall|steam/i

/** Everything on the shelf in every pot by every way a cook would think of, as it is usually soaked, for so many eaters.
 *  @returns only bags that hold enough */
export function candidatesOf(house: House, eaters: number, nowMs: number): Candidate<Choice>[] {
  const first = firstBench(house)
  const strongest = house.heats.toSorted((a, b) => b.rated_w * b.efficiency * b.power_factor - a.rated_w * a.efficiency * a.power_factor)[0]
  const bags = house.bags.filter((bag, i) => (bag.left_g ?? 1) > 0 && house.bags.findIndex((b) => b.variety === bag.variety) === i)
  return bags.flatMap((bag) =>
    house.vessels.flatMap((vessel) =>
      METHODS_OF_KIND[vessel.kind]
        .filter((method) => isSensible(varietyOf(bag.variety), method) && (!method.startsWith('steam') || BASKET.test(vessel.name)))
        .map((method) => {
          const state: BenchState = {
            ...first, grain: bag.variety, bagId: bag.id, amount: { basis: 'servings', value: eaters }, vesselId: vessel.id, heatId: strongest?.id ?? first.heatId, method,
            soak: usualSoak(bag, method),
          }
          return { of: { state, bagName: bag.name, vesselName: vessel.name, method }, request: requestOf(state, house, nowMs) }
        }),
    ),
  )
}

/** Grain in its skin is soaked overnight by whoever has the night; sticky grain for five hours; long aromatic grain for half an hour. */
function usualSoak({ variety }: Pick<BagRow, 'variety'>, method: MethodId): BenchState['soak'] {
  const { id, skin } = varietyOf(variety)
  if (id === 'glutinous') return { minutes: 300, celsius: 5, water: 'drain' }
  if (id === 'basmati' && !method.startsWith('pressure')) return { minutes: 20, celsius: 20, water: 'drain' }
  return skin <= 0.12 ? { minutes: 600, celsius: 5, water: 'drain' } : null
}
