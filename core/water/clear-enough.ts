import type { Variety } from '#core/grain/varieties'
import { expectedClarity, type Clarity } from './clarity'

/** Steps of the scale the cook compares the bowl with. */
export const CLARITY_STEPS = [
  { clarity: 0, word: 'white as milk' },
  { clarity: 0.5, word: 'you see your hand as a shadow' },
  { clarity: 0.75, word: 'the grains show as a blur' },
  { clarity: 0.9, word: 'each grain shows' },
  { clarity: 1, word: 'clear' },
] as const

/**
 * How clear is clear enough: grain that should stay apart wants more than grain that may cling, and some
 * wants no wash at all.
 */
export function clearEnough(variety: Variety, purpose: 'apart' | 'usual' | 'creamy'): Clarity {
  if (variety.washes === 0 || purpose === 'creamy') return 0
  return Math.min(0.95, expectedClarity(variety.washes) + (purpose === 'apart' ? 0.1 : 0))
}
