import fc from 'fast-check'
import { parseQuantity } from './parse-quantity'

const read = (text: string, own: readonly string[] = []) => {
  const got = parseQuantity(text, own)
  return got.ok ? [got.quantity.value, got.quantity.unit, got.rest] : got.why
}

test.each([
  ['1½', 1.5, undefined, ''],
  ['1 1/2', 1.5, undefined, ''],
  ['1-1/2 cups', 1.5, 'cup', ''],
  ['1.5 c', 1.5, 'cup', ''],
  ['1,5 cups', 1.5, 'cup', ''],
  ['2 cups basmati', 2, 'cup', 'basmati'],
  ['2 1/2 c', 2.5, 'cup', ''],
  ['½ cup of quinoa', 0.5, 'cup', 'quinoa'],
  ['half a cup of quinoa', 0.5, 'cup', 'quinoa'],
  ['one and a half cups rice', 1.5, 'cup', 'rice'],
  ['three quarters of a cup', 0.75, 'cup', ''],
  ['300 g', 300, 'g', ''],
  ['300g short-grain', 300, 'g', 'short-grain'],
  ['0.5 kg', 500, 'g', ''],
  ['8 oz', 226.796, 'g', ''],
  ['2 dl', 200, 'ml', ''],
  ['1 l', 1000, 'ml', ''],
  ['3 rice-cooker cups', 3, 'rice-cooker-cup', ''],
  ['5280 ft', 1609.344, 'm', ''],
  ['2 tbsp', 2, 'tbsp', ''],
  ['6 portions', 6, 'portion', ''],
  ['¾ cup', 0.75, 'cup', ''],
  ['2¼ cups', 2.25, 'cup', ''],
  ['a dozen portions', 12, 'portion', ''],
])('%s', (text, value, unit, rest) => {
  const [v, u, r] = read(text) as [number, string | undefined, string]
  expect(v).toBeCloseTo(value, 2)
  expect([u, r]).toEqual([unit, rest])
})

test.each([
  ['a bowl and a half', 1.5, 'own'],
  ['2 bowls', 2, 'own'],
  ['1 blue mug', 1, 'own'],
])('a measure of the cook’s own: %s', (text, value, unit) =>
  expect(read(text, ['bowl', 'blue mug']).slice(0, 2)).toEqual([value, unit]),
)

test.each([
  ['1-2 cups', 'range'],
  ['1 to 2 cups', 'range'],
  ['2 or 3 cups', 'range'],
  ['-2 cups', 'not-positive'],
  ['0 cups', 'not-positive'],
  ['1/0 cups', 'not-positive'],
  ['some rice', 'no-number'],
  ['', 'no-number'],
])('%s is refused: %s', (text, why) => expect(read(text)).toBe(why))

test('a letter after a unit makes it another word', () => {
  expect(read('2 corn')).toEqual([2, undefined, 'corn'])
  expect(read('2 grains')).toEqual([2, undefined, 'grains'])
})

test('any number with any unit is read back, with a point and with a comma', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 99_999 }),
      fc.constantFrom(['g', 1], ['kg', 1000], ['ml', 1], ['l', 1000], ['oz', 28.3495]),
      fc.constantFrom('.', ','),
      (hundredths, [unit, factor], point) => {
        const text = `${(hundredths / 100).toFixed(2).replace('.', point)} ${unit}`
        const got = parseQuantity(text)
        expect(got.ok && got.quantity.value).toBeCloseTo((hundredths / 100) * (factor as number), 6)
      },
    ),
  )
})

test('no text makes it throw or give anything but a positive number', () => {
  fc.assert(
    fc.property(fc.string({ maxLength: 40 }), (text) => {
      const got = parseQuantity(text, ['mug'])
      if (got.ok) expect(got.quantity.value).toBeGreaterThan(0)
    }),
  )
})
