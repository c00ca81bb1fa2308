import { DEFAULTS, LIMITS, type PlanRequestJson } from '#core/contract/plan-request'
import { VARIETY_IDS, varietyOf, type VarietyId } from '#core/grain/varieties'
import { blendOf } from '#core/grain/blend'
import { newCropDelta, NEW_CROP_MOISTURE } from '#core/grain/new-crop'
import type { LidPosition } from '#core/heat/lid'
import { grainKeyOf, learningKey } from '#core/learn/judged'
import type { Correction } from '#core/learn/learned'
import { FINISHES, HEAT_STYLES, type Finish, type HeatStyle } from '#core/method/method'
import { METHOD_IDS, type MethodId } from '#core/method/index'
import { SERVING_G } from '#core/plan/amount'
import { BLEND_TIMINGS, PURPOSES, type BlendTiming, type Purpose } from '#core/plan/request'
import { CUPS, type CupId } from '#core/quantity/cups'
import { inScoops } from '#core/quantity/fractions'
import { ADD_IN_OUTS, ADD_IN_TIMES, type AddInOut, type AddInTime } from '#core/season/seasoning'
import type { Drain } from '#core/water/cling'
import type { VesselKind } from '#core/vessel/vessel'
import type { HeatRow, MeasureRow, ProgrammeRow, VesselRow } from '#server/database/equipment'
import type { BagRow, PourMarkRow } from '#server/database/shelf'
import { isClockHour, nextAt, withOffset } from '../../time/clock-hour'

/** What the house brings to every plan. */
export interface House {
  vessels: readonly VesselRow[]
  heats: readonly HeatRow[]
  measures: readonly MeasureRow[]
  bags: readonly BagRow[]
  marks: readonly PourMarkRow[]
  programmes: readonly ProgrammeRow[]
  /** Whether grain is scooped, so that it comes in whole scoops. */
  units: 'grams' | 'cups'
  cup: CupId
  corrections: Readonly<Record<string, Correction>>
  elevation_m: number
  kitchen_c: number
  zone: string
}

/** Everything the cook can choose on the bench. Null means the usual, whatever the grain. */
export interface BenchState {
  grain: VarietyId
  /** Which bag of it, where the house keeps one. */
  bagId: string | null
  /** Other grains in the same pot; shares against 1 of the first. */
  others: { variety: VarietyId; share: number }[]
  blendTiming: BlendTiming
  amount: { basis: 'servings' | 'dry-mass'; value: number }
  serving: 'side' | 'main'
  purpose: Purpose
  /** Null: as usual for the purpose and the vessel. */
  method: MethodId | null
  finish: Finish | null
  /** How far drained grain is cooked in the water, for another dish. */
  cookedShare: number
  passes: number
  toasted: boolean
  vesselId: string
  heatId: string
  texture: number | null
  washes: number | null
  drain: Drain
  soak: { minutes: number; celsius: number; water: 'drain' | 'keep' } | null
  /** Weighed wet after draining, g, where somebody did. */
  wet: number | null
  rest: number | null
  lidUntilBoil: LidPosition
  heatStyle: HeatStyle
  pressure: 'low' | 'high'
  release: 'natural' | 'timed' | 'quick'
  /** Salt wanted, % of what is cooked; null leaves it to the table. */
  salt: number | null
  stock: number
  addIns: BenchAddIn[]
  /** Water of the cook's own, g. */
  poured: number | null
  at: string | null
}

export interface BenchAddIn {
  name: string
  /** g per 100 g of dry grain. */
  grams: number
  water: number
  salt: number
  when: AddInTime
  out: AddInOut
}

/** A first pot for a house: four beside a dish, in its first vessel. */
export const firstBench = ({ vessels, heats }: Pick<House, 'vessels' | 'heats'>): BenchState => ({
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
  passes: DEFAULTS.passes,
  toasted: DEFAULTS.toasted_bottom,
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
  salt: null,
  stock: DEFAULTS.stock_share,
  addIns: [],
  poured: null,
  at: null,
})

