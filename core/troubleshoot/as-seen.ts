import type { Complaint } from '#core/cook/remedy'
import { centreAtMost, uptakeAtMost, wetAtLeast } from '#core/pot/corrections'
import type { Pot } from '#core/pot/pot'

/** Water that a tongue calls wet, as a share of the cooked mass; a centre it calls chalk, degree cooked. */
const WET_SHARE = 0.08
const CHALK = 0.72
/** Dry grain holds at most this much under firm, g/g. */
const UNDER_FIRM = 0.05

/** Takes the cook at his word: where the computed pot is not what was seen, it is made to be. The pot is changed. */
export function asSeen(pot: Pot, complaint: Complaint, firm: number): void {
  switch (complaint) {
    case 'still-wet':
      return wetAtLeast(pot, WET_SHARE)
    case 'hard-wet':
      wetAtLeast(pot, WET_SHARE)
      return centreAtMost(pot)
    case 'dry-firm':
      pot.freeG = 0
      return uptakeAtMost(pot, firm - UNDER_FIRM)
    case 'chalky':
      pot.freeG = 0
      return centreAtMost(pot, CHALK)
    case 'dry-early':
      pot.freeG = 0
      return
    default:
      return
  }
}
