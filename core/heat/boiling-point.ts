import { celsius, pascals, type Celsius, type Metres, type Pascals } from '#core/units/units'

const SEA_LEVEL_PRESSURE = 101_325 // Pa, standard atmosphere
const LAPSE_OVER_TEMPERATURE = 2.25577e-5 // 1/m, 0.0065 K/m over 288.15 K
const PRESSURE_EXPONENT = 5.25588 // g M / (R L)

/**
 * Air pressure in the standard atmosphere; the day's weather is ignored (it moves the boil by about 0.5 K).
 * @param elevation above mean sea level, −430..11000 m
 * @throws {RangeError} outside it
 * @see ICAO Doc 7488, Manual of the Standard Atmosphere
 * @example pressureAt(metres(0)) // 101325
 */
export function pressureAt(elevation: Metres): Pascals {
  if (!(elevation >= -430 && elevation <= 11_000))
    throw new RangeError(`pressureAt: elevation must be -430 to 11000 m, got ${elevation}`)
  return pascals(SEA_LEVEL_PRESSURE * (1 - LAPSE_OVER_TEMPERATURE * elevation) ** PRESSURE_EXPONENT)
}

const N = [
  0, 0.11670521452767e4, -0.72421316703206e6, -0.17073846940092e2, 0.1202082470247e5, -0.32325550322333e7,
  0.1491510861353e2, -0.48232657361591e4, 0.40511340542057e6, -0.23855557567849, 0.65017534844798e3,
] as const

/**
 * Temperature at which water boils under an absolute pressure.
 * @param pressure 1e3..1e7 Pa
 * @throws {RangeError} outside it
 * @see IAPWS-IF97, region 4, backward equation (Wagner et al. 2000, J. Eng. Gas Turbines Power 122)
 * @example saturationTemperature(pascals(1e5)) // 99.606
 */
export function saturationTemperature(pressure: Pascals): Celsius {
  if (!(pressure >= 1e3 && pressure <= 1e7))
    throw new RangeError(`saturationTemperature: pressure must be 1e3 to 1e7 Pa, got ${pressure}`)
  const beta = (pressure / 1e6) ** 0.25
  const e = beta * beta + N[3] * beta + N[6]
  const f = N[1] * beta * beta + N[4] * beta + N[7]
  const g = N[2] * beta * beta + N[5] * beta + N[8]
  const d = (2 * g) / (-f - Math.sqrt(f * f - 4 * e * g))
  const kelvin = (N[10] + d - Math.sqrt((N[10] + d) ** 2 - 4 * (N[9] + N[10] * d))) / 2
  return celsius(kelvin - 273.15)
}

export const boilingPointAt = (elevation: Metres): Celsius => saturationTemperature(pressureAt(elevation))
