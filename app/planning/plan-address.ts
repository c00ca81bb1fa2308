import { DEFAULTS, LIMITS } from '#core/contract/plan-request'
import { VARIETY_IDS, varietyOf, type VarietyId } from '#core/grain/varieties'
import { METHOD_IDS } from '#core/methods/index'
import { FINISHES, HEAT_STYLES } from '#core/methods/definition'
import { usualSoak } from '#core/methods/usual-method'
import { BLEND_TIMINGS, HOLD_PLACES, PURPOSES } from '#core/plan/request'
import { ADD_IN_OUTS, ADD_IN_TIMES } from '#core/seasoning/seasoning'
import { isClockHour } from '../ui/time/clock-hour'
import {
  DRESSING_CHOICES,
  methodOfState,
  MAX_OTHERS,
  usualSoakFor,
  type OwnDressing,
  type PlanAddIn,
  type PlanState,
  type PlanningData,
} from './plan-state'

const oneOf = <T extends string>(words: readonly T[], text: string | null, otherwise: T): T =>
  words.includes(text as T) ? (text as T) : otherwise
const oneOrNull = <T extends string>(words: readonly T[], text: string | null): T | null =>
  words.includes(text as T) ? (text as T) : null
const parseWho = (text: string | null): string | null =>
  text === null || text.trim() === '' || text.length > LIMITS.eating_text ? null : text
const numberIn = (text: string | null, [min, max]: readonly [number, number]): number | null => {
  const n = text === null || text.trim() === '' ? NaN : Number(text)
  return n >= min && n <= max ? n : null
}

const wholeIn = (text: string | null, limits: readonly [number, number]): number | null => {
  const n = numberIn(text, limits)
  return n !== null && Number.isInteger(n) ? n : null
}

/** Query keys of version 1 and their names since version 2; bookmarks with the old ones are read. */
export const RENAMED_KEYS = {
  for: 'servings',
  as: 'serving',
  by: 'method',
  on: 'burner',
  with: 'blend',
  under: 'boiler-dish',
  self: 'timer',
  dress: 'dressing',
  keep: 'keep-servings',
  kept: 'leftovers',
  add: 'add-in',
} as const

/** A query with the present keys; the order of repeated keys is kept. */
export function withPresentKeys(search: URLSearchParams): URLSearchParams {
  const present = new URLSearchParams()
  for (const [key, value] of search)
    present.append(
      Object.hasOwn(RENAMED_KEYS, key) ? RENAMED_KEYS[key as keyof typeof RENAMED_KEYS] : key,
      value,
    )
  return present
}

