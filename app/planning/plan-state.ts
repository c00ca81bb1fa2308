import { takesFoil } from '#core/vessel/vessel'
import type { UnitSystem } from '#core/units/system'
import { planFrom } from '#core/contract/plan'
import { DEFAULTS, LIMITS, type PlanRequestJson } from '#core/contract/plan-request'
import { DRESSING_IDS, type DressingId } from '#core/finish/dressing'
import { varietyOf, type VarietyId } from '#core/grain/varieties'
import { blendOf } from '#core/grain/blend'
import { canSetAside } from '#core/finish/set-aside'
import { bagDelta } from '#core/grain/bag'
import type { Authority } from '#core/leftovers/guidance'
import type { LidPosition } from '#core/heat/lid'
import {
  correctedMinutes,
  correctedPower,
  correctedSteam,
  correctionFrom,
  type Correction,
  type KnownFigures,
  type PlanFor,
} from '#core/learn/corrections'
import { grainKeyOf } from '#core/learn/grain-key'
import type { Applied } from '#core/learn/evidence'
import type { AvoidedId } from '#core/eaters/avoid'
import { parsePeople, type Person } from '#core/eaters/party'
import type { Finish, HeatStyle } from '#core/methods/definition'
import type { MethodId } from '#core/methods/index'
import type { BlendTiming, HoldPlace, Purpose } from '#core/plan/request'
import type { CupId } from '#core/units/cups'
import type { Speaking } from '#core/plan/stage-amounts'
import { measureOf } from '#core/units/measures'
import type { CrystalId } from '#core/seasoning/salt'
import type { AddInOut, AddInTime } from '#core/seasoning/seasoning'
import type { Drain } from '#core/water/cling'
import { hasBasket } from '#core/vessel/vessel'
import { usualMethod, usualSoak, methodsOf } from '#core/methods/usual-method'
import type { HeatRow, MeasureRow, ProgrammeRow, VesselRow } from '#server/store/equipment'
import type { BagRow, PourMarkRow } from '#server/store/grain-bags'
import { nextAt, withOffset } from '../ui/time/clock-hour'
import { measureNamed } from './household-measures'

/** A bottle of dressing, as one pours from it. */
export interface BottleChoice {
  id: string
  name: string
  style: DressingId
  leftG: number
  /** The cook's own proportions, g per 100 g of dry grain; left out: by the style. */
  own?: OwnDressing
}

/** The household's data that every plan uses. */
export interface PlanningData {
  vessels: readonly VesselRow[]
  heats: readonly HeatRow[]
  measures: readonly MeasureRow[]
  bags: readonly BagRow[]
  /** Dressing made ahead, ready to use. */
  bottles: readonly BottleChoice[]
  marks: readonly PourMarkRow[]
  programmes: readonly ProgrammeRow[]
  /** Whether grain is scooped, so that it comes in whole scoops. */
  units: 'grams' | 'cups'
  system: UnitSystem
  cup: CupId
  /** What the notebook has taught. */
  known: KnownFigures
  elevation_m: number
  kitchen_c: number
  zone: string
  guidance: Authority
  /** The salt of the house. */
  crystal: CrystalId
  /** Leftovers in fridge and freezer, the soonest to eat first. */
  eaters: readonly Person[]
  leftovers: readonly {
    title: string
    variety: VarietyId
    portions: number
    place: 'fridge' | 'freezer' | 'cooling'
    useByMs: number | null
  }[]
}

