/**
 * Thresholds by which a pot is judged and planned: each once, for the planner, the simulator, the stove and
 * what is said.
 */

/** Degree of gelatinisation in the slowest centre from which nothing hard is found by biting. */
export const CENTRE_THROUGH = 0.9
/** What a remedy or more minutes mean to reach: a little past through. */
export const CENTRE_WELL_THROUGH = CENTRE_THROUGH + 0.01
/** Below this the centre is raw and chalky; between the two it is firm. */
export const CENTRE_CHALKY = 0.8
/** What a plan means to reach at the very end, a little past through. */
export const CENTRE_DONE = 0.93
/** The centre at which grain has had three times the heat it needs and bursts: e⁻⁹ of its starch is still raw. */
export const CENTRE_OVERDONE = 1 - Math.exp(-9)

/** The bottom scorches over this temperature, °C, and is scorched after so many K·s over it. */
export const SCORCH_FROM_C = 125
export const SCORCHED_KS = 1800

/** Free water between the grains, as a share of the cooked mass: over this it is soggy. */
export const SOGGY_FREE = 0.06
/**
 * "No water when the grain is parted": the most at which that is what one sees is 0.05; planned a little
 * under it, so that a finer pot agrees.
 */
export const FREE_AT_SIGN = 0.04
/** What still eats as separate grains at the very end. */
export const FREE_DONE = 0.025

/** A fridge as soaking is planned for it, °C, and the warmest water that still counts as a fridge's. */
export const FRIDGE_C = 5
export const FRIDGE_WARMEST_C = 8

/** A soak "overnight", where no hours were said, minutes. */
export const NIGHT_SOAK_MINUTES = 480
