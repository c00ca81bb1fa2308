import fc from 'fast-check'
import { grams } from '#core/units/units'
import { blendOf, bulkVolume, massOfBulk } from './blend'
import { textureOf, uptakeAt } from './texture'
import { inWords, VARIETIES, VARIETY_IDS, varietyOf, type VarietyId } from './varieties'

// USDA FoodData Central (SR Legacy): grams in a level US customary cup of the dry grain.
const USDA_CUP: [VarietyId, number][] = [
  ['long-white', 185],
  ['medium-white', 195],
  ['short-white', 200],
  ['brown-long', 185],
  ['wild', 160],
  ['quinoa', 170],
  ['millet', 200],
  ['amaranth', 193],
  ['teff', 193],
  ['sorghum', 192],
  ['bulgur-medium', 140],
  ['couscous', 173],
  ['barley-pearled', 200],
  ['rye-berries', 169],
  ['buckwheat-groats', 164],
]

test.each(USDA_CUP)('a cup of %s weighs %i g', (id, cup) => {
  expect(Math.abs((varietyOf(id).bulkDensity * 236.6) / cup - 1)).toBeLessThan(0.025)
})

test.each(VARIETIES.map((row) => [row.id, row] as const))('%s is a possible grain', (_, row) => {
  const { firm, standard, soft, most } = row.uptake
  expect(firm).toBeLessThan(standard)
  expect(standard).toBeLessThan(soft)
  expect(soft).toBeLessThan(most)
  expect(row.soakLimit).toBeLessThan(firm)
  expect(row.bulkDensity).toBeLessThan(row.kernelDensity * 0.74) // no packing of equal bodies is denser
  expect(row.kernel.widthMm).toBeLessThanOrEqual(row.kernel.lengthMm)
})

test('ids are unique, and an unknown one is an error', () => {
  expect(new Set(VARIETY_IDS).size).toBe(VARIETIES.length)
  expect(() => varietyOf('toString' as VarietyId)).toThrow('toString')
})

test('within a sentence a name reads as it is spoken', () => {
  expect(VARIETIES.map(inWords)).toEqual(
    expect.arrayContaining(['hulled barley', 'steel-cut oats', 'cracked freekeh', 'short-grain white']),
  )
  expect(VARIETIES.map(inWords).filter((words) => words.includes(','))).toEqual([])
})

test('texture runs in two straight pieces through firm, standard and soft', () => {
  const { uptake } = varietyOf('short-white')
  expect([0, 0.25, 0.5, 0.75, 1].map((t) => uptakeAt(uptake, t))).toEqual([
    1.15,
    expect.closeTo(1.275),
    1.4,
    expect.closeTo(1.55),
    1.7,
  ])
  fc.assert(
    fc.property(fc.constantFrom(...VARIETIES), fc.double({ min: 0, max: 1, noNaN: true }), (row, t) => {
      expect(textureOf(row.uptake, uptakeAt(row.uptake, t))).toBeCloseTo(t, 9)
    }),
  )
  expect(() => uptakeAt(uptake, NaN)).toThrow(RangeError)
})

test('a blend fills the volume its parts fill', () => {
  const blend = blendOf([
    { variety: 'basmati', share: 3 },
    { variety: 'wild', share: 1 },
  ])
  expect(bulkVolume(blend, grams(400))).toBeCloseTo(300 / 0.79 + 100 / 0.68, 9)
  expect(massOfBulk(blend, bulkVolume(blend, grams(400)))).toBeCloseTo(400, 9)
  expect(blend.uptake.standard).toBeCloseTo(0.75 * 1.7 + 0.25 * 2.3, 9)
  expect(blend.slowest.id).toBe('wild')
  // Wild takes 45 minutes and more where basmati takes a quarter of an hour.
  expect(blend.spreadMinutes).toBeGreaterThan(24)
  expect(blend.spreadMinutes).toBeLessThan(40)
})

test('a blend of one is that grain, and shares must add up to something', () => {
  const row = varietyOf('quinoa')
  const blend = blendOf([{ variety: 'quinoa', share: 7 }])
  expect(blend.voidShare).toBeCloseTo(1 - row.bulkDensity / row.kernelDensity, 9)
  expect(blend.cookedDensity).toBeCloseTo(row.cookedDensity, 9)
  expect(() => blendOf([{ variety: 'quinoa', share: 0 }])).toThrow(RangeError)
})
