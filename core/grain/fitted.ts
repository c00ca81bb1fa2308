import type { VarietyRow } from './variety'

/** The figures of a variety that are fitted and not measured: see docs/calibration.md. */
export type FittedFigures = Pick<VarietyRow, 'minutesAt100' | 'skin' | 'radiusMm' | 'soakLimit'>

/** Written by `npm run calibrate` from tools/calibration/observations.csv; not edited by hand.
 *  interval: half width of the 90 % interval as a share of the figure; 0 where a figure was not fitted. */
export const FITTED = {
  'long-white': {
    figures: { minutesAt100: 8.943, skin: 1, radiusMm: 0.8871, soakLimit: 0.27 },
    interval: { minutesAt100: 0.17, skin: 0, radiusMm: 0.07, soakLimit: 0 },
  },
  'basmati': {
    figures: { minutesAt100: 10.9, skin: 1, radiusMm: 0.8358, soakLimit: 0.3 },
    interval: { minutesAt100: 0.14, skin: 0, radiusMm: 0.07, soakLimit: 0 },
  },
  'jasmine': {
    figures: { minutesAt100: 7.851, skin: 1, radiusMm: 0.881, soakLimit: 0.27 },
    interval: { minutesAt100: 0.22, skin: 0, radiusMm: 0.07, soakLimit: 0 },
  },
  'medium-white': {
    figures: { minutesAt100: 9.175, skin: 1, radiusMm: 0.9029, soakLimit: 0.28 },
    interval: { minutesAt100: 0.2, skin: 0, radiusMm: 0.08, soakLimit: 0 },
  },
  'short-white': {
    figures: { minutesAt100: 6.816, skin: 1, radiusMm: 1.087, soakLimit: 0.28 },
    interval: { minutesAt100: 0.14, skin: 0, radiusMm: 0.03, soakLimit: 0 },
  },
  'risotto-white': {
    figures: { minutesAt100: 7.263, skin: 1, radiusMm: 1.129, soakLimit: 0.28 },
    interval: { minutesAt100: 0.52, skin: 0, radiusMm: 0.11, soakLimit: 0 },
  },
  'glutinous': {
    figures: { minutesAt100: 14.12, skin: 0.2561, radiusMm: 1.059, soakLimit: 0.4183 },
    interval: { minutesAt100: 0.2, skin: 0.56, radiusMm: 0.12, soakLimit: 0.07 },
  },
  'parboiled-long': {
    figures: { minutesAt100: 12.42, skin: 0.5601, radiusMm: 0.8825, soakLimit: 0.2668 },
    interval: { minutesAt100: 0.33, skin: 0.56, radiusMm: 0.11, soakLimit: 0.11 },
  },
  'brown-long': {
    figures: { minutesAt100: 14.49, skin: 0.06837, radiusMm: 0.9511, soakLimit: 0.2748 },
    interval: { minutesAt100: 0.22, skin: 0.09, radiusMm: 0.11, soakLimit: 0.08 },
  },
  'brown-short': {
    figures: { minutesAt100: 18, skin: 0.09, radiusMm: 1.15, soakLimit: 0.3 },
    interval: { minutesAt100: 0.18, skin: 0.26, radiusMm: 0.1, soakLimit: 0.04 },
  },
  'brown-basmati': {
    figures: { minutesAt100: 12.62, skin: 0.06281, radiusMm: 0.8298, soakLimit: 0.2697 },
    interval: { minutesAt100: 0.27, skin: 0.45, radiusMm: 0.11, soakLimit: 0.09 },
  },
  'red': {
    figures: { minutesAt100: 13.37, skin: 0.08441, radiusMm: 0.9758, soakLimit: 0.2778 },
    interval: { minutesAt100: 0.3, skin: 0.29, radiusMm: 0.08, soakLimit: 0.1 },
  },
  'black': {
    figures: { minutesAt100: 15.21, skin: 0.08782, radiusMm: 1.05, soakLimit: 0.2957 },
    interval: { minutesAt100: 0.22, skin: 0.44, radiusMm: 0.12, soakLimit: 0.09 },
  },
  'wild': {
    figures: { minutesAt100: 24.56, skin: 0.05799, radiusMm: 0.9351, soakLimit: 0.2862 },
    interval: { minutesAt100: 0.26, skin: 0.37, radiusMm: 0.12, soakLimit: 0.1 },
  },
  'quinoa': {
    figures: { minutesAt100: 14.27, skin: 0.6001, radiusMm: 0.8034, soakLimit: 0.4542 },
    interval: { minutesAt100: 0.15, skin: 0.56, radiusMm: 0.13, soakLimit: 0.13 },
  },
  'millet': {
    figures: { minutesAt100: 17.42, skin: 0.4, radiusMm: 0.9072, soakLimit: 0.3514 },
    interval: { minutesAt100: 0.29, skin: 0.55, radiusMm: 0.13, soakLimit: 0.13 },
  },
  'buckwheat-groats': {
    figures: { minutesAt100: 9.655, skin: 0.8, radiusMm: 1.088, soakLimit: 0.35 },
    interval: { minutesAt100: 0.25, skin: 0, radiusMm: 0.1, soakLimit: 0 },
  },
  'amaranth': {
    figures: { minutesAt100: 23.79, skin: 0.4059, radiusMm: 0.5004, soakLimit: 0.3998 },
    interval: { minutesAt100: 0.13, skin: 0.58, radiusMm: 0.13, soakLimit: 0.13 },
  },
  'teff': {
    figures: { minutesAt100: 18.55, skin: 0.5, radiusMm: 0.4, soakLimit: 0.4 },
    interval: { minutesAt100: 0.12, skin: 0.56, radiusMm: 0.13, soakLimit: 0.13 },
  },
  'sorghum': {
    figures: { minutesAt100: 24.57, skin: 0.1056, radiusMm: 1.647, soakLimit: 0.3444 },
    interval: { minutesAt100: 0.43, skin: 0.43, radiusMm: 0.12, soakLimit: 0.11 },
  },
  'fonio': {
    figures: { minutesAt100: 3, skin: 1, radiusMm: 0.35, soakLimit: 0.45 },
    interval: { minutesAt100: 0.82, skin: 0, radiusMm: 0.13, soakLimit: 0 },
  },
  'bulgur-medium': {
    figures: { minutesAt100: 5, skin: 0.06376, radiusMm: 0.9082, soakLimit: 0.5 },
    interval: { minutesAt100: 0.77, skin: 0.3, radiusMm: 0.12, soakLimit: 0.13 },
  },
  'couscous': {
    figures: { minutesAt100: 3, skin: 0.7, radiusMm: 0.6284, soakLimit: 0.6 },
    interval: { minutesAt100: 0.82, skin: 0.58, radiusMm: 0.13, soakLimit: 0.13 },
  },
  'freekeh-cracked': {
    figures: { minutesAt100: 17.85, skin: 0.3903, radiusMm: 1.027, soakLimit: 0.3949 },
    interval: { minutesAt100: 0.27, skin: 0.57, radiusMm: 0.13, soakLimit: 0.13 },
  },
  'barley-pearled': {
    figures: { minutesAt100: 15.16, skin: 0.1228, radiusMm: 1.589, soakLimit: 0.3979 },
    interval: { minutesAt100: 0.63, skin: 0.47, radiusMm: 0.12, soakLimit: 0.12 },
  },
  'barley-hulled': {
    figures: { minutesAt100: 17.98, skin: 0.08241, radiusMm: 1.665, soakLimit: 0.388 },
    interval: { minutesAt100: 0.64, skin: 0.39, radiusMm: 0.12, soakLimit: 0.11 },
  },
  'farro-pearled': {
    figures: { minutesAt100: 11.86, skin: 0.1867, radiusMm: 1.401, soakLimit: 0.4173 },
    interval: { minutesAt100: 0.58, skin: 0.49, radiusMm: 0.12, soakLimit: 0.12 },
  },
  'wheat-berries': {
    figures: { minutesAt100: 27.53, skin: 0.08014, radiusMm: 1.593, soakLimit: 0.3953 },
    interval: { minutesAt100: 0.32, skin: 0.32, radiusMm: 0.11, soakLimit: 0.08 },
  },
  'rye-berries': {
    figures: { minutesAt100: 19.16, skin: 0.0479, radiusMm: 1.478, soakLimit: 0.4057 },
    interval: { minutesAt100: 0.57, skin: 0.35, radiusMm: 0.12, soakLimit: 0.12 },
  },
  'oat-groats': {
    figures: { minutesAt100: 19.04, skin: 0.05767, radiusMm: 1.262, soakLimit: 0.3835 },
    interval: { minutesAt100: 0.46, skin: 0.38, radiusMm: 0.12, soakLimit: 0.11 },
  },
  'oats-steel-cut': {
    figures: { minutesAt100: 24.18, skin: 0.3, radiusMm: 0.9048, soakLimit: 0.4499 },
    interval: { minutesAt100: 0.19, skin: 0.56, radiusMm: 0.13, soakLimit: 0.13 },
  },
  'lentils-green': {
    figures: { minutesAt100: 25.83, skin: 0.2442, radiusMm: 1.435, soakLimit: 0.8579 },
    interval: { minutesAt100: 0.19, skin: 0.56, radiusMm: 0.13, soakLimit: 0.07 },
  },
} as const satisfies Record<string, { figures: FittedFigures; interval: FittedFigures }>
