import { planFrom } from '#core/contract/plan'
import { orderFrom } from './order'
import { fromSearch } from './plan-address'
import { firstPlan, requestOf, type PlanningData } from './plan-state'
import { readDryAmount } from './read-dry-amount'
import { firstKitchen } from '../../tests/helpers/first-kitchen'

const NOW = Date.parse('2026-03-05T16:00:00Z')
const household: PlanningData = {
  ...firstKitchen(),
  cup: 'us-customary',
  measures: [{ id: 'mug', name: 'mug', ml: 300, parts: [1], how: 'known' }],
}

test('a sentence becomes the plan it says, through its address', () => {
  const order = orderFrom('2 cups basmati and half a cup of quinoa, firm, at 7', household)!
  const state = fromSearch(new URLSearchParams(order.search), firstPlan(household), household)
  expect(state).toMatchObject({ grain: 'basmati', texture: 0, at: '19:00' })
  const read = planFrom(requestOf(state, household, NOW))
  if (!read.ok) throw new Error('not read')
  // Two cups and half a cup of 236.6 mL, each to 1 %.
  expect(read.value.grain.parts[0]!.volume_ml / 473.2).toBeCloseTo(1, 2)
  expect(read.value.grain.parts[1]!.volume_ml / 118.3).toBeCloseTo(1, 1)
  expect(order.label).toBe(
    'Plan basmati with quinoa, 2½ cups, ' + household.vessels[0]!.name + ', firm, at 19:00',
  )
  expect(order.more).toBe('as read from your words')
})

test('own water, minutes, salt and things cooked along are planned as they were said', () => {
  const order = orderFrom(
    '2 cups basmati with 3 cups water, 20 min, rest 5, 80 g peas and 1 tsp salt',
    household,
  )!
  expect(order.more).toBe('as read from your words')
  const state = fromSearch(new URLSearchParams(order.search), firstPlan(household), household)
  const read = planFrom(requestOf(state, household, NOW))
  if (!read.ok) throw new Error('not read')
  const { water, seasoning, stages } = read.value
  // US cups of 236.6 mL, a US teaspoon of 4.93 mL of table salt at about 1.2 g/mL.
  expect(water.pour_g / (3 * 236.588)).toBeCloseTo(1, 2)
  expect(stages.find((s) => s.kind === 'simmer')!.minutes.expected).toBeCloseTo(20, 1)
  expect(stages.find((s) => s.kind === 'rest')!.minutes.expected).toBeCloseTo(5, 1)
  expect(seasoning.add_ins).toHaveLength(1)
  expect(seasoning.add_ins[0]!.grams / 80).toBeCloseTo(1, 2)
  expect(seasoning.salt_to_add_g).toBeGreaterThan(5.3)
  expect(seasoning.salt_to_add_g).toBeLessThan(6.5)
  expect(order.label).toContain('3 cups water, 20 min, rest 5 min, with peas')
})

test('soaked till the morning: from nine in the evening ten hours, in the fridge', () => {
  const evening = Date.parse('2026-03-05T21:00:00+01:00')
  const order = orderFrom(
    '2 cups brown rice, soak until I’m up',
    { ...household, zone: 'Europe/Berlin' },
    evening,
  )!
  expect(order.state.soak).toEqual({ minutes: 600, celsius: 5, water: 'drain' })
})

test.each([
  ['2 cups basmati, 90 L water', 'water'],
  ['2 cups basmati, 11 hours', '660 min'],
  ['2 cups basmati, rest 400 min', 'rest 400 min'],
])('%s: what no plan takes is named, and not dropped in silence', (text, word) => {
  expect(orderFrom(text, household)!.more).toBe(`not understood: “${word}”`)
})

test('what only a pressure cooker is set to is not understood of another pot', () => {
  expect(orderFrom('2 cups basmati, quick release', household)!.more).toContain('“quick release”')
})

test('what was not understood is said, and a grain alone is no order', () => {
  expect(orderFrom('2 mugs bulgur with dragonfruit', household)!.more).toBe('not understood: “dragonfruit”')
  expect(orderFrom('basmati', household)).toBeUndefined()
  expect(orderFrom('the heavy blue', household)).toBeUndefined()
})

test.each([
  ['1½ cups', 'g', { basis: 'measure', value: 1.5, measure: 'cup' }],
  ['2 mugs', 'g', { basis: 'measure', value: 2, measure: 'own:mug' }],
  ['300', 'g', { basis: 'dry-mass', value: 300 }],
  ['1,5', 'cup', { basis: 'measure', value: 1.5, measure: 'cup' }],
  ['8 oz', 'cup', { basis: 'dry-mass', value: 226.8 }],
  ['4 portions', 'g', { basis: 'servings', value: 4 }],
])('"%s" where %s is counted', (text, counted, amount) =>
  expect(readDryAmount(text, counted, household)).toEqual({ ok: true, amount }),
)

test.each([
  ['1-2 cups', 'Enter one amount, for example 2 cups.'],
  ['some', 'Enter an amount, for example 1½ cups or 300 g.'],
  ['2 buckets', '“buckets” is not a measure of yours.'],
  ['4 g', 'From 5 to 20,000 g.'],
  ['200 cups', 'From 5 mL to 25 L.'],
])('"%s" is refused: %s', (text, message) =>
  expect(readDryAmount(text, 'g', household)).toEqual({ ok: false, message }),
)

test('a pot of another kind than the one planned, and a fourth grain, are not dropped in silence', () => {
  const clay = { ...household.vessels[0]!, id: 'clay', name: 'the clay', kind: 'pot' as const }
  const without = { ...household, vessels: [clay] }
  expect(orderFrom('2 cups farro in the clay in the oven', without)!.more).toBe('not understood: “oven”')
  expect(orderFrom('2 cups farro, pressure cooker', without)!.more).toBe('not understood: “pressure cooker”')
  const four = orderFrom('a cup each of jasmine, quinoa, millet and amaranth', household)!
  expect(four.more).toBe('not understood: “amaranth”')
  expect(four.state.others).toHaveLength(2)
  expect(four.state.amount).toMatchObject({ value: 3 })
})

test('so much each counts the people, and nothing says that it does not', () => {
  const order = orderFrom('80 g each for 4, basmati', household)!
  expect(order.state.amount).toMatchObject({ basis: 'dry-mass', value: 320 })
  expect(order.more).toBe('as read from your words')
})
