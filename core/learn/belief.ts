/** A figure that is not known for sure: a Gaussian, kept as its mean and its precision (1/sd²). */
export interface Belief {
  mean: number
  precision: number
}

export const beliefOf = (mean: number, sd: number): Belief => {
  if (!(sd > 0)) throw new RangeError(`beliefOf: sd must be above 0, got ${sd}`)
  return { mean, precision: 1 / sd ** 2 }
}

export const sdOf = (belief: Belief): number => 1 / Math.sqrt(belief.precision)

/** What is believed after a measurement: the mean of both, each weighted by how sure it is.
 *  @throws {RangeError} for a measurement that is no number or an sd that is not above 0
 *  @example observe(beliefOf(0, 1), 1, 1) // mean 0.5, precision 2 */
export function observe(belief: Belief, measured: number, sd: number): Belief {
  if (!Number.isFinite(measured)) throw new RangeError(`observe: measured must be a number, got ${measured}`)
  const weight = beliefOf(measured, sd).precision
  const precision = belief.precision + weight
  return { mean: belief.mean + (weight / precision) * (measured - belief.mean), precision }
}
