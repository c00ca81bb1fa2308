import type { Celsius } from '#core/units/units'

const GAS_CONSTANT = 8.314462618 // J/(mol K)
const AT_20_C = 1.3e-10 // m²/s, fitted to published soak curves of milled rice
const ACTIVATION = 28_000 // J/mol
const REFERENCE = 293.15 // K

/**
 * Diffusivity of water in a grain kernel, m²/s; the same law from a cold soak to the boil.
 * @example diffusivityAt(celsius(20)) // 1.3e-10
 */
export const diffusivityAt = (temperature: Celsius): number =>
  AT_20_C * Math.exp((-ACTIVATION / GAS_CONSTANT) * (1 / (temperature + 273.15) - 1 / REFERENCE))
