import { FRIDGE_C, FRIDGE_WARMEST_C } from '#core/constants'
import type { Variety } from '#core/grain/varieties'
import { celsius, type Celsius } from '#core/units/units'
import { soakCurve } from './soak-curve'

/** What a soak of some length is. */
export type SoakVerdict = 'too-short' | 'right' | 'fragile' | 'souring'

/**
 * A soak's window: from when it is worth it, until when grain may break, and until when the bowl is safe and
 * sweet. Minutes.
 */
export interface SoakWindow {
  from: number
  fragileFrom: number
  souringFrom: number
}

/** Worth it from this share of what the grain can hold cold: white grain turns opaque all through about there. */
const WORTH_SHARE = 0.7
/** Bare grain breaks in the hand when it has stood full for this long, minutes; a skin holds it together. */
const BARE_STANDS = 120
const SKIN_STANDS = 1440
const SKINNED_BELOW = 0.5
/** From this temperature soaking grain counts as warm, °C. */
const WARM_C = 25

/**
 * How long grain may stand in water before it sours, minutes: a day in the fridge, four hours in a mild
 * kitchen, two in a warm one.
 */
export const longestSoakMinutes = (atC: number): number =>
  atC <= FRIDGE_WARMEST_C ? 1440 : atC < WARM_C ? 240 : 120

const MINUTES = [5, 10, 15, 20, 30, 45, 60, 90, 120, 180, 240, 360, 480, 720, 1080, 1440, 2880] as const

/** When a soak becomes worth it and when it ends.  @see science of the soak in docs/model.md */
export function soakWindow(variety: Variety, temperature: Celsius): SoakWindow {
  const curve = soakCurve({ ...variety, most: variety.uptake.most }, temperature, MINUTES)
  const reach = (share: number): number => {
    const wanted = share * variety.soakLimit
    const after = curve.findIndex((u) => u >= wanted)
    if (after < 0) return MINUTES[MINUTES.length - 1]!
    if (after === 0) return MINUTES[0]
    const [u0, u1] = [curve[after - 1]!, curve[after]!]
    return MINUTES[after - 1]! + ((wanted - u0) / (u1 - u0)) * (MINUTES[after]! - MINUTES[after - 1]!)
  }
  return {
    from: reach(WORTH_SHARE),
    fragileFrom: reach(0.97) + (variety.skin < SKINNED_BELOW ? SKIN_STANDS : BARE_STANDS),
    souringFrom: longestSoakMinutes(temperature),
  }
}

export function soakVerdict(window: SoakWindow, minutes: number): SoakVerdict {
  if (minutes > window.souringFrom) return 'souring'
  if (minutes > window.fragileFrom) return 'fragile'
  return minutes < window.from ? 'too-short' : 'right'
}

/** The same soak in the fridge: how long it takes to hold what so many minutes give at kitchen warmth. */
export function sameInFridge(variety: Variety, minutes: number, kitchen: Celsius): number {
  const given = { ...variety, most: variety.uptake.most }
  const wanted = soakCurve(given, kitchen, [minutes])[0]!
  const times = [1, 1.25, 1.5, 1.75, 2, 2.5, 3, 4].map((f) => Math.min(2880, minutes * f))
  const cold = soakCurve(given, celsius(FRIDGE_C), times)
  const at = cold.findIndex((u) => u >= wanted * 0.99)
  return Math.round(times[at < 0 ? times.length - 1 : at]! / 5) * 5
}
