/**
 * What heats a pot. Delivered power is rated × efficiency × level.
 * @see US DOE, Energy Conservation Standards for Cooking Products (efficiencies of gas, coil, smooth and
 * induction tops, rounded)
 */
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
  'cooker-3': { ratedW: 350, efficiency: 0.75, kind: 'cooker', name: '3-cup rice cooker' },
  'cooker-5': { ratedW: 650, efficiency: 0.75, kind: 'cooker', name: '5-cup rice cooker' },
  'cooker-10': { ratedW: 1000, efficiency: 0.75, kind: 'cooker', name: '10-cup rice cooker' },
  'pressure-5': { ratedW: 900, efficiency: 0.9, kind: 'pressure', name: '5 L pressure cooker' },
  'pressure-6': { ratedW: 1000, efficiency: 0.9, kind: 'pressure', name: '6 L pressure cooker' },
  'pressure-8': { ratedW: 1200, efficiency: 0.9, kind: 'pressure', name: '8 L pressure cooker' },
  'oven-190': { ratedW: 2400, efficiency: 0.15, kind: 'oven', name: 'oven at 190 °C' },
} as const satisfies Record<string, HeatSource & { name: string }>

export type HeatPresetId = keyof typeof HEAT_PRESETS
export const HEAT_PRESET_IDS = Object.keys(HEAT_PRESETS) as HeatPresetId[]

export const HEAT_LEVELS = ['off', 'lowest', 'low', 'medium', 'high'] as const
export type HeatLevel = (typeof HEAT_LEVELS)[number]

/**
 * A gas tap turned as low as it goes still burns about three tenths of the rating: 0.25–0.35 kW on a small
 * ring, 0.45–0.55 on a medium one, 0.7–1.0 on a large one. A low flame hugs the base, so a little more of it
 * reaches the pot.
 */
const GAS_LEAST_SHARE = 0.3
const LOW_FLAME_GAIN = 0.45 / 0.4
/** Plates and induction switch on and off at their lowest setting; in the mean they give 120–250 W. */
const CYCLING_LEAST_SHARE = 0.12
/** Heat over the standing loss at which a pot visibly goes on simmering, W. */
const KEEPS_SIMMERING_W = 30

export const fullPower = (source: HeatSource): number => source.ratedW * source.efficiency

/** What reaches the pot at the lowest setting, W. */
export const leastPower = (source: HeatSource): number =>
  source.kind === 'gas'
    ? GAS_LEAST_SHARE * LOW_FLAME_GAIN * fullPower(source)
    : CYCLING_LEAST_SHARE * fullPower(source)

/**
 * What a pot needs to go on simmering under its lid, W.
 * @param standingLossW UA·(boil − room) of the pot with its lid on
 */
export const simmeringPower = (standingLossW: number): number => standingLossW + KEEPS_SIMMERING_W

/** Whether the lowest setting keeps this pot at a simmer; if not, the setting above it is meant by "lowest". */
export const lowestHoldsSimmer = (source: HeatSource, standingLossW: number): boolean =>
  leastPower(source) >= simmeringPower(standingLossW)

/**
 * Power that reaches the pot at a level, W. "lowest" is the least the burner gives, or the setting above it
 * that still keeps the pot simmering; never more than the source has. What it gives over the standing loss
 * leaves as steam, whatever the lid.
 * @param standingLossW UA·(boil − room) of the pot with its lid on
 */
export function deliveredPower(source: HeatSource, level: HeatLevel, standingLossW: number): number {
  const full = fullPower(source)
  const lowest = Math.min(full, Math.max(leastPower(source), simmeringPower(standingLossW)))
  switch (level) {
    case 'off':
      return 0
    case 'lowest':
      return lowest
    case 'low':
      return Math.max(lowest, 0.25 * full)
    case 'medium':
      return Math.max(lowest, 0.5 * full)
    case 'high':
      return full
  }
}

/**
 * How long a pot goes on boiling at full heat before a hand has turned it down, minutes. A plate gives off
 * what it holds besides.
 */
export const turnDownMinutes = (source: HeatSource): number =>
  source.kind === 'electric' && !isInduction(source) ? 1.25 : 0.5

/** No plate that heats by touch gets so much into a pot. */
const INDUCTION_FROM = 0.8
/** Whether a burner heats the pot itself, by its magnetic field. */
export const isInduction = ({ kind, efficiency }: Pick<HeatSource, 'kind' | 'efficiency'>): boolean =>
  kind === 'electric' && efficiency >= INDUCTION_FROM
