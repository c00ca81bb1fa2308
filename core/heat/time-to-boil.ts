import { LATENT_HEAT, openSurfaceEvaporation } from './evaporation'
import { celsius } from '#core/units/units'

export interface HeatingUp {
  powerW: number
  /** J/K, pot and contents. */
  heatCapacity: number
  /** W/K */
  loss: number
  fromC: number
  toC: number
  roomC: number
  /** m² of surface that gives off vapour. */
  openArea?: number
}

const STEPS = 80

/**
 * Minutes from one temperature to another under a steady heat. Without an open surface it is the closed form
 * −C/UA·ln(1 − UA·ΔT/P); with one, a sum over small rises.
 * @returns Infinity when the loss eats the heat before the target
 */
export function minutesToHeat({
  powerW,
  heatCapacity,
  loss,
  fromC,
  toC,
  roomC,
  openArea = 0,
}: HeatingUp): number {
  const net = (c: number) =>
    powerW - loss * (c - roomC) - openSurfaceEvaporation(celsius(c)) * openArea * LATENT_HEAT
  if (toC <= fromC) return 0
  if (!(net(toC) > 0)) return Infinity
  if (openArea === 0)
    return loss > 0
      ? (heatCapacity / loss / 60) * Math.log(net(fromC) / net(toC))
      : (heatCapacity * (toC - fromC)) / powerW / 60
  const rise = (toC - fromC) / STEPS
  let seconds = 0
  for (let i = 0; i < STEPS; i++) seconds += (heatCapacity * rise) / net(fromC + (i + 0.5) * rise)
  return seconds / 60
}
