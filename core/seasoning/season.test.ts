import fc from 'fast-check'
import { planFrom } from '#core/contract/plan'
import type { PlanRequestJson } from '#core/contract/plan-request'
import { CRYSTAL_IDS, CRYSTALS, type CrystalId } from './salt'
import { saltGrams, saltPercentFor } from './salt-amounts'
import { seasoningOf } from './seasoning'

const plan = (more: Partial<PlanRequestJson>) => {
  const read = planFrom({
    grains: [{ variety: 'long-white' }],
    amount: { basis: 'dry-mass', value: 300 },
    ...more,
  })
  if (!read.ok) throw new Error(read.errors.map((e) => e.message).join('; '))
  return read.value
}

test('a teaspoon is no dose: six grams are one of table salt and two of a light coarse one', () => {
  expect(saltGrams(5, 'table')).toBeCloseTo(6, 9)
  expect(6 / saltGrams(5, 'coarse-light')).toBeCloseTo(2.18, 2)
  const spoons = (salt_crystal: CrystalId) =>
    plan({ salt_percent: 1, salt_crystal }).stages.find((s) => s.id === 'season')!.amounts![0]!.measures[0]!
      .value
  for (const id of CRYSTAL_IDS)
    expect((spoons(id) / spoons('table')) * (CRYSTALS[id].density / CRYSTALS.table.density)).toBeCloseTo(1, 1)
})

test('salt given by amount stays that amount, whatever stock and add-ins bring', () => {
  const request = {
    stock_share: 0.3,
    add_ins: [{ name: 'soy sauce', grams_per_100g_dry: 2, salt_share: 0.14, when: 'with-water' as const }],
  }
  const { seasoning, yield: cooked } = plan(request)
  const already = seasoning.salt_in_stock_g + seasoning.salt_in_add_ins_g
  const salt_percent = saltPercentFor(4, already, cooked.cooked_mass_g)
  expect(plan({ ...request, salt_percent }).seasoning.salt_to_add_g).toBeCloseTo(4, 1)
})

test('one per cent of the cooked mass', () => {
  const made = plan({ salt_percent: 1 })
  expect(made.seasoning.salt_to_add_g).toBeCloseTo(made.yield.cooked_mass_g / 100, 1)
  expect(made.stages.find((s) => s.id === 'season')!.title).toMatch(/Into the water: \d+(\.\d)? g salt/)
})

test('stock lowers what is added by the salt it holds, gram for gram', () => {
  const [water, half] = [
    plan({ salt_percent: 1 }),
    plan({ salt_percent: 1, stock_share: 0.5, stock_salt_percent: 0.9 }),
  ]
  const already = (half.water.pour_g * 0.5 * 0.9) / 100
  expect(half.seasoning.stock_g).toBeCloseTo(half.water.pour_g / 2, 0)
  expect(water.seasoning.salt_to_add_g - half.seasoning.salt_to_add_g).toBeCloseTo(already, 1)
  const strong = plan({ salt_percent: 0.3, stock_share: 1, stock_salt_percent: 1.5 })
  expect(strong.seasoning.salt_to_add_g).toBe(0)
  expect(strong.cautions.map((c) => c.code)).toContain('salted-by-itself')
})

test('water in what cooks along is not poured again; what is folded in stays out of the ledger', () => {
  const plain = plan({})
  const onion = { name: 'onion', grams_per_100g_dry: 40, water_share: 0.89 }
  const cooked = plan({ add_ins: [{ ...onion, when: 'on-top' }] })
  expect(cooked.water.add_in_water_g).toBeCloseTo(300 * 0.4 * 0.89, 1)
  expect(plain.water.pour_g - cooked.water.pour_g).toBeCloseTo(cooked.water.add_in_water_g, -1)
  const { pour_g, absorbed_g, evaporated_g, drained_off_g, left_in_pot_g, carried_in_g } = cooked.water
  expect(
    Math.abs(pour_g - (absorbed_g + evaporated_g + drained_off_g + left_in_pot_g - carried_in_g)),
  ).toBeLessThan(0.1)
  expect(plan({ add_ins: [{ ...onion, when: 'fold-in' }] }).water.pour_g).toBe(plain.water.pour_g)
})

test('each add-in has its moment in the stages, and its way out', () => {
  const made = plan({
    add_ins: [
      { name: 'bay leaf', grams_per_100g_dry: 0.3, when: 'with-water', out: 'after-rest' },
      { name: 'kelp', grams_per_100g_dry: 2, salt_share: 0.05, when: 'on-top', out: 'at-boil' },
      { name: 'peas', grams_per_100g_dry: 30, when: 'at-boil' },
      { name: 'butter', grams_per_100g_dry: 5, when: 'fold-in' },
      { name: 'herbs', grams_per_100g_dry: 4, when: 'at-table' },
    ],
  })
  const checks = (id: string) => made.stages.find((s) => s.id === id)!.checks.join('; ')
  expect(made.stages.find((s) => s.id === 'season')!.title).toContain('5 bay leaves')
  expect(checks('season')).toContain('On top, not stirred in: 6 g kelp')
  expect(checks('simmer')).toMatch(/Now add 90 g peas; Take out the kelp/)
  expect(checks('fluff')).toMatch(/Take out the bay leaves; Fold in 1 tbsp butter; To serve: 12 g herbs/)
  expect(made.seasoning.salt_in_add_ins_g).toBeCloseTo(0.3, 6)
})

test('doubled, everything doubles', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 10, max: 2000, noNaN: true }),
      fc.double({ min: 0, max: 1, noNaN: true }),
      (dryG, stockShare) => {
        const of = (factor: number) =>
          seasoningOf({
            dryG: dryG * factor,
            cookedG: dryG * factor * 2.7,
            saltPercent: 0.8,
            pourG: dryG * factor * 1.6,
            stockShare,
            stockSaltPercent: 0.8,
            addIns: [
              {
                name: 'x',
                gramsPer100gDry: 12,
                waterShare: 0.5,
                saltShare: 0.1,
                when: 'with-water',
                out: 'stays',
              },
            ],
          })
        expect(of(2).saltToAddG).toBeCloseTo(of(1).saltToAddG * 2, 6)
        expect(of(2).addIns[0]!.grams).toBeCloseTo(of(1).addIns[0]!.grams * 2, 6)
      },
    ),
  )
})

test.each([
  ['salt_percent', { salt_percent: 11 }],
  ['stock_share', { stock_share: -0.1 }],
  ['add_ins.0.name', { add_ins: [{ name: '  ', grams_per_100g_dry: 1, when: 'on-top' as const }] }],
  [
    'add_ins.0.grams_per_100g_dry',
    { add_ins: [{ name: 'x', grams_per_100g_dry: NaN, when: 'on-top' as const }] },
  ],
])('%s out of its limits is a named error', (path, change) => {
  const read = planFrom({
    grains: [{ variety: 'long-white' }],
    amount: { basis: 'dry-mass', value: 300 },
    ...change,
  })
  expect(read.ok ? [] : read.errors.map((e) => e.path)).toEqual([path])
})
