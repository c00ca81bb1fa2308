/**
 * Moves labels apart so that none overlaps, keeping their order and as near to their place as can be.
 * @param places wanted positions, any order
 * @param gap least distance
 * @returns positions in the same order
 */
export function spreadLabels(
  places: readonly number[],
  gap: number,
  limits: { from: number; to: number },
): number[] {
  const order = places.map((_, i) => i).sort((a, b) => places[a]! - places[b]!)
  const out = [...places]
  let free = limits.from
  for (const i of order) {
    out[i] = Math.max(out[i]!, free)
    free = out[i]! + gap
  }
  // What was pushed past the end comes back up.
  free = limits.to
  for (const i of order.reverse()) {
    out[i] = Math.min(out[i]!, free)
    free = out[i]! - gap
  }
  return out
}
