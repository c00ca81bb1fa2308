import { LATENT_HEAT, openSurfaceEvaporation } from '#core/heat/evaporation'
import { leakOf, lossFactor } from '#core/heat/lid'
import { celsius } from '#core/units/units'
import { isJacketed, type Vessel } from '#core/vessel/vessel'

export interface HoldTime {
  /** Off the heat, lid on: minutes until it is too cool to be held hot. */
  warmMin: number
  /** Of the water in the grain, lost an hour at the warmth it is held at, %. */
  driesPercentPerHour: number
  /** Minutes until the top eats dry. */
  dryMin: number
}

/** What an appliance that keeps warm, or a plate at its lowest, holds it at, °C. */
const HELD_AT_C = 68
/** The top layer eats dry once this share of all the water is gone (as in simulate-hold-time.ts). */
const DRY_SHARE = 0.02
const WATER_C_J = 4.18
const DRY_C_J = 1.6

/**
 * How long a finished pot keeps as it is, in closed form: one warm body behind one resistance. A simulation
 * of the whole pot agrees within a fifth (simulate-hold-time.test.ts).
 */
export function estimateHoldTime({
  vessel,
  dryG,
  waterG,
  boilC,
  kitchenC,
  holdC,
}: {
  vessel: Vessel
  dryG: number
  waterG: number
  boilC: number
  kitchenC: number
  holdC: number
}): HoldTime {
  const capacity = WATER_C_J * waterG + DRY_C_J * dryG + vessel.heatCapacity
  const loss = vessel.loss * lossFactor(vessel.lid, 'on', isJacketed(vessel.kind))
  const warmMin =
    boilC > holdC && holdC > kitchenC
      ? ((capacity / loss) * Math.log((boilC - kitchenC) / (holdC - kitchenC))) / 60
      : 0
  const area = (Math.PI / 4) * (vessel.rimDiameter / 1000) ** 2
  const leak = area * leakOf(vessel.lid, 'on') * vessel.steamFactor
  const perHour = openSurfaceEvaporation(celsius(HELD_AT_C)) * leak * 3600
  // Cooling, it gives off most at first: the integral of the same exponential, by small steps.
  let [lost, dryMin] = [0, Infinity]
  for (let minute = 0; minute < 600; minute++) {
    const at = Math.max(HELD_AT_C, kitchenC + (boilC - kitchenC) * Math.exp((-loss * minute * 60) / capacity))
    lost += openSurfaceEvaporation(celsius(Math.min(at, 100))) * leak * 60
    if (lost > DRY_SHARE * waterG) {
      dryMin = minute
      break
    }
  }
  return { warmMin, driesPercentPerHour: waterG > 0 ? (100 * perHour) / waterG : 0, dryMin }
}

/** What holding it warm costs to feed, W: the loss at that warmth and the steam. */
export const holdingPower = ({ loss, lid, rimDiameter, steamFactor }: Vessel, kitchenC: number): number =>
  loss * lossFactor(lid, 'on', true) * (HELD_AT_C - kitchenC) +
  LATENT_HEAT *
    openSurfaceEvaporation(celsius(HELD_AT_C)) *
    (Math.PI / 4) *
    (rimDiameter / 1000) ** 2 *
    leakOf(lid, 'on') *
    steamFactor
