import { SIMULATE_LIMITS, type SimulateRequestJson } from '#core/contract/simulate'
import { LIMITS } from '#core/contract/plan-request'
import type { LidPosition } from '#core/heat/lid'
import type { Changes, StageChange } from '#core/simulate/changes'
import { WHAT_IFS, type WhatIf } from '#core/simulate/what-if'

/** Something done to the pot on the way. */
export interface Act {
  kind: 'lid-lift' | 'add-water' | 'stir'
  atMin: number
  /** s of an open lid, g of water; nothing for a stir. */
  amount: number
}

/** Everything that is done otherwise than the plan has it. */
export interface Otherwise {
  poured: number | null
  changes: Changes
  acts: readonly Act[]
  /** Convert for another kitchen's. */
  elevation: number | null
  kitchen: number | null
  asked: readonly WhatIf[]
}

export const NOTHING_OTHERWISE: Otherwise = {
  poured: null,
  changes: {},
  acts: [],
  elevation: null,
  kitchen: null,
  asked: [],
}
/** Runs overlaid at once, the plan's own among them. */
export const MAX_RUNS = 3
export const MAX_ACTS = 12
export const USUAL_AMOUNT: Record<Act['kind'], number> = { 'lid-lift': 30, 'add-water': 50, stir: 0 }
export const ACT_WORDS: Record<Act['kind'], string> = {
  'lid-lift': 'Lift the lid',
  'add-water': 'Pour water in',
  stir: 'Stir',
}

const LIDS: readonly LidPosition[] = ['on', 'ajar', 'off']
const ACTS: readonly Act['kind'][] = ['lid-lift', 'add-water', 'stir']
const AMOUNT_LIMITS: Record<Act['kind'], readonly [number, number]> = {
  'lid-lift': SIMULATE_LIMITS.seconds,
  'add-water': [1, 20_000],
  stir: [0, 0],
}

const within = (
  text: string | undefined | null,
  [min, max]: readonly [number, number],
): number | undefined => {
  if (text === undefined || text === null || text.trim() === '') return undefined
  const n = Number(text)
  return n >= min && n <= max ? n : undefined
}

/** `?do=simmer~210~18~ajar`: power, minutes and lid of a stage, each left empty where it stays. */
function parseChange(text: string): [string, StageChange][] {
  const [stage = '', power, minutes, lid] = text.split('~')
  if (stage === '' || stage.length > SIMULATE_LIMITS.stage) return []
  const powerW = within(power, SIMULATE_LIMITS.power_w)
  const min = within(minutes, SIMULATE_LIMITS.minutes)
  const position = LIDS.find((l) => l === lid)
  const change: StageChange = {
    ...(powerW === undefined ? {} : { powerW }),
    ...(min === undefined ? {} : { minutes: min }),
    ...(position ? { lid: position } : {}),
  }
  return Object.keys(change).length > 0 ? [[stage, change]] : []
}

/** `?act=lid-lift~12.5~30` */
function parseAct(text: string): Act[] {
  const [kind, at, amount] = text.split('~')
  const found = ACTS.find((k) => k === kind)
  const atMin = within(at, SIMULATE_LIMITS.minutes)
  if (!found || atMin === undefined) return []
  return [{ kind: found, atMin, amount: within(amount, AMOUNT_LIMITS[found]) ?? USUAL_AMOUNT[found] }]
}

/** What an address says is done otherwise; what it gets wrong is left as planned. */
export function otherwiseIn(search: URLSearchParams): Otherwise {
  const number = (key: string, limits: readonly [number, number]) => within(search.get(key), limits) ?? null
  return {
    poured: number('water', LIMITS.pour_override_g),
    changes: Object.fromEntries(search.getAll('do').slice(0, SIMULATE_LIMITS.changes).flatMap(parseChange)),
    acts: search.getAll('act').slice(0, MAX_ACTS).flatMap(parseAct),
    elevation: number('height', LIMITS.elevation_m),
    kitchen: number('kitchen', LIMITS.kitchen_c),
    asked: search
      .getAll('if')
      .flatMap((q) => WHAT_IFS.filter((id) => id === q))
      .slice(0, MAX_RUNS - 1),
  }
}

/** The inverse, written into an address that holds the plan already. */
export function writeOtherwise(
  search: URLSearchParams,
  { poured, changes, acts, elevation, kitchen, asked }: Otherwise,
): URLSearchParams {
  const put = (key: string, value: number | null) => value !== null && search.set(key, String(value))
  put('water', poured)
  put('height', elevation)
  put('kitchen', kitchen)
  for (const [stage, { powerW, minutes, lid }] of Object.entries(changes))
    search.append('do', [stage, powerW ?? '', minutes ?? '', lid ?? ''].join('~'))
  for (const { kind, atMin, amount } of acts) search.append('act', [kind, atMin, amount].join('~'))
  for (const question of asked) search.append('if', question)
  return search
}

/** The plan with everything done otherwise, as the simulator is asked. */
export const askedOf = (
  plan: SimulateRequestJson,
  { poured, changes, acts, elevation, kitchen }: Otherwise,
): SimulateRequestJson => ({
  ...plan,
  ...(poured === null ? {} : { pour_override_g: poured }),
  ...(elevation === null ? {} : { elevation_m: elevation }),
  ...(kitchen === null ? {} : { kitchen_c: kitchen }),
  changes: Object.entries(changes).map(([stage, { powerW, minutes, lid }]) => ({
    stage,
    ...(powerW === undefined ? {} : { power_w: powerW }),
    ...(minutes === undefined ? {} : { minutes }),
    ...(lid === undefined ? {} : { lid }),
  })),
  events: acts.map(({ kind, atMin, amount }) => ({
    at_min: atMin,
    kind,
    ...(kind === 'lid-lift' ? { seconds: amount } : kind === 'add-water' ? { grams: amount } : {}),
  })),
})

/** One stage changed further, or set use the planned amount with null. */
export function stageChanged(of: Otherwise, stage: string, change: StageChange | null): Otherwise {
  const { [stage]: before, ...others } = of.changes
  return { ...of, changes: change === null ? others : { ...others, [stage]: { ...before, ...change } } }
}

/** How much is done otherwise, in things. */
export const countOtherwise = ({ poured, changes, acts, elevation, kitchen }: Otherwise): number =>
  Number(poured !== null) +
  Number(elevation !== null) +
  Number(kitchen !== null) +
  Object.keys(changes).length +
  acts.length
