import fc from 'fast-check'
import { millimetres } from '#core/units/units'
import { LEAST_APART_MM, LONGEST_STRIP_MM, rulerLines } from './paper-ruler'
import { volumeAt, type Shape } from './shape'

const cylinder = (diameter: number, height: number): Shape => ({
  baseDiameter: millimetres(diameter),
  rimDiameter: millimetres(diameter),
  height: millimetres(height),
})
const STEPS = [50, 100, 250, 500, 1000]

// A cylinder of 200 mm holds 31.4 mL in each millimetre.
test('in a cylinder the lines are evenly apart, by the closed form', () => {
  const lines = rulerLines(cylinder(200, 100), STEPS)
  const mlPerMm = (Math.PI * 100 ** 2) / 1000
  expect(lines[0]!.ml).toBe(250)
  for (const { mm, ml } of lines) expect(mm).toBeCloseTo(ml / mlPerMm, 6)
  expect(lines.at(-1)!.mm).toBeLessThanOrEqual(100)
  expect(lines.at(-1)!.mm + 250 / mlPerMm).toBeGreaterThan(100)
})

// 4 mm of 112.8 mm hold 40.0 mL: a step of 40 mL is just far enough apart, one of 39 mL is not.
test('a step is taken where its lines are far enough apart, and not just under', () => {
  const pot = cylinder(Math.sqrt((40 * 1000) / LEAST_APART_MM / (Math.PI / 4)), 100)
  expect(rulerLines(pot, [40.01, 100])[0]!.ml).toBe(40.01)
  expect(rulerLines(pot, [39.9, 100])[0]!.ml).toBe(100)
})

test('each line holds what it says, in any round pot, and fits the sheet', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 80, max: 350 }),
      fc.integer({ min: 0, max: 60 }),
      fc.integer({ min: 40, max: 400 }),
      (base, wider, height) => {
        const shape: Shape = {
          baseDiameter: millimetres(base),
          rimDiameter: millimetres(base + wider),
          height: millimetres(height),
        }
        const lines = rulerLines(shape, STEPS)
        let last = 0
        for (const { mm, ml } of lines) {
          expect(volumeAt(shape, millimetres(mm))).toBeCloseTo(ml, 3)
          expect(mm).toBeGreaterThan(last)
          expect(mm).toBeLessThanOrEqual(Math.min(height, LONGEST_STRIP_MM))
          last = mm
        }
      },
    ),
  )
})
