import { planFrom } from '#core/contract/plan'
import { parsePlanRequestOrThrow, type PlanRequestJson } from '#core/contract/plan-request'
import { whatChanged, type PotAndPour } from './what-changed'

const seen = (request: Partial<PlanRequestJson>): PotAndPour => {
  const full: PlanRequestJson = {
    grains: [{ variety: 'short-white' }],
    amount: { basis: 'dry-mass', value: 300 },
    method: 'covered-simmer',
    vessel: 'heavy-2.5',
    ...request,
  }
  const read = planFrom(full)
  if (!read.ok) throw new Error('unreadable')
  return {
    vesselId: String(full.vessel),
    rimMm: parsePlanRequestOrThrow(full).vessel.rimDiameter,
    grainG: read.value.grain.mass_g,
    pourG: read.value.water.pour_g,
    steamG: read.value.water.evaporated_g,
  }
}

test('another crowd: the water grows by less than the grain', () => {
  const said = whatChanged(seen({}), seen({ amount: { basis: 'dry-mass', value: 600 } }))!
  expect(said).toMatch(/^twice the grain, 1\.\d times the water$/)
  expect(whatChanged(seen({ amount: { basis: 'dry-mass', value: 600 } }), seen({}))).toMatch(
    /^half the grain, 0\.5\d times the water$/,
  )
  // A spoon more is no crowd.
  expect(whatChanged(seen({}), seen({ amount: { basis: 'dry-mass', value: 320 } }))).toBeUndefined()
})

test('another pot: what its width does to the steam, in grams of the two ledgers', () => {
  // In an open pan what boils off is the surface's.
  const open = { method: 'uncovered' as const }
  const [narrow, wide] = [seen(open), seen({ ...open, vessel: 'wide-3' })]
  const grams = Math.round(wide.steamG - narrow.steamG)
  expect(grams).toBeGreaterThan(3)
  expect(whatChanged(narrow, wide)).toBe(`wider, so ${grams} g more steam`)
  expect(whatChanged(wide, narrow)).toBe(`narrower, so ${grams} g less steam`)
  expect(whatChanged(narrow, { ...narrow, vesselId: 'other' })).toBe('another pot, same steam')
  expect(
    whatChanged(narrow, {
      ...narrow,
      vesselId: 'other',
      rimMm: narrow.rimMm * 0.9,
      steamG: narrow.steamG + 20,
    }),
  ).toBe('narrower, and 20 g more steam')
})

test('a firmer grain is no other pot and no other crowd', () => {
  expect(whatChanged(seen({}), seen({ texture: 0 }))).toBeUndefined()
})
