import type { Blend } from '#core/grain/blend'
import type { HeatLevel, HeatPresetId, HeatSource } from '#core/heat/sources'
import type { LidPosition } from '#core/heat/lid'
import type { Goal } from '#core/pot/done'
import type { Phase } from '#core/pot/run'
import type { VesselPresetId } from '#core/vessel/presets'
import type { Vessel, VesselKind } from '#core/vessel/vessel'
import type { CueId } from './cues'

export const HEAT_STYLES = ['boil-then-lowest', 'strong-minute-then-low', 'medium-then-full-then-off', 'boil-then-off'] as const
export type HeatStyle = (typeof HEAT_STYLES)[number]

/** What a school may look at when it lays out its stages. */
export interface Kitchen {
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
  /** Whether a toasted bottom is wanted. */
  toasted: boolean
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

/** Where a school's water goes. pot: in with the grain, and all of it is drunk. excess: plenty, and the rest is poured off.
 *  boiler: under the grain. stock: kept beside it and given bit by bit. */
export type WaterWay = 'pot' | 'excess' | 'boiler' | 'stock'

/** The kinds of stage of the interface contract. */
export const STAGE_KINDS = [
  'measure', 'rinse', 'soak', 'drain', 'toast', 'heat-up', 'boil', 'skim', 'simmer', 'steam', 'moisten', 'ladle',
  'pressure-up', 'pressure', 'release', 'bake', 'rest', 'turn', 'fluff', 'spread', 'dress', 'cool', 'hold',
] as const
export type StageKind = (typeof STAGE_KINDS)[number]

/** One hot or resting stage of a school. Exactly one stage of a school may be open: its length is what the planner solves. */
export interface MethodStage extends Omit<Phase, 'until'> {
  kind: StageKind
  title: string
  heat: HeatLevel
  until: Phase['until'] | 'solved'
  /** A solved stage that ends when it is done, and is not stretched beyond. */
  exact?: boolean
  /** The most a solved stage may take, minutes: beyond it this school is the wrong one. */
  atMost?: number
  /** The least a solved stage takes, minutes. */
  atLeast?: number
  /** Goes on beside the rinsing and soaking: it does not need the grain. */
  beside?: boolean
  endsOn: 'clock' | 'cue'
  cue?: CueId
  handsOn: boolean
  checks: string[]
}

/** A school of cooking. Another school is another file of this shape and a line in the index. */
export interface Method {
  id: string
  name: string
  vesselKind: VesselKind
  water: WaterWay
  /** The pour comes boiling, out of a kettle. */
  kettle?: boolean
  /** The grain sits in a basket over the water. */
  basket?: boolean
  defaults: { vessel: VesselPresetId; heat: HeatPresetId; restMinutes: number }
  /** Words for the cook before anything is hot. */
  beforeHeat: string[]
  stages(kitchen: Kitchen): MethodStage[]
  /** What must be reached at the end; left out: drunk dry and cooked through. */
  goal?(kitchen: Kitchen): Goal
}
