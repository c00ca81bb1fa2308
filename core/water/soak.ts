import { advanceKernel, kernelKind, kernelMean, type KernelInput } from '#core/grain/kernel'
import type { Celsius } from '#core/units/units'
import { diffusivityAt } from '#core/grain/diffusivity'

export interface Soaked {
  /** Mean uptake, g/g. */
  uptake: number
  /** Uptake by shell, centre first, g/g. */
  shells: Float64Array
}

/** Steps a soak is cut into; the implicit kernel is stable at any, and 240 keep the mean within 1 % of finer ones. */
const STEPS = 240

/**
 * Cold soak of a kernel wholly under water: the same diffusion as in the pot, below gelatinisation.
 * @param minutes 0 or more
 * @example soakKernel(shortWhite, 30, celsius(20)).uptake // about 0.21
 */
export function soakKernel(given: KernelInput, minutes: number, temperature: Celsius, shells = 8): Soaked {
  const kind = kernelKind(given, shells)
  const uptake = new Float64Array(shells)
  const cooked = new Float64Array(shells)
  const seconds = (minutes * 60) / STEPS
  const stroke = {
    spread: (diffusivityAt(temperature) * seconds) / (kind.radius * kind.radius),
    cooking: 0,
    wetted: 1,
    available: Infinity,
  }
  if (minutes > 0) for (let i = 0; i < STEPS; i++) advanceKernel(kind, uptake, cooked, 0, stroke)
  return { uptake: kernelMean(kind, uptake, 0), shells: uptake }
}
