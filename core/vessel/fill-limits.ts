import { isPressureCooker, type VesselKind } from './vessel'

/** How full a vessel may be and how thin a layer may lie: once, for the default vessel, the pour and the cautions. */

/** Swollen grain may fill this much of a vessel. */
export const SWOLLEN_SHARE = 3 / 4
/** A layer of dry grain thinner than this dries before it is cooked, mm. */
export const THINNEST_LAYER_MM = 8
/** Packed cooked grain is denser than loose grain in a cup by this factor. */
export const PACKED_IN_POT = 1.15
/** Makers' usual fill limits for pressure cookers, before cooking; the lower one for what froths or is a porridge. */
const PRESSURE_FILL = { any: 1 / 2, frothing: 1 / 3 } as const

/** The share of its capacity that a pressure cooker may be filled to; undefined for other vessels. */
export const pressureFill = (kind: VesselKind, froths: boolean): number | undefined =>
  isPressureCooker(kind) ? (froths ? PRESSURE_FILL.frothing : PRESSURE_FILL.any) : undefined
