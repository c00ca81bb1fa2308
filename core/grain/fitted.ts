import type { VarietyRow } from './variety'

/** The figures of a variety that are fitted and not measured: see docs/calibration.md. */
export type FittedFigures = Pick<VarietyRow, 'minutesAt100' | 'skin' | 'radiusMm' | 'soakLimit'>

/** Written by `npm run calibrate` from tools/calibration/observations.csv; not edited by hand. */
export const FITTED = {
  'long-white': { minutesAt100: 8.52, skin: 1, radiusMm: 0.9359, soakLimit: 0.27 },
  'basmati': { minutesAt100: 11.13, skin: 1, radiusMm: 0.8427, soakLimit: 0.3 },
  'jasmine': { minutesAt100: 7.843, skin: 1, radiusMm: 0.9732, soakLimit: 0.27 },
  'medium-white': { minutesAt100: 8.532, skin: 1, radiusMm: 1.05, soakLimit: 0.28 },
  'short-white': { minutesAt100: 8.497, skin: 1, radiusMm: 1.139, soakLimit: 0.28 },
  'risotto-white': { minutesAt100: 8.499, skin: 1, radiusMm: 1.19, soakLimit: 0.28 },
  'glutinous': { minutesAt100: 15.7, skin: 0.2887, radiusMm: 1.09, soakLimit: 0.4142 },
  'parboiled-long': { minutesAt100: 11.69, skin: 0.5092, radiusMm: 0.9577, soakLimit: 0.2782 },
  'brown-long': { minutesAt100: 14.21, skin: 0.0809, radiusMm: 0.9846, soakLimit: 0.2805 },
  'brown-short': { minutesAt100: 14.29, skin: 0.09797, radiusMm: 1.207, soakLimit: 0.2927 },
  'brown-basmati': { minutesAt100: 12.94, skin: 0.07707, radiusMm: 0.8577, soakLimit: 0.2723 },
  'red': { minutesAt100: 13.66, skin: 0.08828, radiusMm: 1.026, soakLimit: 0.2849 },
  'black': { minutesAt100: 13.93, skin: 0.07887, radiusMm: 1.019, soakLimit: 0.2962 },
  'wild': { minutesAt100: 24.18, skin: 0.0617, radiusMm: 0.8997, soakLimit: 0.2947 },
  'quinoa': { minutesAt100: 13.59, skin: 0.6, radiusMm: 0.7979, soakLimit: 0.4419 },
  'millet': { minutesAt100: 17.96, skin: 0.421, radiusMm: 0.8951, soakLimit: 0.3468 },
  'buckwheat-groats': { minutesAt100: 11.35, skin: 0.8, radiusMm: 1.148, soakLimit: 0.35 },
  'amaranth': { minutesAt100: 23.04, skin: 0.3952, radiusMm: 0.5, soakLimit: 0.3993 },
  'teff': { minutesAt100: 18.65, skin: 0.5087, radiusMm: 0.4, soakLimit: 0.4071 },
  'sorghum': { minutesAt100: 23.97, skin: 0.1122, radiusMm: 1.619, soakLimit: 0.3408 },
  'fonio': { minutesAt100: 3, skin: 1, radiusMm: 0.35, soakLimit: 0.45 },
  'bulgur-medium': { minutesAt100: 5.037, skin: 0.06532, radiusMm: 0.9083, soakLimit: 0.5 },
  'couscous': { minutesAt100: 3, skin: 0.7, radiusMm: 0.6, soakLimit: 0.6 },
  'freekeh-cracked': { minutesAt100: 19.16, skin: 0.4492, radiusMm: 1.025, soakLimit: 0.4026 },
  'barley-pearled': { minutesAt100: 16.03, skin: 0.1272, radiusMm: 1.62, soakLimit: 0.3992 },
  'barley-hulled': { minutesAt100: 17.89, skin: 0.08426, radiusMm: 1.647, soakLimit: 0.3863 },
  'farro-pearled': { minutesAt100: 9.839, skin: 0.1613, radiusMm: 1.46, soakLimit: 0.4032 },
  'wheat-berries': { minutesAt100: 27.45, skin: 0.08598, radiusMm: 1.544, soakLimit: 0.3781 },
  'rye-berries': { minutesAt100: 21.41, skin: 0.05285, radiusMm: 1.443, soakLimit: 0.408 },
  'oat-groats': { minutesAt100: 20.03, skin: 0.06045, radiusMm: 1.244, soakLimit: 0.388 },
  'oats-steel-cut': { minutesAt100: 23.35, skin: 0.2953, radiusMm: 0.904, soakLimit: 0.448 },
  'lentils-green': { minutesAt100: 27.79, skin: 0.2815, radiusMm: 1.42, soakLimit: 0.8543 },
} as const satisfies Record<string, FittedFigures>
