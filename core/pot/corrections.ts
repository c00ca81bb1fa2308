import { warmWith } from './actions'
import { grainWater, leastCooked, WATER_HEAT, type Pot } from './pot'

/** Pours more water in, of a warmth of its own. */
export function pourMore(pot: Pot, g: number, celsius: number): void {
  pot.freeG += g
  warmWith(pot, WATER_HEAT * g, celsius)
}

/** Free water that ran over the rim or was tipped out, hot: it takes its heat along. */
export function loseWater(pot: Pot, g: number): void {
  const gone = Math.min(pot.freeG, g)
  pot.freeG -= gone
  pot.drainedG += gone
  pot.filledHeat -= WATER_HEAT * gone
}

/** Water that one sees is at least so much, as a share of the cooked mass. */
const SEEN_WATER = 0.06
/** A centre that a tongue calls hard is at most so far cooked. */
const FELT_HARD = 0.84

/** Makes the pot hold at least so much free water: it was seen.  @param share of the cooked mass */
export function wetAtLeast(pot: Pot, share = SEEN_WATER): void {
  pot.freeG = Math.max(pot.freeG, (share * (pot.dryG + grainWater(pot))) / (1 - share))
}

/** Makes the centres at most so far cooked: they were bitten.  @param most 0..1 */
export function centreAtMost(pot: Pot, most = FELT_HARD): void {
  const now = leastCooked(pot)
  if (now <= most) return
  for (let i = 0; i < pot.cooked.length; i++) pot.cooked[i] = pot.cooked[i]! * (most / now)
}

/** Makes the grain hold at most so much water.  @param most g per g of dry grain */
export function uptakeAtMost(pot: Pot, most: number): void {
  const share = Math.max(0.1, most) / (grainWater(pot) / pot.dryG)
  if (share >= 1) return
  for (const list of [pot.uptake, pot.mean]) for (let i = 0; i < list.length; i++) list[i] = list[i]! * share
}

/** Turns the bed over: every layer gets its share of every other. Layers weigh the same, so water is conserved. */
export function stirBed(pot: Pot): void {
  const { layers, shells } = pot.resolution
  for (let g = 0; g < pot.setup.grains.length; g++) {
    const offsets = pot.offset[g]!
    for (const shares of [pot.uptake, pot.cooked])
      for (let i = 0; i < shells; i++) {
        let sum = 0
        for (let l = 0; l < layers; l++) sum += shares[offsets[l]! + i]!
        for (let l = 0; l < layers; l++) shares[offsets[l]! + i] = sum / layers
      }
    let mean = 0
    for (let l = 0; l < layers; l++) mean += pot.mean[g * layers + l]!
    pot.mean.fill(mean / layers, g * layers, (g + 1) * layers)
  }
}
