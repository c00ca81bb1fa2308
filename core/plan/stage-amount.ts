import type { Measured } from '#core/units/measures'

export const AMOUNT_KINDS = [
  'grain',
  'water',
  'stock',
  'salt',
  'sugar',
  'vinegar',
  'dressing',
  'add-in',
  'cooked-grain',
] as const
export type AmountKind = (typeof AMOUNT_KINDS)[number]

/** What is measured, poured or sprinkled in one stage: its own, never the whole pot's. */
export interface StageAmount {
  what: AmountKind
  /** Which grain of a blend, or which add-in. */
  name?: string
  grams: number
  ml?: number
  /** The same in the cook's measures, the asked one first. */
  measures: Measured[]
}
