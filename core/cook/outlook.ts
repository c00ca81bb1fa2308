import { CENTRE_WELL_THROUGH } from '#core/constants'
import { donenessOf, isDone } from '#core/pot/doneness'
import { leastCooked, type Pot } from '#core/pot/pot'
import { runPhase } from '#core/pot/run'
import { withRollback } from '#core/pot/snapshot'
import { outcomeOf } from '#core/simulate/simulate'
import { verdictOf, type Outcome, type Verdict } from '#core/simulate/verdict'
import type { Ahead, PotEstimate } from './estimate-pot'

/** How a pot ends if it goes on like this. */
export interface Outlook {
  verdict: Verdict
  outcome: Outcome
  freeG: number
  /** Water missing for the texture that is wanted, g; negative: so much too much. */
  shortG: number
}

const run = (pot: Pot, ahead: readonly Ahead[]): void => {
  for (const { phase, minutes, ends } of ahead) runPhase(pot, { ...phase, until: ends ?? { minutes } })
}

/** Runs what is ahead. The pot stays as it is. */
export function outlookOf({ pot, ahead, prepared }: PotEstimate, as: readonly Ahead[] = ahead): Outlook {
  return withRollback(pot, () => {
    run(pot, as)
    const outcome = outcomeOf(pot)
    // What is still free at the end would have been drunk in a little more time.
    const held = outcome.uptakeMean + pot.freeG / pot.dryG
    return {
      verdict: verdictOf(outcome, prepared.blend.uptake, prepared.sauce),
      outcome,
      freeG: pot.freeG,
      shortG: (prepared.uptake - held) * pot.dryG,
    }
  })
}

/** The longest anyone goes on with a pot that will not get done, minutes. */
const MAX_MORE = 90
const BISECTIONS = 10

/**
 * The least minutes the solved stage still needs, so that the goal is met at the very end.
 * @returns undefined where no stage is left to stretch, or no time helps
 */
export function minutesStillNeeded(estimate: PotEstimate): number | undefined {
  const place = estimate.ahead.findIndex(({ solved }) => solved)
  return place < 0
    ? undefined
    : leastMinutes(estimate, place, (pot) => isDone(donenessOf(pot, estimate.prepared.goal)))
}

/**
 * The least minutes of one stage ahead after which the centres end cooked through.
 * @param place of the stage among those ahead
 * @returns undefined where no time helps
 */
export const minutesUntilThrough = (estimate: PotEstimate, place: number): number | undefined =>
  leastMinutes(
    estimate,
    place,
    (pot) => leastCooked(pot) >= Math.min(CENTRE_WELL_THROUGH, estimate.prepared.goal.centre),
  )

function leastMinutes(
  { pot, ahead }: PotEstimate,
  place: number,
  reached: (pot: Pot) => boolean,
): number | undefined {
  const done = (minutes: number) =>
    withRollback(pot, () => {
      run(
        pot,
        ahead.map((part, i) => (i === place ? { ...part, minutes } : part)),
      )
      return reached(pot)
    })
  if (!done(MAX_MORE)) return undefined
  if (done(0)) return 0
  let [low, high] = [0, MAX_MORE]
  for (let i = 0; i < BISECTIONS; i++) {
    const middle = (low + high) / 2
    if (done(middle)) high = middle
    else low = middle
  }
  return high
}
