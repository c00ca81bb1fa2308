/**
 * The water of one pot, every term in grams. pour = absorbed + evaporated + drainedOff + leftInPot −
 * carriedIn, always.
 */
export interface Ledger {
  pour: number
  /** Taken up by the grain from here on, or carried in as soak. */
  absorbed: number
  evaporated: number
  /** Rinse water clinging and soak water carried in. */
  carriedIn: number
  drainedOff: number
  leftInPot: number
}

/** The pour that balances the other terms. */
const pourFor = (terms: Omit<Ledger, 'pour'>): number =>
  terms.absorbed + terms.evaporated + terms.drainedOff + terms.leftInPot - terms.carriedIn

/** What is missing from balance; 0 but for rounding. */
export const imbalance = (ledger: Ledger): number => ledger.pour - pourFor(ledger)