/** Everything the cook can choose on the plan page. Null means the usual, whatever the grain. */
export interface PlanState {
  grain: VarietyId
  /** Which bag of it, where the household has one. */
  bagId: string | null
  /** Other grains in the same pot; shares against 1 of the first. */
  others: { variety: VarietyId; share: number }[]
  blendTiming: BlendTiming
  /** `measure` names one of measureChoices. */
  amount:
    { basis: 'servings' | 'dry-mass'; value: number } | { basis: 'measure'; value: number; measure: string }
  serving: 'side' | 'main'
  purpose: Purpose
  /** Null: as usual for the purpose and the vessel. */
  method: MethodId | null
  finish: Finish | null
  /** How far drained grain is cooked in the water, for another dish. */
  cookedShare: number
  /** Of a porridge: 0 thin, 1 thick. */
  thickness: number
  /** The earliest end that works at all. */
  hurry: boolean
  /** Minutes of the cook's own on the heat, or of a programme; null for the plan's. */
  minutes: number | null
  passes: number
  toasted: boolean
  /** Stirred once as it boils. */
  stirred: boolean
  /** Loosened once, halfway through the rest. */
  loosenedInRest: boolean
  /** Grain for frying is fried as the last stage. */
  friedAtEnd: boolean
  /** Share that is set aside for frying tomorrow, 0..1. */
  fryTomorrow: number
  /** Foil under a lid that does not seal, for this batch. */
  foil: boolean
  vesselId: string
  heatId: string
  texture: number | null
  washes: number | null
  drain: Drain
  soak: { minutes: number; celsius: number; water: 'drain' | 'keep' } | null
  /** Wet weight after draining, g, where it was weighed. */
  wet: number | null
  rest: number | null
  lidUntilBoil: LidPosition
  heatStyle: HeatStyle
  pressure: 'low' | 'high'
  release: 'natural' | 'timed' | 'quick'
  /** Of a timed release: minutes before the rest is let out. */
  releaseMinutes: number
  /** Who eats, in words, where it was typed so: “fourteen, three small, one no gluten”. */
  who: string | null
  /** Portions cooked on top, for another day; and portions already kept that count in. */
  keep: number
  leftoverPortions: number
  /** Kept warm for this long before serving, minutes. */
  hold: number
  holdIn: HoldPlace
  /** Filled now: the appliance starts by itself for the hour. */
  byItself: boolean
  /** Seasoned vinegar; null as usual for the purpose. */
  dressing: {
    style: DressingId | 'none'
    infuse: number
    set: number
    ml: number | null
    /** The cook's own, g per 100 g of dry grain; left out: by the style. */
    own?: OwnDressing
    /** Made ahead, and poured from this bottle. */
    bottle?: { id: string; name: string }
  } | null
  /** A dish that simmers under the basket. */
  under: { name: string; liquidG: number } | null
  /** Salt wanted, % of what is cooked; null: salted at the table. */
  salt: number | null
  stock: number
  addIns: PlanAddIn[]
  /** Water of the cook's own, g. */
  poured: number | null
  at: string | null
}

export interface OwnDressing {
  vinegar: number
  sugar: number
  salt: number
}

export const DRESSING_CHOICES = [...DRESSING_IDS, 'none'] as const

export interface PlanAddIn {
  name: string
  /** g per 100 g of dry grain. */
  grams: number
  water: number
  salt: number
  when: AddInTime
  out: AddInOut
}

/** The first plan of a household: a side for four, in its first pot. */
export const firstPlan = ({ vessels, heats }: Pick<PlanningData, 'vessels' | 'heats'>): PlanState => ({
  grain: 'long-white',
  bagId: null,
  others: [],
  blendTiming: DEFAULTS.blend_timing,
  amount: { basis: 'servings', value: 4 },
  serving: 'side',
  purpose: 'side',
  method: null,
  finish: null,
  cookedShare: DEFAULTS.cooked_share,
  thickness: DEFAULTS.thickness,
  hurry: DEFAULTS.hurry,
  minutes: null,
  passes: DEFAULTS.passes,
  toasted: DEFAULTS.toasted_bottom,
  stirred: DEFAULTS.stir_at_boil,
  loosenedInRest: DEFAULTS.loosen_in_rest,
  friedAtEnd: DEFAULTS.fry_at_end,
  fryTomorrow: DEFAULTS.fry_tomorrow_share,
  foil: false,
  vesselId: vessels[0]?.id ?? '',
  heatId: heats[0]?.id ?? '',
  texture: null,
  washes: null,
  drain: 'sieve',
  soak: null,
  wet: null,
  rest: null,
  lidUntilBoil: DEFAULTS.lid_until_boil,
  heatStyle: DEFAULTS.heat_style,
  pressure: DEFAULTS.pressure,
  release: DEFAULTS.release,
  releaseMinutes: DEFAULTS.release_minutes,
  who: null,
  keep: 0,
  leftoverPortions: 0,
  hold: 0,
  holdIn: DEFAULTS.hold_in,
  byItself: false,
  dressing: null,
  under: null,
  salt: null,
  stock: DEFAULTS.stock_share,
  addIns: [],
  poured: null,
  at: null,
})

