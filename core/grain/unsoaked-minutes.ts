import { CENTRE_DONE } from '#core/constants'
import { cookingSpeed } from '#core/heat/cooking-speed'
import { celsius } from '#core/units/units'
import { diffusivityAt } from './diffusivity'
import { advanceKernel, kernelKind, type KernelInput } from './kernel'

const STEP_S = 10
const MAX_MINUTES = 180
/** A centre drier than this is not done, however hot it was, g/g. */
const WET_CENTRE = 0.4
const known = new Map<string, number>()
const MAX_KNOWN = 500

/**
 * Minutes that a dry kernel takes in boiling water until its centre is cooked: what orders slow and quick
 * grain. Its starch's own time (minutesAt100) and what the water takes to get in, together.
 */
export function unsoakedMinutes(
  { radiusMm, skin, soakLimit, most, minutesAt100, precooked = 0 }: KernelInput,
  boilC = 100,
): number {
  const key = `${radiusMm} ${skin} ${soakLimit} ${most} ${minutesAt100} ${precooked} ${boilC}`
  const before = known.get(key)
  if (before !== undefined) return before
  const kind = kernelKind({ radiusMm, skin, soakLimit, most, minutesAt100 }, 8)
  const uptake = new Float64Array(kind.shells)
  const cooked = new Float64Array(kind.shells).fill(precooked)
  const stroke = {
    spread: (diffusivityAt(celsius(boilC)) * STEP_S) / (kind.radius * kind.radius),
    cooking: STEP_S * cookingSpeed(celsius(boilC)),
    wetted: 1,
    available: Infinity,
  }
  let seconds = 0
  while ((cooked[0]! < CENTRE_DONE || uptake[0]! < WET_CENTRE) && seconds < MAX_MINUTES * 60) {
    advanceKernel(kind, uptake, cooked, 0, stroke)
    seconds += STEP_S
  }
  if (known.size >= MAX_KNOWN) known.clear()
  known.set(key, seconds / 60)
  return seconds / 60
}
