import { cookedMass } from '#core/pot/pot'
import { minutesStillNeeded, outlookOf } from '#core/cook/outlook'
import type { PotEstimate } from '#core/cook/estimate-pot'
import type { Remedy } from '#core/cook/remedy'
import { withRollback } from '#core/pot/snapshot'
import { adviceFor } from './remedies'

/** What was found under the grain. */
export type Seen = 'water' | 'none'

export type Answer =
  | { act: 'more'; minutes: number; says: string; why: string }
  | { act: 'off' | 'none'; says: string; why: string }
  | { act: 'remedy'; remedy: Remedy; says: string; why: string }

/** Water one sees is at least so much, as a share of the cooked mass. */
const SEEN_SHARE = 0.06
const COOKED = 0.9

/**
 * What a look under the grain means for this pot: how many minutes more, or the heat off, or water in.
 * @param leftMinutes of the stage under way
 */
export function lidCheck(estimate: PotEstimate, seen: Seen, leftMinutes: number): Answer {
  const { pot } = estimate
  if (seen === 'water') {
    const needed = withRollback(pot, () => {
      pot.freeG = Math.max(pot.freeG, SEEN_SHARE * cookedMass(pot))
      return minutesStillNeeded(estimate)
    })
    const left = Math.max(0, leftMinutes)
    const minutes = Math.ceil((needed ?? left) - left)
    return minutes > 0
      ? {
          act: 'more',
          minutes,
          says: `${minutes} min more, leave the lid`,
          why: `Needs about ${Math.round(needed!)} min more; ${left < 0.5 ? 'the clock is at its end' : `${Math.round(left)} are left`}.`,
        }
      : {
          act: 'none',
          says: 'Leave it: it will absorb that',
          why: `About ${Math.max(1, Math.round(needed ?? left))} min to absorb it; ${Math.round(left)} min left.`,
        }
  }
  return withRollback(pot, () => {
    pot.freeG = 0
    const now = outlookOf(
      estimate,
      estimate.ahead.filter(({ phase }) => phase.powerW === 0),
    )
    if (now.outcome.centreMin >= COOKED && now.verdict.texture !== 'dry')
      return {
        act: 'off',
        says: 'Heat off, leave the lid',
        why: `The water is absorbed; resting cooks the centres to ${Math.round(100 * now.outcome.centreMin)} %. More heat would dry the bottom.`,
      }
    const advice = adviceFor('dry-early', estimate)
    return { act: 'remedy', remedy: advice.remedy!, says: advice.says, why: advice.why }
  })
}