/** Schools that go with a kind of vessel, its usual one first. */
export const METHODS_OF_KIND: Record<VesselKind, readonly MethodId[]> = {
  pot: ['covered-simmer', 'boiling-start', 'off-heat', 'boil-and-drain', 'steam', 'steam-passes', 'ladled'],
  cooker: ['switch-cooker'],
  'pressure-electric': ['pressure-electric'],
  'pressure-stovetop': ['pressure-stovetop'],
  'oven-dish': ['oven'],
}
/** A purpose that has a school of its own, where the vessel allows it. */
const METHOD_OF_PURPOSE: Partial<Record<Purpose, MethodId>> = { salad: 'boil-and-drain', 'part-cooked': 'boil-and-drain' }

/** The school a bench cooks by: the one asked for where its vessel can, or the usual. */
export function methodOfState({ method, purpose }: Pick<BenchState, 'method' | 'purpose'>, kind: VesselKind): MethodId {
  const can = METHODS_OF_KIND[kind]
  const meant = method ?? METHOD_OF_PURPOSE[purpose]
  return meant !== undefined && can.includes(meant) ? meant : can[0]!
}

export const vesselOfState = (state: BenchState, house: Pick<House, 'vessels'>): VesselRow =>
  house.vessels.find((v) => v.id === state.vesselId) ?? house.vessels[0]!

export const heatOfState = (state: BenchState, house: Pick<House, 'heats'>): HeatRow =>
  house.heats.find((h) => h.id === state.heatId) ?? house.heats[0]!

const grainsOf = ({ grain, others }: BenchState) => [{ variety: grain, share: 1 }, ...others]

export const grainKeyOfState = (state: BenchState): string => grainKeyOf(grainsOf(state))

export const correctionFor = (state: BenchState, house: House): Correction | undefined =>
  house.corrections[learningKey(grainKeyOfState(state), vesselOfState(state, house).id)]

export const bagOfState = (state: BenchState, house: Pick<House, 'bags'>): BagRow | undefined =>
  house.bags.find((bag) => bag.id === state.bagId && bag.variety === state.grain)

/** What a bag changes before anything was learned of it: its label, where the cook took it over, and a new crop's own water. */
export function bagDelta(bag: BagRow | undefined): number {
  if (!bag) return 0
  const crop = bag.new_crop ? newCropDelta(NEW_CROP_MOISTURE, varietyOf(bag.variety).uptake.standard) : 0
  return crop + (bag.adopted_delta ?? 0)
}

/** The amount as it is measured: by the scale as it is, by the cup in the scoops there are. */
function amountOf(state: BenchState, house: House): PlanRequestJson['amount'] {
  const asked = { ...state.amount, serving: state.serving }
  if (house.units === 'grams') return asked
  const { bulkDensity } = blendOf(grainsOf(state))
  const grams = asked.basis === 'servings' ? asked.value * SERVING_G[state.serving] : asked.value
  const cup = CUPS[house.cup].ml
  const { cups } = inScoops(grams / bulkDensity / cup)
  return cups > 0 ? { basis: 'dry-volume', value: cups * cup, serving: state.serving } : asked
}

