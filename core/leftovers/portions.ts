import type { Purpose } from '#core/methods/definition'

/** A container of the household: what it holds when it is level, and how deep that is. */
export interface Container {
  id: string
  name: string
  ml: number
  depthMm: number
}

/** The same out of a stored row. */
export const containerOf = ({
  id,
  name,
  ml,
  depth_mm,
}: {
  id: string
  name: string
  ml: number
  depth_mm: number
}): Container => ({ id, name, ml, depthMm: depth_mm })

/** One container with its share of what was cooked. */
export interface Filled {
  container: Container
  massG: number
  portions: number
  depthMm: number
  /** More than it holds when level. */
  over: boolean
}

/**
 * Shares cooked grain out level, the same in each of a kind.
 * @param densityGMl loose, of the cooked grain
 * @param portions all of them together, spread by mass
 */
export function shareOut(
  massG: number,
  densityGMl: number,
  portions: number,
  into: readonly Container[],
): Filled[] {
  if (!(massG >= 0)) throw new RangeError(`shareOut: massG must be 0 or more, got ${massG}`)
  if (into.length === 0 || massG === 0) return []
  const room = into.reduce((sum, c) => sum + c.ml, 0)
  return into.map((container) => {
    const share = container.ml / room
    const ml = (massG * share) / densityGMl
    return {
      container,
      massG: massG * share,
      portions: portions * share,
      depthMm: (container.depthMm * ml) / container.ml,
      over: ml > container.ml * 1.001,
    }
  })
}

/**
 * The fewest containers of one kind that take it all, each holding whole portions where it can: the smallest
 * that holds one, or the largest there is.
 * @returns that container as often as it is wanted; nothing for a household without any
 */
export function suggestContainers(
  massG: number,
  densityGMl: number,
  portions: number,
  owned: readonly Container[],
): Container[] {
  if (owned.length === 0 || !(massG > 0)) return []
  const each = massG / Math.max(1, portions) / densityGMl
  const bySize = [...owned].sort((a, b) => a.ml - b.ml)
  const fits = bySize.find((c) => c.ml >= each)
  if (fits) return Array.from({ length: Math.max(1, Math.round(portions)) }, () => fits)
  const largest = bySize.at(-1)!
  return Array.from({ length: Math.ceil(massG / densityGMl / largest.ml) }, () => largest)
}

/** Portions of a batch that are eaten as it is done: none of one for the week, else all that is not for later. */
export const eatenAtOnce = ({
  servings,
  toKeep,
  purpose,
  asideShare = 0,
}: {
  servings: number
  toKeep: number
  purpose: Purpose
  /** Set aside for frying tomorrow, 0..1. */
  asideShare?: number
}): number => (purpose === 'batch' ? 0 : Math.max(0, servings * (1 - asideShare) - toKeep))
