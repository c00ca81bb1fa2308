import { openSurfaceEvaporation } from '#core/heat/evaporation'
import { leakOf, lossFactor } from '#core/heat/lid'
import { celsius } from '#core/units/units'
import { vesselPreset } from '#core/vessel/presets'
import { estimateHoldTime, holdingPower } from './hold-time'

/** One warm body behind one resistance, by hand; the whole pot is held by simulate-hold-time.test.ts. */

const vessel = vesselPreset('heavy-3.5')
const HOT = { vessel, dryG: 300, waterG: 500, boilC: 96, kitchenC: 20, holdC: 60 }
const loss = vessel.loss * lossFactor(vessel.lid, 'on', false)

test('warm for as long as the exponential takes from the boil to what is hot', () => {
  const capacity = 4.18 * 500 + 1.6 * 300 + vessel.heatCapacity
  const seconds = (capacity / loss) * Math.log((96 - 20) / (60 - 20))
  expect(estimateHoldTime(HOT).warmMin).toBeCloseTo(seconds / 60, 6)
})
test.each([
  [{ holdC: 96 }, 0],
  [{ holdC: 97 }, 0],
  [{ kitchenC: 60 }, 0],
])('%j: not a minute', (more, expected) =>
  expect(estimateHoldTime({ ...HOT, ...more }).warmMin).toBe(expected),
)

test('what dries an hour is what leaks at 68 °C, as a share of its water', () => {
  const area = (Math.PI / 4) * (vessel.rimDiameter / 1000) ** 2
  const perHour =
    openSurfaceEvaporation(celsius(68)) * area * leakOf(vessel.lid, 'on') * vessel.steamFactor * 3600
  expect(estimateHoldTime(HOT).driesPercentPerHour).toBeCloseTo((100 * perHour) / 500, 9)
  expect(estimateHoldTime({ ...HOT, waterG: 0 }).driesPercentPerHour).toBe(0)
  const leaky = { ...vessel, steamFactor: 2 * vessel.steamFactor }
  expect(estimateHoldTime({ ...HOT, vessel: leaky }).driesPercentPerHour).toBeCloseTo(
    (200 * perHour) / 500,
    9,
  )
})

test('dry when a fiftieth of its water is gone: sooner while it is hotter, never in ten hours of a tight pot', () => {
  const { dryMin, driesPercentPerHour } = estimateHoldTime(HOT)
  // At 68 °C from the first minute on it would take this long; it starts at the boil.
  const atHeld = (2 / driesPercentPerHour) * 60
  expect(dryMin).toBeGreaterThan(0)
  expect(dryMin).toBeLessThan(atHeld)
  const open = { ...vessel, steamFactor: 4 * vessel.steamFactor }
  expect(estimateHoldTime({ ...HOT, vessel: open }).dryMin).toBeLessThan(dryMin)
  const tight = { ...vessel, steamFactor: 0.001 }
  expect(estimateHoldTime({ ...HOT, vessel: tight }).dryMin).toBe(Infinity)
  // Kept at 68 °C from the start, the minutes are those of its rate, to the minute.
  const cool = estimateHoldTime({ ...HOT, vessel: open, boilC: 68 })
  expect(Math.abs(cool.dryMin - (2 / cool.driesPercentPerHour) * 60)).toBeLessThanOrEqual(1)
})

test('holding it takes what it loses to the kitchen and what leaves as steam', () => {
  const area = (Math.PI / 4) * (vessel.rimDiameter / 1000) ** 2
  const steam = openSurfaceEvaporation(celsius(68)) * area * leakOf(vessel.lid, 'on') * vessel.steamFactor
  const power = (kitchenC: number) => holdingPower(vessel, kitchenC)
  // A degree less in the kitchen is a degree more of loss.
  expect(power(19) - power(20)).toBeCloseTo(vessel.loss * lossFactor(vessel.lid, 'on', true), 9)
  // As warm as the kitchen, only the steam is left: 2257 J/g or a little more at 68 °C.
  expect(power(68) / steam).toBeGreaterThan(2200)
  expect(power(68) / steam).toBeLessThan(2400)
})
