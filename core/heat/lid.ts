export const LID_POSITIONS = ['on', 'ajar', 'off'] as const
export type LidPosition = (typeof LID_POSITIONS)[number]
/** How well the lid fits. Loose leaks like ajar at a third; foil like tight with half the leak. */
export type LidFit = 'tight' | 'loose' | 'foil'

/** Share of the open surface that lets vapour out below the boil. A tight lid drips back nearly all of it. */
const AJAR_LEAK = 0.5
const TIGHT_LEAK = 0.04
const COVERED_LEAK = { tight: TIGHT_LEAK, loose: AJAR_LEAK / 3, foil: TIGHT_LEAK / 2 } as const

const AJAR_LOSS = 1.25
const OFF_LOSS = 1.6
const COVERED_LOSS = { tight: 1, loose: 1 + (AJAR_LOSS - 1) / 3, foil: 1 } as const
/** A covered pot with the heat off is not fed through its base, so it loses less. */
const RESTING_LOSS = 0.75

/** Share of the open-surface evaporation that escapes below the boil, 0..1. */
export const leakOf = (fit: LidFit, position: LidPosition): number =>
  position === 'off' ? 1 : position === 'ajar' ? AJAR_LEAK : COVERED_LEAK[fit]

/** Multiplier on the covered loss UA, convection and radiation only. */
export function lossFactor(fit: LidFit, position: LidPosition, heatOn: boolean): number {
  if (position === 'off') return OFF_LOSS
  if (position === 'ajar') return AJAR_LOSS
  return COVERED_LOSS[fit] * (heatOn ? 1 : RESTING_LOSS)
}
