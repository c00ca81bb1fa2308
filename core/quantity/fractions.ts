/** The parts of a cup that people own scoops for: whole, halves, thirds, quarters. */
const PARTS = [
  [0, ''],
  [1 / 4, '¼'],
  [1 / 3, '⅓'],
  [1 / 2, '½'],
  [2 / 3, '⅔'],
  [3 / 4, '¾'],
  [1, ''],
] as const

export interface ScoopCount {
  /** The amount that can really be scooped, in cups. */
  cups: number
  /** How it is said, "2½"; "less than ¼" when the amount rounds to nothing. */
  text: string
  /** scooped − wanted, in cups. */
  error: number
}

/** The nearest count that whole, half, third and quarter scoops can make, level.
 *  @param cups wanted, 0 or more  @throws {RangeError} when negative or not finite
 *  @example inScoops(2.47).text // "2½" */
export function inScoops(cups: number): ScoopCount {
  if (!(cups >= 0 && Number.isFinite(cups))) throw new RangeError(`inScoops: cups must be 0 or more, got ${cups}`)
  const whole = Math.floor(cups)
  let best: (typeof PARTS)[number] = PARTS[0]
  for (const part of PARTS) if (Math.abs(cups - whole - part[0]) < Math.abs(cups - whole - best[0])) best = part
  const scooped = whole + best[0]
  const text = best[0] === 1 ? String(whole + 1) : whole === 0 && best[1] ? best[1] : `${whole}${best[1]}`
  return { cups: scooped, text: scooped === 0 && cups > 0 ? 'less than ¼' : text, error: scooped - cups }
}
