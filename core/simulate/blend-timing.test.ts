import { parsePlanRequest, type PlanRequestJson } from '#core/contract/plan-request'
import { plan } from '#core/plan/plan'
import { prepare } from '#core/plan/prepare'
import { fillPot, FULL } from '#core/pot/pot'
import { joinGrain } from '#core/pot/actions'
import { cookPlan } from './cook-plan'

const ready = (request: PlanRequestJson) => {
  const read = parsePlanRequest(request)
  if (!read.ok) throw new Error(JSON.stringify(read.errors))
  return read.value
}
const blend = (more: Partial<PlanRequestJson> = {}) =>
  ready({
    grains: [
      { variety: 'brown-short', share: 1 },
      { variety: 'basmati', share: 1 },
    ],
    amount: { basis: 'dry-mass', value: 300 },
    ...more,
  })

test('added later, the quick grain is not overdone and the slow one is done; the pot still closes', () => {
  const [together, later] = [blend(), blend({ blend_timing: 'add-later' })]
  const made = plan(later)
  expect(made.add_after_minutes).toBeGreaterThan(10)
  expect(made.stages.map((s) => s.id)).toEqual(
    expect.arrayContaining(['simmer-first', 'add-quick', 'simmer']),
  )
  const cooked = cookPlan(later, made)
  expect(cooked.centreMin).toBeGreaterThan(0.9)
  expect(Math.abs(cooked.uptakeMean / made.water.uptake_target - 1)).toBeLessThan(0.05)
  expect(cooked.freeShare).toBeLessThan(0.06)
  expect(cooked.scorch).toBeLessThan(1800)
  // The basmati stands at the boil for less than two thirds of the time it would have stood there.
  const minutes = (p: ReturnType<typeof plan>, id: string) =>
    p.stages.find((s) => s.id === id)?.minutes.expected ?? 0
  expect(minutes(made, 'simmer')).toBeLessThan(minutes(plan(together), 'simmer') * 0.66)
})

test('soaking only the slow one shortens the boil and carries only its water', () => {
  const soak = { minutes: 480, celsius: 20, water: 'drain' } as const
  const [plain, slow, both] = [
    plan(blend()),
    plan(blend({ soak, blend_timing: 'soak-slow' })),
    plan(blend({ soak })),
  ]
  expect(slow.water.soaked_in_g).toBeGreaterThan(0)
  expect(slow.water.soaked_in_g).toBeLessThan(both.water.soaked_in_g * 0.6)
  const simmer = (p: typeof plain) => p.stages.find((s) => s.id === 'simmer')!.minutes.expected
  expect(simmer(slow)).toBeLessThan(simmer(plain))
  expect(slow.stages.find((s) => s.id === 'soak')!.title).toContain('brown short-grain')
})

test('a vessel that cannot be opened keeps the blend together', () => {
  const sealed = plan(blend({ method: 'pressure-electric', blend_timing: 'add-later' }))
  expect(sealed.add_after_minutes).toBeUndefined()
  expect(sealed.stages.map((s) => s.id)).not.toContain('add-quick')
})

test('grain that joins cools the pot by its own heat and no more', () => {
  const later = blend({ blend_timing: 'add-later' })
  const { timed } = prepare(later)
  expect(timed.later).toEqual([1])
  const setup = {
    grains: [0, 1].map((i) => ({
      dryG: 150,
      bulkDensity: 0.8,
      kernelDensity: 1.45,
      radiusMm: 1,
      skin: 1,
      soakLimit: 0.3,
      most: 2,
      minutesAt100: 15,
      joinsLater: i === 1,
    })),
    heatCapacity: 800,
    loss: 1.2,
    steamFactor: 1,
    openArea: 0.028,
    lid: 'tight' as const,
    boilC: 100,
    kitchenC: 20,
    freeWaterG: 450,
    waterC: 100,
  }
  const pot = fillPot(setup, FULL)
  pot.bulkC = 100
  const before = 4.18 * 450 + 1.6 * 150 + 800
  joinGrain(pot, 1)
  expect(pot.bulkC).toBeCloseTo((before * 100 + 1.6 * 150 * 20) / (before + 1.6 * 150), 9)
  joinGrain(pot, 1)
  expect(pot.filledHeat).toBeCloseTo(before + 1.6 * 150, 6)
})
