/** Heat capacities of pot materials, J/(g K). @see CRC Handbook of Chemistry and Physics, rounded */
export const MATERIALS = {
  steel: { word: 'steel', heat: 0.5 },
  iron: { word: 'cast or enamelled iron', heat: 0.5 },
  aluminium: { word: 'aluminium', heat: 0.9 },
  clay: { word: 'clay or stoneware', heat: 0.9 },
} as const
export type MaterialId = keyof typeof MATERIALS
/** What a magnet holds to heats on induction; nothing else does. */
const MAGNETIC: ReadonlySet<MaterialId> = new Set(['steel', 'iron'])
/** Whether induction heats a pot of this material; an unknown one is taken to be one that it does. */
export const heatsOnInduction = (material: MaterialId | undefined): boolean =>
  material === undefined || MAGNETIC.has(material)

export const MATERIAL_IDS = Object.keys(MATERIALS) as MaterialId[]
