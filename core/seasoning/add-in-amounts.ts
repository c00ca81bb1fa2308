import { inScoops } from '#core/units/fractions'
import { inMeasure, inSpoonfuls, type Measure, type Measured } from '#core/units/measures'
import { parseQuantity, type Quantity } from '#core/units/parse-quantity'
import { roundTo } from '#core/units/rounding'
import { knownAddIn, type KnownAddIn } from './known-add-ins'
import type { AddInOut, AddInTime } from './seasoning'

/** Something cooked along, as it was told for one batch. */
export interface ToldAddIn {
  name: string
  grams: number
  waterShare: number
  saltShare: number
  when: AddInTime
  out: AddInOut
}

export type ReadAddIn =
  | { ok: true; addIn: ToldAddIn; known: boolean }
  | { ok: false; why: 'no-amount' | 'range' | 'no-name' | 'weight-needed' }

/** A handful of small things, and a pinch between two fingers, mL. */
const HANDFUL_ML = 60
const PINCH_ML = 0.3
const BY_HAND: readonly [RegExp, number][] = [
  [/^handfuls?\s+(?:of\s+)?/i, HANDFUL_ML],
  [/^pinch(?:es)?\s+(?:of\s+)?/i, PINCH_ML],
]

/**
 * Reads something cooked along: "2 bay leaves", "80 g peas", "1 tbsp butter", "a handful of raisins". What is not
 * in the table is told by weight and taken as dry.
 * @param mlOf the volume of a quantity in cups, spoons or a measure of the cook's own; undefined for others
 */
export function readAddIn(
  text: string,
  own: readonly string[],
  mlOf: (quantity: Quantity) => number | undefined,
): ReadAddIn {
  const read = parseQuantity(text, own)
  if (!read.ok) return { ok: false, why: read.why === 'range' ? 'range' : 'no-amount' }
  const { quantity } = read
  const byHand = BY_HAND.find(([pattern]) => pattern.test(read.rest))
  const name = (byHand ? read.rest.replace(byHand[0], '') : read.rest).replace(/^of\s+/i, '').trim()
  if (name === '') return { ok: false, why: 'no-name' }
  const known = knownAddIn(name)
  const ml = byHand ? quantity.value * byHand[1] : mlOf(quantity)
  const grams = gramsOf(quantity, ml, known)
  if (grams === undefined) return { ok: false, why: 'weight-needed' }
  return {
    ok: true,
    known: known !== undefined,
    addIn: {
      name: known?.one ?? name,
      grams,
      waterShare: known?.waterShare ?? 0,
      saltShare: known?.saltShare ?? 0,
      when: known?.when ?? 'with-water',
      out: known?.out ?? 'stays',
    },
  }
}

function gramsOf(
  { value, unit }: Quantity,
  ml: number | undefined,
  known: KnownAddIn | undefined,
): number | undefined {
  if (unit === 'g') return value
  if (known === undefined) return undefined
  if (ml !== undefined) return 'piece' in known.by ? undefined : ml * densityOf(known.by)
  return unit === undefined && 'piece' in known.by ? value * known.by.piece : undefined
}

const densityOf = (by: Exclude<KnownAddIn['by'], { piece: number }>): number =>
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