/**
 * The method of a plan: the one asked for where its vessel can, or the usual one for its grain, purpose and
 * vessel.
 */
export function methodOfState(
  state: Pick<PlanState, 'method' | 'purpose' | 'grain' | 'others'>,
  vessel: Pick<VesselRow, 'kind' | 'name'>,
): MethodId {
  const { method, purpose } = state
  if (method !== null && methodsOf(vessel.kind).includes(method)) return method
  return usualMethod({
    blend: blendOf([{ variety: state.grain, share: 1 }, ...state.others]),
    kind: vessel.kind,
    purpose,
    basket: hasBasket(vessel),
  })
}

/** The soak custom gives this grain by this method; the rule is the planner's own. */
export function usualSoakFor(
  grain: VarietyId,
  method: MethodId,
  household: Pick<PlanningData, 'kitchen_c'>,
): PlanState['soak'] {
  const soak = usualSoak(method, varietyOf(grain))
  return soak && { minutes: soak.minutes, celsius: soak.celsius ?? household.kitchen_c, water: soak.water }
}

export const vesselOfState = (state: PlanState, household: Pick<PlanningData, 'vessels'>): VesselRow =>
  household.vessels.find((v) => v.id === state.vesselId) ?? household.vessels[0]!

export const heatOfState = (state: PlanState, household: Pick<PlanningData, 'heats'>): HeatRow =>
  household.heats.find((h) => h.id === state.heatId) ?? household.heats[0]!

const grainsOf = ({ grain, others }: PlanState) => [{ variety: grain, share: 1 }, ...others]

export const grainKeyOfState = (state: PlanState): string => grainKeyOf(grainsOf(state))

/** Keys of the beliefs this plan uses. */
const learnsAs = (state: PlanState, household: PlanningData): PlanFor => {
  const vessel = vesselOfState(state, household)
  return {
    grainKey: grainKeyOfState(state),
    bagId: bagOfState(state, household)?.id ?? null,
    vesselId: vessel.id,
    heatId: vessel.own_rated_w === null ? heatOfState(state, household).id : `own ${vessel.id}`,
  }
}

/**
 * What goes with a request onto the stove or onto a meal: where it is cooked, from which bag, and what had
 * been learned and is planned with.
 */
export function startFieldsOf(
  state: PlanState,
  household: PlanningData,
): { vessel_id: string; heat_id: string | null; bag_id: string | null; applied: Applied | undefined } {
  const vessel = vesselOfState(state, household)
  const learned = correctionFor(state, household)
  return {
    vessel_id: vessel.id,
    heat_id: vessel.own_rated_w === null ? heatOfState(state, household).id : null,
    bag_id: state.bagId,
    applied: learned && {
      uptake: learned.uptake,
      steam: learned.steam,
      power: learned.power,
      time: learned.time,
    },
  }
}

export const correctionFor = (state: PlanState, household: PlanningData): Correction | undefined =>
  correctionFrom(household.known, learnsAs(state, household))

export const bagOfState = (state: PlanState, household: Pick<PlanningData, 'bags'>): BagRow | undefined =>
  household.bags.find((bag) => bag.id === state.bagId && bag.variety === state.grain)

/** The amount as it is measured: by the scale as it is, by the cup in the scoops there are. */
function amountOf(state: PlanState, household: PlanningData): PlanRequestJson['amount'] {
  // Leftovers are not cooked again; there is always something in the pot.
  const value =
    state.amount.basis === 'servings'
      ? Math.max(LIMITS.amount.servings[0], state.amount.value - state.leftoverPortions)
      : state.amount.value
  if (state.amount.basis !== 'measure') return { basis: state.amount.basis, value, serving: state.serving }
  return { basis: 'measure', value, serving: state.serving, measure: measureOfState(state, household) }
}

/** The measure an amount is stated in, or the household's cup. */
const measureOfState = ({ amount }: Pick<PlanState, 'amount'>, household: PlanningData) =>
  measureNamed(amount.basis === 'measure' ? amount.measure : 'cup', household)

