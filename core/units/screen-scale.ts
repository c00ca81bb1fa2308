/** The long and the short side of a bank card, mm (ISO/IEC 7810, format ID-1). */
export const CARD_MM = Object.freeze({ long: 85.6, short: 53.98 })

/**
 * A screen's own scale: how many CSS pixels lie on a millimetre of its glass. Phones lie between 5 and 7,
 * laptops about 4.
 */
export const SCREEN_LIMITS = Object.freeze({ px_per_mm: [2, 14] } as const)

/**
 * CSS pixels a millimetre, from the card's short side laid on the screen.
 * @param px its width as drawn, CSS pixels
 * @throws {RangeError} outside what a screen can be
 */
export function scaleFromCard(px: number): number {
  const scale = px / CARD_MM.short
  const [min, max] = SCREEN_LIMITS.px_per_mm
  if (!(scale >= min && scale <= max))
    throw new RangeError(
      `scaleFromCard: a card of ${px} pixels would make ${scale.toFixed(2)} pixels a millimetre; screens have ${min} to ${max}`,
    )
  return scale
}

/** Reads a kept scale, mending what makes no sense.  @returns undefined where there is none to trust */
export function storedScale(text: string | null): number | undefined {
  const scale = text === null || text.trim() === '' ? NaN : Number(text)
  const [min, max] = SCREEN_LIMITS.px_per_mm
  return scale >= min && scale <= max ? scale : undefined
}
