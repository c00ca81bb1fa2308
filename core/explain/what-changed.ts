/** What a change of pot or of crowd did, as the plan had it before and has it now. */
export interface PotAndPour {
  vesselId: string
  /** Across the mouth, mm. */
  rimMm: number
  grainG: number
  pourG: number
  steamG: number
}

/** Widths nearer than this are the same, and so are grams. */
const SAME_WIDTH = 0.04
const SAME_G = 3
const SAME_CROWD = 0.12
const SAME_GRAIN = 0.01

/**
 * "Wider, so 22 g more steam"; "twice the grain, 1.7 times the water".
 * @returns nothing for other changes, and for small ones
 */
export function whatChanged(before: PotAndPour, now: PotAndPour): string | undefined {
  const crowd = now.grainG / before.grainG
  if (now.vesselId !== before.vesselId && Math.abs(crowd - 1) <= SAME_GRAIN) {
    const width = now.rimMm / before.rimMm - 1
    const word = width > SAME_WIDTH ? 'wider' : width < -SAME_WIDTH ? 'narrower' : ''
    const steam = now.steamG - before.steamG
    if (Math.abs(steam) < SAME_G) return `${word === '' ? 'another pot' : word}, same steam`
    const more = `${Math.abs(Math.round(steam))} g ${steam > 0 ? 'more' : 'less'} steam`
    // Its width is the reason only where it goes the same way; a lid or a heavy wall may do more.
    return (word === 'wider' && steam > 0) || (word === 'narrower' && steam < 0)
      ? `${word}, so ${more}`
      : `${word === '' ? 'another pot' : word}, and ${more}`
  }
  if (now.vesselId === before.vesselId && Math.abs(Math.log(crowd)) > SAME_CROWD)
    return `${times(crowd)} the grain, ${times(now.pourG / before.pourG)} the water`
  return undefined
}

function times(ratio: number): string {
  if (Math.abs(ratio - 2) < 0.02) return 'twice'
  if (Math.abs(ratio - 0.5) < 0.005) return 'half'
  if (Math.abs(ratio - 3) < 0.02) return 'three times'
  return `${ratio < 1 ? ratio.toFixed(2) : ratio.toFixed(1)} times`
}
