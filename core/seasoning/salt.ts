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