/** The measure the plan's words are said in; undefined for grams. */
const chosenMeasure = (state: PlanState, household: PlanningData) =>
  state.amount.basis === 'measure' || household.units === 'cups'
    ? measureOfState(state, household)
    : undefined

/** How amounts of this plan are said on its page: as its own stages say them. */
export function speakingOf(state: PlanState, household: PlanningData): Speaking {
  const said = chosenMeasure(state, household)
  return {
    measures: said === undefined ? [] : [measureOf(said)],
    saidIn: said === undefined ? 'grams' : 'measures',
    saltCrystal: household.crystal,
  }
}

/** Foods that someone who eats avoids. */
function avoidsOf({ who }: Pick<PlanState, 'who'>, household: Pick<PlanningData, 'eaters'>): AvoidedId[] {
  const party = who === null ? undefined : parsePeople(who, household.eaters)
  return party?.ok ? party.value.avoids : []
}

const clamp = (value: number, [min, max]: readonly [number, number]): number =>
  Math.min(max, Math.max(min, value))

/** The contract's plan request for this state. */
export function requestOf(state: PlanState, household: PlanningData, nowMs: number): PlanRequestJson {
  const request = handStarted(state, household, nowMs)
  if (!state.byItself || state.at === null || vesselOfState(state, household).own_rated_w === null)
    return request
  // Soaked meanwhile the grain is done sooner; what that saves it may wait longer.
  const room = (Date.parse(request.serve_at!) - nowMs) / 60_000
  let later = 0
  for (let i = 0; i < 2; i++) {
    const read = planFrom({ ...request, start_later_minutes: later })
    if (!read.ok) return request
    later = clamp(later + Math.floor(room - read.value.total_minutes.expected), LIMITS.start_later_minutes)
  }
  return { ...request, start_later_minutes: later }
}

type Learned = ReturnType<typeof correctionFor>

/** The pot as a request names it, with what was learned of its steam. */
const vesselAsked = (vessel: VesselRow, learned: Learned, foil: boolean) => ({
  capacity_ml: vessel.capacity_ml,
  base_diameter_mm: vessel.base_diameter_mm,
  rim_diameter_mm: vessel.rim_diameter_mm,
  height_mm: vessel.height_mm,
  heat_capacity_j_k: vessel.heat_capacity_j_k,
  lid: foil && takesFoil(vessel) ? ('foil' as const) : vessel.lid,
  steam_factor: correctedSteam(vessel.steam_factor, learned?.steam),
  ...(vessel.material ? { material: vessel.material } : {}),
  ...(vessel.marks ? { marks: vessel.marks } : {}),
})

/** The heat under it, or an appliance's own, with what was learned of its power. */
const heatAsked = (vessel: VesselRow, heat: HeatRow, learned: Learned) =>
  vessel.own_rated_w === null
    ? {
        rated_w: correctedPower({ ratedW: heat.rated_w, powerFactor: heat.power_factor }, learned?.power),
        efficiency: heat.efficiency,
      }
    : {
        rated_w: correctedPower({ ratedW: vessel.own_rated_w }, learned?.power),
        efficiency: vessel.own_efficiency!,
      }

const addInAsked = (a: PlanState['addIns'][number]) => ({
  name: a.name,
  grams_per_100g_dry: a.grams,
  water_share: a.water,
  salt_share: a.salt,
  when: a.when,
  out: a.out,
})

const dressingAsked = ({ style, infuse, set, ml, own, bottle }: NonNullable<PlanState['dressing']>) =>
  style === 'none'
    ? null
    : {
        style,
        infuse_minutes: infuse,
        set_minutes: set,
        ml_per_240_ml_dry: ml,
        ...(own ? { per_100g_dry: { vinegar_g: own.vinegar, sugar_g: own.sugar, salt_g: own.salt } } : {}),
        ...(bottle ? { bottle } : {}),
      }

/** The cook's own dressing, from a request. */
export const fromPer100g = ({
  vinegar_g,
  sugar_g,
  salt_g,
}: {
  vinegar_g: number
  sugar_g: number
  salt_g: number
}): OwnDressing => ({ vinegar: vinegar_g, sugar: sugar_g, salt: salt_g })

