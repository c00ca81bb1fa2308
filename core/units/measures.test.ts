import fc from 'fast-check'
import { inMeasure, inSpoonfuls, measureOf, SPOONS, STANDARD_MEASURES } from './measures'
import { parseQuantity } from './parse-quantity'

const US = STANDARD_MEASURES['us-cup']

test.each([
  [236.6, '1 cup'],
  [354.9, '1½ cups'],
  [118.3, '½ cup'],
  [236.6 * 1.5 + 14.79, '1½ cups + 1 tbsp'],
  [236.6 * 2 + 4.93 * 2, '2 cups + 2 tsp'],
  [473.2 * 1.019, '2 cups'], // under 2 % is not said
  [30, '2 tbsp'],
])('%d mL in US cups: %s', (ml, text) => expect(inMeasure(ml, US).text).toBe(text))

test.each([
  [0.2, 'a pinch'],
  [4.929, '1 tsp'],
  [2.46, '½ tsp'],
  [14.787, '1 tbsp'],
  [22.2, '1½ tbsp'],
])('%d mL by US spoons: %s', (ml, text) =>
  expect(inSpoonfuls(ml, { tbspMl: SPOONS.us.tbsp, tspMl: SPOONS.us.tsp })).toBe(text),
)

/** Reads "1½ cups + 1 tbsp + ½ tsp" back, mL. */
const back = (text: string, cupMl: number, { tbsp, tsp }: { tbsp: number; tsp: number }): number =>
  text.split(' + ').reduce((sum, part) => {
    const read = parseQuantity(part, ['mug'])
    if (!read.ok) throw new Error(part)
    const { value, unit } = read.quantity
    return sum + value * (unit === 'tbsp' ? tbsp : unit === 'tsp' ? tsp : cupMl)
  }, 0)

test('what is said is within 2 % of what is meant, from a quarter of a cup on', () => {
  fc.assert(
    fc.property(fc.double({ min: 120, max: 4000, noNaN: true }), (ml) => {
      const { text, value } = inMeasure(ml, US)
      expect(value * US.ml).toBeCloseTo(ml, -0.5)
      expect(Math.abs(back(text, US.ml, SPOONS.us) / ml - 1)).toBeLessThan(0.021)
    }),
  )
})

test('a mug of the cook’s own is said by its name, with metric spoons', () => {
  const mug = measureOf({ name: 'mug', ml: 310 })
  expect(inMeasure(310 * 1.5, mug).text).toBe('1½ mugs')
  fc.assert(
    fc.property(fc.double({ min: 150, max: 3000, noNaN: true }), (ml) =>
      expect(Math.abs(back(inMeasure(ml, mug).text, 310, SPOONS.metric) / ml - 1)).toBeLessThan(0.021),
    ),
  )
})
