import type { AvoidedId } from '#core/eaters/avoid'
import type { DressingId } from '#core/finish/dressing'
import type { VarietyId } from '#core/grain/varieties'
import type { LidPosition } from '#core/heat/lid'
import type { HeatSource } from '#core/heat/sources'
import type { Authority } from '#core/leftovers/guidance'
import type { MethodId } from '#core/methods/index'
import type { BoilerDish, Finish, HeatStyle, Purpose } from '#core/methods/definition'
import type { CrystalId } from '#core/seasoning/salt'
import type { AddIn } from '#core/seasoning/seasoning'
import type { Vessel } from '#core/vessel/vessel'
import type { Spreads } from '#core/spreads'
import type { Measure } from '#core/units/measures'
import type { Drain } from '#core/water/cling'

export { PURPOSES, type Purpose } from '#core/methods/definition'

export const AMOUNT_BASES = ['dry-mass', 'dry-volume', 'cooked-mass', 'cooked-volume', 'servings'] as const
export type AmountBasis = (typeof AMOUNT_BASES)[number]

export interface Soak {
  minutes: number
  celsius: number
  water: 'drain' | 'keep'
  /** Weight after draining, g; null when it was not weighed. */
  wetMassG: number | null
}

/** How a blend of quick and slow is brought to one end. */
export const BLEND_TIMINGS = ['together', 'soak-slow', 'add-later'] as const
export type BlendTiming = (typeof BLEND_TIMINGS)[number]

/** Stages whose heat cooks the grain. */
export const HEATED_STAGE_KINDS = ['boil', 'simmer', 'steam', 'pressure', 'bake'] as const
/** Stages a cook may give minutes of their own; "rest" is the request's own rest. */
export const HOLD_PLACES = ['pot', 'warm-drawer'] as const
export type HoldPlace = (typeof HOLD_PLACES)[number]

export const OWN_STAGE_KINDS = [...HEATED_STAGE_KINDS, 'rest'] as const
export type OwnStageKind = (typeof OWN_STAGE_KINDS)[number]

/** A plan request with nothing left open. Everything past the contract's door works on this. */
export interface PlanRequest {
  grains: { variety: VarietyId; share: number }[]
  amount: { basis: AmountBasis; value: number; serving: 'side' | 'main' }
  /** The measures amounts are given in besides grams. */
  measures: readonly Measure[]
  /** What the words of a batch say: grams, or the first of its measures. */
  saidIn: 'grams' | 'measures'
  /** Minutes of the cook's own, planned exactly so: by the kind of stage, or of the stage the method solves. */
  ownMinutes: Partial<Record<OwnStageKind | 'solved', number>>
  purpose: Purpose
  method: MethodId
  heatStyle: HeatStyle
  vessel: Vessel
  source: HeatSource
  /** Clarity of the last water, 0..1, when the cook compared it; null when not. */
  rinse: { washes: number; drain: Drain; clarity: number | null }
  soak: Soak | null
  blendTiming: BlendTiming
  /** 0 firm, 0.5 standard, 1 soft. */
  texture: number
  /** Of a porridge: 0 thin, 1 thick. */
  thickness: number
  /** The earliest end that works at all, whatever it leans on. */
  hurry: boolean
  /** Learned for this bag and eater, added to the published uptake, g/g. */
  uptakeDelta: number
  /** Learned for this grain and pot: how much longer than published it takes to cook through, 1 for as published. */
  minutesFactor: number
  elevationM: number
  /** What a household has learned of its spreads, as shares; left out: those of an unknown kitchen. */
  spreads: Partial<Spreads>
  kitchenC: number
  waterC: number
  lidUntilBoil: LidPosition
  stirAtBoil: boolean
  loosenInRest: boolean
  /** Fried in a pan once it has steamed off; only with the purpose frying. */
  fryAtEnd: boolean
  /** A share, 0..1, dried and chilled overnight to be fried tomorrow; and the texture of what is eaten today. */
  fryTomorrow: { share: number; texture: number } | null
  restMinutes: number
  pressure: 'low' | 'high'
  release: 'natural' | 'timed' | 'quick'
  releaseMinutes: number
  passes: number
  cookedShare: number
  finish: Finish
  /** A toasted bottom is wanted; it stays behind in the pot, or is lifted off last. */
  toasted: boolean
  /** Seasoned vinegar that is folded in, or null. */
  dressing: {
    style: DressingId
    infuseMinutes: number
    setMinutes: number
    /** So much liquid to 240 mL of dry grain, where it was stated so; null by the style. */
    mlPer240: number | null
    /** The cook's own, g per 100 g of dry grain; left out: by the style. */
    own?: { vinegar: number; sugar: number; salt: number }
    /** Made ahead, and poured from this bottle. */
    bottle?: { id: string; name: string }
  } | null
  /** Kept warm for this long before serving, minutes. */
  holdMinutes: number
  /** Where it is kept warm: where it cooked, or in a warm drawer. */
  holdIn: HoldPlace
  /** Filled so long before its appliance starts by itself, minutes; it soaks meanwhile. */
  startLaterMinutes: number
  /** Foods someone who eats avoids. */
  avoids: readonly AvoidedId[]
  /** Whether the bag says that vitamins were added; null when not known. */
  enriched: boolean | null
  /** Portions cooked on top, to keep. */
  keepServings: number
  /** What sticks to this pot's bottom, g of cooked grain. */
  stuckG: number
  /** Whose food-safety figures are in force. */
  guidance: Authority
  saltPercent: number | null
  /** The salt of the house: how much a spoon of it holds. */
  saltCrystal: CrystalId
  stockShare: number
  stockSaltPercent: number
  addIns: readonly AddIn[]
  pourOverrideG: number | null
  /** A dish that simmers under the basket instead of plain water. */
  boilerDish: BoilerDish | null
  /** UTC milliseconds, or null when no hour was named. */
  serveAtMs: number | null
}
