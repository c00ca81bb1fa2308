import fc from 'fast-check'
import { parsePlanRequestOrThrow } from '#core/contract/plan-request'
import { METHOD_IDS, methodOf } from '#core/methods/index'
import { plan } from '#core/plan/plan'
import { SWEEP } from '#core/simulate/sweep'
import { cookPlan } from '#core/simulate/cook-plan'
import { meanCentre } from '#core/pot/mean-centre'
import { courseOf, momentAt } from './course'

const made = (method: (typeof METHOD_IDS)[number] = 'covered-simmer') => {
  const request = parsePlanRequestOrThrow({
    grains: [{ variety: 'short-white' }],
    amount: { basis: 'dry-mass', value: 300 },
    method,
    vessel: methodOf(method).defaults.vessel,
    heat: methodOf(method).defaults.heat,
    elevation_m: 1120,
    soak: method === 'steam' || method === 'steam-passes' ? { minutes: 240 } : null,
  })
  return { request, plan: plan(request) }
}

test('a pot looked into at its end is the pot the plan cooks, in every school', () => {
  for (const method of METHOD_IDS) {
    const { request, plan: planned } = made(method)
    const last = courseOf(request, planned).at(-1)!
    const cooked = cookPlan(request, planned, SWEEP)
    const mean = last.uptakeByLayer.reduce((a, b) => a + b, 0) / last.uptakeByLayer.length
    expect([method, Math.abs(mean - cooked.uptakeMean) < 0.02 * cooked.uptakeMean]).toEqual([method, true])
  }
})

test('centres never get rawer, grain never gives water back, and the minute asked for is the one shown', () => {
  const { request, plan: planned } = made()
  const course = courseOf(request, planned)
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: 90, noNaN: true }),
      fc.double({ min: 0, max: 90, noNaN: true }),
      (one, other) => {
        const [a, b] = [momentAt(course, Math.min(one, other)), momentAt(course, Math.max(one, other))]
        if (!a) return
        expect(meanCentre(b!)).toBeGreaterThanOrEqual(meanCentre(a) - 1e-9)
        expect(b!.freeG).toBeLessThanOrEqual(a.freeG + 1e-6)
        expect(a.minute).toBeLessThanOrEqual(Math.min(one, other))
      },
    ),
  )
  // Before its first heat there is no hot pot to look into.
  expect(momentAt(course, 1)).toBeUndefined()
  const boils = course.find((m) => m.stage === 'simmer')!
  expect(boils.bulkC).toBeCloseTo(planned.boil_c, 0)
  expect(boils.steam).toBeGreaterThan(0)
  expect(momentAt(course, 1e6)).toBe(course.at(-1))
})
