/** Cooked grain fills no more of a pot than this, so that it can swell and boil. */
const FULL_SHARE = 0.6

/**
 * Of vessels of one kind those a cook would reach for: the smallest that hold the cooked grain with room to
 * boil, then the largest of those that do not.
 * @param cookedMl volume of the cooked grain, ml
 * @returns `most` at most, the best first
 */
export function closestFits<T extends { capacity_ml: number }>(
  vessels: readonly T[],
  cookedMl: number,
  most: number,
): T[] {
  const bySize = vessels.toSorted((a, b) => a.capacity_ml - b.capacity_ml)
  const holds = (vessel: T) => cookedMl <= FULL_SHARE * vessel.capacity_ml
  return [...bySize.filter(holds), ...bySize.filter((vessel) => !holds(vessel)).reverse()].slice(0, most)
}
