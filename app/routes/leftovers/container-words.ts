import { COLD_C, COOL_C, FIRST_PLACE_MIN, type Cooling, type NextPlace } from '#core/leftovers/cooling'
import type { Guidance } from '#core/leftovers/guidance'
import type { ContainerState } from '#core/leftovers/container-state'
import { clockTime, dayWord, spanWord, type HouseholdClock } from '../../ui/time/clock-hour'

/** "today 19:10", "tomorrow 19:10". */
export const momentWord = (ms: number, nowMs: number, clock: HouseholdClock): string =>
  `${dayWord(ms, nowMs, clock.zone)} ${clockTime(ms, clock)}`

/** Until when, in words; what is past is said so and not only shown. */
export function useByWords(
  view: ContainerState,
  nowMs: number,
  clock: HouseholdClock,
  stored: { next_place: NextPlace | null; packed_ms: number },
): { says: string; past: boolean } {
  const outBy = view.outByMs === view.useByMs ? view.outByMs : null
  if (outBy !== null && view.pastMs > 0)
    return {
      says: `It was to be cold by ${momentWord(outBy, nowMs, clock)}: throw it away if it stayed out`,
      past: true,
    }
  if (outBy !== null) {
    const latest = momentWord(outBy, nowMs, clock)
    return {
      says:
        stored.next_place === null
          ? `Eat or chill by ${latest}`
          : `Into the ${stored.next_place} ${momentWord(stored.packed_ms + FIRST_PLACE_MIN * 60_000, nowMs, clock).replace(/^today /, 'at ')}, at the latest ${latest.replace(/^today /, '')}`,
      past: false,
    }
  }
  if (view.useByMs === null)
    return {
      says: view.leftH === null ? '' : `frozen; eat within ${Math.floor(view.leftH)} h of thawing`,
      past: false,
    }
  if (view.pastMs > 0)
    return {
      says: `Past its date since ${momentWord(view.useByMs, nowMs, clock)}: throw it away`,
      past: true,
    }
  return { says: `Eat by ${momentWord(view.useByMs, nowMs, clock)}`, past: false }
}

export const portionsWord = (n: number): string => {
  const rounded = Math.round(n * 10) / 10
  return rounded === 1 ? '1 portion' : `${rounded} portions`
}

/** When it is cold, and whether that is soon enough. */
export function coolingWords(
  cooling: Cooling,
  packedMs: number,
  nowMs: number,
  guidance: Guidance,
  clock: HouseholdClock,
): { says: string; slow: string | null; frozen: string | null } {
  const at = (celsius: number, minutes: number) =>
    minutes === Infinity
      ? `will not reach ${celsius} °C`
      : `${celsius} °C by ${momentWord(packedMs + minutes * 60_000, nowMs, clock).replace(/^today /, '')}`
  return {
    says:
      cooling.to21Min === Infinity
        ? at(COOL_C, Infinity)
        : `${at(COOL_C, cooling.to21Min)}, ${at(COLD_C, cooling.to5Min)}`,
    slow:
      cooling.tooSlow === 'cool'
        ? `Cools too slowly: ${cooling.coolMin === Infinity ? 'it never gets to 21 °C here' : `${spanWord(cooling.coolMin)} to 21 °C`} (limit ${spanWord(guidance.cool_min.value)})`
        : cooling.tooSlow === 'chill'
          ? `Cools too slowly: ${cooling.chillMin === Infinity ? `it never gets to ${COLD_C} °C here` : `${spanWord(cooling.chillMin)} from 21 to ${COLD_C} °C`} (limit ${spanWord(guidance.chill_min.value)})`
          : null,
    frozen:
      cooling.frozenMin === Infinity
        ? null
        : `frozen through by ${momentWord(packedMs + cooling.frozenMin * 60_000, nowMs, clock).replace(/^today /, '')}`,
  }
}
