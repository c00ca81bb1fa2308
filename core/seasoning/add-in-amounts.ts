import { inScoops } from '#core/units/fractions'
import { inMeasure, inSpoonfuls, type Measure, type Measured } from '#core/units/measures'
import { roundTo } from '#core/units/rounding'
import { knownAddIn, type KnownAddIn } from './known-add-ins'

/** Of what is spooned or poured, g/mL. */
export const densityOf = (by: Exclude<KnownAddIn['by'], { piece: number }>): number =>
  'spoon' in by ? by.spoon : by.bulk

/** How an add-in is called and counted: "2" "bay leaves", "1 tbsp" "butter", "½ cup" "peas". */
export interface CountedAddIn {
  name: string
  /** By piece, by spoon or by the cook's measure; empty for what is only weighed. */
  measures: Measured[]
}

/** Which of an add-in's measures goes before grams at any scale. */
export const COUNTED_ALWAYS: ReadonlySet<string> = new Set(['piece', 'spoon'])
/** Pieces lighter than this are counted whole, g. */
const WHOLE_UNDER_G = 5
/** More than this is poured by the cup, not by the spoon, in tablespoons. */
const MOST_SPOONS = 4

/**
 * Counts an add-in as a cook would.
 * @param grams of it in this batch
 * @param measure the cook's own, with its spoons
 */
export function countedAddIn(name: string, grams: number, measure: Measure): CountedAddIn {
  const known = knownAddIn(name)
  if (!known) return { name, measures: [] }
  const { by, one, many } = known
  if ('piece' in by) {
    const value = grams / by.piece
    // Nobody halves a leaf or a pod.
    const { text, cups } = inScoops(by.piece < WHOLE_UNDER_G ? Math.round(value) : value)
    return cups === 0
      ? { name: one, measures: [] }
      : { name: cups > 1 ? many : one, measures: [{ measure: 'piece', value: roundTo(value, 2), text }] }
  }
  const ml = grams / densityOf(by)
  if ('spoon' in by && ml <= MOST_SPOONS * measure.tbspMl)
    return {
      name: one,
      measures: [{ measure: 'spoon', value: roundTo(ml / measure.tspMl, 2), text: inSpoonfuls(ml, measure) }],
    }
  return { name: one, measures: [inMeasure(ml, measure)] }
}
