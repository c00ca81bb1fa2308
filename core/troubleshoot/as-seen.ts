import type { Complaint } from '#core/cook/remedy'
import { grainWater, leastCooked, type Pot } from '#core/pot/pot'

/**
 * Water that a tongue calls wet, as a share of the cooked mass; a centre it calls chalk, and one it calls
 * firm, degree cooked.
 */
const WET_SHARE = 0.08
const CHALK = 0.72
const FIRM_HEART = 0.84
/** Dry grain holds at most this much under firm, g/g. */
const UNDER_FIRM = 0.05

/** Takes the cook at his word: where the computed pot is not what was seen, it is made to be. The pot is changed. */
export function asSeen(pot: Pot, complaint: Complaint, firm: number): void {
  switch (complaint) {
    case 'still-wet':
      return wetAtLeast(pot, WET_SHARE)
    case 'hard-wet':
      wetAtLeast(pot, WET_SHARE)
      return centreAtMost(pot, FIRM_HEART)
    case 'dry-firm':
      pot.freeG = 0
      return drunkAtMost(pot, firm - UNDER_FIRM)
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

function wetAtLeast(pot: Pot, share: number): void {
  const wanted = (share * (pot.dryG + grainWater(pot))) / (1 - share)
  pot.freeG = Math.max(pot.freeG, wanted)
}

function centreAtMost(pot: Pot, most: number): void {
  const now = leastCooked(pot)
  if (now <= most) return
  for (let i = 0; i < pot.cooked.length; i++) pot.cooked[i] = pot.cooked[i]! * (most / now)
}

function drunkAtMost(pot: Pot, most: number): void {
  const share = Math.max(0.1, most) / (grainWater(pot) / pot.dryG)
  if (share >= 1) return
  for (const list of [pot.uptake, pot.mean]) for (let i = 0; i < list.length; i++) list[i] = list[i]! * share
}
