import type { Measured } from '#core/units/measures'
import type { DressingId } from '#core/finish/dressing'
import type { LoosenWay } from '#core/finish/loosen'
import type { VarietyId } from '#core/grain/varieties'
import type { LidPosition } from '#core/heat/lid'
import type { HeatLevel, HeatPresetId } from '#core/heat/sources'
import type { CueId } from '#core/methods/signs'
import type { HeatStyle, StageKind } from '#core/methods/definition'
import type { MethodId } from '#core/methods/index'
import type { AddInOut, AddInTime } from '#core/seasoning/seasoning'
import type { VesselPresetId } from '#core/vessel/presets'
import type { StageAmount } from './stage-amount'
import type { BlendTiming } from './request'

/** Minutes as a window. */
export interface Window {
  low: number
  expected: number
  high: number
}

/** A burner's or an appliance's setting. */
export interface StageSetting {
  /** "high", "lowest", "cook", "pressure cook", "190 °C". */
  setting: string
  minutes?: number
  pressure?: 'low' | 'high'
  release?: 'natural' | 'timed' | 'quick'
}

export interface Stage {
  id: string
  after: string[]
  kind: StageKind
  title: string
  heat: HeatLevel
  power_w: number
  lid: LidPosition
  minutes: Window
  ends_on: 'clock' | 'cue'
  cue?: string
  /** Which drawn sign it is. */
  cue_id?: CueId
  hands_on: boolean
  /** How long after it could begin it should, so that two branches of the cook meet. */
  lag_minutes?: number
  /** Which way of loosening is drawn. */
  loosen?: LoosenWay
  starts_at?: string
  /** Not before this, UTC milliseconds: stages that were begun by hand in a running cook. */
  begins_ms?: number
  /** What is done to the bed in this stage of a remedy. */
  mends?: { addG: number; turn: boolean; pourOffG?: number }
  checks: string[]
  /** What to set on the burner or the appliance as the stage begins. */
  set?: StageSetting
  /** What is measured, poured or sprinkled in this stage: its own, never the whole pot's. */
  amounts?: StageAmount[]
}

export type CautionAbout = 'texture' | 'fit' | 'burn' | 'food-safety' | 'timing'

export interface Caution {
  code: string
  severity: 'note' | 'warn' | 'stop'
  about: CautionAbout
  text: string
  /** What helps, in words. */
  remedy?: string
  /** Patch for the plan request that removes this caution, if there is one. */
  mend?: CautionFix
}

/** The fields of a plan request that a caution can set, with the request's own names and units. */
export interface CautionFix {
  grains?: { variety: VarietyId; share: number }[]
  amount?: { basis: 'dry-mass'; value: number }
  method?: MethodId
  /** Presets, for a request that names no household's own. */
  vessel?: VesselPresetId
  heat?: HeatPresetId
  heat_style?: HeatStyle
  lid_until_boil?: LidPosition
  rinse?: { washes: number; drain: 'tip' | 'sieve' }
  soak?: { minutes: number; celsius: number; water: 'drain' | 'keep' }
  blend_timing?: BlendTiming
  stock_share?: number
  pour_override_g?: null
  release?: 'natural' | 'timed'
  release_minutes?: number
  rest_minutes?: number
  hold_minutes?: number
  start_later_minutes?: number
  dressing?: {
    style: DressingId
    infuse_minutes: number
    set_minutes: number
    ml_per_240_ml_dry: number | null
    per_100g_dry?: { vinegar_g: number; sugar_g: number; salt_g: number }
    bottle?: { id: string; name: string }
  }
  boiler_dish?: { name: string; liquid_g: number }
}

