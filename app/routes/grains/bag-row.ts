import type { BagRow } from '#server/store/grain-bags'

/** A bag as the shelf shows it: with what its label's ratio comes to in the grain, g/g, as far as a label tells. */
export interface GrainBag extends BagRow {
  /** Who of the household does not eat it, and why, in words. */
  notFor: readonly string[]
  means: { low: number; middle: number; high: number } | null
}
