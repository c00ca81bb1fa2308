import { LATENT_HEAT } from '#core/heat/evaporation'
import { lossFactor, type LidPosition } from '#core/heat/lid'
import { centreCooked, layerUptake, liquidOf, type Pot } from './pot'

/** The inside of a pot at a moment. */
export interface Readout {
  /** g/g, bottom first. */
  uptakeByLayer: number[]
  /** Degree of gelatinisation in each layer's slowest centre, 0..1, bottom first. */
  centreByLayer: number[]
  freeG: number
  bulkC: number
  bottomC: number
}

export function readoutOf(pot: Pot): Readout {
  const layers = Array.from({ length: pot.resolution.layers }, (_, l) => l)
  return {
    uptakeByLayer: layers.map((l) => layerUptake(pot, l)),
    centreByLayer: layers.map((l) => centreCooked(pot, l)),
    freeG: pot.freeG,
    bulkC: pot.bulkC,
    bottomC: pot.bottomC,
  }
}

/** Near enough to the boil to steam, K. */
const BOILS_K = 1

/**
 * What boils off an open pot now, g/min: the heat over what it loses through its walls.
 * @param powerW that reaches it
 */
export function steamNow(pot: Pot, powerW: number, lid: LidPosition = 'on'): number {
  const { boilC, kitchenC, loss, steamFactor, lid: fit } = pot.setup
  if (!(powerW > 0) || liquidOf(pot) <= 0 || pot.bulkC < boilC - BOILS_K) return 0
  return Math.max(
    0,
    ((powerW - loss * lossFactor(fit, lid, true) * (pot.bulkC - kitchenC)) / LATENT_HEAT) * 60 * steamFactor,
  )
}
