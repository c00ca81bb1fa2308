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

/**
 * Minutes from the pot to hand-warm under a fan. Most of the heat leaves with vapour: the same stream of air
 * that carries warmth off carries vapour off in proportion (Lewis relation).
 * @param heatPerGram of the cooked grain, J/(g K)
 * @param densityGMl loose, g/mL
 */
export function handWarmMinutes({
  heatPerGram,
  densityGMl,
  kitchenC,
}: {
  heatPerGram: number
  densityGMl: number
  kitchenC: number
}): number {
  const stored = densityGMl * 1e6 * heatPerGram * (DEPTH_MM / 1000)
  const carries = FAN_H / AIR_HEAT
  const inRoom = ROOM_HUMIDITY * vapourDensity(kitchenC)
  // A kitchen as warm as a hand never gets it there; a little over the room is then as good as it gets.
  const goal = Math.max(HAND_WARM_C, kitchenC + 3)
  let [t, seconds] = [FROM_C, 0]
  while (t > goal && seconds < MAX_S) {
    t -= ((FAN_H * (t - kitchenC) + carries * (vapourDensity(t) - inRoom) * LATENT_J_KG) / stored) * STEP_S
    seconds += STEP_S
  }
  return seconds / 60
}
