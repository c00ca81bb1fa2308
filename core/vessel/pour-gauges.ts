import type { Blend } from '#core/grain/blend'
import { bulkVolume } from '#core/grain/blend'
import { grams, millilitres, millimetres } from '#core/units/units'
import { levelOf, volumeAt, type Shape } from './shape'

/** A pot with its grain in it, before the water: what every gauge is read against. */
export interface PourContext {
  shape: Shape
  blend: Pick<Blend, 'bulkDensity' | 'kernelDensity' | 'voidShare'>
  dryG: number
  /** Water already there: clinging, g, and soaked in, g. */
  clingingG: number
  soakedG: number
}

/** Depth of the settled bed, mm. */
export const bedDepthOf = ({ shape, blend, dryG }: PourContext): number =>
  levelOf(shape, bulkVolume(blend, grams(dryG)))

/** Water standing over the bed, mm, for a pour; below 0 it does not reach the top of the grain. */
export function depthOfPour(context: PourContext, pourG: number): number {
  const { shape, blend, dryG, clingingG } = context
  const bed = bulkVolume(blend, grams(dryG))
  return levelOf(shape, millilitres(bed + pourG + clingingG - blend.voidShare * bed)) - levelOf(shape, bed)
}

/** The pour that stands so many millimetres over the bed: the inverse of depthOfPour. */
export function pourForDepth(context: PourContext, depthMm: number): number {
  const { shape, blend, dryG, clingingG } = context
  const bed = bulkVolume(blend, grams(dryG))
  const surface = volumeAt(shape, millimetres(levelOf(shape, bed) + depthMm))
  return surface - bed + blend.voidShare * bed - clingingG
}

/** The line the water stands at with the grain in it, mL: kernels, what they have soaked in, and all free water. */
export const fillLineOfPour = ({ blend, dryG, clingingG, soakedG }: PourContext, pourG: number): number =>
  dryG / blend.kernelDensity + soakedG + clingingG + pourG

/** The pour that fills to a line: the inverse of fillLineOfPour. */
export const pourForFillLine = ({ blend, dryG, clingingG, soakedG }: PourContext, fillMl: number): number =>
  fillMl - dryG / blend.kernelDensity - soakedG - clingingG

export const pourForLevel = (context: PourContext, levelMm: number): number =>
  pourForFillLine(context, volumeAt(context.shape, millimetres(levelMm)))

/** Where a pour stands, mm over the base: the inverse of pourForLevel. */
export const levelOfPour = (context: PourContext, pourG: number): number =>
  levelOf(context.shape, millilitres(Math.max(0, fillLineOfPour(context, pourG))))

/**
 * "As much water again as the grain is deep." In a straight pot that is the bed's own volume over the bed,
 * and the voids in it besides: (1 + ε) by volume for dry grain, not 1.
 */
export const pourAsDeepAgain = (context: PourContext): number => pourForDepth(context, bedDepthOf(context))
