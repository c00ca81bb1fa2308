/** Spread to steam off, the layer is thinner than this, mm. */
export const SPREAD_MM = 25
/** How deep it is usually spread, mm. */
export const USUAL_SPREAD_MM = SPREAD_MM - 5
/** A layer this thin lets its steam go in the shorter time; at the full 25 mm it takes the longer, minutes. */
const STEAMS_OFF = { thinMm: 10, thinMin: 5, fullMin: 10 } as const

export interface Spread {
  areaCm2: number
  minutes: number
  /** As a tray one can picture, cm. */
  tray: { longCm: number; wideCm: number }
}

/**
 * What it takes to let cooked grain steam off before it is fried. A larger tray, a thinner layer, a shorter
 * wait.
 * @param cookedMl loose volume of the cooked grain
 * @param depthMm 8 to 25
 */
export function spreadOf(cookedMl: number, depthMm = USUAL_SPREAD_MM): Spread {
  const areaCm2 = cookedMl / (depthMm / 10)
  const share = Math.min(1, Math.max(0, (depthMm - STEAMS_OFF.thinMm) / (SPREAD_MM - STEAMS_OFF.thinMm)))
  // Trays are about four to three.
  const wideCm = Math.sqrt((areaCm2 * 3) / 4)
  return {
    areaCm2,
    minutes: STEAMS_OFF.thinMin + share * (STEAMS_OFF.fullMin - STEAMS_OFF.thinMin),
    tray: { longCm: Math.ceil((wideCm * 4) / 3), wideCm: Math.ceil(wideCm) },
  }
}
