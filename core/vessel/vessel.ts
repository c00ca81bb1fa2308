import type { LidFit } from '#core/heat/lid'
import { celsius, millilitres, millimetres, type Celsius, type Millilitres } from '#core/units/units'
import type { MaterialId } from './materials'
import { heightFor, outsideArea, type Mark, type Shape } from './shape'

export type VesselKind = 'pot' | 'cooker' | 'pressure-electric' | 'pressure-stovetop' | 'oven-dish'

/** A vessel with nothing left open: the planner's view of a pot. */
export interface Vessel extends Shape {
  kind: VesselKind
  capacity: Millilitres
  /** J/K, of the empty vessel with its lid. */
  heatCapacity: number
  /** Covered standing loss, W/K. */
  loss: number
  /** Learned multiplier on the steam that leaves; 1 when nothing was learned. */
  steamFactor: number
  lid: LidFit
  /** Of its base, where it is known. */
  material?: MaterialId
}

/**
 * Standing loss per outside area, W/(m² K): natural convection and radiation of bare or enamelled metal;
 * appliances as built.
 */
const LOSS_PER_AREA = {
  pot: 11,
  cooker: 12,
  'pressure-electric': 5,
  'pressure-stovetop': 11,
  'oven-dish': 11,
} as const

/** A pot named for a basket; no other is steamed in unasked. */
export const hasBasket = ({ name }: { name: string }): boolean => /basket|tall|steam/i.test(name)

/** Electric and stovetop pressure cookers. */
export const isPressureCooker = (kind: VesselKind): boolean =>
  kind === 'pressure-electric' || kind === 'pressure-stovetop'

/** Vessels that cook in a jacket of their own, on no burner. */
export const isJacketed = (kind: VesselKind): boolean => kind === 'cooker' || kind === 'pressure-electric'

export interface VesselInput {
  kind?: VesselKind
  capacityMl: number
  baseDiameterMm: number
  rimDiameterMm?: number
  heightMm?: number
  heatCapacityJK?: number
  lossWK?: number
  steamFactor?: number
  lid: LidFit
  material?: MaterialId
  marks?: readonly Mark[]
}

/** Heat capacity of a middling pot of a capacity, J/K: 450 for thin 1.6 L, 800 for heavy 2.5 L, 1400 for 6 L. */
export const usualHeatCapacity = (capacityMl: number): number => 230 + 0.21 * capacityMl

/** Fills in what is not said about a vessel: rim like base, height from capacity, loss from its outside area. */
export function vesselOf(given: VesselInput): Vessel {
  const base = millimetres(given.baseDiameterMm)
  const rim = millimetres(given.rimDiameterMm ?? given.baseDiameterMm)
  const capacity = millilitres(given.capacityMl)
  const height = given.heightMm === undefined ? heightFor(base, rim, capacity) : millimetres(given.heightMm)
  const kind = given.kind ?? 'pot'
  const shape = { baseDiameter: base, rimDiameter: rim, height }
  return {
    ...shape,
    kind,
    capacity,
    heatCapacity: given.heatCapacityJK ?? usualHeatCapacity(given.capacityMl),
    loss: given.lossWK ?? LOSS_PER_AREA[kind] * outsideArea(shape),
    steamFactor: given.steamFactor ?? 1,
    lid: given.lid,
    ...(given.material ? { material: given.material } : {}),
    ...(given.marks ? { marks: given.marks } : {}),
  }
}

/** What the covered vessel gives off at the boil, W. */
export const standingLoss = (vessel: Vessel, boil: Celsius, kitchen: Celsius): number =>
  vessel.loss * celsius(boil - kitchen)

/** An appliance that keeps what it cooked warm. */
export const keepsWarmItself = (kind: Vessel['kind']): boolean =>
  kind === 'cooker' || kind === 'pressure-electric'

/** Whether foil under the lid makes it tighter: a pot's lid that does not seal. */
export const takesFoil = ({ kind, lid }: Pick<Vessel, 'kind' | 'lid'>): boolean =>
  kind === 'pot' && lid === 'loose'
