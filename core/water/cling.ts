import type { Blend } from '#core/grain/blend'

export type Drain = 'none' | 'tip' | 'sieve'

/** Tipping the bowl off instead of using a sieve leaves this much more water on the grain, g/g. */
const TIPPED_MORE = 0.08

/**
 * Rinse or soak water still clinging to the grain, g/g. Nothing clings to grain that was never wetted. Grain
 * poured off without a sieve holds what a tipped bowl holds.
 */
export function clingOf(blend: Pick<Blend, 'cling'>, wetted: boolean, drain: Drain): number {
  if (!wetted) return 0
  return drain === 'sieve' ? blend.cling : blend.cling + TIPPED_MORE
}
