import type { Candidate } from '#core/compare/by-hour'
import { varietyOf, type VarietyId } from '#core/grain/varieties'
import type { MethodId } from '#core/methods/index'
import { isSensible, methodsOf } from '#core/methods/usual-method'
import { SERVING_G } from '#core/plan/amount'
import { closestFits } from '#core/vessel/closest-fits'
import { burnerHeats } from '#core/vessel/burner-heats'
import { hasBasket } from '#core/vessel/vessel'
import {
  firstPlan,
  methodOfState,
  requestOf,
  usualSoakFor,
  type PlanState,
  type PlanningData,
} from './plan-state'

/** A bag in a pot by a way: what could be cooked. */
export interface Choice {
  state: PlanState
  vesselName: string
  method: MethodId
}

/** Of pots that differ only in size the two that fit best are offered; of appliances too. */
const OF_A_KIND = 2

const kindsOf = ({ vessels }: PlanningData) =>
  [...new Set(vessels.map(({ kind }) => kind))].map((kind) => vessels.filter((v) => v.kind === kind))

/**
 * The ways of one grain, for so many eaters, as it is usually soaked: its usual way in each pot and appliance that
 * fits.
 * @param bagId the bag it comes out of; null for none of them
 * @param all also every other way that a cook would think of
 */
export function waysOf(
  household: PlanningData,
  { grain, bagId }: { grain: VarietyId; bagId: string | null },
  people: number,
  nowMs: number,
  all = false,
): Candidate<Choice>[] {
  const first = firstPlan(household)
  const byPower = household.heats.toSorted(
    (a, b) => b.rated_w * b.efficiency * b.power_factor - a.rated_w * a.efficiency * a.power_factor,
  )
  const variety = varietyOf(grain)
  const cookedMl = (people * SERVING_G[first.serving] * (1 + variety.uptake.standard)) / variety.cookedDensity
  return kindsOf(household).flatMap((vessels) =>
    closestFits(vessels, cookedMl, OF_A_KIND).flatMap((vessel) => {
      const plain = { ...first, grain, others: [], method: null }
      const usual = methodOfState(plain, vessel)
      const { kind, material } = vessel
      // A plate that heats a pot by itself is an electric one.
      const strongest = byPower.find(({ efficiency }) =>
        burnerHeats({ kind: 'electric', efficiency }, { kind, ...(material ? { material } : {}) }),
      )
      return methodsOf(vessel.kind)
        .filter((method) => all || method === usual)
        .filter((method) => isSensible(variety, method) && (!method.startsWith('steam') || hasBasket(vessel)))
        .map((method) => {
          const state: PlanState = {
            ...plain,
            bagId,
            amount: { basis: 'servings', value: people },
            vesselId: vessel.id,
            heatId: strongest?.id ?? first.heatId,
            method,
            soak: usualSoakFor(grain, method, household),
          }
          return {
            of: { state, vesselName: vessel.name, method },
            request: requestOf(state, household, nowMs),
            usual: method === usual,
          }
        })
    }),
  )
}

/**
 * Everything on the shelf, for so many eaters: each grain by its usual way in the pots and appliances that fit; with a
 * grain named, that grain by every way a cook would think of.
 * @returns only bags that hold enough
 */
export function candidatesOf(
  household: PlanningData,
  people: number,
  nowMs: number,
  only?: VarietyId,
): Candidate<Choice>[] {
  const full = household.bags.filter((bag) => (bag.left_g ?? 1) > 0)
  return full
    .filter(({ variety }, i) => full.findIndex((b) => b.variety === variety) === i)
    .filter(({ variety }) => only === undefined || variety === only)
    .flatMap(({ variety, id }) =>
      waysOf(household, { grain: variety, bagId: id }, people, nowMs, only !== undefined),
    )
}
