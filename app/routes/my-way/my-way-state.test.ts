import { planFrom } from '#core/contract/plan'
import { firstKitchen } from '../../../tests/helpers/first-kitchen'
import { firstPlan, requestOf, type PlanningData } from '../../planning/plan-state'
import { addressOfSteps, cooksByStep, planOfWay, readText, readWater, stepsOfAddress } from './my-way-state'

const NOW = Date.parse('2026-03-05T16:00:00Z')
const household: PlanningData = {
  ...firstKitchen(),
  cup: 'us-customary',
  measures: [{ id: 'mug', name: 'mug', ml: 300, parts: [1], how: 'known' }],
}
const before = { plan: firstPlan(household), ...stepsOfAddress(null) }
const read = (text: string) => readText(text, before, household)

test('a packet fills grain, amount, water and steps', () => {
  const { way, unread } = read(
    '1½ cups basmati, 2 mugs water, rinse twice, soak 20 min, drain, boil, low 12, off 10',
  )
  expect(unread).toEqual([])
  expect(way.plan).toMatchObject({
    grain: 'basmati',
    amount: { basis: 'measure', value: 1.5, measure: 'cup' },
    poured: 600,
    washes: 2,
    soak: { minutes: 20 },
  })
  expect(way.drained).toBe(false)
  expect(way.steps).toEqual([
    { heat: 'high', lid: 'on', until: 'boil' },
    { heat: 'low', lid: 'on', minutes: 12 },
    { heat: 'off', lid: 'on', minutes: 10 },
  ])
})

test('what a text does not say stays; water beyond the limits is handed back', () => {
  const way = read('1½ cups basmati, 2 mugs water, boil, low 12, off 10').way
  const later = readText('boil, lid ajar, medium 9 min, drain', way, household).way
  expect(later.plan).toEqual(way.plan)
  expect(later.drained).toBe(true)
  expect(read('1 cup basmati, 900 l water, boil, low 12').unread).toEqual(['that much water'])
})

test('the plan of a way keeps its water, minutes, rest and lid', () => {
  const { way } = read('1 cup basmati, 1½ cups water, boil, lid off, lid on, lowest 13 min, off 8')
  const plan = planFrom(requestOf(planOfWay(way, household), household, NOW))
  if (!plan.ok) throw new Error(plan.errors[0]!.message)
  expect(plan.value.water.pour_g / (1.5 * 236.6)).toBeCloseTo(1, 2)
  expect(plan.value.stages.find((s) => s.kind === 'simmer')!.minutes.expected).toBe(13)
  expect(plan.value.stages.find((s) => s.kind === 'rest')!.minutes.expected).toBe(8)
})

test.each([
  ['boil, medium 10 min, drain', 'boil-and-drain', false],
  ['boil, off 25 min', 'off-heat', true],
  ['boil, lid off, medium until the water is gone, off 5', 'uncovered', true],
  ['boil, lid on, lowest 14, off 10', 'covered-simmer', true],
])('“%s” is planned as %s', (text, method, byStep) => {
  const { way } = read(text)
  expect(planOfWay(way, household).method).toBe(method)
  expect(cooksByStep(way, household)).toBe(byStep)
})

test('steps far beyond any plan are still planned within its limits', () => {
  const { way } = read('1 cup basmati, 2 cups water, boil, low 600 min, medium 600 min, off 600 min')
  expect(planFrom(requestOf(planOfWay(way, household), household, NOW)).ok).toBe(true)
})

test('steps come back from their address, and a wrong address gives usual ones', () => {
  const { way } = read('boil, lid ajar, medium 9 min, drain')
  expect(stepsOfAddress(addressOfSteps(way))).toEqual({ steps: way.steps, drained: true })
  for (const wrong of ['', 'x', 'low 99999 min']) expect(stepsOfAddress(wrong)).toEqual(stepsOfAddress(null))
})

test('water in its own field: any measure, nothing for as planned, and what is wrong in words', () => {
  expect(readWater('2 mugs', household)).toEqual({ grams: 600 })
  expect(readWater('450 g water', household)).toEqual({ grams: 450 })
  expect(readWater(' ', household)).toEqual({ grams: null })
  expect(readWater('2 cups milk', household).wrong).toMatch(/for example/)
  expect(readWater('60000 g', household)).toEqual({ grams: 60_000 })
  expect(readWater('60001 g', household).wrong).toMatch(/From 0 g to 60000 g/)
})
