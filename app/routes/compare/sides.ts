import { sideOf, type Side } from '#core/compare/side'
import { fromSearch, toSearch, withPresentKeys } from '../../planning/plan-address'
import {
  methodOfState,
  requestOf,
  vesselOfState,
  type PlanState,
  type PlanningData,
} from '../../planning/plan-state'
import { grainWord, METHOD_WORDS } from '../../planning/plan-words'

/** Most sides of a comparison. */
export const MAX_SIDES = 3

/** A way of cooking on the page: its plan state, its name, and its result. */
export interface Shown {
  /** What differs from the first, as an address writes it; "" for the first. */
  change: string
  state: PlanState
  name: string
  side: Side
}

/** Reads the page's address: a plan, and changes to it for each further side. What cannot be read is left out. */
export function sidesOf(
  search: URLSearchParams,
  first: PlanState,
  household: PlanningData,
  nowMs: number,
): Shown[] {
  const base = fromSearch(search, first, household)
  const changes = search.getAll('beside').slice(0, MAX_SIDES - 1)
  const states = [base, ...changes.map((change) => changed(search, change, first, household))]
  return states.map((state, i) => ({
    change: i === 0 ? '' : changes[i - 1]!,
    state,
    name: nameOf(state, states[0]!, household),
    side: sideOf(requestOf({ ...state, at: null }, household, nowMs)),
  }))
}

/** The plan of an address with some of it changed. A soak that belonged to the old grain or method is dropped. */
function changed(
  search: URLSearchParams,
  change: string,
  first: PlanState,
  household: PlanningData,
): PlanState {
  const merged = withPresentKeys(search)
  merged.delete('beside')
  for (const [key, value] of withPresentKeys(new URLSearchParams(change))) {
    if (value === '') merged.delete(key)
    else merged.set(key, value)
  }
  return fromSearch(merged, first, household)
}

/** What distinguishes a side from the first: its method, its pot or its grain; the first is named by its method. */
function nameOf(state: PlanState, base: PlanState, household: PlanningData): string {
  const vessel = vesselOfState(state, household)
  const parts = [
    ...(state.grain === base.grain ? [] : [grainWord(state, household)]),
    ...(state.vesselId === base.vesselId ? [] : [`in ${vessel.name}`]),
  ]
  const way = METHOD_WORDS[methodOfState(state, vessel)]
  const baseWay = METHOD_WORDS[methodOfState(base, vesselOfState(base, household))]
  if (state === base) return way
  if (way !== baseWay) parts.push(way)
  if (state.soak?.minutes !== base.soak?.minutes) parts.push(state.soak ? 'soaked' : 'not soaked')
  return parts.join(', ') || 'identical'
}

/** The page's address with one more side, or one less. */
export const withBeside = (search: URLSearchParams, changes: readonly string[]): URLSearchParams => {
  const next = new URLSearchParams(search)
  next.delete('beside')
  for (const change of changes) next.append('beside', change)
  return next
}

export const planAddress = (state: PlanState, first: PlanState): string =>
  `/?${toSearch(state, first).toString()}`
