import { freeShare, leastCooked, type Pot } from '#core/pot/pot'

/** Centre of the slowest layer cooked to this degree. */
export const CENTRE_DONE = 0.93
/** Free water left, as a share of the cooked mass, that still eats as separate grains. */
export const FREE_DONE = 0.025

/** How far a pot is from done: 0 or more in both is done. The scale of each is its own. */
export interface Doneness {
  centre: number
  free: number
}

export const donenessOf = (pot: Pot): Doneness => ({
  centre: leastCooked(pot) - CENTRE_DONE,
  free: FREE_DONE - freeShare(pot),
})

export const isDone = ({ centre, free }: Doneness): boolean => centre >= 0 && free >= 0

/** Where between a moment that is not done and a later one that is, both conditions are first met, 0..1. */
export function whenDone(before: Doneness, after: Doneness): number {
  const crossing = (a: number, b: number) => (a >= 0 ? 0 : b <= a ? 1 : Math.min(1, -a / (b - a)))
  return Math.max(crossing(before.centre, after.centre), crossing(before.free, after.free))
}
