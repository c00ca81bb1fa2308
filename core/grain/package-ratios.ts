import type { VarietyId } from './varieties'

/**
 * Water to grain by volume as packages usually print it, for grain out of the bag in a pot with a lid: the
 * middle of what is printed, rounded to a quarter. Grain that custom drains, steams or pours over has none.
 */
export const PACKAGE_RATIOS: Partial<Record<VarietyId, number>> = {
  'long-white': 2,
  basmati: 1.75,
  jasmine: 1.5,
  'medium-white': 1.5,
  'short-white': 1.25,
  'parboiled-long': 2.25,
  'brown-long': 2.25,
  'brown-short': 2,
  'brown-basmati': 2.25,
  red: 2.25,
  black: 2,
  quinoa: 2,
  millet: 2.25,
  'buckwheat-groats': 2,
  amaranth: 2.5,
  'freekeh-cracked': 2.25,
  'barley-pearled': 3,
  'oat-groats': 2.5,
}
