import { varietyOf, VARIETY_IDS } from './varieties'

// USDA FoodData Central (SR Legacy), mass of a level US cup of 236.6 mL, g.
test.each([
  ['long-white', 185],
  ['short-white', 200],
  ['medium-white', 195],
  ['brown-long', 185],
  ['wild', 160],
  ['quinoa', 170],
  ['millet', 200],
  ['amaranth', 193],
  ['teff', 193],
  ['couscous', 173],
  ['bulgur-medium', 140],
  ['barley-pearled', 200],
  ['buckwheat-groats', 164],
  ['lentils-green', 192],
  ['sorghum', 192],
] as const)('%s weighs %i g a cup, within a twentieth', (id, grams) => {
  expect(Math.abs(varietyOf(id).bulkDensity / (grams / 236.6) - 1)).toBeLessThan(0.05)
})

test.each(VARIETY_IDS)('%s: its figures are in order and of the right size', (id) => {
  const v = varietyOf(id)
  const { firm, standard, soft, most } = v.uptake
  expect([firm, standard, soft, most]).toEqual([firm, standard, soft, most].toSorted((a, b) => a - b))
  expect(v.bulkDensity).toBeLessThan(v.kernelDensity)
  // Starch is 1.5 g/mL and grain has pores; a bed of it is a third to a half air.
  expect(v.kernelDensity).toBeGreaterThan(1.2)
  expect(v.kernelDensity).toBeLessThan(1.5)
  expect(1 - v.bulkDensity / v.kernelDensity).toBeGreaterThan(0.3)
  expect(1 - v.bulkDensity / v.kernelDensity).toBeLessThan(0.6)
  // A cylinder as wide as the kernel is drawn holds the fitted radius within a half.
  expect(v.radiusMm / (v.kernel.widthMm / 2)).toBeGreaterThan(0.5)
  expect(v.radiusMm / (v.kernel.widthMm / 2)).toBeLessThan(1.5)
  expect(v.amylose).toBeGreaterThan(0)
  expect(v.amylose).toBeLessThan(0.4)
})

// USDA FoodData Central (SR Legacy), water in 100 g: raw, then cooked. Grams of water a gram as bought holds
// when cooked.
test.each([
  ['long-white', 11.62, 68.44],
  ['wild', 7.76, 73.93],
  ['quinoa', 13.28, 71.61],
  ['millet', 8.67, 71.41],
  ['couscous', 8.56, 72.57],
  ['amaranth', 11.29, 75.16],
  ['teff', 8.82, 74.93],
  ['parboiled-long', 9.86, 70.36],
] as const)('%s cooked in the published way lies between standard and soft', (id, raw, cooked) => {
  const uptake = (100 - raw) / (100 - cooked) - 1
  const { standard, soft } = varietyOf(id).uptake
  expect(uptake).toBeGreaterThan(standard - 0.02)
  expect(uptake).toBeLessThan(soft + 0.02)
})
