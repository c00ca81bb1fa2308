import fc from 'fast-check'
import { STANDARD_MEASURES } from '#core/units/measures'
import type { Quantity } from '#core/units/parse-quantity'
import { countedAddIn } from './add-in-amounts'
import { ADD_INS_WITH_DETAILS, addInCalled, detailsOf } from './add-in-details'
import { KNOWN_ADD_INS } from './known-add-ins'
import { readAddIn } from './read-add-in'

const cup = STANDARD_MEASURES['metric-cup']
const mlOf = ({ value, unit }: Quantity): number | undefined =>
  unit === 'ml'
    ? value
    : unit === 'tbsp'
      ? value * 15
      : unit === 'tsp'
        ? value * 5
        : unit === 'cup'
          ? value * 250
          : undefined
const read = (text: string) => readAddIn(text, [], mlOf)
const addInOf = (text: string) => {
  const got = read(text)
  if (!got.ok) throw new Error(got.why)
  return got.addIn
}

// Weights from public food tables: a tablespoon of butter 14 g, of oil 13.5 g, of soy sauce 16 g; a cup of peas
// 134 to 145 g, of raisins 145 to 165 g.
test.each([
  ['1 tbsp butter', 'butter', 13.5, 15],
  ['2 tbsp olive oil', 'oil', 26, 28.5],
  ['1 tbsp soy sauce', 'soy sauce', 15, 18],
  ['1 cup peas', 'peas', 134, 150],
  ['half a cup of raisins', 'raisins', 72, 88],
  ['80 g peas', 'peas', 80, 80],
  ['2 bay leaves', 'bay leaf', 0.2, 0.8],
  ['3 cloves of garlic', 'garlic clove', 9, 15],
  ['a handful of raisins', 'raisins', 25, 45],
  ['a pinch of saffron', 'saffron', 0.01, 0.1],
  ['30 g barberries', 'barberries', 30, 30],
])('“%s” is %s, %f to %f g', (text, name, least, most) => {
  const addIn = addInOf(text)
  expect(addIn.name).toBe(name)
  expect(addIn.grams).toBeGreaterThanOrEqual(least)
  expect(addIn.grams).toBeLessThanOrEqual(most)
})

test('what is known brings its water, its salt and when it goes in and out', () => {
  expect(addInOf('80 g peas')).toMatchObject({ when: 'on-top', out: 'stays' })
  expect(addInOf('80 g peas').waterShare).toBeGreaterThan(0.7)
  expect(addInOf('1 tbsp soy sauce').saltShare).toBeGreaterThan(0.1)
  expect(addInOf('1 bay leaf').out).toBe('after-rest')
  expect(read('30 g barberries')).toMatchObject({ known: false, addIn: { waterShare: 0 } })
})

test.each([
  ['bay leaves', 'no-amount'],
  ['1-2 bay leaves', 'range'],
  ['80 g', 'no-name'],
  ['2 barberries', 'weight-needed'],
  ['1 cup barberries', 'weight-needed'],
  ['2 tbsp bay leaves', 'weight-needed'],
  ['5 min peas', 'weight-needed'],
])('“%s” is refused: %s', (text, why) => {
  expect(read(text)).toEqual({ ok: false, why })
})

test('it is said back as it is counted', () => {
  const said = (text: string) => {
    const { name, grams } = addInOf(text)
    const counted = countedAddIn(name, grams, cup)
    return `${counted.measures[0]?.text ?? ''} ${counted.name}`
  }
  expect(said('2 bay leaves')).toBe('2 bay leaves')
  expect(said('1 bay leaf')).toBe('1 bay leaf')
  expect(said('1 tbsp butter')).toBe('1 tbsp butter')
  expect(said('½ cup peas')).toBe('½ cup peas')
  expect(said('30 g barberries')).toBe(' barberries')
})

test('the table has each name once, and shares that can be', () => {
  const names = KNOWN_ADD_INS.flatMap((known) => [
    ...new Set([known.one, known.many, ...detailsOf(known).names]),
  ])
  expect(names.filter((name, i) => names.indexOf(name) !== i)).toEqual([])
  expect([...ADD_INS_WITH_DETAILS].sort()).toEqual(KNOWN_ADD_INS.map(({ one }) => one).sort())
  for (const { waterShare, saltShare } of KNOWN_ADD_INS.map(detailsOf)) {
    expect(waterShare + saltShare).toBeLessThanOrEqual(1)
    expect(Math.min(waterShare, saltShare)).toBeGreaterThanOrEqual(0)
  }
  expect(addInCalled('  Bay  Leaves ')?.one).toBe('bay leaf')
  expect(addInCalled('frozen peas')?.one).toBe('peas')
})

test('any text is read without an error, and an amount is never negative', () => {
  fc.assert(
    fc.property(fc.string({ maxLength: 60 }), (text) => {
      const got = read(text)
      if (got.ok) expect(got.addIn.grams).toBeGreaterThan(0)
    }),
  )
})

test.each(['1 onion fried first', '2 fried onions', '100 g chopped onion, fried'])(
  '%s goes in first',
  (text) => expect(read(text)).toMatchObject({ ok: true, known: true, addIn: { when: 'first' } }),
)
