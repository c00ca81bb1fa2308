import type { Blend } from '#core/grain/blend'
import type { HeatLevel, HeatPresetId, HeatSource } from '#core/heat/sources'
import type { LidPosition } from '#core/heat/lid'
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
}

/** The kinds of stage of the interface contract. */
export type StageKind =
  | 'measure' | 'rinse' | 'soak' | 'drain' | 'toast' | 'heat-up' | 'boil' | 'skim' | 'simmer' | 'steam' | 'moisten' | 'ladle'
  | 'pressure-up' | 'pressure' | 'release' | 'bake' | 'rest' | 'turn' | 'fluff' | 'spread' | 'dress' | 'cool' | 'hold'

/** One hot or resting stage of a school. Exactly one stage of a school may be open: its length is what the planner solves. */
export interface MethodStage extends Omit<Phase, 'until'> {
  kind: StageKind
  title: string
  heat: HeatLevel
  until: Phase['until'] | 'solved'
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
  defaults: { vessel: VesselPresetId; heat: HeatPresetId; restMinutes: number }
  /** Words for the cook before anything is hot. */
  beforeHeat: string[]
  stages(kitchen: Kitchen): MethodStage[]
}
