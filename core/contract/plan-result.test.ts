import fc from 'fast-check'
import * as v from 'valibot'
import { VARIETY_IDS } from '#core/grain/varieties'
import { METHOD_IDS, methodOf } from '#core/methods/index'
import { PURPOSES } from '#core/plan/request'
import { fieldErrors } from './fields'
import { planFrom } from './plan'
import { PlanSchema } from './plan-result'

/** A request's plan as it is written, and as its schema reads that; or what was wrong on the way. */
function parseBack(request: unknown): { written: unknown; read: unknown } {
  const planned = planFrom(request)
  if (!planned.ok) throw new Error(planned.errors.map((e) => e.message).join('; '))
  const written: unknown = JSON.parse(JSON.stringify(planned.value))
  const parsed = v.safeParse(PlanSchema, written)
  return { written, read: parsed.success ? parsed.output : fieldErrors(parsed.issues) }
}

test('every school’s plan of every grain is a plan as it is stored, published and carried, and nothing of it is lost', () => {
  for (const method of METHOD_IDS)
    for (const variety of VARIETY_IDS) {
      const { written, read } = parseBack({
        grains: [{ variety }],
        amount: { basis: 'dry-mass', value: 300 },
        method,
        vessel: methodOf(method).defaults.vessel,
        heat: methodOf(method).defaults.heat,
      })
      // The schema leaves out what it does not know: what is the same is all there.
      expect([method, variety, read]).toEqual([method, variety, written])
    }
})

test('so is that of an unwise pot, a dressed one, one with company, one late and one high up', () => {
  fc.assert(
    fc.property(
      fc.record({
        grains: fc
          .array(
            fc.record({ variety: fc.constantFrom(...VARIETY_IDS), share: fc.integer({ min: 1, max: 3 }) }),
            { minLength: 1, maxLength: 3 },
          )
          .map((list) => list.filter((g, i) => list.findIndex((o) => o.variety === g.variety) === i)),
        amount: fc.record({ basis: fc.constant('dry-mass'), value: fc.integer({ min: 10, max: 4000 }) }),
        method: fc.constantFrom(...METHOD_IDS),
        purpose: fc.constantFrom(...PURPOSES),
        elevation_m: fc.integer({ min: -400, max: 4500 }),
        soak: fc.option(
          fc.record({
            minutes: fc.integer({ min: 5, max: 1440 }),
            celsius: fc.integer({ min: 2, max: 40 }),
            water: fc.constantFrom('drain', 'keep'),
          }),
        ),
        salt_percent: fc.constantFrom(0, 1, 2),
        stock_share: fc.constantFrom(0, 0.5, 1),
        add_ins: fc.constantFrom(
          [],
          [{ name: 'peas', grams_per_100g_dry: 40, water_share: 0.8, salt_share: 0, when: 'at-boil' }],
        ),
        serve_at: fc.constantFrom('2026-03-05T19:00:00+01:00', '2020-01-01T00:00:00Z'),
      }),
      (request) => {
        const { written, read } = parseBack(request)
        expect(read).toEqual(written)
      },
    ),
    { numRuns: 120 },
  )
})
