import type { Blend } from '#core/grain/blend'
import { bulkVolume } from '#core/grain/blend'
import { millilitres, millimetres, type Grams, type Millilitres, type Millimetres } from '#core/units/units'
import { PACKED_IN_POT } from './fill-limits'
import { levelOf, type Shape } from './shape'

export interface Filling {
  shape: Shape
  blend: Blend
  dry: Grams
  /** All free water in the pot before the heat: the pour and what clings, g. */
  freeWater: number
  /** Water already soaked in, g/g. */
  soaked: number
  /** Water in the grain when it is eaten, g/g. */
  uptake: number
  frothFactor: number
}

export interface Gauges {
  bedDepth: Millimetres
  waterAboveBed: Millimetres
  fillLine: Millilitres
  fillLevel: Millimetres
  swollen: Millilitres
  swollenLevel: Millimetres
  froth: Millilitres
  frothLevel: Millimetres
  /** Where a basket stands over its boiler. */
  basketLevel?: Millimetres
}

/**
 * The same water, read off the pot in every way a cook reads it. Depth over the bed counts the voids between
 * settled grains, which water fills first.
 */
export function gaugesOf({ shape, blend, dry, freeWater, soaked, uptake, frothFactor }: Filling): Gauges {
  const bed = bulkVolume(blend, dry)
  const bedDepth = levelOf(shape, bed)
  const surface = levelOf(shape, millilitres(bed + freeWater - blend.voidShare * bed))
  const fillLine = millilitres(dry / blend.kernelDensity + soaked * dry + freeWater)
  const swollen = millilitres((dry * (1 + uptake)) / (PACKED_IN_POT * blend.cookedDensity))
  const froth = millilitres(fillLine * frothFactor)
  return {
    bedDepth,
    waterAboveBed: millimetres(surface - bedDepth),
    fillLine,
    fillLevel: levelOf(shape, fillLine),
    swollen,
    swollenLevel: levelOf(shape, swollen),
    froth,
    frothLevel: levelOf(shape, froth),
  }
}

/** The least gap from boiling water to a basket, mm. */
const GAP = 25
/** A basket hangs about this far up its pot, as a share of its height. */
const BASKET_AT = 0.4

/**
 * The same for grain in a basket: the water stands under it, and everything of the grain is measured from the
 * basket up.
 * @param boilerG water in the pot below, g
 */
export function overBoiler(inBed: Gauges, shape: Shape, boilerG: number): Gauges {
  const fillLine = millilitres(boilerG)
  const fillLevel = levelOf(shape, fillLine)
  const basketLevel = millimetres(Math.max(fillLevel + GAP, BASKET_AT * shape.height))
  return {
    ...inBed,
    basketLevel,
    waterAboveBed: millimetres(fillLevel - basketLevel - inBed.bedDepth),
    fillLine,
    fillLevel,
    swollenLevel: millimetres(basketLevel + inBed.swollenLevel),
    froth: fillLine,
    frothLevel: fillLevel,
  }
}
