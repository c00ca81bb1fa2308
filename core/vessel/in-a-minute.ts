import type { HeatSource } from '#core/heat/sources'
import { fullPower } from '#core/heat/sources'
import { celsius, millimetres, type Celsius } from '#core/units/units'
import { heatCapacityOfPot } from './calibration'
import { type MaterialId } from './materials'
import { volumeAt } from './shape'
import { vesselOf, type Vessel } from './vessel'

/** What a pot looks like from the side, as the share of its mouth that its bottom is wide. */
export const POT_SHAPES = {
  straight: { word: 'straight sides', base: 1 },
  tapered: { word: 'slightly narrower at the bottom', base: 0.9 },
  bowl: { word: 'wide like a bowl', base: 0.72 },
} as const
export type PotShape = keyof typeof POT_SHAPES
export const POT_SHAPE_IDS = Object.keys(POT_SHAPES) as PotShape[]

export interface PotAtAGlance {
  shape: PotShape
  /** Across the mouth and high, inside, mm. */
  rimMm: number
  heightMm: number
  /** Empty, with its lid, g. */
  emptyG: number
  material: MaterialId
}

/** A pot from its shape, two measures and its weight; what it holds follows. */
export function potAtAGlance({ shape, rimMm, heightMm, emptyG, material }: PotAtAGlance): Vessel {
  const base = Math.round(rimMm * POT_SHAPES[shape].base)
  const frustum = {
    baseDiameter: millimetres(base),
    rimDiameter: millimetres(rimMm),
    height: millimetres(heightMm),
  }
  return vesselOf({
    kind: 'pot',
    capacityMl: Math.round(volumeAt(frustum, millimetres(heightMm))),
    baseDiameterMm: base,
    rimDiameterMm: rimMm,
    heightMm,
    lid: 'tight',
    heatCapacityJK: Math.min(20_000, Math.max(20, heatCapacityOfPot(emptyG, material))),
  })
}

const WATER_HEAT = 4.18 // J/(g K)

/**
 * Minutes until water boils in a covered pot at full heat: C dT/dt = P − UA (T − T_kitchen), solved. The
 * first cook corrects it: a burner gives what it gives.
 * @returns Infinity where it never boils
 */
export function minutesToBoil({
  vessel,
  source,
  waterG,
  from,
  boil,
  kitchen,
}: {
  vessel: Vessel
  source: HeatSource
  waterG: number
  from: Celsius
  boil: Celsius
  kitchen: Celsius
}): number {
  const power = fullPower(source)
  const heat = WATER_HEAT * waterG + vessel.heatCapacity
  const loss = vessel.loss
  const over = (t: number) => power - loss * (t - kitchen)
  return over(boil) <= 0 ? Infinity : ((heat / loss) * Math.log(over(from) / over(boil))) / 60
}

/** Tap water in an ordinary kitchen. */
export const TAP = celsius(15)
