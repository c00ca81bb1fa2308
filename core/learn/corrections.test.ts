import { correctedMinutes, correctedPower, correctedSteam } from './corrections'

test('a learned logarithm is a factor on what was measured', () => {
  expect(correctedPower({ ratedW: 1800, powerFactor: 0.9 }, Math.log(1.1))).toBeCloseTo(1800 * 0.9 * 1.1, 9)
  expect(correctedSteam(1.2, Math.log(0.5))).toBeCloseTo(0.6, 9)
  expect(correctedMinutes(Math.log(1.15))).toBeCloseTo(1.15, 9)
})

test('nothing learned changes nothing', () => {
  expect([correctedPower({ ratedW: 1000 }), correctedSteam(1), correctedMinutes()]).toEqual([1000, 1, 1])
})

test('beyond what a kitchen can be it stops at the limit', () => {
  expect(correctedPower({ ratedW: 60 }, -3)).toBe(50)
  expect(correctedPower({ ratedW: 19_000 }, 3)).toBe(20_000)
  expect(correctedSteam(1, -9)).toBe(0.1)
  expect(correctedSteam(1, 9)).toBe(5)
  expect(correctedMinutes(-9)).toBe(0.3)
  expect(correctedMinutes(9)).toBe(3)
})
