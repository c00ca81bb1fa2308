import { planFrom } from '#core/contract/plan'
import { parsePlanRequest } from '#core/contract/plan-request'
import { varietyOf } from '#core/grain/varieties'
import { fingerStudy } from '#core/plan/finger-study'
import { depthOfPour } from '#core/vessel/pour-gauges'
import { asRequest, meaningOf, POT_IDS, POTS, type RatioInput } from './ratio'

const input = (over: Partial<RatioInput> = {}): RatioInput => ({
  variety: 'short-white',
  ratio: 1.1,
  by: 'volume',
  waterCupOverGrainCup: 1,
  washed: true,
  soakedMinutes: 0,
  pot: 'tight-lid',
  batchG: 300,
  ...over,
})
const planned = (request: Parameters<typeof planFrom>[0]) => {
  const read = planFrom(request)
  if (!read.ok) throw new Error('not read')
  return read.value
}

test.each(POT_IDS)("the planner's own ratio for %s means the planner's own uptake", (pot) => {
  for (const variety of ['short-white', 'long-white', 'brown-short'] as const) {
    const made = planned({
      grains: [{ variety }],
      amount: { basis: 'dry-mass', value: 300 },
      rinse: { washes: 3 },
      ...POTS[pot].request,
    })
    const { uptake } = meaningOf(input({ variety, pot, ratio: made.water.ratio_by_volume }))
    expect(Math.abs(uptake.middle / varietyOf(variety).uptake.standard - 1)).toBeLessThan(0.02)
    expect(uptake.low).toBe(uptake.high)
  }
})

test('by mass and by volume are the same ratio', () => {
  const { bulkDensity } = varietyOf('short-white')
  expect(meaningOf(input({ by: 'mass', ratio: 1.1 / bulkDensity })).uptake.middle).toBeCloseTo(
    meaningOf(input()).uptake.middle,
    9,
  )
})

test('grain by the scoop and water by the metric cup is not one to one', () => {
  const mixed = meaningOf(input({ ratio: 1, waterCupOverGrainCup: 250 / 180 }))
  expect(mixed.uptake.middle - meaningOf(input({ ratio: 1 })).uptake.middle).toBeCloseTo(
    (250 / 180 - 1) / 0.845,
    6,
  )
})

test('washed and soaked grain had carried water in, so the same ratio means a wetter grain', () => {
  const dry = meaningOf(input({ washed: false })).uptake.middle
  expect(meaningOf(input()).uptake.middle - dry).toBeCloseTo(0.12, 3)
  expect(meaningOf(input({ soakedMinutes: 30 })).uptake.middle).toBeGreaterThan(
    meaningOf(input()).uptake.middle + 0.15,
  )
})

test('what is not known makes a range, and is named', () => {
  const vague = meaningOf(
    input({ washed: undefined, pot: undefined, batchG: undefined, soakedMinutes: undefined }),
  )
  expect(vague.unknown).toEqual(['washed', 'soaked', 'pot', 'batch'])
  expect(vague.uptake.high - vague.uptake.low).toBeGreaterThan(0.3)
  const sure = meaningOf(input())
  expect(sure.uptake.middle).toBeGreaterThanOrEqual(vague.uptake.low - 1e-9)
  expect(sure.uptake.middle).toBeLessThanOrEqual(vague.uptake.high + 1e-9)
})

test('here, the same wetness is another pour', () => {
  const { uptake } = meaningOf(input({ ratio: 1.3 }))
  const here = planned(
    asRequest(input(), uptake.middle, {
      grains: [{ variety: 'short-white' }],
      amount: { basis: 'dry-mass', value: 900 },
      vessel: 'stock-8',
    }),
  )
  expect(here.water.absorbed_g / 900).toBeCloseTo(uptake.middle, 2)
  expect(here.water.ratio_by_volume).toBeLessThan(1.3)
})

test.each([0, -1, NaN])('a ratio of %f is refused', (ratio) => {
  expect(() => meaningOf(input({ ratio }))).toThrow(RangeError)
})

describe('the finger study', () => {
  const study = (vessel: 'wide-3' | 'heavy-2.5' | 'steel-1.6', crease = 18) => {
    const read = parsePlanRequest({
      grains: [{ variety: 'long-white' }],
      amount: { basis: 'servings', value: 4 },
      vessel,
    })
    if (!read.ok) throw new Error('not read')
    return { request: read.value, ...fingerStudy(read.value, crease) }
  }
  test('a fixed crease is too wet for a handful and dries out as the batch grows', () => {
    const { points, soft, firm, safe, rightAt, standard } = study('heavy-2.5')
    expect(points[0]!.crease).toBeGreaterThan(soft)
    for (let i = 1; i < points.length; i++) expect(points[i]!.crease).toBeLessThan(points[i - 1]!.crease)
    expect(safe!.from).toBeLessThan(rightAt!)
    expect(rightAt!).toBeLessThan(safe!.to)
    expect(firm).toBeLessThan(standard)
  })
  test('a wider pot wants a larger batch for the same finger', () => {
    expect(study('heavy-2.5', 14).rightAt!).toBeGreaterThan(study('steel-1.6', 14).rightAt!)
    // A long finger is right for no batch this pot can hold.
    expect(study('heavy-2.5', 40).rightAt).toBeUndefined()
  })
  test("at the batch where it is right, the plan's own water stands at the crease", () => {
    const { request, rightAt } = study('heavy-2.5')
    const made = planned({
      grains: [{ variety: 'long-white' }],
      amount: { basis: 'dry-mass', value: rightAt! },
      vessel: 'heavy-2.5',
    })
    expect(Math.abs(made.gauges.water_above_bed_mm - 18)).toBeLessThan(1)
    const context = {
      shape: request.vessel,
      blend: { bulkDensity: 0.79, kernelDensity: 1.45, voidShare: 1 - 0.79 / 1.45 },
      dryG: rightAt!,
      clingingG: made.water.clinging_g,
      soakedG: 0,
    }
    expect(depthOfPour(context, made.water.pour_g)).toBeCloseTo(made.gauges.water_above_bed_mm, 0)
  })
  test('"as deep as the grain" drifts far less than a finger', () => {
    const { points } = study('heavy-2.5')
    const spread = (key: 'crease' | 'deepAgain') => points[0]![key] - points[points.length - 1]![key]
    expect(Math.abs(spread('deepAgain'))).toBeLessThan(spread('crease') / 2)
  })
})