/** The plan request of the contract that this bench stands for. */
export function requestOf(state: BenchState, house: House, nowMs: number): PlanRequestJson {
  const vessel = vesselOfState(state, house)
  const heat = heatOfState(state, house)
  const learned = correctionFor(state, house)
  const delta = bagDelta(bagOfState(state, house))
  const washes = state.washes ?? varietyOf(state.grain).washes
  return {
    grains: grainsOf(state),
    amount: amountOf(state, house),
    purpose: state.purpose,
    method: methodOfState(state, vessel.kind),
    ...(state.finish === null ? {} : { finish: state.finish }),
    cooked_share: state.cookedShare,
    passes: state.passes,
    toasted_bottom: state.toasted,
    heat_style: state.heatStyle,
    vessel: {
      capacity_ml: vessel.capacity_ml,
      base_diameter_mm: vessel.base_diameter_mm,
      rim_diameter_mm: vessel.rim_diameter_mm,
      height_mm: vessel.height_mm,
      heat_capacity_j_k: vessel.heat_capacity_j_k,
      lid: vessel.lid,
      steam_factor: vessel.steam_factor,
      ...(vessel.marks ? { marks: vessel.marks } : {}),
    },
    heat:
      vessel.own_rated_w === null
        ? { rated_w: heat.rated_w * heat.power_factor, efficiency: heat.efficiency }
        : { rated_w: vessel.own_rated_w, efficiency: vessel.own_efficiency! },
    rinse: { washes, drain: washes > 0 || state.soak ? state.drain : 'none' },
    soak: state.soak && { ...state.soak, wet_mass_g: state.soak.water === 'drain' ? state.wet : null },
    ...(state.texture === null ? {} : { texture: state.texture }),
    ...(learned
      ? { uptake_delta_g_g: learned.uptakeDelta, minutes_factor: learned.minutesFactor }
      : delta === 0
        ? {}
        : { uptake_delta_g_g: delta }),
    blend_timing: state.blendTiming,
    salt_percent: state.salt,
    stock_share: state.stock,
    add_ins: state.addIns.map((a) => ({
      name: a.name, grams_per_100g_dry: a.grams, water_share: a.water, salt_share: a.salt, when: a.when, out: a.out,
    })),
    pour_override_g: state.poured,
    elevation_m: house.elevation_m,
    kitchen_c: house.kitchen_c,
    lid_until_boil: state.lidUntilBoil,
    ...(state.rest === null ? {} : { rest_minutes: state.rest }),
    pressure: state.pressure,
    release: state.release,
    ...(state.at === null ? {} : { serve_at: withOffset(nextAt(state.at, house.zone, nowMs), house.zone) }),
  }
}

const oneOf = <T extends string>(words: readonly T[], text: string | null, otherwise: T): T =>
  words.includes(text as T) ? (text as T) : otherwise
const oneOrNull = <T extends string>(words: readonly T[], text: string | null): T | null => (words.includes(text as T) ? (text as T) : null)
const numberIn = (text: string | null, [min, max]: readonly [number, number]): number | null => {
  const n = text === null || text.trim() === '' ? NaN : Number(text)
  return n >= min && n <= max ? n : null
}

/** The bench as an address, so that a pot can be kept as a bookmark. Only what differs from the first pot is written. */
export function toSearch(state: BenchState, first: BenchState): URLSearchParams {
  const search = new URLSearchParams()
  const put = (key: string, value: string | number | null, usual: string | number | null) => {
    if (value !== usual && value !== null) search.set(key, String(value))
  }
  search.set('grain', state.grain)
  put('bag', state.bagId, null)
  for (const other of state.others) search.append('with', `${other.variety}:${other.share}`)
  put('timing', state.blendTiming, first.blendTiming)
  if (state.amount.basis === 'servings') search.set('for', String(state.amount.value))
  else search.set('grams', String(state.amount.value))
  search.set('pot', state.vesselId)
  put('by', state.method, null)
  put('finish', state.finish, null)
  put('share', state.cookedShare, first.cookedShare)
  put('passes', state.passes, first.passes)
  put('toasted', state.toasted ? 'yes' : null, null)
  put('on', state.heatId, first.heatId)
  put('as', state.serving, first.serving)
  put('purpose', state.purpose, first.purpose)
  put('texture', state.texture, null)
  put('washes', state.washes, null)
  put('drain', state.drain, first.drain)
  if (state.soak) search.set('soak', `${state.soak.minutes}-${state.soak.celsius}-${state.soak.water}`)
  put('wet', state.wet, null)
  put('rest', state.rest, null)
  put('lid', state.lidUntilBoil, first.lidUntilBoil)
  put('heat', state.heatStyle, first.heatStyle)
  put('pressure', state.pressure, first.pressure)
  put('release', state.release, first.release)
  put('salt', state.salt, null)
  put('stock', state.stock, first.stock)
  for (const a of state.addIns) search.append('add', [a.name, a.grams, a.water, a.salt, a.when, a.out].join('~'))
  put('poured', state.poured, null)
  put('at', state.at, null)
  return search
}

/** The bench after a change. Another grain, amount or soak was not the one that was weighed. */
export function changedBench(state: BenchState, next: Partial<BenchState>): BenchState {
  const weighed = 'wet' in next || !('grain' in next || 'amount' in next || 'soak' in next || 'others' in next)
  return { ...state, ...next, ...(weighed ? {} : { wet: null }) }
}

export const MOST_OTHERS = 2

