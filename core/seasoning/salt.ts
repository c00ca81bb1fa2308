/**
 * Salt by the crystal in the household: a teaspoon is no dose, because crystals pack so differently. Bulk
 * densities, g/mL: usual measured figures for each kind, rounded.
 */
export const CRYSTALS = {
  table: { name: 'table salt', density: 1.2 },
  'fine-sea': { name: 'fine sea salt', density: 1.1 },
  'coarse-dense': { name: 'coarse salt, fine crystals', density: 1.0 },
  flaky: { name: 'flaky salt', density: 0.6 },
  'coarse-light': { name: 'coarse salt, light flakes', density: 0.55 },
} as const satisfies Record<string, { name: string; density: number }>

export type CrystalId = keyof typeof CRYSTALS
export const CRYSTAL_IDS = Object.keys(CRYSTALS) as CrystalId[]

/** Salt in so much of a level spoon or cup, g. */
export const saltGrams = (ml: number, crystal: CrystalId): number => ml * CRYSTALS[crystal].density

/**
 * Salt to be added, as a share of the cooked mass with what stock and add-ins bring, %.
 * @param broughtG salt in stock and add-ins, g
 */
export const saltPercentFor = (addG: number, broughtG: number, cookedG: number): number =>
  ((addG + broughtG) / cookedG) * 100
