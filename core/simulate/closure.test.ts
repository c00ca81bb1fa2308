import { parsePlanRequest, type PlanRequestJson } from '#core/contract/plan-request'
import { VARIETIES, type VarietyId } from '#core/grain/varieties'
import { plan } from '#core/plan/plan'
import { REDUCED } from '#core/pot/pot'
import { cookPlan } from './cook-plan'

const parsed = (request: PlanRequestJson) => {
  const read = parsePlanRequest(request)
  if (!read.ok) throw new Error(JSON.stringify(read.errors))
  return read.value
}

// A cup of grain in a vessel made for it; grains that drink all their water before a vessel can seal are not
// cooked that way.
const POTS = [
  ['covered-simmer', 'heavy-2.5', 1],
  ['covered-simmer', 'steel-1.6', 1],
  ['covered-simmer', 'stock-8', 5],
  ['switch-cooker', 'cooker-5', 2],
  ['pressure-electric', 'pressure-electric-6', 3],
] as const
const DRINKS_AT_ONCE = new Set<VarietyId>(['couscous', 'fonio', 'bulgur-medium'])

describe.each(POTS)('%s in %s, %i cups', (method, vessel, cups) => {
  test.each(VARIETIES.map((row) => [row.id, row] as const))(
    '%s: the plan, cooked on the fine pot, comes out as meant',
    (id, row) => {
      // What drinks at once is not boiled: it has boiling water poured over it.
      if (DRINKS_AT_ONCE.has(id)) return
      for (const elevation_m of [0, 1120, 2500])
        for (const texture of [0.5]) {
          const request = parsed({
            grains: [{ variety: id }],
            amount: { basis: 'dry-volume', value: 240 * cups },
            method,
            vessel,
            elevation_m,
            texture,
          })
          const cooked = cookPlan(request, plan(request))
          expect(cooked.centreMin).toBeGreaterThan(0.9)
          expect(Math.abs(cooked.uptakeMean / row.uptake.standard - 1)).toBeLessThan(0.05)
          expect(cooked.freeShare).toBeLessThan(0.06)
          expect(cooked.unevenness).toBeLessThan(0.35)
          expect(cooked.scorch).toBeLessThan(1800)
        }
    },
  )
})

test("the planner's coarse pot and the fine pot lose the same steam", () => {
  for (const id of ['short-white', 'brown-long', 'quinoa'] as const) {
    const request = parsed({ grains: [{ variety: id }], amount: { basis: 'dry-mass', value: 300 } })
    const planned = plan(request)
    const [coarse, fine] = [cookPlan(request, planned, REDUCED), cookPlan(request, planned)]
    expect(Math.abs(coarse.evaporatedG / fine.evaporatedG - 1)).toBeLessThan(0.02)
    expect(coarse.uptakeMean / fine.uptakeMean).toBeCloseTo(1, 2)
  }
})

test('grain and water doubled together end wetter', () => {
  for (const id of ['long-white', 'short-white', 'brown-short', 'quinoa', 'barley-hulled'] as const) {
    const method = 'covered-simmer'
    const one = parsed({
      grains: [{ variety: id }],
      amount: { basis: 'dry-mass', value: 150 },
      method,
      vessel: 'heavy-2.5',
    })
    const pour = plan(one).water.pour_g
    const two = parsed({
      grains: [{ variety: id }],
      amount: { basis: 'dry-mass', value: 300 },
      method,
      vessel: 'heavy-2.5',
      pour_override_g: pour * 2,
    })
    const twice = cookPlan(two, plan(two))
    expect(twice.uptakeMean + twice.freeShare).toBeGreaterThan(cookPlan(one, plan(one)).uptakeMean + 0.04)
  }
})

test('a sea-level plan cooked high up stays firm in the centre', () => {
  for (const id of ['long-white', 'short-white', 'basmati', 'jasmine', 'millet'] as const) {
    const low = parsed({
      grains: [{ variety: id }],
      amount: { basis: 'dry-mass', value: 300 },
      method: 'covered-simmer',
    })
    const up = cookPlan({ ...low, elevationM: 2500 }, plan(low))
    expect(up.centreMin).toBeLessThan(0.9)
  }
})
