/** Free water each layer keeps by capillarity, as a share of its voids. */
const HELD_BY_CAPILLARITY = 0.06
/** A layer counts as fully wetted from this share of its voids. */
const FULLY_WETTED = 0.35

/**
 * Lays free water into the voids of a bed: each layer first holds a film, the rest lies from the bottom up.
 * @param voids mL per layer, bottom first
 * @param water g in the bed and over it
 * @param held filled with the water in each layer, g
 * @param wetted filled with the wetted share of each layer, 0..1
 */
export function layWater(voids: Float64Array, water: number, held: Float64Array, wetted: Float64Array): void {
  const layers = voids.length
  let film = 0
  for (let l = 0; l < layers; l++) film += HELD_BY_CAPILLARITY * voids[l]!
  const filmShare = film > 0 ? Math.min(1, water / film) : 0
  let rest = Math.max(0, water - film)
  for (let l = 0; l < layers; l++) {
    const share = HELD_BY_CAPILLARITY * voids[l]! * filmShare
    const poured = Math.min(rest, voids[l]! - share)
    rest -= poured
    held[l] = share + poured
    wetted[l] = Math.min(1, held[l]! / (FULLY_WETTED * voids[l]!))
  }
  // What stands over the bed is within reach of the top layer.
  if (rest > 0 && layers > 0) held[layers - 1]! += rest
}
