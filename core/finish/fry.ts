/** So much cooked grain browns in a wide pan at a time, g; more of it steams instead. */
const ROUND_G = 400
/** Oil of a round, mL: a tablespoon. */
const ROUND_OIL_ML = 15
/**
 * Heat to warm a gram of cooked grain from the tray to the boil (3.2 J/(g K) over 60 K) and to drive off a
 * twentieth of its mass as steam (2257 J/g), J/g.
 */
const HEAT_J_PER_G = 3.2 * 60 + 0.05 * 2257
/** Tossed on until it smells toasted, minutes. */
const BROWN_MIN = 1.5
/** A burner that heats a pan where the grain was cooked in an appliance, W into the pan. */
export const USUAL_PAN_W = 1000

export interface Frying {
  rounds: number
  minutesPerRound: number
  oilMl: number
}

/**
 * What it takes to fry cooked grain that has steamed off.
 * @param cookedG above 0
 * @param panW power that reaches the pan, W
 */
export function fryingOf(cookedG: number, panW: number): Frying {
  const rounds = Math.ceil(cookedG / ROUND_G)
  return {
    rounds,
    minutesPerRound: ((cookedG / rounds) * HEAT_J_PER_G) / panW / 60 + BROWN_MIN,
    oilMl: rounds * ROUND_OIL_ML,
  }
}
