/** Fanned and turned over in a wide bowl, every grain comes to the top: one warm, wet body in moving air. */
const FAN_H = 18 // W/(m² K), air at 1 to 2 m/s over a flat layer (Incropera & DeWitt, forced convection)
const AIR_HEAT = 1200 // J/(m³ K), density by heat capacity
const LATENT_J_KG = 2.4e6 // at 40 to 60 °C
const DEPTH_MM = 20
const ROOM_HUMIDITY = 0.5
const FROM_C = 82
export const HAND_WARM_C = 37
const STEP_S = 5
const MAX_S = 7200

/** Saturated water vapour over water, kg/m³. @see Buck 1996, vapour pressure over water, 0 to 100 °C */
export const vapourDensity = (celsius: number): number =>
  (611.21 * Math.exp((18.678 - celsius / 234.5) * (celsius / (257.14 + celsius)))) /
  (461.5 * (celsius + 273.15))

/** Cooked grain out of its pot, open to the air on one side. */
export interface OpenGrain {
  /** Of the cooked grain, J/(g K). */
  heatPerGram: number
  /** Loose, g/mL. */
  densityGMl: number
  kitchenC: number
  /** How deep it lies, mm; left out: a finger deep in a wide bowl. */
  depthMm?: number
  /** What the air takes off it, W/(m² K); left out: fanned. */
  airH?: number
  /** How warm it comes out of the pot, °C. */
  fromC?: number
}

/** Still air over a warm, level surface, half of it radiation, W/(m² K) (Incropera & DeWitt, natural convection). */
export const STILL_AIR_H = 9

/** Heat of cooked grain.  @param dryShare of its mass  @returns J/(g K) */
export const heatOfCooked = (dryShare: number): number => 4.18 * (1 - dryShare) + 1.6 * dryShare

/**
 * Lets it cool until it is as warm as that, or so long. Most of the heat leaves with vapour: the same stream of
 * air that carries warmth off carries vapour off in proportion (Lewis relation).
 */
function cool(
  { heatPerGram, densityGMl, kitchenC, depthMm = DEPTH_MM, airH = FAN_H, fromC = FROM_C }: OpenGrain,
  until: { celsius: number; seconds: number },
): { celsius: number; seconds: number } {
  const stored = densityGMl * 1e6 * heatPerGram * (depthMm / 1000)
  const carries = airH / AIR_HEAT
  const inRoom = ROOM_HUMIDITY * vapourDensity(kitchenC)
  let [t, seconds] = [fromC, 0]
  while (t > until.celsius && seconds < until.seconds) {
    t -= ((airH * (t - kitchenC) + carries * (vapourDensity(t) - inRoom) * LATENT_J_KG) / stored) * STEP_S
    seconds += STEP_S
  }
  return { celsius: t, seconds }
}

/**
 * Minutes from the pot to hand-warm. A kitchen as warm as a hand never gets it there; a little over the room is
 * then as good as it gets.
 */
export const handWarmMinutes = (grain: OpenGrain): number =>
  cool(grain, { celsius: Math.max(HAND_WARM_C, grain.kitchenC + 3), seconds: MAX_S }).seconds / 60

/** How warm it is so many minutes after it left the pot, °C; no less than the kitchen. */
export const celsiusAfter = (grain: OpenGrain, minutes: number): number =>
  Math.max(
    Math.min(grain.kitchenC, grain.fromC ?? FROM_C),
    cool(grain, { celsius: -Infinity, seconds: Math.min(minutes * 60, 2 * MAX_S) }).celsius,
  )
