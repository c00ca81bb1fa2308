import type { Blend } from '#core/grain/blend'
import type { Variety } from '#core/grain/varieties'
import type { HeatLevel, HeatPresetId, HeatSource } from '#core/heat/sources'
import type { LidPosition } from '#core/heat/lid'
import type { Goal } from '#core/pot/doneness'
import type { Phase } from '#core/pot/run'
import type { VesselPresetId } from '#core/vessel/presets'
import type { Vessel, VesselKind } from '#core/vessel/vessel'
import type { CueId } from './signs'

export const HEAT_STYLES = [
  'boil-then-lowest',
  'strong-minute-then-low',
  'medium-then-full-then-off',
  'boil-then-off',
] as const
export type HeatStyle = (typeof HEAT_STYLES)[number]

/** What a method may look at when it lays out its stages. */
export interface MethodContext {
  blend: Blend
  dryG: number
  vessel: Vessel
  source: HeatSource
  boilC: number
  ambientPa: number
  kitchenC: number
  heatStyle: HeatStyle
  lidUntilBoil: LidPosition
  stirAtBoil: boolean
  /** The rest is opened halfway and the grain loosened once. */
  loosenInRest: boolean
  restMinutes: number
  pressure: 'low' | 'high'
  release: 'natural' | 'timed' | 'quick'
  releaseMinutes: number
  /** Steamings, for grain steamed in passes. */
  passes: number
  /** How far grain that is drained is cooked in the water, 0..1. */
  cookedShare: number
  finish: Finish
  purpose: Purpose
  /** Water wanted in the grain, g/g. */
  uptake: number
  boilerDish: BoilerDish | null
  /** Whether a crisp bottom is wanted. */
  toasted: boolean
  /** 0 firm, 0.5 standard, 1 soft. */
  texture: number
  /** Of a porridge: 0 thin, 1 thick. */
  thickness: number
}

export const FINISHES = ['none', 'cold-rinse', 'steam'] as const
export type Finish = (typeof FINISHES)[number]

export const PURPOSES = ['side', 'frying', 'salad', 'dressed', 'porridge', 'part-cooked', 'batch'] as const
export type Purpose = (typeof PURPOSES)[number]

/** A companion dish as the boiler: its steam cooks the grain, and it pays for it with its own liquid. */
export interface BoilerDish {
  name: string
  /** Thin liquid in it at the start, g. */
  liquidG: number
}

/**
 * Where a method's water goes. pot: in with the grain, and all of it is drunk. excess: plenty, and the rest
 * is poured off. boiler: under the grain. stock: kept beside it and given bit by bit.
 */
export type WaterMode = 'pot' | 'excess' | 'boiler' | 'stock'

/** The kinds of stage of the interface contract. */
export const STAGE_KINDS = [
  'measure',
  'rinse',
  'soak',
  'drain',
  'toast',
  'heat-up',
  'boil',
  'skim',
  'simmer',
  'steam',
  'moisten',
  'ladle',
  'pressure-up',
  'pressure',
  'release',
  'bake',
  'rest',
  'turn',
  'fluff',
  'spread',
  'dress',
  'cool',
  'hold',
] as const
export type StageKind = (typeof STAGE_KINDS)[number]

/**
 * One hot or resting stage of a method. Exactly one stage of a method may be open: its length is what the
 * planner solves.
 */
export interface MethodStage extends Omit<Phase, 'until'> {
  kind: StageKind
  title: string
  heat: HeatLevel
  until: Phase['until'] | 'solved'
  /** What is looked for at its end is that no water is seen. */
  drySign?: boolean
  /** A solved stage that ends when it is done, and is not stretched beyond. */
  exact?: boolean
  /** The most a solved stage may take, minutes: beyond it this method is the wrong one. */
  atMost?: number
  /** The least a solved stage takes, minutes. */
  atLeast?: number
  /** Goes on beside the rinsing and soaking: it does not need the grain. */
  aside?: boolean
  endsOn: 'clock' | 'cue'
  cue?: CueId
  handsOn: boolean
  checks: string[]
}

/** A soak, where nothing else was asked for. */
export interface UsualSoak {
  minutes: number
  /** Left out: as warm as the kitchen. */
  celsius?: number
  water: 'drain'
}

/**
 * A way of cooking, with everything that is particular to it. Another one is another file of this shape and a
 * line in the index; nothing elsewhere asks which method it is.
 */
export interface Method {
  id: string
  /** The term a cook would look it up by. */
  name: string
  /** The same within a sentence: "cooked …". */
  words: string
  /** Kinds of vessel it is done in, its own first. */
  vesselKinds: readonly [VesselKind, ...VesselKind[]]
  /** What heats it, where that is no burner. */
  heatKind?: HeatSource['kind']
  water: WaterMode
  /** The pour comes boiling, out of a kettle. */
  kettle?: boolean
  /** The grain sits in a basket over the water. */
  basket?: boolean
  /** In the basket stands a bowl with the grain and its own water. */
  bowl?: boolean
  /** Starts cold with grain and water together, so that soaking water can be cooked in. */
  coldStart?: boolean
  /** The appliance can start by itself. */
  timer?: boolean
  /** Sealed and under pressure while it cooks. */
  sealed?: boolean
  /** Kept moving, and eaten with what still flows: no loosening, no words about a deep or a thin layer. */
  stirred?: boolean
  /** Its layers even out in a covered rest. */
  evensInRest?: boolean
  /** A toasted bottom, a choice of lid and of heat style belong to it. */
  toastable?: boolean
  /** More or less water in the pot makes it softer or firmer, so that the water can be moved by hand. */
  pourSetsTexture?: boolean
  defaults: { vessel: VesselPresetId; heat: HeatPresetId; restMinutes: number }
  /** Words for the cook before anything is hot. */
  beforeHeat: string[]
  stages(kitchen: MethodContext): MethodStage[]
  /** What must be reached at the end; left out: drunk dry and cooked through. */
  goal?(kitchen: MethodContext): Goal
  /** Water that is eaten with the grain and not in it, g per g of dry grain. */
  sauce?(kitchen: MethodContext): number
  /** Whether a cook would think of it for this grain unasked. The planner plans any pair. */
  suits(variety: Variety): boolean
  /** The soak it cannot do without for this grain, or that custom gives it. */
  usualSoak?(variety: Variety): UsualSoak | null
  /** The same method as it is done for grain that cannot be cooked by it as it stands. */
  variantFor?(given: { blend: Blend; soaked: boolean; vessel: Vessel }): Method
}
