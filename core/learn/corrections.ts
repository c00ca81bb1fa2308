/** What was learned, applied to what a household says of its equipment: once, for the pages, the meal and the API. Learned figures are natural
 *  logarithms of factors, as beliefs keep them. */

const clamp = (value: number, [least, most]: readonly [number, number]): number => Math.min(most, Math.max(least, value))
/** Outside these no burner, lid or grain is. */
const RATED_W = [50, 20_000] as const
const STEAM_FACTOR = [0.1, 5] as const
const MINUTES_FACTOR = [0.3, 3] as const

/** Rated power of a burner as measured and as learned, W. */
export const correctedPower = ({ ratedW, powerFactor = 1 }: { ratedW: number; powerFactor?: number }, learnedPower = 0): number =>
  clamp(ratedW * powerFactor * Math.exp(learnedPower), RATED_W)

/** Steam multiplier of a pot as measured and as learned. */
export const correctedSteam = (steamFactor: number, learnedSteam = 0): number => clamp(steamFactor * Math.exp(learnedSteam), STEAM_FACTOR)

/** How much longer than published a grain takes in this pot. */
export const correctedMinutes = (learnedTime = 0): number => clamp(Math.exp(learnedTime), MINUTES_FACTOR)
