/** What holds grains together, as far as it is counted. */
export interface StickinessFactors {
  /** Amylose share of starch. */
  amylose: number
  /** How clear the rinse water ran, 0..1. */
  clarity: number
  /** Water in the grain against soft, g/g over g/g. */
  uptakeOfSoft: number
  stirred: boolean
}

/** Starch with this much amylose and more stays apart by itself. */
const APART_AMYLOSE = 0.26
const UNRINSED = 0.6
const STIRRED = 0.65

/**
 * How separate the grains will lie, 0 one lump … 1 each for itself: a plain product of what is known to
 * matter. It puts cases in order; it is no measurement, and says nothing about broken kernels or old grain.
 * @see Juliano 1985, Rice: Chemistry and Technology (amylose and stickiness)
 */
export function separateness({ amylose, clarity, uptakeOfSoft, stirred }: StickinessFactors): number {
  const starch = Math.min(1, amylose / APART_AMYLOSE)
  const surface = UNRINSED + (1 - UNRINSED) * clarity
  const wet = Math.min(1, Math.max(0.2, 1.6 - 0.8 * uptakeOfSoft))
  return starch * surface * wet * (stirred ? STIRRED : 1)
}
