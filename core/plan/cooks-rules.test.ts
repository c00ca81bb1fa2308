import fc from 'fast-check'
import { planFrom } from '#core/contract/plan'
import type { PlanRequestJson } from '#core/contract/plan-request'
import { VARIETY_IDS, varietyOf } from '#core/grain/varieties'
import { METHOD_IDS, methodOf } from '#core/methods/index'

const plan = (request: PlanRequestJson) => {
  const read = planFrom(request)
  if (!read.ok) throw new Error(read.errors.map((e) => e.message).join('; '))
  return read.value
}
const grain = fc.constantFrom(...VARIETY_IDS)
/** Grain that is boiled; what only wants hot water is never offered a simmer. */
const boiledGrain = fc.constantFrom(
  ...VARIETY_IDS.filter((id) => methodOf('covered-simmer').suits(varietyOf(id))),
)
const method = fc.constantFrom(...METHOD_IDS)
const batch = fc.integer({ min: 150, max: 700 })

test('a law of the ledger: what is poured is in the grain, in the air or was there before, whatever is asked', () => {
  fc.assert(
    fc.property(
      grain,
      method,
      batch,
      fc.integer({ min: 0, max: 2500 }),
      fc.double({ min: 0, max: 1, noNaN: true }),
      (variety, how, value, elevation_m, texture) => {
        const { water, grain: dry } = plan({
          grains: [{ variety }],
          amount: { basis: 'dry-mass', value },
          method: how,
          elevation_m,
          texture,
        })
        const sum =
          water.absorbed_g +
          water.evaporated_g +
          water.drained_off_g +
          water.left_in_pot_g -
          water.carried_in_g
        expect(Math.abs(water.pour_g - sum)).toBeLessThan(0.1)
        // Four figures rounded to 0.1.
        expect(
          Math.abs(
            water.carried_in_g -
              water.clinging_g -
              water.soaked_in_g -
              water.add_in_water_g -
              water.steam_in_g,
          ),
        ).toBeLessThan(0.21)
        expect(water.ratio_by_volume / water.ratio_by_mass).toBeCloseTo(varietyOf(variety).bulkDensity, 2)
        expect(dry.mass_g / dry.volume_ml).toBeCloseTo(varietyOf(variety).bulkDensity, 2)
      },
    ),
    { numRuns: 60 },
  )
})

test('a law of the crowd: the ratio only falls as the batch grows', () => {
  fc.assert(
    fc.property(boiledGrain, fc.integer({ min: 150, max: 350 }), (variety, value) => {
      const ratio = (g: number) =>
        plan({
          grains: [{ variety }],
          amount: { basis: 'dry-mass', value: g },
          method: 'covered-simmer',
          vessel: 'stock-8',
          heat: 'gas-large',
        }).water.ratio_by_mass
      expect(ratio(value * 3)).toBeLessThan(ratio(value) + 1e-9)
    }),
    { numRuns: 40 },
  )
})

test('a law of the bowl: tipped instead of sieved, soaked instead of dry, washed instead of not, each is poured less by what it brings', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...VARIETY_IDS.filter((id) => varietyOf(id).washes > 0)),
      fc.integer({ min: 200, max: 500 }),
      (variety, value) => {
        const pour = (rinse: PlanRequestJson['rinse']) =>
          plan({
            grains: [{ variety }],
            amount: { basis: 'dry-mass', value },
            method: 'covered-simmer',
            rinse,
          }).water
        const [dry, sieved, tipped] = [
          pour({ washes: 0 }),
          pour({ washes: 2, drain: 'sieve' }),
          pour({ washes: 2, drain: 'tip' }),
        ]
        // two figures rounded to 0.1
        expect(Math.abs(tipped.carried_in_g - sieved.carried_in_g - 0.08 * value)).toBeLessThan(0.11)
        // What was there before is not poured; what boils off moves a little with how much there is to heat.
        expect(Math.abs(dry.pour_g - sieved.pour_g - sieved.carried_in_g)).toBeLessThan(0.06 * value)
      },
    ),
    { numRuns: 30 },
  )
})

test('the same amount in five units is the same plan', () => {
  fc.assert(
    fc.property(grain, fc.integer({ min: 2, max: 9 }), (variety, people) => {
      const g = people * 65
      const by = (amount: PlanRequestJson['amount']) =>
        plan({ grains: [{ variety }], amount, method: 'covered-simmer', vessel: 'heavy-3.5' })
      const base = by({ basis: 'dry-mass', value: g })
      const { uptake, bulkDensity, cookedDensity } = varietyOf(variety)
      for (const amount of [
        { basis: 'servings', value: people },
        { basis: 'dry-volume', value: g / bulkDensity },
        { basis: 'cooked-mass', value: g * (1 + uptake.standard) },
        { basis: 'cooked-volume', value: (g * (1 + uptake.standard)) / cookedDensity },
      ] as const)
        expect(Math.abs(by(amount).water.pour_g - base.water.pour_g)).toBeLessThan(0.5)
    }),
    { numRuns: 12 },
  )
})

test('a law of height: water that boils cooler cooks slower, everywhere it can get out', () => {
  fc.assert(
    fc.property(
      fc.constantFrom('long-white', 'brown-short', 'quinoa', 'barley-pearled', 'millet'),
      fc.integer({ min: 0, max: 1800 }),
      (variety, elevation_m) => {
        const hot = (m: number) => {
          const { stages } = plan({
            grains: [{ variety: variety as 'quinoa' }],
            amount: { basis: 'dry-mass', value: 300 },
            method: 'covered-simmer',
            elevation_m: m,
          })
          return stages.find((s) => s.id === 'simmer')!.minutes.expected
        }
        expect(hot(elevation_m + 600)).toBeGreaterThan(hot(elevation_m))
      },
    ),
    { numRuns: 20 },
  )
})

test('a law of the bag: a blend of one grain with itself is that grain', () => {
  const one = plan({ grains: [{ variety: 'jasmine' }], amount: { basis: 'dry-mass', value: 320 } })
  const two = plan({
    grains: [
      { variety: 'jasmine', share: 3 },
      { variety: 'jasmine', share: 5 },
    ],
    amount: { basis: 'dry-mass', value: 320 },
  })
  expect(two.water.pour_g).toBeCloseTo(one.water.pour_g, 0)
  expect(two.total_minutes.expected).toBeCloseTo(one.total_minutes.expected, 0)
  expect(two.grain.parts.map((p) => p.mass_g)).toEqual([120, 200])
})
