import { CENTRE_DONE, FREE_AT_SIGN, FREE_DONE } from '#core/constants'
import { freeShare, grainWater, leastCooked, type Pot } from './pot'

/** What a pot must have reached at the very end. */
export interface Goal {
  /** Degree of gelatinisation in the slowest centre. */
  centre: number
  /** Most free water, as a share of the cooked mass; for grain that drinks its pot dry. */
  free?: number
  /** Water in the grain, g/g; for grain whose texture comes from its time in water or steam, and not from the pour. */
  uptake?: number
}

export const DRY_AND_THROUGH: Goal = { centre: CENTRE_DONE, free: FREE_DONE }

/** Kept water counts as given when no more than this is left of it, g. */
const STOCK_LEFT_G = 0.5

/** How far a pot is from its goal: 0 or more in both is done. The scale of each is its own. */
export interface Doneness {
  centre: number
  water: number
}

export function donenessOf(pot: Pot, goal: Goal): Doneness {
  const dry = goal.free === undefined ? Infinity : goal.free - freeShare(pot)
  if (pot.stockG > STOCK_LEFT_G)
    return { centre: leastCooked(pot) - goal.centre, water: -pot.stockG / pot.dryG }
  const full = goal.uptake === undefined ? Infinity : grainWater(pot) / pot.dryG - goal.uptake
  return { centre: leastCooked(pot) - goal.centre, water: Math.min(dry, full) }
}

/** The sign at the end of the heat is true of this pot: less than 0 while water would still be seen. */
export const dryAtSign = (pot: Pot): number => FREE_AT_SIGN - freeShare(pot)

export const isDone = ({ centre, water }: Doneness): boolean => centre >= 0 && water >= 0

/** Where between a moment that is not done and a later one that is, both conditions are first met, 0..1. */
export function whenDone(before: Doneness, after: Doneness): number {
  const crossing = (a: number, b: number) => (a >= 0 ? 0 : b <= a ? 1 : Math.min(1, -a / (b - a)))
  return Math.max(crossing(before.centre, after.centre), crossing(before.water, after.water))
}
