import type { VarietyRow } from './variety'

/** The figures of a variety that are fitted and not measured: see docs/calibration.md. */
export type FittedFigures = Pick<VarietyRow, 'minutesAt100' | 'skin' | 'radiusMm' | 'soakLimit'>

/** Written by `npm run calibrate` from tools/calibration/observations.csv; not edited by hand.
 *  interval: half width of the 90 % interval as a share of the figure; 0 where a figure was not fitted. */
export const FITTED = {
  'long-white': {
    figures: { minutesAt100: 8.52, skin: 1, radiusMm: 0.9359, soakLimit: 0.27 },
    interval: { minutesAt100: 0.14, skin: 0, radiusMm: 0.13, soakLimit: 0 },
  },
  'basmati': {
    figures: { minutesAt100: 11.13, skin: 1, radiusMm: 0.8427, soakLimit: 0.3 },
    interval: { minutesAt100: 0.12, skin: 0, radiusMm: 0.05, soakLimit: 0 },
  },
  'jasmine': {
    figures: { minutesAt100: 7.843, skin: 1, radiusMm: 0.9732, soakLimit: 0.27 },
    interval: { minutesAt100: 0.16, skin: 0, radiusMm: 0.13, soakLimit: 0 },
  },
  'medium-white': {
    figures: { minutesAt100: 8.532, skin: 1, radiusMm: 1.05, soakLimit: 0.28 },
    interval: { minutesAt100: 0.18, skin: 0, radiusMm: 0.11, soakLimit: 0 },
  },
  'short-white': {
    figures: { minutesAt100: 8.497, skin: 1, radiusMm: 1.139, soakLimit: 0.28 },
    interval: { minutesAt100: 0.12, skin: 0, radiusMm: 0.03, soakLimit: 0 },
  },
  'risotto-white': {
    figures: { minutesAt100: 8.499, skin: 1, radiusMm: 1.19, soakLimit: 0.28 },
    interval: { minutesAt100: 0.26, skin: 0, radiusMm: 0.13, soakLimit: 0 },
  },
  'glutinous': {
    figures: { minutesAt100: 15.7, skin: 0.2887, radiusMm: 1.09, soakLimit: 0.4142 },
    interval: { minutesAt100: 0.17, skin: 0.54, radiusMm: 0.13, soakLimit: 0.05 },
  },
  'parboiled-long': {
    figures: { minutesAt100: 11.69, skin: 0.5092, radiusMm: 0.9577, soakLimit: 0.2782 },
    interval: { minutesAt100: 0.37, skin: 0.57, radiusMm: 0.13, soakLimit: 0.12 },
  },
  'brown-long': {
    figures: { minutesAt100: 14.21, skin: 0.0809, radiusMm: 0.9846, soakLimit: 0.2805 },
    interval: { minutesAt100: 0.3, skin: 0.41, radiusMm: 0.12, soakLimit: 0.11 },
  },
  'brown-short': {
    figures: { minutesAt100: 14.29, skin: 0.09797, radiusMm: 1.207, soakLimit: 0.2927 },
    interval: { minutesAt100: 0.18, skin: 0.26, radiusMm: 0.11, soakLimit: 0.03 },
  },
  'brown-basmati': {
    figures: { minutesAt100: 12.94, skin: 0.07707, radiusMm: 0.8577, soakLimit: 0.2723 },
    interval: { minutesAt100: 0.36, skin: 0.4, radiusMm: 0.12, soakLimit: 0.11 },
  },
  'red': {
    figures: { minutesAt100: 13.66, skin: 0.08828, radiusMm: 1.026, soakLimit: 0.2849 },
    interval: { minutesAt100: 0.42, skin: 0.4, radiusMm: 0.12, soakLimit: 0.12 },
  },
  'black': {
    figures: { minutesAt100: 13.93, skin: 0.07887, radiusMm: 1.019, soakLimit: 0.2962 },
    interval: { minutesAt100: 0.34, skin: 0.39, radiusMm: 0.12, soakLimit: 0.12 },
  },
  'wild': {
    figures: { minutesAt100: 24.18, skin: 0.0617, radiusMm: 0.8997, soakLimit: 0.2947 },
    interval: { minutesAt100: 0.3, skin: 0.38, radiusMm: 0.12, soakLimit: 0.12 },
  },
  'quinoa': {
    figures: { minutesAt100: 13.59, skin: 0.6, radiusMm: 0.7979, soakLimit: 0.4419 },
    interval: { minutesAt100: 0.19, skin: 0.55, radiusMm: 0.13, soakLimit: 0.13 },
  },
  'millet': {
    figures: { minutesAt100: 17.96, skin: 0.421, radiusMm: 0.8951, soakLimit: 0.3468 },
    interval: { minutesAt100: 0.25, skin: 0.52, radiusMm: 0.13, soakLimit: 0.13 },
  },
  'buckwheat-groats': {
    figures: { minutesAt100: 11.35, skin: 0.8, radiusMm: 1.148, soakLimit: 0.35 },
    interval: { minutesAt100: 0.15, skin: 0, radiusMm: 0.13, soakLimit: 0 },
  },
  'amaranth': {
    figures: { minutesAt100: 23.04, skin: 0.3952, radiusMm: 0.5, soakLimit: 0.3993 },
    interval: { minutesAt100: 0.14, skin: 0.57, radiusMm: 0.13, soakLimit: 0.13 },
  },
  'teff': {
    figures: { minutesAt100: 18.65, skin: 0.5087, radiusMm: 0.4, soakLimit: 0.4071 },
    interval: { minutesAt100: 0.14, skin: 0.56, radiusMm: 0.13, soakLimit: 0.13 },
  },
  'sorghum': {
    figures: { minutesAt100: 23.97, skin: 0.1122, radiusMm: 1.619, soakLimit: 0.3408 },
    interval: { minutesAt100: 0.4, skin: 0.43, radiusMm: 0.12, soakLimit: 0.12 },
  },
  'fonio': {
    figures: { minutesAt100: 3, skin: 1, radiusMm: 0.35, soakLimit: 0.45 },
    interval: { minutesAt100: 0.82, skin: 0, radiusMm: 0.13, soakLimit: 0 },
  },
  'bulgur-medium': {
    figures: { minutesAt100: 5.037, skin: 0.06532, radiusMm: 0.9083, soakLimit: 0.5 },
    interval: { minutesAt100: 0.82, skin: 0.28, radiusMm: 0.12, soakLimit: 0.13 },
  },
  'couscous': {
    figures: { minutesAt100: 3, skin: 0.7, radiusMm: 0.6, soakLimit: 0.6 },
    interval: { minutesAt100: 0.82, skin: 0.58, radiusMm: 0.13, soakLimit: 0.13 },
  },
  'freekeh-cracked': {
    figures: { minutesAt100: 19.16, skin: 0.4492, radiusMm: 1.025, soakLimit: 0.4026 },
    interval: { minutesAt100: 0.23, skin: 0.56, radiusMm: 0.13, soakLimit: 0.13 },
  },
  'barley-pearled': {
    figures: { minutesAt100: 16.03, skin: 0.1272, radiusMm: 1.62, soakLimit: 0.3992 },
    interval: { minutesAt100: 0.6, skin: 0.45, radiusMm: 0.13, soakLimit: 0.13 },
  },
  'barley-hulled': {
    figures: { minutesAt100: 17.89, skin: 0.08426, radiusMm: 1.647, soakLimit: 0.3863 },
    interval: { minutesAt100: 0.48, skin: 0.35, radiusMm: 0.12, soakLimit: 0.13 },
  },
  'farro-pearled': {
    figures: { minutesAt100: 9.839, skin: 0.1613, radiusMm: 1.46, soakLimit: 0.4032 },
    interval: { minutesAt100: 0.56, skin: 0.39, radiusMm: 0.12, soakLimit: 0.13 },
  },
  'wheat-berries': {
    figures: { minutesAt100: 27.45, skin: 0.08598, radiusMm: 1.544, soakLimit: 0.3781 },
    interval: { minutesAt100: 0.27, skin: 0.29, radiusMm: 0.11, soakLimit: 0.05 },
  },
  'rye-berries': {
    figures: { minutesAt100: 21.41, skin: 0.05285, radiusMm: 1.443, soakLimit: 0.408 },
    interval: { minutesAt100: 0.54, skin: 0.39, radiusMm: 0.12, soakLimit: 0.13 },
  },
  'oat-groats': {
    figures: { minutesAt100: 20.03, skin: 0.06045, radiusMm: 1.244, soakLimit: 0.388 },
    interval: { minutesAt100: 0.41, skin: 0.38, radiusMm: 0.12, soakLimit: 0.13 },
  },
  'oats-steel-cut': {
    figures: { minutesAt100: 23.35, skin: 0.2953, radiusMm: 0.904, soakLimit: 0.448 },
    interval: { minutesAt100: 0.22, skin: 0.57, radiusMm: 0.13, soakLimit: 0.13 },
  },
  'lentils-green': {
    figures: { minutesAt100: 27.79, skin: 0.2815, radiusMm: 1.42, soakLimit: 0.8543 },
    interval: { minutesAt100: 0.17, skin: 0.51, radiusMm: 0.13, soakLimit: 0.04 },
  },
} as const satisfies Record<string, { figures: FittedFigures; interval: FittedFigures }>
