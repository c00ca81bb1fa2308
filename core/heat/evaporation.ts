import type { Celsius } from '#core/units/units'

/** Heat of vaporisation at the boil, J/g. @see IAPWS-IF97 at 100 °C: 2256.5 kJ/kg */
export const LATENT_HEAT = 2257

/**
 * Vapour from an open hot surface below the boil, g per m² per second. 67 g/(m² min) at 100 °C, falling by e
 * every 18 K.
 */
export const openSurfaceEvaporation = (temperature: Celsius): number =>
  (67 / 60) * Math.exp((temperature - 100) / 18)