/** What is left out of a request where the cook did not choose it. */
const chosenOnly = (state: PlanState): Partial<PlanRequestJson> => ({
  ...(state.finish === null ? {} : { finish: state.finish }),
  ...(state.hurry ? { hurry: true } : {}),
  ...(state.minutes === null ? {} : { own: { programme: { minutes: state.minutes } } }),
  ...(state.texture === null ? {} : { texture: state.texture }),
  ...(state.rest === null ? {} : { rest_minutes: state.rest }),
  ...(state.dressing === null ? {} : { dressing: dressingAsked(state.dressing) }),
  ...(state.release === 'timed' ? { release_minutes: state.releaseMinutes } : {}),
  ...(state.who === null ? {} : { eating: state.who }),
})

const fryingAsked = ({ purpose, friedAtEnd, fryTomorrow }: PlanState) => ({
  fry_at_end: friedAtEnd && purpose === 'frying',
  fry_tomorrow_share: canSetAside(fryTomorrow, purpose, friedAtEnd) ? fryTomorrow : 0,
})

function handStarted(state: PlanState, household: PlanningData, nowMs: number): PlanRequestJson {
  const vessel = vesselOfState(state, household)
  const heat = heatOfState(state, household)
  const learned = correctionFor(state, household)
  const delta = bagDelta(bagOfState(state, household)) + (learned?.uptake ?? 0)
  const washes = state.washes ?? varietyOf(state.grain).washes
  const measure = chosenMeasure(state, household)
  return {
    grains: grainsOf(state),
    amount: amountOf(state, household),
    ...(measure === undefined ? {} : { measures: [measure] }),
    purpose: state.purpose,
    method: methodOfState(state, vessel),
    ...chosenOnly(state),
    cooked_share: state.cookedShare,
    thickness: state.thickness,
    passes: state.passes,
    toasted_bottom: state.toasted,
    stir_at_boil: state.stirred,
    loosen_in_rest: state.loosenedInRest,
    ...fryingAsked(state),
    heat_style: state.heatStyle,
    vessel: vesselAsked(vessel, learned, state.foil),
    heat: heatAsked(vessel, heat, learned),
    rinse: { washes, drain: washes > 0 || state.soak ? state.drain : 'none' },
    soak: state.soak && { ...state.soak, wet_mass_g: state.soak.water === 'drain' ? state.wet : null },
    ...(delta === 0 ? {} : { uptake_delta_g_g: clamp(delta, [-2, 2]) }),
    ...(learned && learned.time !== 0 ? { minutes_factor: correctedMinutes(learned.time) } : {}),
    ...(learned ? { spreads: learned.spreads } : {}),
    blend_timing: state.blendTiming,
    salt_percent: state.salt,
    ...(state.salt === null && state.dressing === null && state.purpose !== 'dressed'
      ? {}
      : { salt_crystal: household.crystal }),
    stock_share: state.stock,
    add_ins: state.addIns.map(addInAsked),
    keep_servings: state.amount.basis === 'servings' ? state.keep : 0,
    stuck_g: vessel.sticks_g,
    hold_minutes: state.hold,
    hold_in: state.holdIn,
    guidance: household.guidance,
    avoids: avoidsOf(state, household),
    boiler_dish: state.under && { name: state.under.name, liquid_g: state.under.liquidG },
    pour_override_g: state.poured,
    elevation_m: household.elevation_m,
    kitchen_c: household.kitchen_c,
    lid_until_boil: state.lidUntilBoil,
    pressure: state.pressure,
    release: state.release,
    ...(state.at === null
      ? {}
      : { serve_at: withOffset(nextAt(state.at, household.zone, nowMs), household.zone) }),
  }
}

/** The state after a change. A wet weight is dropped with another grain, amount or soak. */
export function changedPlan(state: PlanState, next: Partial<PlanState>): PlanState {
  const weighed =
    'wet' in next || !('grain' in next || 'amount' in next || 'soak' in next || 'others' in next)
  return { ...state, ...next, ...(weighed ? {} : { wet: null }) }
}

export const MAX_OTHERS = 2
