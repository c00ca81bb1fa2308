import fc from 'fast-check'
import { CUPS } from './cups'
import { inScoops } from './fractions'
import { inMeasure, STANDARD_MEASURE_IDS, STANDARD_MEASURES } from './measures'
import { roundTo, toStep } from './rounding'

test('cups hold what the standards say', () => {
  expect(CUPS['us-legal'].ml).toBe(240)
  expect(CUPS['us-customary'].ml).toBeCloseTo(8 * 29.5735, 0) // 8 US fluid ounces
  expect(CUPS.metric.ml).toBe(250)
  expect(CUPS.scoop.ml).toBe(180)
})

test.each([
  [2.47, '2½', 2.5],
  [0.26, '¼', 0.25],
  [1.98, '2', 2],
  [0.66, '⅔', 2 / 3],
  [0, '0', 0],
  [0.05, 'less than ¼', 0],
])('%f cups are scooped as %s', (cups, text, scooped) => {
  expect(inScoops(cups)).toMatchObject({ text })
  expect(inScoops(cups).cups).toBeCloseTo(scooped, 9)
})

test('a scoop count is never further off than an eighth of a cup, and says by how much', () => {
  fc.assert(
    fc.property(fc.double({ min: 0, max: 50, noNaN: true }), (cups) => {
      const count = inScoops(cups)
      expect(Math.abs(count.error)).toBeLessThanOrEqual(1 / 8 + 1e-9)
      expect(count.cups - count.error).toBeCloseTo(cups, 9)
    }),
  )
})

test.each([-1, NaN, Infinity])('inScoops refuses %f', (cups) => {
  expect(() => inScoops(cups)).toThrow(RangeError)
})

test('rounding is symmetric and never prints minus nothing', () => {
  expect(roundTo(2.345, 2)).toBe(2.35)
  expect(roundTo(-2.5, 0)).toBe(-3)
  expect(Object.is(roundTo(-0.004, 2), 0)).toBe(true)
  expect(toStep(413, 5)).toBe(415)
})

test('nothing is said as “0 cup and” something', () => {
  fc.assert(
    fc.property(fc.float({ min: Math.fround(0.5), max: 3000, noNaN: true }), (ml) => {
      for (const id of STANDARD_MEASURE_IDS)
        expect(inMeasure(ml, STANDARD_MEASURES[id]).text).not.toMatch(/^0 /)
    }),
  )
})
