import { isGood } from './sweep'
import type { Verdict } from './verdict'

/** The one word for how a pot ended: what a cook would complain of first. */
export const OUTCOMES = ['good', 'soft', 'firm', 'wet', 'mush', 'dry', 'hard', 'uneven', 'scorched'] as const
export type OutcomeWord = (typeof OUTCOMES)[number]

/**
 * A centre that is not cooked goes before water that is not right: more time may yet drink it. Good pots are
 * told apart by their texture.
 */
export function outcomeWord(v: Verdict): OutcomeWord {
  if (v.scorched) return 'scorched'
  if (isGood(v)) return v.texture === 'soft' ? 'soft' : v.texture === 'firm' ? 'firm' : 'good'
  if (v.cookedThrough !== 'yes') return 'hard'
  if (v.texture === 'mushy') return 'mush'
  if (v.soggy) return 'wet'
  if (v.texture === 'dry') return 'dry'
  return 'uneven'
}

/** Words after which the eater has nothing to mend. */
export const GOOD_OUTCOMES: ReadonlySet<OutcomeWord> = new Set(['good', 'soft', 'firm'])
