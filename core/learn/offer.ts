import type { Experiment } from './beliefs'

/** An offer to measure is made once in so long at the most, ms. */
export const OFFER_EVERY_MS = 7 * 24 * 3_600_000
/** It must leave no more than this share of the doubt, and take so much of it at the least, g. */
const LEAVES_AT_MOST = 0.75
const TAKES_AT_LEAST_G = 5

/** What can be offered: tasting is asked for after every batch as it is. */
export const OFFERS = ['weigh', 'double', 'half'] as const
export type Offer = (typeof OFFERS)[number]

/**
 * The one thing to offer with the next batch, if it narrows the water of this pot enough and the last offer lies
 * a week back.
 * @param experiments the most telling first
 */
export function offerOf(
  experiments: readonly Experiment[],
  lastOfferedMs: number | null,
  nowMs: number,
): Offer | null {
  if (lastOfferedMs !== null && nowMs - lastOfferedMs < OFFER_EVERY_MS) return null
  const best = experiments.find(({ id }) => id !== 'judge')
  return best && best.thenG <= LEAVES_AT_MOST * best.nowG && best.nowG - best.thenG >= TAKES_AT_LEAST_G
    ? (best.id as Offer)
    : null
}
