import { roundTo } from '#core/units/rounding'
import type { PlanRequest } from '#core/plan/request'
import type { Spreads } from '#core/spreads'
import { spreadsOf } from './spreads-of'
import { blendOf } from '#core/grain/blend'
import { chancesOf, type Chances } from './sweep'

/** How likely a plan is to end well in a kitchen like this one, and how else it may end. */
export interface Odds {
  good: number
  /** The ways it may fail, the likeliest first. */
  fails: { how: 'hard' | 'dry' | 'wet' | 'mushy' | 'uneven' | 'scorched' | 'not-as-asked'; share: number }[]
  /** Where the odds are low: the one thing whose measuring would raise them most, and to what. */
  measure?: { what: keyof Spreads; good: number }
}

/** Below this a plan says what would raise its odds. */
const LOW_ODDS = 0.85
/** A thing measured once is known about three times as well. */
const MEASURED = 1 / 3
const MEASURABLE = ['burner', 'steam', 'minutes', 'water', 'measuring'] as const

const failsOf = (chances: Chances): Odds['fails'] => {
  const bad = 1 - chances.good
  const named = [
    { how: 'hard' as const, share: 1 - chances.cookedThrough.yes },
    { how: 'dry' as const, share: chances.texture.dry },
    { how: 'wet' as const, share: chances.soggy },
    { how: 'mushy' as const, share: chances.texture.mushy },
    { how: 'uneven' as const, share: chances.uneven },
    { how: 'scorched' as const, share: chances.scorched },
  ]
  const asked = Math.max(0, bad - named.reduce((sum, { share }) => sum + share, 0))
  return [...named, { how: 'not-as-asked' as const, share: asked }]
    .filter(({ share }) => share > 0.0005)
    .sort((a, b) => b.share - a.share)
}

/** Cooks the plan in many kitchens.  @param runs how many  @param seed the same seed gives the same kitchens */
export function oddsOf(request: PlanRequest, { runs, seed }: { runs: number; seed: number }): Odds {
  const sweep = (asked: PlanRequest, count: number) =>
    chancesOf({ request: asked, script: null, happenings: [] }, { seed, runs: count })
  const chances = sweep(request, runs)
  const odds: Odds = {
    good: roundTo(chances.good, 3),
    fails: failsOf(chances).map(({ how, share }) => ({ how, share: roundTo(share, 3) })),
  }
  if (chances.good >= LOW_ODDS) return odds
  const now = spreadsOf(blendOf(request.grains), request.spreads)
  const few = Math.max(60, Math.round(runs / 4))
  const tried = MEASURABLE.map((what) => ({
    what,
    good: roundTo(
      sweep({ ...request, spreads: { ...request.spreads, [what]: now[what] * MEASURED } }, few).good,
      3,
    ),
  }))
  const best = tried.reduce((a, b) => (b.good > a.good ? b : a))
  return best.good > chances.good ? { ...odds, measure: best } : odds
}
