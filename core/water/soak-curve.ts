import { advanceKernel, kernelKind, kernelMean, type KernelInput } from '#core/grain/kernel'
import type { Celsius } from '#core/units/units'
import { diffusivityAt } from '#core/grain/diffusivity'

/**
 * Uptake through a cold soak, one figure for each minute asked: one pass, so that a whole curve costs what
 * its last point does.
 * @param minutes rising, 0 or more
 * @returns g/g in the same order
 */
export function soakCurve(given: KernelInput, temperature: Celsius, minutes: readonly number[]): number[] {
  const kind = kernelKind(given, 8)
  const uptake = new Float64Array(kind.shells)
  const cooked = new Float64Array(kind.shells)
  const spreadPerSecond = diffusivityAt(temperature) / (kind.radius * kind.radius)
  let now = 0
  return minutes.map((minute) => {
    const seconds = (minute - now) * 60
    if (seconds < 0) throw new RangeError(`soakCurve: minutes must rise, got ${minute} after ${now}`)
    const steps = Math.ceil(Math.sqrt(seconds) * 2)
    for (let i = 0; i < steps; i++)
      advanceKernel(kind, uptake, cooked, 0, {
        spread: (spreadPerSecond * seconds) / steps,
        cooking: 0,
        wetted: 1,
        available: Infinity,
      })
    now = minute
    return kernelMean(kind, uptake, 0)
  })
}
