import { minutesToHeat } from '#core/heat/time-to-boil'
import {
  heatCapacityOfPot,
  measureFromCount,
  measureFromWeights,
  powerFromBoil,
  simmerFromWeights,
} from './calibration'

test('an empty weight and a material are a heat capacity', () => {
  expect(heatCapacityOfPot(3200, 'iron')).toBe(1600)
  expect(heatCapacityOfPot(500, 'aluminium')).toBe(450)
})

test('a measure by the scale, and by counting it into a known one', () => {
  expect(measureFromWeights(212, 449)).toBe(237)
  expect(measureFromCount(1000, 4)).toBe(250)
  expect(() => measureFromWeights(400, 400)).toThrow('full must weigh more')
  expect(() => measureFromCount(0, 4)).toThrow(RangeError)
})

test('the power told from a boil is the power that boiled it', () => {
  for (const powerW of [400, 700, 1500]) {
    const pot = { heatCapacity: 4.18 * 1500 + 800, loss: 1.2, fromC: 12, toC: 96.2, roomC: 19 }
    const minutes = minutesToHeat({ ...pot, powerW })
    const measured = powerFromBoil({
      waterG: 1500,
      fromC: 12,
      boilC: 96.2,
      minutes,
      heatCapacityJK: 800,
      lossWK: 1.2,
      roomC: 19,
    })
    expect(Math.abs(measured / powerW - 1)).toBeLessThan(0.02)
  }
  expect(() =>
    powerFromBoil({ waterG: 1, fromC: 99, boilC: 96, minutes: 5, heatCapacityJK: 1, lossWK: 1, roomC: 20 }),
  ).toThrow(RangeError)
})

test('a simmer told by two weights: steam a minute, and what is left of the power is the loss', () => {
  const { steamGMin, lossW } = simmerFromWeights({ beforeG: 2400, afterG: 2370, minutes: 15, powerW: 176 })
  expect(steamGMin).toBe(2)
  expect(lossW).toBeCloseTo(176 - (2 / 60) * 2257, 6)
  expect(() => simmerFromWeights({ beforeG: 2000, afterG: 2001, minutes: 15, powerW: 100 })).toThrow(
    'cannot weigh more',
  )
})
