import { parseQuantity, type Quantity } from '#core/units/parse-quantity'
import { densityOf } from './add-in-amounts'
import { addInCalled, detailsOf } from './add-in-details'
import type { KnownAddIn } from './known-add-ins'
import type { AddInOut, AddInTime } from './seasoning'

/** Something cooked along, as it was stated for one batch. */
export interface EnteredAddIn {
  name: string
  grams: number
  waterShare: number
  saltShare: number
  when: AddInTime
  out: AddInOut
}

export type ReadAddIn =
  | { ok: true; addIn: EnteredAddIn; known: boolean }
  | { ok: false; why: 'no-amount' | 'range' | 'no-name' | 'weight-needed' }

/** A handful of small things, and a pinch between two fingers, mL. */
const HANDFUL_ML = 60
const PINCH_ML = 0.3
const BY_HAND: readonly [RegExp, number][] = [
  [/^handfuls?\s+(?:of\s+)?/i, HANDFUL_ML],
  [/^pinch(?:es)?\s+(?:of\s+)?/i, PINCH_ML],
]

/** "fried onion", "onion, fried first". */
const FRIED = /^fried\s+|,?\s+fried(?:\s+first)?$/i

/**
 * Reads something cooked along: "2 bay leaves", "80 g peas", "1 tbsp butter", "a handful of raisins". What is not
 * in the table is stated by weight and taken as dry.
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
  const words = (byHand ? read.rest.replace(byHand[0], '') : read.rest).replace(/^of\s+/i, '').trim()
  const name = words.replace(FRIED, '').trim()
  if (name === '') return { ok: false, why: 'no-name' }
  const known = addInCalled(name)
  const details = known && detailsOf(known)
  const ml = byHand ? quantity.value * byHand[1] : mlOf(quantity)
  const grams = gramsOf(quantity, ml, known)
  if (grams === undefined) return { ok: false, why: 'weight-needed' }
  return {
    ok: true,
    known: known !== undefined,
    addIn: {
      name: known?.one ?? name,
      grams,
      waterShare: details?.waterShare ?? 0,
      saltShare: details?.saltShare ?? 0,
      when: name !== words ? 'first' : (details?.when ?? 'with-water'),
      out: details?.out ?? 'stays',
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
