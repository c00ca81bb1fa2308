import { chancesOf } from '#core/simulate/sweep'
import { study, type StudyInput } from './study'
import { WORLD_OF_THE_ODDS } from './worlds'

/** Batches that were promised about as much, and how many of them ended well. */
export interface Promised {
  from: number
  to: number
  batches: number
  /** The mean of what they were promised, 0..1. */
  promised: number
  good: number
}

const BINS = [0, 0.6, 0.7, 0.8, 0.9, 1.0001] as const

/**
 * Whether odds can be believed: each batch of the study is planned with what was learned before it, its odds
 * are asked, and then it is cooked in its own kitchen.
 * @param kitchens cooked for the odds of a batch
 */
export function reliability({
  kitchens,
  ...given
}: Pick<StudyInput, 'households' | 'cooks' | 'seed' | 'weighed'> & { kitchens: number }): {
  bins: Promised[]
  byCook: Promised[]
} {
  const batches: { cook: number; promised: number; good: boolean }[] = []
  study({
    ...given,
    world: WORLD_OF_THE_ODDS,
    watch: ({ cook, believed, good }) => {
      const simulation = { request: believed, script: null, happenings: [] }
      const { good: promised } = chancesOf(simulation, { seed: given.seed + batches.length, runs: kitchens })
      batches.push({ cook, promised, good })
    },
  })
  const summed = (some: typeof batches, from: number, to: number): Promised => ({
    from,
    to,
    batches: some.length,
    promised: some.reduce((sum, { promised }) => sum + promised, 0) / some.length,
    good: some.filter(({ good }) => good).length / some.length,
  })
  return {
    bins: BINS.slice(1)
      .map((to, i) => {
        const from = BINS[i]!
        return summed(
          batches.filter(({ promised }) => promised >= from && promised < to),
          from,
          Math.min(1, to),
        )
      })
      .filter(({ batches: many }) => many > 0),
    byCook: Array.from({ length: given.cooks + 1 }, (_, i) =>
      summed(
        batches.filter(({ cook }) => cook === i),
        i,
        i,
      ),
    ),
  }
}