/** The contract's plan; units are in the names. */
export interface Plan {
  grain: {
    mass_g: number
    volume_ml: number
    parts: { variety: VarietyId; mass_g: number; volume_ml: number; measures?: Measured[] }[]
  }
  water: {
    pour_g: number
    ratio_by_volume: number
    ratio_by_mass: number
    absorbed_g: number
    evaporated_g: number
    carried_in_g: number
    drained_off_g: number
    left_in_pot_g: number
    short_g: number
    uptake_target: number
    /** What the carried-in water is made of. */
    clinging_g: number
    soaked_in_g: number
    /** Taken by the grain out of a boiler's steam, where the pour went on the grain. */
    steam_in_g: number
    /** Water under the basket, where the pour is not it. */
    boiler_g?: number
    add_in_water_g: number
    /** Pour that would end firm, and soft: the band on the pot's wall. */
    firm_pour_g: number
    standard_pour_g: number
    soft_pour_g: number
    /** Steam of each stage by its id. */
    evaporated_by_stage: Record<string, number>
  }
  gauges: {
    bed_depth_mm: number
    water_above_bed_mm: number
    fill_line_ml: number
    fill_level_mm: number
    swollen_level_mm: number
    froth_level_mm: number
    /** Where a basket stands, over its boiler. */
    basket_level_mm?: number
    /** Where the water would stand for firm and for soft grain: the band on the pot's wall. */
    firm_level_mm: number
    standard_level_mm: number
    soft_level_mm: number
  }
  /** to_keep_g: what is cooked on purpose for another day. */
  yield: {
    cooked_mass_g: number
    cooked_volume_ml: number
    left_behind_g: number
    servings: number
    to_keep_g: number
  }
  /** Set aside for frying tomorrow, the tray it dries on, and boiling water for the softer part that stays, g. */
  set_aside?: {
    share: number
    grams: number
    ml: number
    tray_long_cm: number
    tray_wide_cm: number
    sprinkle_g: number
  }
  /** How long the finished pot keeps as it is, lid on and off the heat, and what holding it warm costs. */
  keeps: { warm_minutes: number; dry_minutes: number; dries_percent_per_hour: number }
  /** Seasoned vinegar for this batch, by mass and by volume. */
  dressing?: {
    vinegar_g: number
    vinegar_ml: number
    sugar_g: number
    salt_g: number
    salt_last_g: number
    liquid_g: number
    liquid_ml: number
    ml_per_240_ml_dry: number
  }
  /** How it is loosened, and what it takes to let it steam off. */
  loosen: LoosenWay
  spread?: { area_cm2: number; tray_long_cm: number; tray_wide_cm: number }
  stages: Stage[]
  total_minutes: Window
  hands_on_minutes: number
  boil_c: number
  /** How separate the grains will lie, 0..1: an order, no measurement. */
  separate_index: number
  seasoning: {
    stock_g: number
    water_g: number
    salt_wanted_g: number
    salt_in_stock_g: number
    salt_in_add_ins_g: number
    salt_to_add_g: number
    add_ins: {
      name: string
      grams: number
      water_g: number
      salt_g: number
      when: AddInTime
      out: AddInOut
    }[]
  }
  /** Minutes after the boil at which the quick members of a blend go in. */
  add_after_minutes?: number
  /** Only where the cook measures by cups or spoons: amounts are said in the first of their measures. */
  said_in?: 'measures'
  /** The dish under the basket: its liquid at the start, what goes into it first, and what it loses as steam. */
  boiler_dish?: { name: string; liquid_g: number; top_up_g: number; steams_off_g: number }
  cautions: Caution[]
  /** Only for a way of the cook's own: how it ends, and the smallest change that would help. */
  judged?: {
    good: number
    ends: {
      cooked_through: string
      texture: string
      soggy: boolean
      uneven: boolean
      scorched: boolean
      separate_index: number
    }
    smallest_change?: {
      says: string
      minutes?: number
      pour_g?: number
      rest_minutes?: number
      good: number
    }
  }
  /** Only where it was asked for: how likely it ends well, and how else it may end. */
  chances?: {
    good: number
    fails: { how: string; share: number }[]
    measure?: { what: string; good: number }
  }
}
