import { LATENT_HEAT } from '#core/heat/evaporation'
import { grainHeat, heatCapacityOf, WATER_HEAT, type Pot } from './pot'

/**
 * Puts a grain that waited into the pot: it cools the pot and drinks from now on.
 * @param celsius how warm it comes; kitchen warmth when nothing is said
 */
export function joinGrain(pot: Pot, grain: number, celsius = pot.setup.kitchenC): void {
  if (pot.present[grain]) return
  const first = !pot.present.includes(true)
  pot.present[grain] = true
  warmWith(pot, grainHeat(pot, grain) + (first ? hangingHeat(pot) : 0), celsius)
}

/**
 * Heat capacity of the water that hangs on grain in a basket, J/K: it comes and goes with the first and the
 * last of the grain.
 */
const hangingHeat = (pot: Pot): number => (pot.setup.boilerG === undefined ? 0 : WATER_HEAT * pot.freeG)

/** Takes a grain out, to lie beside the pot. */
export function leaveGrain(pot: Pot, grain: number): void {
  if (!pot.present[grain]) return
  pot.present[grain] = false
  pot.filledHeat -= grainHeat(pot, grain) + (pot.present.includes(true) ? 0 : hangingHeat(pot))
}

/** Pours kept water into the bed. @param share of what was kept at first */
export function pourIn(pot: Pot, share: number, inBed = true): void {
  const g = Math.min(pot.stockG, share * (pot.setup.stockG ?? 0))
  pot.stockG -= g
  pot.freeG += g
  if (inBed) warmWith(pot, WATER_HEAT * g, pot.setup.stockC ?? pot.setup.waterC)
}

/** Pours off all free water but a film. @param keep g per g of dry grain */
export function drainOff(pot: Pot, keep: number): void {
  const off = Math.max(0, pot.freeG - keep * pot.dryG)
  pot.freeG -= off
  pot.drainedG += off
  pot.filledHeat -= WATER_HEAT * off
}

/** Runs cold water over everything: it ends at that temperature. */
export function chill(pot: Pot, celsius: number): void {
  pot.bulkC = Math.min(pot.bulkC, celsius)
  pot.bottomC = pot.bulkC
}

/** Mixes something of another warmth into the pot.  @param heat its heat capacity, J/K */
export function warmWith(pot: Pot, heat: number, celsius: number): void {
  const before = heatCapacityOf(pot)
  pot.bulkC = (before * pot.bulkC + heat * celsius) / (before + heat)
  pot.bottomC = pot.bulkC
  pot.filledHeat += heat
}

/** Most of its water that an outermost shell gives off in an open pot, as a share. */
const SHELL_GIVES = 0.5

/**
 * Steam that leaves hot grain as it is opened and loosened, g: free water first, then the outermost shells'.
 * It cools the pot.
 */
export function dryOff(pot: Pot, wanted: number): void {
  const { layers } = pot.resolution
  const capacity = heatCapacityOf(pot)
  const free = Math.min(pot.freeG, wanted)
  let inShells = 0
  const shellWater = (g: number, l: number): number => {
    const { shells, volume } = pot.kinds[g]!
    return (
      (volume[shells - 1]! * pot.uptake[pot.offset[g]![l]! + shells - 1]! * pot.setup.grains[g]!.dryG) /
      layers
    )
  }
  for (let g = 0; g < pot.setup.grains.length; g++)
    for (let l = 0; l < layers; l++) inShells += shellWater(g, l)
  const share = inShells > 0 ? Math.min(SHELL_GIVES, (wanted - free) / inShells) : 0
  for (let g = 0; g < pot.setup.grains.length; g++) {
    const { shells, volume } = pot.kinds[g]!
    for (let l = 0; l < layers; l++) {
      const at = pot.offset[g]![l]! + shells - 1
      pot.mean[g * layers + l]! -= share * volume[shells - 1]! * pot.uptake[at]!
      pot.uptake[at]! *= 1 - share
    }
  }
  const gone = free + share * inShells
  pot.freeG -= free
  pot.evaporatedG += gone
  pot.bulkC = Math.max(pot.setup.kitchenC, pot.bulkC - (gone * LATENT_HEAT) / capacity)
  pot.bottomC = Math.min(pot.bottomC, pot.bulkC)
}