function readOther(text: string): BenchState['others'] {
  const [variety, share] = text.split(':')
  const n = numberIn(share ?? null, [0.05, 20])
  return n !== null && VARIETY_IDS.includes(variety as VarietyId) ? [{ variety: variety as VarietyId, share: n }] : []
}

function readAddIn(text: string): BenchAddIn[] {
  const [name = '', grams, water, salt, when, out] = text.split('~')
  const [g, w, s] = [numberIn(grams ?? null, LIMITS.add_in_g), numberIn(water ?? null, [0, 1]), numberIn(salt ?? null, [0, 1])]
  if (name.trim() === '' || name.length > 60 || g === null || w === null || s === null) return []
  return [{ name, grams: g, water: w, salt: s, when: oneOf(ADD_IN_TIMES, when ?? null, 'with-water'), out: oneOf(ADD_IN_OUTS, out ?? null, 'stays') }]
}

/** The inverse. What an old or mistyped address gets wrong falls back to the first pot's. */
export function fromSearch(search: URLSearchParams, first: BenchState, house: Pick<House, 'vessels' | 'heats'>): BenchState {
  const grams = numberIn(search.get('grams'), LIMITS.amount['dry-mass'])
  const servings = numberIn(search.get('for'), LIMITS.amount.servings)
  const [, minutes, celsius, water] = /^(\d+)-(\d+)-(drain|keep)$/.exec(search.get('soak') ?? '') ?? []
  const soakMinutes = numberIn(minutes ?? null, LIMITS.soak_minutes)
  const soakCelsius = numberIn(celsius ?? null, LIMITS.soak_celsius)
  const at = search.get('at')
  return {
    grain: oneOf(VARIETY_IDS, search.get('grain'), first.grain),
    bagId: search.get('bag'),
    others: search.getAll('with').slice(0, MOST_OTHERS).flatMap(readOther),
    blendTiming: oneOf(BLEND_TIMINGS, search.get('timing'), first.blendTiming),
    salt: numberIn(search.get('salt'), LIMITS.salt_percent),
    stock: numberIn(search.get('stock'), [0, 1]) ?? first.stock,
    addIns: search.getAll('add').slice(0, LIMITS.add_ins).flatMap(readAddIn),
    poured: numberIn(search.get('poured'), LIMITS.pour_override_g),
    amount: grams !== null ? { basis: 'dry-mass', value: grams } : { basis: 'servings', value: servings ?? first.amount.value },
    method: oneOrNull(METHOD_IDS, search.get('by')),
    finish: oneOrNull(FINISHES, search.get('finish')),
    cookedShare: numberIn(search.get('share'), [0.2, 1]) ?? first.cookedShare,
    passes: numberIn(search.get('passes'), [1, 4]) ?? first.passes,
    toasted: search.get('toasted') === 'yes',
    serving: oneOf(['side', 'main'], search.get('as'), first.serving),
    purpose: oneOf(PURPOSES, search.get('purpose'), first.purpose),
    vesselId: oneOf(house.vessels.map((v) => v.id), search.get('pot'), first.vesselId),
    heatId: oneOf(house.heats.map((h) => h.id), search.get('on'), first.heatId),
    texture: numberIn(search.get('texture'), [0, 1]),
    washes: numberIn(search.get('washes'), LIMITS.washes),
    drain: oneOf(['tip', 'sieve'], search.get('drain'), first.drain as 'tip' | 'sieve'),
    soak:
      soakMinutes !== null && soakCelsius !== null
        ? { minutes: soakMinutes, celsius: soakCelsius, water: water as 'drain' | 'keep' }
        : null,
    wet: numberIn(search.get('wet'), LIMITS.wet_mass_g),
    rest: numberIn(search.get('rest'), LIMITS.rest_minutes),
    lidUntilBoil: oneOf(['on', 'ajar', 'off'], search.get('lid'), first.lidUntilBoil),
    heatStyle: oneOf(HEAT_STYLES, search.get('heat'), first.heatStyle),
    pressure: oneOf(['low', 'high'], search.get('pressure'), first.pressure),
    release: oneOf(['natural', 'timed', 'quick'], search.get('release'), first.release),
    at: at !== null && isClockHour(at) ? at : null,
  }
}