/** The plan as an address, so that a pot can be kept as a bookmark. Only what differs from the first pot is written. */
export function toSearch(state: PlanState, first: PlanState): URLSearchParams {
  const search = new URLSearchParams()
  const put = (key: string, value: string | number | null, usual: string | number | null) => {
    if (value !== usual && value !== null) search.set(key, String(value))
  }
  search.set('grain', state.grain)
  put('bag', state.bagId, null)
  for (const other of state.others) search.append('blend', `${other.variety}:${other.share}`)
  put('timing', state.blendTiming, first.blendTiming)
  if (state.amount.basis === 'servings') search.set('servings', String(state.amount.value))
  else if (state.amount.basis === 'measure')
    search.set('measured', `${state.amount.value}~${state.amount.measure}`)
  else search.set('grams', String(state.amount.value))
  search.set('pot', state.vesselId)
  put('method', state.method, null)
  put('finish', state.finish, null)
  put('share', state.cookedShare, first.cookedShare)
  put('thickness', state.thickness, first.thickness)
  put('hurry', state.hurry ? 1 : 0, 0)
  put('minutes', state.minutes, null)
  put('passes', state.passes, first.passes)
  put('toasted', state.toasted ? 'yes' : null, null)
  put('stir', state.stirred ? 'yes' : null, null)
  put('loosen', state.loosenedInRest ? 'halfway' : null, null)
  put('fry', state.friedAtEnd ? 'yes' : null, null)
  put('fry-tomorrow', state.fryTomorrow, 0)
  put('foil', state.foil ? 'yes' : null, null)
  put('burner', state.heatId, first.heatId)
  put('serving', state.serving, first.serving)
  put('purpose', state.purpose, first.purpose)
  put('texture', state.texture, null)
  put('washes', state.washes, null)
  put('drain', state.drain, first.drain)
  if (state.soak) search.set('soak', `${state.soak.minutes}-${state.soak.celsius}-${state.soak.water}`)
  // Not soaked, where the usual method would be: said, or it would be soaked again.
  else if (state.method === null && METHOD_IDS.some((id) => usualSoak(id, varietyOf(state.grain)) !== null))
    search.set('soak', '')
  put('wet', state.wet, null)
  put('rest', state.rest, null)
  put('lid', state.lidUntilBoil, first.lidUntilBoil)
  put('heat', state.heatStyle, first.heatStyle)
  put('pressure', state.pressure, first.pressure)
  put('release', state.release, first.release)
  put('release-minutes', state.releaseMinutes, first.releaseMinutes)
  put('who', state.who, null)
  put('keep-servings', state.keep, 0)
  put('leftovers', state.leftoverPortions, 0)
  put('hold', state.hold, 0)
  put('hold-in', state.holdIn, first.holdIn)
  put('timer', state.byItself ? 'yes' : null, null)
  putDressing(state.dressing, search)
  put('boiler-dish', state.under && `${state.under.liquidG}~${state.under.name}`, null)
  put('salt', state.salt, null)
  put('stock', state.stock, first.stock)
  for (const a of state.addIns)
    search.append('add-in', [a.name, a.grams, a.water, a.salt, a.when, a.out].join('~'))
  put('poured', state.poured, null)
  put('at', state.at, null)
  return search
}

/** The dressing: its style and minutes, the cook's own proportions, and the bottle it comes from. */
function putDressing(dressing: PlanState['dressing'], search: URLSearchParams): void {
  if (!dressing) return
  const { style, infuse, set, ml, own, bottle } = dressing
  search.set('dressing', [style, infuse, set, ...(ml === null ? [] : [ml])].join('-'))
  if (own) search.set('own-dressing', [own.vinegar, own.sugar, own.salt].join('~'))
  if (bottle) search.set('bottle', `${bottle.id}~${bottle.name}`)
}

function parseOther(text: string): PlanState['others'] {
  const [variety, share] = text.split(':')
  const n = numberIn(share ?? null, [0.05, 20])
  return n !== null && VARIETY_IDS.includes(variety as VarietyId)
    ? [{ variety: variety as VarietyId, share: n }]
    : []
}

function parseDressing(
  text: string | null,
  ownText: string | null,
  bottleText: string | null,
): PlanState['dressing'] {
  const [, style, infuse, set, ml] = /^([a-z-]+?)-(\d+)-(\d+)(?:-(\d+(?:\.\d+)?))?$/.exec(text ?? '') ?? []
  const [steeps, sets] = [
    numberIn(infuse ?? null, LIMITS.infuse_minutes),
    numberIn(set ?? null, LIMITS.set_minutes),
  ]
  const known = oneOrNull(DRESSING_CHOICES, style ?? null)
  const own = parseOwnDressing(ownText)
  const [, id, name] = /^([\w-]{1,64})~(.{1,60})$/u.exec(bottleText ?? '') ?? []
  return known === null || steeps === null || sets === null
    ? null
    : {
        style: known,
        infuse: steeps,
        set: sets,
        ml: numberIn(ml ?? null, LIMITS.dressing_ml),
        ...(own ? { own } : {}),
        ...(id !== undefined && name !== undefined ? { bottle: { id, name } } : {}),
      }
}

