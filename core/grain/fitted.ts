import type { VarietyRow } from './variety'

/** The figures of a variety that are fitted and not measured: see docs/calibration.md. */
export type FittedFigures = Pick<VarietyRow, 'minutesAt100' | 'skin' | 'radiusMm' | 'soakLimit'>

/** Written by `npm run calibrate` from tools/calibration/observations.csv; not edited by hand.
 *  interval: half width of the 90 % interval as a share of the figure; 0 where a figure was not fitted. */
export const FITTED = {
  'long-white': {
    figures: { minutesAt100: 7.598, skin: 1, radiusMm: 0.9473, soakLimit: 0.27 },
    interval: { minutesAt100: 0.15, skin: 0, radiusMm: 0.13, soakLimit: 0 },
  },
  'basmati': {
    figures: { minutesAt100: 10.78, skin: 1, radiusMm: 0.7631, soakLimit: 0.3 },
    interval: { minutesAt100: 0.09, skin: 0, radiusMm: 0.07, soakLimit: 0 },
  },
  'jasmine': {
    figures: { minutesAt100: 7.225, skin: 1, radiusMm: 0.9562, soakLimit: 0.27 },
    interval: { minutesAt100: 0.13, skin: 0, radiusMm: 0.13, soakLimit: 0 },
  },
  'medium-white': {
    figures: { minutesAt100: 8.331, skin: 1, radiusMm: 1.034, soakLimit: 0.28 },
    interval: { minutesAt100: 0.17, skin: 0, radiusMm: 0.13, soakLimit: 0 },
  },
  'short-white': {
    figures: { minutesAt100: 7.687, skin: 1, radiusMm: 1.135, soakLimit: 0.28 },
    interval: { minutesAt100: 0.11, skin: 0, radiusMm: 0.05, soakLimit: 0 },
  },
  'risotto-white': {
    figures: { minutesAt100: 8.499, skin: 1, radiusMm: 1.19, soakLimit: 0.28 },
    interval: { minutesAt100: 0.26, skin: 0, radiusMm: 0.13, soakLimit: 0 },
  },
  'glutinous': {
    figures: { minutesAt100: 14.26, skin: 0.2642, radiusMm: 1.086, soakLimit: 0.4216 },
    interval: { minutesAt100: 0.17, skin: 0.52, radiusMm: 0.13, soakLimit: 0.07 },
  },
  'parboiled-long': {
    figures: { minutesAt100: 11.79, skin: 0.5186, radiusMm: 0.9512, soakLimit: 0.2821 },
    interval: { minutesAt100: 0.38, skin: 0.5, radiusMm: 0.13, soakLimit: 0.12 },
  },
  'brown-long': {
    figures: { minutesAt100: 13.92, skin: 0.08162, radiusMm: 0.9946, soakLimit: 0.2823 },
    interval: { minutesAt100: 0.32, skin: 0.35, radiusMm: 0.12, soakLimit: 0.12 },
  },
  'brown-short': {
    figures: { minutesAt100: 13.99, skin: 0.08687, radiusMm: 1.148, soakLimit: 0.2936 },
    interval: { minutesAt100: 0.21, skin: 0.29, radiusMm: 0.12, soakLimit: 0.05 },
  },
  'brown-basmati': {
    figures: { minutesAt100: 12.95, skin: 0.0732, radiusMm: 0.8532, soakLimit: 0.2772 },
    interval: { minutesAt100: 0.4, skin: 0.4, radiusMm: 0.12, soakLimit: 0.11 },
  },
  'red': {
    figures: { minutesAt100: 13.85, skin: 0.08679, radiusMm: 0.9992, soakLimit: 0.2857 },
    interval: { minutesAt100: 0.38, skin: 0.42, radiusMm: 0.12, soakLimit: 0.12 },
  },
  'black': {
    figures: { minutesAt100: 15.88, skin: 0.08416, radiusMm: 0.9917, soakLimit: 0.2969 },
    interval: { minutesAt100: 0.33, skin: 0.36, radiusMm: 0.12, soakLimit: 0.11 },
  },
  'wild': {
    figures: { minutesAt100: 24.07, skin: 0.06404, radiusMm: 0.9103, soakLimit: 0.2929 },
    interval: { minutesAt100: 0.31, skin: 0.36, radiusMm: 0.12, soakLimit: 0.12 },
  },
  'quinoa': {
    figures: { minutesAt100: 13.02, skin: 0.5997, radiusMm: 0.8024, soakLimit: 0.4522 },
    interval: { minutesAt100: 0.16, skin: 0.55, radiusMm: 0.13, soakLimit: 0.13 },
  },
  'millet': {
    figures: { minutesAt100: 16.92, skin: 0.4039, radiusMm: 0.9027, soakLimit: 0.3545 },
    interval: { minutesAt100: 0.22, skin: 0.57, radiusMm: 0.13, soakLimit: 0.13 },
  },
  'buckwheat-groats': {
    figures: { minutesAt100: 10.57, skin: 0.8, radiusMm: 1.144, soakLimit: 0.35 },
    interval: { minutesAt100: 0.18, skin: 0, radiusMm: 0.13, soakLimit: 0 },
  },
  'amaranth': {
    figures: { minutesAt100: 22.06, skin: 0.4, radiusMm: 0.5003, soakLimit: 0.4001 },
    interval: { minutesAt100: 0.15, skin: 0.58, radiusMm: 0.13, soakLimit: 0.13 },
  },
  'teff': {
    figures: { minutesAt100: 17.41, skin: 0.5, radiusMm: 0.4, soakLimit: 0.4005 },
    interval: { minutesAt100: 0.14, skin: 0.56, radiusMm: 0.13, soakLimit: 0.13 },
  },
  'sorghum': {
    figures: { minutesAt100: 23.83, skin: 0.1187, radiusMm: 1.649, soakLimit: 0.3362 },
    interval: { minutesAt100: 0.37, skin: 0.41, radiusMm: 0.12, soakLimit: 0.12 },
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
    figures: { minutesAt100: 3, skin: 0.7, radiusMm: 0.6284, soakLimit: 0.6 },
    interval: { minutesAt100: 0.82, skin: 0.58, radiusMm: 0.13, soakLimit: 0.13 },
  },
  'freekeh-cracked': {
    figures: { minutesAt100: 17.64, skin: 0.406, radiusMm: 1.005, soakLimit: 0.3985 },
    interval: { minutesAt100: 0.22, skin: 0.57, radiusMm: 0.13, soakLimit: 0.13 },
  },
  'barley-pearled': {
    figures: { minutesAt100: 14.38, skin: 0.1231, radiusMm: 1.609, soakLimit: 0.3931 },
    interval: { minutesAt100: 0.63, skin: 0.42, radiusMm: 0.12, soakLimit: 0.13 },
  },
  'barley-hulled': {
    figures: { minutesAt100: 18.33, skin: 0.08072, radiusMm: 1.629, soakLimit: 0.3947 },
    interval: { minutesAt100: 0.5, skin: 0.35, radiusMm: 0.12, soakLimit: 0.13 },
  },
  'farro-pearled': {
    figures: { minutesAt100: 10.88, skin: 0.1794, radiusMm: 1.471, soakLimit: 0.4078 },
    interval: { minutesAt100: 0.58, skin: 0.49, radiusMm: 0.12, soakLimit: 0.13 },
  },
  'wheat-berries': {
    figures: { minutesAt100: 25.37, skin: 0.0789, radiusMm: 1.579, soakLimit: 0.3951 },
    interval: { minutesAt100: 0.31, skin: 0.31, radiusMm: 0.12, soakLimit: 0.08 },
  },
  'rye-berries': {
    figures: { minutesAt100: 21.72, skin: 0.05371, radiusMm: 1.443, soakLimit: 0.4065 },
    interval: { minutesAt100: 0.51, skin: 0.38, radiusMm: 0.12, soakLimit: 0.13 },
  },
  'oat-groats': {
    figures: { minutesAt100: 20.03, skin: 0.06109, radiusMm: 1.256, soakLimit: 0.3919 },
    interval: { minutesAt100: 0.45, skin: 0.36, radiusMm: 0.12, soakLimit: 0.13 },
  },
  'oats-steel-cut': {
    figures: { minutesAt100: 22.64, skin: 0.3001, radiusMm: 0.8972, soakLimit: 0.4507 },
    interval: { minutesAt100: 0.21, skin: 0.57, radiusMm: 0.13, soakLimit: 0.13 },
  },
  'lentils-green': {
    figures: { minutesAt100: 25.51, skin: 0.2602, radiusMm: 1.432, soakLimit: 0.8578 },
    interval: { minutesAt100: 0.18, skin: 0.55, radiusMm: 0.12, soakLimit: 0.07 },
  },
} as const satisfies Record<string, { figures: FittedFigures; interval: FittedFigures }>
