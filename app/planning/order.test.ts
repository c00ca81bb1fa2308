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
