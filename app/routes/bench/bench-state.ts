import { DEFAULTS, LIMITS, type PlanRequestJson } from '#core/contract/plan-request'
import { VARIETY_IDS, varietyOf, type VarietyId } from '#core/grain/varieties'
import type { LidPosition } from '#core/heat/lid'
import { learningKey } from '#core/learn/judged'
import type { Correction } from '#core/learn/learned'
import { HEAT_STYLES, type HeatStyle } from '#core/method/method'
import type { PlannableMethodId } from '#core/method/index'
import { PURPOSES, type Purpose } from '#core/plan/request'
import type { Drain } from '#core/water/cling'
import type { VesselKind } from '#core/vessel/vessel'
import { isClockHour, nextAt, withOffset } from '../../time/clock-hour'

/** A vessel and a heat as the loader sends them. */
export interface BenchVessel {
  id: string
  name: string
  kind: VesselKind
  capacity_ml: number
  base_diameter_mm: number
  rim_diameter_mm: number
  height_mm: number
  heat_capacity_j_k: number
  lid: 'tight' | 'loose' | 'foil'
  own_rated_w: number | null
  own_efficiency: number | null
}
export interface BenchHeat {
  id: string
  name: string
  rated_w: number
  efficiency: number
}

/** What the house brings to every plan. */
export interface House {
  vessels: readonly BenchVessel[]
  heats: readonly BenchHeat[]
  corrections: Readonly<Record<string, Correction>>
  elevation_m: number
  kitchen_c: number
  zone: string
}

/** Everything the cook can choose on the bench. Null means the usual, whatever the grain. */
export interface BenchState {
  grain: VarietyId
  amount: { basis: 'servings' | 'dry-mass'; value: number }
  serving: 'side' | 'main'
  purpose: Purpose
  vesselId: string
  heatId: string
  texture: number | null
  washes: number | null
  drain: Drain
  soak: { minutes: number; celsius: number; water: 'drain' | 'keep' } | null
  rest: number | null
  lidUntilBoil: LidPosition
  heatStyle: HeatStyle
  pressure: 'low' | 'high'
  release: 'natural' | 'timed' | 'quick'
  at: string | null
}

/** A first pot for a house: four beside a dish, in its first vessel. */
export const firstBench = ({ vessels, heats }: Pick<House, 'vessels' | 'heats'>): BenchState => ({
  grain: 'long-white',
  amount: { basis: 'servings', value: 4 },
  serving: 'side',
  purpose: 'side',
  vesselId: vessels[0]?.id ?? '',
  heatId: heats[0]?.id ?? '',
  texture: null,
  washes: null,
  drain: 'sieve',
  soak: null,
  rest: null,
  lidUntilBoil: DEFAULTS.lid_until_boil,
  heatStyle: DEFAULTS.heat_style,
  pressure: DEFAULTS.pressure,
  release: DEFAULTS.release,
  at: null,
})

const METHOD_OF_KIND: Partial<Record<VesselKind, PlannableMethodId>> = {
  cooker: 'switch-cooker',
  'pressure-electric': 'pressure-electric',
}
export const methodFor = (kind: VesselKind): PlannableMethodId => METHOD_OF_KIND[kind] ?? 'covered-simmer'

export const vesselOfState = (state: BenchState, house: Pick<House, 'vessels'>): BenchVessel =>
  house.vessels.find((v) => v.id === state.vesselId) ?? house.vessels[0]!

export const heatOfState = (state: BenchState, house: Pick<House, 'heats'>): BenchHeat =>
  house.heats.find((h) => h.id === state.heatId) ?? house.heats[0]!

export const correctionFor = (state: BenchState, house: House): Correction | undefined =>
  house.corrections[learningKey(state.grain, vesselOfState(state, house).id)]

/** The plan request of the contract that this bench stands for. */
export function requestOf(state: BenchState, house: House, nowMs: number): PlanRequestJson {
  const vessel = vesselOfState(state, house)
  const heat = heatOfState(state, house)
  const learned = correctionFor(state, house)
  const washes = state.washes ?? varietyOf(state.grain).washes
  return {
    grains: [{ variety: state.grain }],
    amount: { ...state.amount, serving: state.serving },
    purpose: state.purpose,
    method: methodFor(vessel.kind),
    heat_style: state.heatStyle,
    vessel: {
      capacity_ml: vessel.capacity_ml,
      base_diameter_mm: vessel.base_diameter_mm,
      rim_diameter_mm: vessel.rim_diameter_mm,
      height_mm: vessel.height_mm,
      heat_capacity_j_k: vessel.heat_capacity_j_k,
      lid: vessel.lid,
    },
    heat:
      vessel.own_rated_w === null
        ? { rated_w: heat.rated_w, efficiency: heat.efficiency }
        : { rated_w: vessel.own_rated_w, efficiency: vessel.own_efficiency! },
    rinse: { washes, drain: washes > 0 || state.soak ? state.drain : 'none' },
    soak: state.soak,
    ...(state.texture === null ? {} : { texture: state.texture }),
    ...(learned ? { uptake_delta_g_g: learned.uptakeDelta, minutes_factor: learned.minutesFactor } : {}),
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
  if (state.amount.basis === 'servings') search.set('for', String(state.amount.value))
  else search.set('grams', String(state.amount.value))
  search.set('pot', state.vesselId)
  put('on', state.heatId, first.heatId)
  put('as', state.serving, first.serving)
  put('purpose', state.purpose, first.purpose)
  put('texture', state.texture, null)
  put('washes', state.washes, null)
  put('drain', state.drain, first.drain)
  if (state.soak) search.set('soak', `${state.soak.minutes}-${state.soak.celsius}-${state.soak.water}`)
  put('rest', state.rest, null)
  put('lid', state.lidUntilBoil, first.lidUntilBoil)
  put('heat', state.heatStyle, first.heatStyle)
  put('pressure', state.pressure, first.pressure)
  put('release', state.release, first.release)
  put('at', state.at, null)
  return search
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
    amount: grams !== null ? { basis: 'dry-mass', value: grams } : { basis: 'servings', value: servings ?? first.amount.value },
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
    rest: numberIn(search.get('rest'), LIMITS.rest_minutes),
    lidUntilBoil: oneOf(['on', 'ajar', 'off'], search.get('lid'), first.lidUntilBoil),
    heatStyle: oneOf(HEAT_STYLES, search.get('heat'), first.heatStyle),
    pressure: oneOf(['low', 'high'], search.get('pressure'), first.pressure),
    release: oneOf(['natural', 'timed', 'quick'], search.get('release'), first.release),
    at: at !== null && isClockHour(at) ? at : null,
  }
}