/** "15~6~1.6": vinegar, sugar and salt, g per 100 g of dry grain. */
function parseOwnDressing(text: string | null): OwnDressing | undefined {
  const { dressing_g } = LIMITS
  const [vinegar, sugar, salt] = text?.split('~') ?? []
  const [v, s, n] = [
    numberIn(vinegar ?? null, dressing_g.vinegar),
    numberIn(sugar ?? null, dressing_g.sugar),
    numberIn(salt ?? null, dressing_g.salt),
  ]
  return v === null || s === null || n === null ? undefined : { vinegar: v, sugar: s, salt: n }
}

function parseUnder(text: string | null): PlanState['under'] {
  const [grams, name = ''] = text?.split('~') ?? []
  const liquidG = numberIn(grams ?? null, LIMITS.boiler_dish_g)
  return liquidG === null || name.trim() === '' || name.length > LIMITS.name ? null : { name, liquidG }
}

function parseAddIn(text: string): PlanAddIn[] {
  const [name = '', grams, water, salt, when, out] = text.split('~')
  const [g, w, s] = [
    numberIn(grams ?? null, LIMITS.add_in_g),
    numberIn(water ?? null, [0, 1]),
    numberIn(salt ?? null, [0, 1]),
  ]
  if (name.trim() === '' || name.length > 60 || g === null || w === null || s === null) return []
  return [
    {
      name,
      grams: g,
      water: w,
      salt: s,
      when: oneOf(ADD_IN_TIMES, when ?? null, 'with-water'),
      out: oneOf(ADD_IN_OUTS, out ?? null, 'stays'),
    },
  ]
}

/** The soak of an address that names neither a method nor a soak: as this grain is usually cooked in that pot. */
function usualSoakOf(
  search: URLSearchParams,
  first: PlanState,
  household: Pick<PlanningData, 'vessels'>,
): PlanState['soak'] {
  const grain = oneOf(VARIETY_IDS, search.get('grain'), first.grain)
  const vessel = household.vessels.find((v) => v.id === search.get('pot')) ?? household.vessels[0]
  if (!vessel) return null
  const purpose = oneOf(PURPOSES, search.get('purpose'), first.purpose)
  return usualSoakFor(grain, methodOfState({ method: null, purpose, grain, others: [] }, vessel), {
    kitchen_c: DEFAULTS.soak_celsius,
  })
}

/** "1.5~cup", "2~own:mug". */
function parseMeasured(text: string | null): PlanState['amount'] | undefined {
  const [count = '', measure = ''] = text?.split('~') ?? []
  const value = numberIn(count, LIMITS.amount.measure)
  return value === null || !/^[\w:-]{1,80}$/.test(measure) ? undefined : { basis: 'measure', value, measure }
}

/** "120-20-drain": minutes, °C, and what becomes of the water. */
function parseSoak(text: string | null): PlanState['soak'] {
  const [, minutes, celsius, water] = /^(\d+)-(\d+)-(drain|keep)$/.exec(text ?? '') ?? []
  const [forMinutes, at] = [
    numberIn(minutes ?? null, LIMITS.soak_minutes),
    numberIn(celsius ?? null, LIMITS.soak_celsius),
  ]
  return forMinutes === null || at === null
    ? null
    : { minutes: forMinutes, celsius: at, water: water as 'drain' | 'keep' }
}

