import type { Grams, Millilitres } from '#core/units/units'
import { grams, millilitres } from '#core/units/units'
import { unsoakedMinutes } from './unsoaked-minutes'
import { varietyOf, type Variety, type VarietyId } from './varieties'

export interface BlendPart {
  variety: Variety
  /** Share by dry mass, 0..1; the shares of a blend sum to 1. */
  share: number
}

/** Minutes a dry grain takes in boiling water.  @param boilC at sea level when left out, °C */
export const cookMinutes = (variety: Variety, boilC = 100): number =>
  unsoakedMinutes({ ...variety, most: variety.uptake.most }, boilC)

/** One or more grains cooked together, with what the mixture amounts to. */
export interface Blend {
  parts: readonly BlendPart[]
  /** g/mL. Harmonic in the shares, because shares are by mass. */
  bulkDensity: number
  cookedDensity: number
  kernelDensity: number
  /** Void share of the settled dry bed, 0..1. */
  voidShare: number
  uptake: Variety['uptake']
  cling: number
  amylose: number
  /** The member that takes longest: time follows it. */
  slowest: Variety
  /** Slowest minus fastest, unsoaked, minutes at 100 °C. */
  spreadMinutes: number
  frothing: boolean
  gluten: boolean
}

/**
 * Mixes varieties by dry mass; shares are normalised.
 * @throws {RangeError} when no share is above 0
 */
export function blendOf(grains: readonly { variety: VarietyId; share: number }[]): Blend {
  const total = grains.reduce((sum, grain) => sum + grain.share, 0)
  if (!(total > 0)) throw new RangeError(`blendOf: shares must sum to more than 0, got ${total}`)
  const parts = grains.map(({ variety, share }) => ({ variety: varietyOf(variety), share: share / total }))
  const mean = (value: (v: Variety) => number) =>
    parts.reduce((sum, p) => sum + p.share * value(p.variety), 0)
  const harmonic = (value: (v: Variety) => number) => 1 / mean((v) => 1 / value(v))
  const bulkDensity = harmonic((v) => v.bulkDensity)
  const kernelDensity = harmonic((v) => v.kernelDensity)
  const times = parts.map((p) => cookMinutes(p.variety))
  const slowest = parts[times.indexOf(Math.max(...times))]!.variety
  return {
    parts,
    bulkDensity,
    kernelDensity,
    cookedDensity: harmonic((v) => v.cookedDensity),
    voidShare: 1 - bulkDensity / kernelDensity,
    uptake: {
      firm: mean((v) => v.uptake.firm),
      standard: mean((v) => v.uptake.standard),
      soft: mean((v) => v.uptake.soft),
      most: mean((v) => v.uptake.most),
    },
    cling: mean((v) => v.cling),
    amylose: mean((v) => v.amylose),
    slowest,
    spreadMinutes: Math.max(...times) - Math.min(...times),
    frothing: parts.some((p) => p.variety.frothing && p.share >= 0.25),
    gluten: parts.some((p) => p.variety.gluten),
  }
}

/** The same blend where every grain takes longer, or less long, to cook through: an old lot, a hard kitchen. */
export const slowedBlend = (blend: Blend, factor: number): Blend =>
  factor === 1
    ? blend
    : {
        ...blend,
        parts: blend.parts.map(({ variety, share }) => ({ share, variety: slowed(variety, factor) })),
        slowest: slowed(blend.slowest, factor),
        spreadMinutes: blend.spreadMinutes * factor,
      }

const slowed = (variety: Variety, factor: number): Variety => ({
  ...variety,
  ...slowedKernel(variety, factor),
})

/**
 * A lot that takes longer by a factor: its starch and the way of the water to it both do; for the water that
 * is the square of the radius.
 */
export const slowedKernel = (
  { minutesAt100, radiusMm }: { minutesAt100: number; radiusMm: number },
  factor: number,
): { minutesAt100: number; radiusMm: number } => ({
  minutesAt100: minutesAt100 * factor,
  radiusMm: radiusMm * Math.sqrt(factor),
})

/** Volume of the dry grain, levelled and not shaken. */
export const bulkVolume = (blend: Pick<Blend, 'bulkDensity'>, mass: Grams): Millilitres =>
  millilitres(mass / blend.bulkDensity)

export const massOfBulk = (blend: Pick<Blend, 'bulkDensity'>, volume: Millilitres): Grams =>
  grams(volume * blend.bulkDensity)

/** Members this much slower than the quickest count as the slow ones, minutes at 100 °C. */
export const BLEND_SPREAD_MINUTES = 6

export const isSlow = (part: BlendPart, blend: Blend): boolean =>
  cookMinutes(part.variety) - Math.min(...blend.parts.map((p) => cookMinutes(p.variety))) >
  BLEND_SPREAD_MINUTES
