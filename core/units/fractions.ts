/** The parts of a measure that people own scoops for. */
export const SCOOP_PARTS = [1, 1 / 2, 1 / 3, 1 / 4] as const
export type ScoopPart = (typeof SCOOP_PARTS)[number]

/** What owned parts can make between nothing and a whole one, and how it is said. */
const SAID: readonly { value: number; text: string; needs: ScoopPart }[] = [
  { value: 1 / 4, text: '¼', needs: 1 / 4 },
  { value: 1 / 3, text: '⅓', needs: 1 / 3 },
  { value: 1 / 2, text: '½', needs: 1 / 2 },
  { value: 1 / 2, text: '½', needs: 1 / 4 },
  { value: 2 / 3, text: '⅔', needs: 1 / 3 },
  { value: 3 / 4, text: '¾', needs: 1 / 4 },
]

export interface ScoopCount {
  /** The amount that can really be scooped, in whole measures. */
  cups: number
  /** How it is said, "2½"; "less than ¼" when the amount rounds to nothing. */
  text: string
  /** scooped − wanted, in whole measures. */
  error: number
}

/**
 * The nearest count that level scoops can make.
 * @param cups wanted, 0 or more
 * @param owned the parts of the measure in the household
 * @throws {RangeError} when negative or not finite
 * @example inScoops(2.47).text // "2½"
 */
export function inScoops(cups: number, owned: readonly number[] = SCOOP_PARTS): ScoopCount {
  if (!(cups >= 0 && Number.isFinite(cups)))
    throw new RangeError(`inScoops: cups must be 0 or more, got ${cups}`)
  const whole = Math.floor(cups)
  const parts = [
    { value: 0, text: '' },
    ...SAID.filter((part) => owned.includes(part.needs)),
    { value: 1, text: '' },
  ]
  let best = parts[0]!
  for (const part of parts)
    if (Math.abs(cups - whole - part.value) < Math.abs(cups - whole - best.value)) best = part
  const scooped = whole + best.value
  const text =
    best.value === 1 ? String(whole + 1) : whole === 0 && best.text ? best.text : `${whole}${best.text}`
  return {
    cups: scooped,
    text: scooped === 0 && cups > 0 ? `less than ${parts[1]!.text || 'one'}` : text,
    error: scooped - cups,
  }
}
