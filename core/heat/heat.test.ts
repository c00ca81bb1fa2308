import { BOILING_POINTS } from '../../tests/helpers/published'
import { celsius, metres, pascals } from '#core/units/units'
import { boilingPointAt, pressureAt, saturationTemperature } from './boiling-point'
import { cookingSpeed } from './cooking-speed'
import { leakOf, lossFactor } from './lid'
import { deliveredPower, lowestHoldsSimmer, HEAT_PRESETS } from './sources'
import { minutesToHeat } from './time-to-boil'

// IAPWS-IF97, table 36: verification values of the saturation-temperature equation.
test.each([
  [0.1e6, 372.755919],
  [1e6, 453.035632],
  [10e6, 584.149488],
])('water under %f Pa boils at %f K', (pressure, kelvin) => {
  expect(saturationTemperature(pascals(pressure)) + 273.15).toBeCloseTo(kelvin, 5)
})

test.each(BOILING_POINTS)('at %i m water boils at %f °C', (elevation, boil) => {
  expect(Math.abs(boilingPointAt(metres(elevation)) - boil)).toBeLessThan(0.1)
})

// ICAO standard atmosphere, tabulated pressures.
test.each([
  [0, 101325],
  [1000, 89874.6],
  [3000, 70108.5],
])('the standard atmosphere at %i m has %f Pa', (elevation, pressure) => {
  expect(pressureAt(metres(elevation)) / pressure).toBeCloseTo(1, 4)
})

test.each([-1000, 12_000, NaN])('pressureAt refuses %f m', (elevation) => {
  expect(() => pressureAt(metres(elevation))).toThrow(RangeError)
})

test('cooking speed: 96 °C is about three quarters, 110 °C about double, the bend at 110 °C is continuous', () => {
  expect(cookingSpeed(celsius(100))).toBeCloseTo(1, 9)
  expect(cookingSpeed(celsius(96))).toBeGreaterThan(0.72)
  expect(cookingSpeed(celsius(96))).toBeLessThan(0.78)
  expect(cookingSpeed(celsius(110))).toBeGreaterThan(1.85)
  expect(cookingSpeed(celsius(110))).toBeLessThan(2.1)
  expect(cookingSpeed(celsius(110.001)) / cookingSpeed(celsius(110))).toBeCloseTo(1, 4)
  // Above the bend the slope is 37 kJ/mol: from 110 to 120 °C a factor exp(37000/8.3145 (1/383.15 − 1/393.15)).
  expect(cookingSpeed(celsius(120)) / cookingSpeed(celsius(110))).toBeCloseTo(1.344, 2)
})

test('heat levels: high is rated × efficiency, lowest is what the source goes down to, or what this pot needs to go on simmering', () => {
  const gas = HEAT_PRESETS['gas-medium']
  expect(deliveredPower(gas, 'high', 96)).toBeCloseTo(700, 9)
  expect(deliveredPower(gas, 'medium', 96)).toBeCloseTo(350, 9)
  // 1.75 kW of gas turned down burn 525 W, of which 0.45 reach the pot.
  expect(deliveredPower(gas, 'lowest', 96)).toBeCloseTo(0.3 * 1750 * 0.45, 6)
  expect(deliveredPower(gas, 'lowest', 206)).toBeCloseTo(0.3 * 1750 * 0.45, 0)
  expect(deliveredPower(gas, 'lowest', 207)).toBeCloseTo(237, 0)
  expect(lowestHoldsSimmer(gas, 206)).toBe(true)
  expect(lowestHoldsSimmer(gas, 207)).toBe(false)
  expect(deliveredPower(gas, 'off', 96)).toBe(0)
  expect(deliveredPower(HEAT_PRESETS['gas-large'], 'lowest', 30)).toBeCloseTo(0.3 * 2700 * 0.45, 6)
  expect(deliveredPower(HEAT_PRESETS['gas-small'], 'lowest', 600)).toBe(400) // never more than it has
})

test('a lid leaks and loses in the order off, ajar, loose, tight', () => {
  expect(lossFactor('tight', 'off', true)).toBe(1.6)
  expect(lossFactor('tight', 'ajar', true)).toBe(1.25)
  expect(lossFactor('loose', 'on', true)).toBeCloseTo(1 + 0.25 / 3, 9)
  expect(lossFactor('tight', 'on', false)).toBe(0.75)
  expect(leakOf('loose', 'on')).toBeCloseTo(leakOf('loose', 'ajar') / 3, 9)
  expect(leakOf('foil', 'on')).toBeCloseTo(leakOf('tight', 'on') / 2, 9)
})

describe('time to the boil', () => {
  const kettle = { powerW: 2000, heatCapacity: 4186, loss: 0, fromC: 20, toC: 100, roomC: 20 }
  test('without loss it is C·ΔT/P', () => {
    expect(minutesToHeat(kettle)).toBeCloseTo((80 * 4186) / 2000 / 60, 9)
  })
  test('with loss it is the closed form, and the sum over small rises agrees with it', () => {
    const lossy = { ...kettle, loss: 2 }
    const exact = (-4186 / 2 / 60) * Math.log(1 - (2 * 80) / 2000)
    expect(minutesToHeat(lossy)).toBeCloseTo(exact, 9)
    expect(minutesToHeat({ ...lossy, openArea: 1e-9 })).toBeCloseTo(exact, 3)
  })
  test('an open surface costs time, and a heat that the loss eats never boils', () => {
    expect(minutesToHeat({ ...kettle, openArea: 0.03 })).toBeGreaterThan(minutesToHeat(kettle))
    expect(minutesToHeat({ ...kettle, powerW: 100, loss: 2 })).toBe(Infinity)
  })
})
