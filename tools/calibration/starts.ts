import type { VarietyId } from '#core/grain/varieties'
import type { Fitted } from './fit'

/**
 * Where the fit of each variety starts and what holds it back: radius and soak limit as measured of kernels,
 * the skin of the first soaking curves, and for grain in its skin the time its bare starch takes, because
 * what is slow in it is the water.
 */
export const STARTS: Record<VarietyId, Fitted> = {
  'long-white': { minutesAt100: 16, radiusMm: 0.95, skin: 1, soakLimit: 0.27 },
  basmati: { minutesAt100: 13, radiusMm: 0.85, skin: 1, soakLimit: 0.3 },
  jasmine: { minutesAt100: 14, radiusMm: 0.95, skin: 1, soakLimit: 0.27 },
  'medium-white': { minutesAt100: 15, radiusMm: 1.05, skin: 1, soakLimit: 0.28 },
  'short-white': { minutesAt100: 15, radiusMm: 1.15, skin: 1, soakLimit: 0.28 },
  'risotto-white': { minutesAt100: 16, radiusMm: 1.2, skin: 1, soakLimit: 0.28 },
  glutinous: { minutesAt100: 14, radiusMm: 1.1, skin: 0.25, soakLimit: 0.42 },
  'parboiled-long': { minutesAt100: 14, radiusMm: 0.95, skin: 0.5, soakLimit: 0.28 },
  'brown-long': { minutesAt100: 18, radiusMm: 0.95, skin: 0.09, soakLimit: 0.28 },
  'brown-short': { minutesAt100: 18, radiusMm: 1.15, skin: 0.09, soakLimit: 0.3 },
  'brown-basmati': { minutesAt100: 16, radiusMm: 0.85, skin: 0.09, soakLimit: 0.28 },
  red: { minutesAt100: 18, radiusMm: 1, skin: 0.09, soakLimit: 0.28 },
  black: { minutesAt100: 18, radiusMm: 1, skin: 0.09, soakLimit: 0.3 },
  wild: { minutesAt100: 22, radiusMm: 0.9, skin: 0.07, soakLimit: 0.3 },
  quinoa: { minutesAt100: 12.5, radiusMm: 0.8, skin: 0.6, soakLimit: 0.45 },
  millet: { minutesAt100: 16, radiusMm: 0.9, skin: 0.4, soakLimit: 0.35 },
  'buckwheat-groats': { minutesAt100: 13, radiusMm: 1.15, skin: 0.8, soakLimit: 0.35 },
  amaranth: { minutesAt100: 20, radiusMm: 0.5, skin: 0.4, soakLimit: 0.4 },
  teff: { minutesAt100: 16, radiusMm: 0.4, skin: 0.5, soakLimit: 0.4 },
  sorghum: { minutesAt100: 22, radiusMm: 1.6, skin: 0.15, soakLimit: 0.35 },
  fonio: { minutesAt100: 3, radiusMm: 0.35, skin: 1, soakLimit: 0.45 },
  'bulgur-medium': { minutesAt100: 5, radiusMm: 0.8, skin: 0.2, soakLimit: 0.5 },
  couscous: { minutesAt100: 3, radiusMm: 0.6, skin: 0.7, soakLimit: 0.6 },
  'freekeh-cracked': { minutesAt100: 14, radiusMm: 1, skin: 0.4, soakLimit: 0.4 },
  'barley-pearled': { minutesAt100: 18, radiusMm: 1.6, skin: 0.12, soakLimit: 0.4 },
  'barley-hulled': { minutesAt100: 22, radiusMm: 1.6, skin: 0.1, soakLimit: 0.4 },
  'farro-pearled': { minutesAt100: 16, radiusMm: 1.5, skin: 0.15, soakLimit: 0.4 },
  'wheat-berries': { minutesAt100: 22, radiusMm: 1.6, skin: 0.08, soakLimit: 0.42 },
  'rye-berries': { minutesAt100: 22, radiusMm: 1.4, skin: 0.07, soakLimit: 0.42 },
  'oat-groats': { minutesAt100: 20, radiusMm: 1.2, skin: 0.09, soakLimit: 0.4 },
  'oats-steel-cut': { minutesAt100: 16, radiusMm: 0.9, skin: 0.3, soakLimit: 0.45 },
  'lentils-green': { minutesAt100: 18, radiusMm: 1.4, skin: 0.3, soakLimit: 0.9 },
}
