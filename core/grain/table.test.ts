import { varietyOf, VARIETY_IDS, type VarietyId } from './varieties'

/** The published table, written out a second time: bulk and kernel density, uptake firm, standard, soft and most, cooked density, minutes at
 *  100 °C, radius, soak limit, cling, amylose. A figure that moves must be moved here too, with its reason in docs/model.md. */
const TABLE: Record<VarietyId, readonly number[]> = {
  'long-white': [0.79, 1.45, 1.35, 1.7, 2.1, 2.6, 0.67, 16, 0.95, 0.27, 0.12, 0.25],
  basmati: [0.79, 1.45, 1.25, 1.7, 2.3, 3, 0.62, 13, 0.85, 0.3, 0.12, 0.24],
  jasmine: [0.81, 1.45, 1.25, 1.5, 1.85, 2.4, 0.68, 14, 0.95, 0.27, 0.12, 0.16],
  'medium-white': [0.82, 1.45, 1.2, 1.5, 1.8, 2.3, 0.78, 15, 1.05, 0.28, 0.12, 0.18],
  'short-white': [0.845, 1.45, 1.15, 1.4, 1.7, 2.2, 0.79, 15, 1.15, 0.28, 0.12, 0.17],
  'risotto-white': [0.84, 1.45, 1.6, 2, 2.4, 2.8, 0.95, 16, 1.2, 0.28, 0.12, 0.19],
  glutinous: [0.8, 1.45, 0.95, 1.1, 1.3, 2.2, 0.78, 14, 1.1, 0.42, 0.12, 0.02],
  'parboiled-long': [0.78, 1.45, 1.6, 2, 2.35, 2.8, 0.7, 22, 0.95, 0.25, 0.12, 0.26],
  'brown-long': [0.79, 1.43, 1.2, 1.7, 2.2, 2.6, 0.8, 36, 0.95, 0.28, 0.1, 0.24],
  'brown-short': [0.82, 1.43, 1.2, 1.65, 2.1, 2.5, 0.82, 37, 1.15, 0.3, 0.1, 0.18],
  'brown-basmati': [0.77, 1.43, 1.3, 1.8, 2.3, 2.8, 0.74, 32, 0.85, 0.28, 0.1, 0.24],
  red: [0.8, 1.43, 1.3, 1.75, 2.2, 2.6, 0.75, 36, 1, 0.28, 0.1, 0.22],
  black: [0.8, 1.43, 1.3, 1.7, 2.1, 2.5, 0.78, 36, 1, 0.3, 0.1, 0.1],
  wild: [0.68, 1.4, 1.9, 2.3, 2.7, 3.2, 0.69, 45, 0.9, 0.3, 0.1, 0.2],
  quinoa: [0.72, 1.25, 1.55, 1.9, 2.25, 2.6, 0.78, 12.5, 0.8, 0.45, 0.25, 0.1],
  millet: [0.845, 1.35, 1.7, 2.1, 2.5, 3, 0.735, 16, 0.9, 0.35, 0.18, 0.22],
  'buckwheat-groats': [0.69, 1.3, 1.5, 2, 2.6, 3, 0.71, 13, 1.15, 0.35, 0.12, 0.25],
  amaranth: [0.816, 1.35, 2, 2.4, 2.8, 3.2, 1.04, 20, 0.5, 0.4, 0.25, 0.08],
  teff: [0.816, 1.35, 2.2, 2.6, 3, 3.3, 1.06, 16, 0.4, 0.4, 0.25, 0.24],
  sorghum: [0.81, 1.33, 1.4, 1.8, 2.2, 2.6, 0.75, 55, 1.6, 0.35, 0.1, 0.24],
  fonio: [0.75, 1.35, 1.6, 2, 2.4, 2.8, 0.7, 6, 0.35, 0.45, 0.2, 0.22],
  'bulgur-medium': [0.59, 1.35, 1.7, 2.2, 2.8, 3.1, 0.77, 10, 0.8, 0.5, 0.15, 0.24],
  couscous: [0.73, 1.35, 1.6, 2, 2.4, 2.8, 0.66, 5, 0.6, 0.6, NaN, 0.24],
  'freekeh-cracked': [0.68, 1.35, 1.5, 1.9, 2.3, 2.7, 0.72, 18, 1, 0.4, 0.12, 0.24],
  'barley-pearled': [0.845, 1.35, 1.5, 1.9, 2.3, 2.8, 0.66, 28, 1.6, 0.4, 0.12, 0.24],
  'barley-hulled': [0.78, 1.33, 1.4, 1.8, 2.1, 2.5, 0.7, 52, 1.6, 0.4, 0.1, 0.24],
  'farro-pearled': [0.78, 1.36, 1.2, 1.5, 1.8, 2.2, 0.75, 24, 1.5, 0.4, 0.12, 0.24],
  'wheat-berries': [0.79, 1.36, 1.1, 1.5, 1.8, 2.1, 0.78, 55, 1.6, 0.42, 0.1, 0.25],
  'rye-berries': [0.714, 1.34, 1.1, 1.5, 1.8, 2.1, 0.74, 60, 1.4, 0.42, 0.1, 0.25],
  'oat-groats': [0.7, 1.3, 1.4, 1.8, 2.3, 2.8, 0.85, 45, 1.2, 0.4, 0.12, 0.23],
  'oats-steel-cut': [0.72, 1.3, 2.6, 3.2, 3.9, 4.5, 1, 25, 0.9, 0.45, 0.15, 0.23],
  'lentils-green': [0.81, 1.35, 1.2, 1.5, 1.8, 2.1, 0.83, 23, 1.4, 0.9, 0.1, 0.35],
}

test.each(VARIETY_IDS)('%s stands as published', (id) => {
  const v = varietyOf(id)
  const { firm, standard, soft, most } = v.uptake
  const row = [v.bulkDensity, v.kernelDensity, firm, standard, soft, most, v.cookedDensity, v.minutesAt100, v.radiusMm, v.soakLimit, v.cling, v.amylose]
  TABLE[id].forEach((figure, i) => {
    if (!Number.isNaN(figure)) expect([id, i, row[i]]).toEqual([id, i, figure])
  })
})

// USDA FoodData Central (SR Legacy), water in 100 g: raw, then cooked. Grams of water a gram as bought holds when cooked.
test.each([
  ['long-white', 11.62, 68.44], ['wild', 7.76, 73.93], ['quinoa', 13.28, 71.61], ['millet', 8.67, 71.41], ['couscous', 8.56, 72.57],
  ['amaranth', 11.29, 75.16], ['teff', 8.82, 74.93], ['parboiled-long', 9.86, 70.36],
] as const)('%s cooked in the published way lies between standard and soft', (id, raw, cooked) => {
  const uptake = (100 - raw) / (100 - cooked) - 1
  const { standard, soft } = varietyOf(id).uptake
  expect(uptake).toBeGreaterThan(standard - 0.02)
  expect(uptake).toBeLessThan(soft + 0.02)
})
