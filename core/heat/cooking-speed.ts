import type { Celsius } from '#core/units/units'

const GAS_CONSTANT = 8.314462618 // J/(mol K)
const KELVIN = 273.15
const REFERENCE = 100 + KELVIN
const CHANGE = 110 + KELVIN
const BELOW_CHANGE = 79_500 // J/mol, 19 kcal/mol
const ABOVE_CHANGE = 37_000 // J/mol, 8.8 kcal/mol

/**
 * How fast grain cooks compared with 100 °C: an Arrhenius law that bends at 110 °C, where diffusion takes
 * over from reaction.
 * @see Suzuki, Kubota, Omichi & Hosaka 1976, Journal of Food Science 41
 * @example cookingSpeed(celsius(110)) // about 2
 */
export function cookingSpeed(temperature: Celsius): number {
  const kelvin = temperature + KELVIN
  if (kelvin <= CHANGE) return Math.exp((-BELOW_CHANGE / GAS_CONSTANT) * (1 / kelvin - 1 / REFERENCE))
  return SPEED_AT_CHANGE * Math.exp((-ABOVE_CHANGE / GAS_CONSTANT) * (1 / kelvin - 1 / CHANGE))
}
const SPEED_AT_CHANGE = Math.exp((-BELOW_CHANGE / GAS_CONSTANT) * (1 / CHANGE - 1 / REFERENCE))
