import { FRIDGE_C } from '#core/constants'
import { LATENT_HEAT } from '#core/heat/evaporation'

const WATER_C_J = 4.18
const DRY_C_J = 1.6
/** Melting of the water in it, J/g. */
const FUSION = 334
/** Steam that escapes beside what condenses in the grain. */
const ESCAPES = 1.2
/** Steaming all through for so long before it is eaten, minutes. */
const STEAMS_FOR = 1
/** Of a microwave's rating that reaches the food. */
const MICROWAVE_SHARE = 0.6
const STEP_G = 5

export interface Reheating {
  waterG: number
  panMinutes: number
  microwaveMinutes: number
}

/**
 * How cooked grain is made hot again: the water it wants is the water whose steam heats it, for in a covered
 * pan nothing else does.
 * @param grams of cooked grain
 * @param waterShare 0..1 of it
 * @param panW what reaches the pan, W
 * @param microwaveW rated
 */
export function reheating({
  grams,
  waterShare,
  toC,
  frozen = false,
  panW,
  microwaveW = 800,
}: {
  grams: number
  waterShare: number
  toC: number
  frozen?: boolean
  panW: number
  microwaveW?: number
}): Reheating {
  const perK = grams * (waterShare * WATER_C_J + (1 - waterShare) * DRY_C_J)
  const heat = perK * (toC - (frozen ? -18 : FRIDGE_C)) + (frozen ? grams * waterShare * FUSION : 0)
  const steamG = (heat / LATENT_HEAT) * ESCAPES
  // What condenses runs back and boils again: more than a fifth of the grain's own weight is never wanted.
  const waterG = Math.max(STEP_G, Math.min(Math.round(0.2 * grams), Math.round(steamG / STEP_G) * STEP_G))
  const minutes = (watts: number) => (heat + waterG * WATER_C_J * (100 - 15)) / watts / 60 + STEAMS_FOR
  return {
    waterG,
    panMinutes: Math.ceil(minutes(panW)),
    microwaveMinutes: Math.ceil(minutes(microwaveW * MICROWAVE_SHARE)),
  }
}