/** The inverse. What an old or mistyped address gets wrong falls back to the first pot's. */
export function fromSearch(
  written: URLSearchParams,
  first: PlanState,
  household: Pick<PlanningData, 'vessels' | 'heats'>,
): PlanState {
  const search = withPresentKeys(written)
  const grams = numberIn(search.get('grams'), LIMITS.amount['dry-mass'])
  const servings = numberIn(search.get('servings'), LIMITS.amount.servings)
  const at = search.get('at')
  return {
    grain: oneOf(VARIETY_IDS, search.get('grain'), first.grain),
    bagId: search.get('bag'),
    others: search.getAll('blend').slice(0, MAX_OTHERS).flatMap(parseOther),
    blendTiming: oneOf(BLEND_TIMINGS, search.get('timing'), first.blendTiming),
    who: parseWho(search.get('who')),
    keep: numberIn(search.get('keep-servings'), LIMITS.keep_servings) ?? 0,
    leftoverPortions: numberIn(search.get('leftovers'), LIMITS.keep_servings) ?? 0,
    hold: numberIn(search.get('hold'), LIMITS.hold_minutes) ?? 0,
    holdIn: oneOrNull(HOLD_PLACES, search.get('hold-in')) ?? 'pot',
    byItself: search.get('timer') === 'yes',
    dressing: parseDressing(search.get('dressing'), search.get('own-dressing'), search.get('bottle')),
    under: parseUnder(search.get('boiler-dish')),
    salt: numberIn(search.get('salt'), LIMITS.salt_percent),
    stock: numberIn(search.get('stock'), [0, 1]) ?? first.stock,
    addIns: search.getAll('add-in').slice(0, LIMITS.add_ins).flatMap(parseAddIn),
    poured: numberIn(search.get('poured'), LIMITS.pour_override_g),
    amount:
      parseMeasured(search.get('measured')) ??
      (grams !== null
        ? { basis: 'dry-mass', value: grams }
        : servings !== null
          ? { basis: 'servings', value: servings }
          : first.amount),
    method: oneOrNull(METHOD_IDS, search.get('method')),
    finish: oneOrNull(FINISHES, search.get('finish')),
    cookedShare: numberIn(search.get('share'), [0.2, 1]) ?? first.cookedShare,
    thickness: numberIn(search.get('thickness'), [0, 1]) ?? first.thickness,
    hurry: search.get('hurry') === '1',
    minutes: numberIn(search.get('minutes'), LIMITS.own_minutes),
    passes: wholeIn(search.get('passes'), [1, 4]) ?? first.passes,
    toasted: search.get('toasted') === 'yes',
    stirred: search.get('stir') === 'yes',
    loosenedInRest: search.get('loosen') === 'halfway',
    friedAtEnd: search.get('fry') === 'yes',
    fryTomorrow: numberIn(search.get('fry-tomorrow'), [0, 1]) ?? 0,
    foil: search.get('foil') === 'yes',
    serving: oneOf(['side', 'main'], search.get('serving'), first.serving),
    purpose: oneOf(PURPOSES, search.get('purpose'), first.purpose),
    vesselId: oneOf(
      household.vessels.map((v) => v.id),
      search.get('pot'),
      first.vesselId,
    ),
    heatId: oneOf(
      household.heats.map((h) => h.id),
      search.get('burner'),
      first.heatId,
    ),
    texture: numberIn(search.get('texture'), [0, 1]),
    washes: wholeIn(search.get('washes'), LIMITS.washes),
    drain: oneOf(['tip', 'sieve'], search.get('drain'), first.drain as 'tip' | 'sieve'),
    soak:
      parseSoak(search.get('soak')) ??
      (search.has('soak') || search.has('method') ? null : usualSoakOf(search, first, household)),
    wet: numberIn(search.get('wet'), LIMITS.wet_mass_g),
    rest: numberIn(search.get('rest'), LIMITS.rest_minutes),
    lidUntilBoil: oneOf(['on', 'ajar', 'off'], search.get('lid'), first.lidUntilBoil),
    heatStyle: oneOf(HEAT_STYLES, search.get('heat'), first.heatStyle),
    pressure: oneOf(['low', 'high'], search.get('pressure'), first.pressure),
    release: oneOf(['natural', 'timed', 'quick'], search.get('release'), first.release),
    releaseMinutes: numberIn(search.get('release-minutes'), LIMITS.release_minutes) ?? first.releaseMinutes,
    at: at !== null && isClockHour(at) ? at : null,
  }
}
