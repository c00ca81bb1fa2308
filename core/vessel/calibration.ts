import { LATENT_HEAT } from '#core/heat/evaporation'
import { MATERIALS, type MaterialId } from './materials'

/** A pot's heat capacity from its empty weight, lid and all, J/K. */
export const heatCapacityOfPot = (emptyG: number, material: MaterialId): number =>
  emptyG * MATERIALS[material].heat

/**
 * A measure's size from weighing it empty and full of water, mL.
 * @throws {RangeError} when full is not more than empty
 */
export function measureFromWeights(emptyG: number, fullG: number): number {
  if (!(fullG > emptyG))
    throw new RangeError(
      `measureFromWeights: full must weigh more than empty, got ${fullG} g and ${emptyG} g`,
    )
  return fullG - emptyG
}

/** A measure's size from how often it goes into a known one. */
export function measureFromCount(knownMl: number, times: number): number {
  if (!(times > 0 && knownMl > 0))
    throw new RangeError(`measureFromCount: must be above 0, got ${knownMl} mL and ${times} times`)
  return knownMl / times
}

const WATER_HEAT = 4.18 // J/(g K)

/**
 * Power that really reaches the pot, from plain water brought to the boil, W. The pot warms with it, and
 * loses half its standing loss on the way.
 * @throws {RangeError} for water that starts at the boil, or a time of nothing
 */
export function powerFromBoil(given: {
  waterG: number
  fromC: number
  boilC: number
  minutes: number
  heatCapacityJK: number
  lossWK: number
  roomC: number
}): number {
  const { waterG, fromC, boilC, minutes, heatCapacityJK, lossWK, roomC } = given
  if (!(minutes > 0 && boilC > fromC))
    throw new RangeError(
      `powerFromBoil: needs a time above 0 and water below the boil, got ${minutes} min from ${fromC} °C`,
    )
  const rise = boilC - fromC
  return (
    ((WATER_HEAT * waterG + heatCapacityJK) * rise) / (minutes * 60) + lossWK * ((fromC + boilC) / 2 - roomC)
  )
}

/** Steam and loss of a covered simmer, from the water gone in so many minutes. */
export function simmerFromWeights(given: {
  beforeG: number
  afterG: number
  minutes: number
  powerW: number
}): { steamGMin: number; lossW: number } {
  const { beforeG, afterG, minutes, powerW } = given
  if (!(minutes > 0 && beforeG >= afterG))
    throw new RangeError(
      `simmerFromWeights: the pot cannot weigh more after, got ${beforeG} g and ${afterG} g`,
    )
  const steamGMin = (beforeG - afterG) / minutes
  return { steamGMin, lossW: Math.max(0, powerW - (steamGMin / 60) * LATENT_HEAT) }
}
