/** How clear the water off the grain runs, 0 as milk, 1 as it came from the tap. */
export type Clarity = number

/**
 * Each wash carries off this share of the loose starch that is left: turbidity of rinse water about halves
 * from wash to wash.
 */
const CARRIED_OFF = 0.5

/** Clarity to expect after so many washes.  @example expectedClarity(3) // 0.875 */
export const expectedClarity = (washes: number): Clarity => 1 - (1 - CARRIED_OFF) ** washes

/** Washes to a clarity; at most eight, since nobody washes longer. */
export const washesTo = (clarity: Clarity): number =>
  clarity >= 1
    ? MAX_WASHES
    : clarity <= 0
      ? 0
      : Math.min(MAX_WASHES, Math.ceil(Math.log(1 - clarity) / Math.log(1 - CARRIED_OFF) - 1e-9))
export const MAX_WASHES = 8

/** How far a boil lifts the surface: starchy unrinsed grain under a lid by 1.40, rinsed clear by 1.15. */
export const FROTH = { unrinsed: 1.4, clear: 1.15 } as const

/** @param clarity of the last water, when the cook looked; without it any wash counts as rinsed */
export function frothFactor({
  washes,
  covered,
  clarity,
}: {
  washes: number
  covered: boolean
  clarity?: Clarity | undefined
}): number {
  if (!covered) return FROTH.clear
  const clear = clarity ?? (washes > 0 ? 1 : 0)
  return FROTH.unrinsed - (FROTH.unrinsed - FROTH.clear) * clear
}
