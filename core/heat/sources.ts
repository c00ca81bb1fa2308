/** What heats a pot. Delivered power is rated × efficiency × level.
 *  @see US DOE, Energy Conservation Standards for Cooking Products (efficiencies of gas, coil, smooth and induction tops, rounded) */
export interface HeatSource {
  ratedW: number
  /** Share of the rated power that reaches the pot, 0..1. */
  efficiency: number
  kind: 'gas' | 'electric' | 'cooker' | 'pressure' | 'oven'
}

export const HEAT_PRESETS = {
  'gas-small': { ratedW: 1000, efficiency: 0.4, kind: 'gas', name: 'small gas burner' },
  'gas-medium': { ratedW: 1750, efficiency: 0.4, kind: 'gas', name: 'medium gas burner' },
  'gas-large': { ratedW: 2700, efficiency: 0.4, kind: 'gas', name: 'large gas burner' },
  coil: { ratedW: 1800, efficiency: 0.7, kind: 'electric', name: 'electric coil' },
  ceramic: { ratedW: 1800, efficiency: 0.7, kind: 'electric', name: 'ceramic plate' },
  induction: { ratedW: 1800, efficiency: 0.85, kind: 'electric', name: 'induction plate' },
  'cooker-3': { ratedW: 350, efficiency: 0.75, kind: 'cooker', name: '3-scoop cooker' },
  'cooker-5': { ratedW: 650, efficiency: 0.75, kind: 'cooker', name: '5-scoop cooker' },
  'cooker-10': { ratedW: 1000, efficiency: 0.75, kind: 'cooker', name: '10-scoop cooker' },
  'pressure-5': { ratedW: 900, efficiency: 0.9, kind: 'pressure', name: '5 L pressure pot' },
  'pressure-6': { ratedW: 1000, efficiency: 0.9, kind: 'pressure', name: '6 L pressure pot' },
  'pressure-8': { ratedW: 1200, efficiency: 0.9, kind: 'pressure', name: '8 L pressure pot' },
  'oven-190': { ratedW: 2400, efficiency: 0.15, kind: 'oven', name: 'oven at 190 °C' },
} as const satisfies Record<string, HeatSource & { name: string }>

export type HeatPresetId = keyof typeof HEAT_PRESETS
export const HEAT_PRESET_IDS = Object.keys(HEAT_PRESETS) as HeatPresetId[]

export type HeatLevel = 'off' | 'lowest' | 'low' | 'medium' | 'high'

/** The least a source can be turned down to, as a share of rated power. The smallest gas burners do not go below a fifth. */
export const leastShare = (source: HeatSource): number =>
  source.kind === 'gas' ? (source.ratedW <= 1200 ? 0.2 : 0.15) : 0.05

export const fullPower = (source: HeatSource): number => source.ratedW * source.efficiency

/** Heat above the standing loss that people leave under a simmering pot, W. */
const USUAL_SURPLUS_W = 80

/** Power that reaches the pot at a level, W. "lowest" is the usual simmer: the pot's standing loss and a little more,
 *  or as low as the source goes, whichever is larger. Never more than the source has.
 *  @param standingLossW UA·(boil − room) of the pot with its lid on */
export function deliveredPower(source: HeatSource, level: HeatLevel, standingLossW: number): number {
  const full = fullPower(source)
  const simmer = Math.min(full, Math.max(standingLossW + USUAL_SURPLUS_W, leastShare(source) * full))
  switch (level) {
    case 'off':
      return 0
    case 'lowest':
      return simmer
    case 'low':
      return Math.max(simmer, 0.25 * full)
    case 'medium':
      return Math.max(simmer, 0.5 * full)
    case 'high':
      return full
  }
}
