import { isSlow, type Blend } from '#core/grain/blend'
import { celsius } from '#core/units/units'
import { soakKernel } from '#core/water/soak'
import type { Soak } from './request'

/** Grain as it goes into the pot: what it has drunk, and what hangs on it. */
export interface SoakedGrain {
  /** Uptake by shell for each part of the blend, in its order; empty when nothing was soaked. */
  shells: Float64Array[]
  /** Mean uptake over the blend, g/g. */
  uptake: number
  /** Rinse or soak water clinging, g. */
  clingingG: number
}

/**
 * What the soak gave, by kinetics or by the scale. Weighed wet, one figure replaces two estimates: what is
 * over the dry mass and the usual film is in the grain, as far as the grain can hold it cold; the rest hangs
 * on it.
 * @param usualClingG what clings after this drain by the table, g
 */
export function soakedGrain(given: {
  blend: Blend
  dryG: number
  soak: Soak | null
  usualClingG: number
  slowOnly: boolean
}): SoakedGrain {
  const { blend, dryG, soak, usualClingG, slowOnly } = given
  if (!soak || !(soak.minutes > 0 || soak.wetMassG !== null))
    return { shells: [], uptake: 0, clingingG: usualClingG }
  const soaked = blend.parts.map((part) => {
    const minutes = slowOnly && !isSlow(part, blend) ? 0 : soak.minutes
    return soakKernel({ ...part.variety, most: part.variety.uptake.most }, minutes, celsius(soak.celsius))
  })
  const shells = soaked.map((s) => s.shells)
  const uptake = soaked.reduce((sum, s, i) => sum + blend.parts[i]!.share * s.uptake, 0)
  if (soak.wetMassG === null) return { shells, uptake, clingingG: usualClingG }
  const carriedG = Math.max(0, soak.wetMassG - dryG)
  // Only rinsed: what it carries hangs on it.
  if (!(uptake > 0)) return { shells, uptake, clingingG: carriedG }
  const limit = blend.parts.reduce((sum, { share, variety }) => sum + share * variety.soakLimit, 0)
  const measured = Math.min(limit, Math.max(0, carriedG - usualClingG) / dryG)
  return {
    shells: shells.map((shell) => shell.map((u) => (u * measured) / uptake)),
    uptake: measured,
    clingingG: carriedG - measured * dryG,
  }
}
