import { FIRST_KITCHEN } from '#server/commands/begin-household'
import { fromSearch } from '../../planning/plan-address'
import { firstPlan, type PlanningData } from '../../planning/plan-state'
import { candidatesOf } from '../../planning/candidates'
import { planAddress, sidesOf, withBeside } from './sides'

const household: PlanningData = {
  ...FIRST_KITCHEN,
  measures: [],
  bags: [],
  bottles: [],
  marks: [],
  units: 'grams',
  system: 'metric',
  cup: 'metric',
  known: {},
  guidance: 'stricter' as const,
  crystal: 'table' as const,
  leftovers: [],
  eaters: [],
  elevation_m: 0,
  kitchen_c: 20,
  zone: 'Europe/Berlin',
}
const first = firstPlan(household)
const NOW = Date.UTC(2026, 2, 5, 16, 0)
const sides = (address: string) => sidesOf(new URLSearchParams(address), first, household, NOW)

test('a plan and its variants are shown side by side, each named by what differs', () => {
  const shown = sides(
    'grain=basmati&for=4&pot=heavy-pot&beside=by%3Dboil-and-drain&beside=pot%3Dpressure-pot',
  )
  expect(shown.map((s) => s.name)).toEqual([
    'absorption, cold start',
    'boil and drain',
    'in pressure cooker, pressure',
  ])
  expect(new Set(shown.map((s) => s.side.plan.grain.mass_g))).toEqual(new Set([260]))
  expect(shown[1]!.side.plan.water.drained_off_g).toBeGreaterThan(300)
})

test('a soak or a grain can differ, and a nonsense change is identical', () => {
  expect(sides('grain=brown-short&beside=soak%3D600-5-drain').map((s) => s.name)[1]).toBe('soaked')
  expect(sides('grain=brown-short&beside=grain%3Dquinoa').map((s) => s.name)[1]).toBe('quinoa')
  expect(sides('beside=%F0%9F&beside=x%3Dy&beside=by%3Dsteam').map((s) => s.name)).toEqual([
    'absorption, cold start',
    'identical',
    'identical',
  ])
})

test('the address holds at most two variants, and each leads back to its plan', () => {
  const search = withBeside(new URLSearchParams('grain=quinoa'), ['by=steam', 'pot=cooker', 'pot=thin-pot'])
  expect(sidesOf(search, first, household, NOW)).toHaveLength(3)
  const shown = sides('grain=quinoa&for=7&beside=pot%3Dcooker')[1]!
  expect(
    fromSearch(new URL(planAddress(shown.state, first), 'http://omsel.test').searchParams, first, household),
  ).toEqual(shown.state)
})

test('what could be cooked: what is in Grains, by its usual ways; a grain that is named, by all a cook would think of', () => {
  const bag = (
    id: string,
    variety: PlanningData['bags'][number]['variety'],
    left_g: number | null,
  ): PlanningData['bags'][number] => ({
    id,
    variety,
    name: id,
    label: '',
    label_ratio: null,
    adopted_delta: null,
    bought_on: null,
    opened_on: null,
    new_crop: 0,
    enriched: 0,
    left_g,
  })
  const kitchenWithBags = {
    ...household,
    bags: [
      bag('a', 'long-white', 900),
      bag('b', 'couscous', null),
      bag('c', 'quinoa', 0),
      bag('d', 'long-white', 100),
    ],
  }
  const list = candidatesOf(kitchenWithBags, 4, NOW)
  expect(new Set(list.map((c) => c.of.state.bagId))).toEqual(new Set(['a', 'b']))
  expect(list.every((c) => c.usual)).toBe(true)
  // Clay stands on no induction plate, however strong that is.
  const plate = { ...household.heats[0]!, id: 'plate', rated_w: 9000, efficiency: 0.85 }
  const clay = { ...household.vessels[0]!, id: 'clay', material: 'clay' as const }
  const on = candidatesOf({ ...kitchenWithBags, heats: [plate, ...household.heats], vessels: [clay] }, 4, NOW)
  expect(new Set(on.map((c) => c.of.state.heatId))).not.toContain('plate')
  const ways = (grain: 'long-white' | 'couscous') =>
    new Set(candidatesOf(kitchenWithBags, 4, NOW, grain).map((c) => c.of.method))
  expect(ways('long-white')).toEqual(
    new Set([
      'covered-simmer',
      'boiling-start',
      'uncovered',
      'boil-and-drain',
      'switch-cooker',
      'pressure-electric',
      'oven',
    ]),
  )
  expect(ways('couscous')).toEqual(new Set(['off-heat', 'poured-over']))
})
