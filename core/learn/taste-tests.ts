/** Whether a tasting of a few cups tells anything, in exact odds. */

export const MAX_CUPS = 4
export const MAX_TASTINGS = 60

/** A tasting: letters, the best first. */
export type Ranking = readonly string[]

export interface TasteTestResult {
  /** How often each was put first, the most first. */
  firsts: { letter: string; first: number; meanRank: number }[]
  /** The one that was put first most often, where one was. */
  leader: string | null
  /** How likely the leader's lead, or more of one, is if nobody tastes a difference. */
  chance: number
  /**
   * How many more tastings like these it would take until chance would do it less than once in twenty; null
   * where it cannot be said.
   */
  moreNeeded: number | null
}

/** Less often than this by chance, and one believes it. */
const BELIEVED = 0.05

/**
 * How likely some cup of `cups` is put first `most` times or more in `tastings`, if each is as likely as the
 * others. Exact: every way the firsts can fall is counted (multinomial, cup by cup).
 * @param most 0..tastings
 * @example chanceOfLead(5, 5, 2) // 2 · (1/2)^5
 */
export function chanceOfLead(most: number, tastings: number, cups: number): number {
  if (!(Number.isInteger(most) && Number.isInteger(tastings) && most >= 0 && most <= tastings))
    throw new RangeError(`chanceOfLead: most must be 0 to ${tastings}, got ${most}`)
  if (most === 0) return 1
  // Ways with every cup below `most`, as coefficients of (sum of x^k/k! for k < most)^cups, in logs of
  // factorials kept as plain ratios.
  let ways = [1, ...Array<number>(tastings).fill(0)]
  for (let cup = 0; cup < cups; cup++) {
    const next = Array<number>(tastings + 1).fill(0)
    for (let had = 0; had <= tastings; had++) {
      if (ways[had] === 0) continue
      // x^k/k! times (tastings)! is spread over the cups as products of binomials of what is left.
      let term = 1
      for (let k = 0; k < most && had + k <= tastings; k++) {
        if (k > 0) term *= (tastings - had - k + 1) / k / cups
        next[had + k] = next[had + k]! + ways[had]! * term
      }
    }
    ways = next
  }
  return Math.min(1, Math.max(0, 1 - ways[tastings]!))
}

export function resultOf(rankings: readonly Ranking[], letters: readonly string[]): TasteTestResult {
  const firsts = letters
    .map((letter) => ({
      letter,
      first: rankings.filter((r) => r[0] === letter).length,
      meanRank:
        rankings.length === 0
          ? 0
          : rankings.reduce((sum, r) => sum + r.indexOf(letter) + 1, 0) / rankings.length,
    }))
    .sort((a, b) => b.first - a.first || a.meanRank - b.meanRank || (a.letter < b.letter ? -1 : 1))
  const n = rankings.length
  const top = firsts[0]
  if (n === 0 || !top) return { firsts, leader: null, chance: 1, moreNeeded: null }
  const leader = firsts[1] && firsts[1].first === top.first ? null : top.letter
  const chance = chanceOfLead(top.first, n, letters.length)
  return {
    firsts,
    leader,
    chance,
    moreNeeded: leader === null ? null : moreNeeded(top.first, n, letters.length),
  }
}

function moreNeeded(first: number, n: number, cups: number): number | null {
  const share = first / n
  // A lead no larger than chance gives never convinces.
  if (share <= 1 / cups + 1e-9) return null
  for (let more = 0; n + more <= MAX_TASTINGS * 3; more++)
    if (chanceOfLead(Math.min(n + more, Math.floor(share * (n + more) + 1e-9)), n + more, cups) < BELIEVED)
      return more
  return null
}
