import type { BagRow } from '#server/store/grain-bags'

/** A bag as the page shows it, with the water per gram its label's ratio means, g/g, as far as a label says. */
export interface GrainBag extends BagRow {
  /** Who avoids it, and why, in words. */
  notFor: readonly string[]
  means: { low: number; middle: number; high: number } | null
}
