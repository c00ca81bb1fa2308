/**
 * How far kitchens, lots and hands lie apart before anything is known of them: one standard deviation each,
 * as a share of the figure. The one table that "many kitchens", odds, room for error and the priors of
 * learning use. burner: what a burner gives, over its rating. steam: what a lid lets out. measuring: grain or
 * water, by scoop or eye. minutes: what a lot wants of the table's minutes; grain in its skin and pulses
 * differ more, old ones most. water: what a lot wants of the table's water.
 */
export const SPREADS = {
  burner: 0.15,
  steam: 0.3,
  measuring: 0.03,
  minutes: 0.15,
  minutesInSkin: 0.2,
  water: 0.06,
} as const

/** Water the people here want in a grain over the table's, and the lot's own, together, g/g. */
export const UPTAKE_SPREAD_G_G = 0.12

export interface Spreads {
  burner: number
  steam: number
  measuring: number
  minutes: number
  water: number
  /** Correlation of what the lot wants of water with the steam, −1..1; left out: none. */
  waterWithSteam?: number
}
