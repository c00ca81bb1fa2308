import type { FittedFigures } from './fitted'
import type { VarietyId } from './varieties'

/**
 * How sure each fitted figure is: half width of its 90 % interval, as a share of the figure; 0 where it was
 * not fitted. Written by `npm run calibrate`; not edited by hand.
 */
export const FITTED_INTERVALS: Record<VarietyId, FittedFigures> = {
  'long-white': { minutesAt100: 0.14, skin: 0, radiusMm: 0.13, soakLimit: 0 },
  basmati: { minutesAt100: 0.12, skin: 0, radiusMm: 0.05, soakLimit: 0 },
  jasmine: { minutesAt100: 0.16, skin: 0, radiusMm: 0.13, soakLimit: 0 },
  'medium-white': { minutesAt100: 0.18, skin: 0, radiusMm: 0.11, soakLimit: 0 },
  'short-white': { minutesAt100: 0.12, skin: 0, radiusMm: 0.03, soakLimit: 0 },
  'risotto-white': { minutesAt100: 0.26, skin: 0, radiusMm: 0.13, soakLimit: 0 },
  glutinous: { minutesAt100: 0.17, skin: 0.54, radiusMm: 0.13, soakLimit: 0.05 },
  'parboiled-long': { minutesAt100: 0.37, skin: 0.57, radiusMm: 0.13, soakLimit: 0.12 },
  'brown-long': { minutesAt100: 0.3, skin: 0.41, radiusMm: 0.12, soakLimit: 0.11 },
  'brown-short': { minutesAt100: 0.18, skin: 0.26, radiusMm: 0.11, soakLimit: 0.03 },
  'brown-basmati': { minutesAt100: 0.36, skin: 0.4, radiusMm: 0.12, soakLimit: 0.11 },
  red: { minutesAt100: 0.42, skin: 0.4, radiusMm: 0.12, soakLimit: 0.12 },
  black: { minutesAt100: 0.34, skin: 0.39, radiusMm: 0.12, soakLimit: 0.12 },
  wild: { minutesAt100: 0.3, skin: 0.38, radiusMm: 0.12, soakLimit: 0.12 },
  quinoa: { minutesAt100: 0.19, skin: 0.55, radiusMm: 0.13, soakLimit: 0.13 },
  millet: { minutesAt100: 0.25, skin: 0.52, radiusMm: 0.13, soakLimit: 0.13 },
  'buckwheat-groats': { minutesAt100: 0.15, skin: 0, radiusMm: 0.13, soakLimit: 0 },
  amaranth: { minutesAt100: 0.14, skin: 0.57, radiusMm: 0.13, soakLimit: 0.13 },
  teff: { minutesAt100: 0.14, skin: 0.56, radiusMm: 0.13, soakLimit: 0.13 },
  sorghum: { minutesAt100: 0.4, skin: 0.43, radiusMm: 0.12, soakLimit: 0.12 },
  fonio: { minutesAt100: 0.82, skin: 0, radiusMm: 0.13, soakLimit: 0 },
  'bulgur-medium': { minutesAt100: 0.82, skin: 0.28, radiusMm: 0.12, soakLimit: 0.13 },
  couscous: { minutesAt100: 0.82, skin: 0.58, radiusMm: 0.13, soakLimit: 0.13 },
  'freekeh-cracked': { minutesAt100: 0.23, skin: 0.56, radiusMm: 0.13, soakLimit: 0.13 },
  'barley-pearled': { minutesAt100: 0.6, skin: 0.45, radiusMm: 0.13, soakLimit: 0.13 },
  'barley-hulled': { minutesAt100: 0.48, skin: 0.35, radiusMm: 0.12, soakLimit: 0.13 },
  'farro-pearled': { minutesAt100: 0.56, skin: 0.39, radiusMm: 0.12, soakLimit: 0.13 },
  'wheat-berries': { minutesAt100: 0.27, skin: 0.29, radiusMm: 0.11, soakLimit: 0.05 },
  'rye-berries': { minutesAt100: 0.54, skin: 0.39, radiusMm: 0.12, soakLimit: 0.13 },
  'oat-groats': { minutesAt100: 0.41, skin: 0.38, radiusMm: 0.12, soakLimit: 0.13 },
  'oats-steel-cut': { minutesAt100: 0.22, skin: 0.57, radiusMm: 0.13, soakLimit: 0.13 },
  'lentils-green': { minutesAt100: 0.17, skin: 0.51, radiusMm: 0.13, soakLimit: 0.04 },
}
