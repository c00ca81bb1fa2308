import fc from 'fast-check'
import { parsePlanRequestOrThrow, type PlanRequestJson } from '#core/contract/plan-request'
import { blendOf } from '#core/grain/blend'
import { VARIETY_IDS } from '#core/grain/varieties'
import { plan } from '#core/plan/plan'
import { whyCooked, whyDepth, whyGrain } from './breakdowns'
import type { Breakdown } from './pour'

const of = (json: Partial<PlanRequestJson>) => {
  const request = parsePlanRequestOrThrow({
    grains: [{ variety: 'long-white' }],
    amount: { basis: 'dry-mass', value: 300 },
    ...json,
  } as PlanRequestJson)
  return { request, made: plan(request) }
}
const added = ({ terms }: Breakdown): number => terms.reduce((sum, { value }) => sum + value, 0)

test('the sums of grain, of what is cooked and of the depth add up to the figures they explain', () => {
  const amount = fc.oneof(
    fc.record({
      basis: fc.constant('servings' as const),
      value: fc.integer({ min: 1, max: 12 }),
      serving: fc.constantFrom('side' as const, 'main' as const),
    }),
    fc.record({ basis: fc.constant('dry-mass' as const), value: fc.integer({ min: 60, max: 700 }) }),
    fc.record({ basis: fc.constant('dry-volume' as const), value: fc.integer({ min: 90, max: 800 }) }),
    fc.record({ basis: fc.constant('cooked-mass' as const), value: fc.integer({ min: 200, max: 1800 }) }),
  )
  fc.assert(
    fc.property(
      amount,
      fc.constantFrom(...VARIETY_IDS),
      fc.integer({ min: 0, max: 4 }),
      fc.constantFrom(0, 40),
      (given, variety, keep, stuck) => {
        const { request, made } = of({
          method: 'covered-simmer',
          amount: given,
          grains: [{ variety }],
          keep_servings: given.basis === 'servings' ? keep : 0,
          stuck_g: stuck,
          vessel: 'stock-8',
          heat: 'gas-large',
        })
        expect(Math.abs(added(whyGrain(request, made)) - made.grain.mass_g)).toBeLessThan(0.6)
        expect(Math.abs(added(whyCooked(made)) - made.yield.cooked_mass_g)).toBeLessThan(0.6)
        const context = {
          shape: request.vessel,
          blend: blendOf(request.grains),
          dryG: made.grain.mass_g,
          clingingG: made.water.clinging_g,
          soakedG: made.water.soaked_in_g,
        }
        expect(
          Math.abs(added(whyDepth(context, made.water.pour_g)) - made.gauges.water_above_bed_mm),
        ).toBeLessThan(0.6)
      },
    ),
    { numRuns: 40 },
  )
})

test('terms say whom they come from: portions are a custom, your own grams are yours, and surer', () => {
  const { request, made } = of({ amount: { basis: 'servings', value: 5 } })
  const [portions] = whyGrain(request, made).terms
  // Five beside a dish, 65 g each.
  expect(portions).toMatchObject({
    word: '5 portions as a side, 65 g each',
    value: 325,
    from: 'published',
  })
  const own = of({})
  const [asked] = whyGrain(own.request, own.made).terms
  expect(asked).toMatchObject({ value: 300, from: 'you' })
  expect(asked!.sure / asked!.value).toBeLessThan(portions!.sure / portions!.value)
})
