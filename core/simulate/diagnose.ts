import { FULL, type Resolution } from '#core/pot/pot'
import type { PlanRequest } from '#core/plan/request'
import type { ScriptStep } from './script'
import { cookReady, makeReady, NO_LUCK, outcomeOf, type Luck } from './simulate'
import { isGood, SWEEP } from './sweep'
import { verdictOf, type Verdict } from './verdict'

/** How a pot ended, as it is remembered. */
export const ENDINGS = ['wet', 'dry', 'hard', 'mush', 'scorched', 'uneven'] as const
export type Ending = (typeof ENDINGS)[number]
export const ENDING_WORDS: Record<Ending, string> = {
  wet: 'too wet',
  dry: 'too dry',
  hard: 'hard in the middle',
  mush: 'mush',
  scorched: 'scorched below',
  uneven: 'done below, raw on top',
}

/** A past batch, roughly described. */
export interface PastPot {
  request: PlanRequest
  pourG: number
  simmerMinutes: number
  restMinutes: number
  ended: Ending
}

const shows = (v: Verdict, ending: Ending): boolean => {
  switch (ending) {
    case 'wet':
      return v.soggy || v.texture === 'mushy' || v.texture === 'soft'
    case 'dry':
      return v.texture === 'dry' || v.texture === 'firm'
    case 'hard':
      return v.cookedThrough !== 'yes'
    case 'mush':
      return v.texture === 'mushy' || v.soggy
    case 'scorched':
      return v.scorched
    case 'uneven':
      return v.uneven || v.cookedThrough !== 'yes'
  }
}

/** What may have differed from the description, how far, and how often that happens. */
const CAUSES: readonly {
  id: string
  says: string
  odds: number
  luck: Partial<Luck>
  minutes?: number
  rest?: number
}[] = [
  { id: 'as-told', says: 'Your amounts explain it; nothing else went wrong', odds: 1, luck: {} },
  { id: 'hotter', says: 'The lowest setting is hotter than assumed', odds: 0.5, luck: { burner: 1.5 } },
  { id: 'cooler', says: 'The heat was weaker than thought', odds: 0.35, luck: { burner: 0.75 } },
  { id: 'leaky', says: 'The lid leaked twice the steam', odds: 0.4, luck: { steam: 2 } },
  {
    id: 'more-water',
    says: 'About a sixth too much water, or rinse water left in',
    odds: 0.5,
    luck: { water: 1.16 },
  },
  { id: 'less-water', says: 'Less water went in, by a tenth', odds: 0.3, luck: { water: 0.9 } },
  { id: 'more-grain', says: 'It was a tenth more grain than thought', odds: 0.3, luck: { grain: 1.1 } },
  { id: 'old-grain', says: 'The grain was old or another kind', odds: 0.3, luck: { minutes: 1.25 } },
  { id: 'opened', says: 'It was opened without resting', odds: 0.3, luck: {}, rest: 0 },
  {
    id: 'shorter',
    says: 'The simmer was a third shorter than you said',
    odds: 0.25,
    luck: {},
    minutes: 0.67,
  },
]

const CHANGES: readonly { id: string; says: string; luck: Partial<Luck>; minutes?: number; rest?: number }[] =
  [
    { id: 'less', says: 'a tenth less water', luck: { water: 0.9 } },
    { id: 'much-less', says: 'a fifth less water', luck: { water: 0.8 } },
    { id: 'more', says: 'a tenth more water', luck: { water: 1.1 } },
    { id: 'much-more', says: 'a quarter more water', luck: { water: 1.25 } },
    { id: 'longer', says: '50 % longer on the lowest heat', luck: {}, minutes: 1.5 },
    { id: 'twice', says: 'twice as long on the lowest heat', luck: {}, minutes: 2 },
    { id: 'shorter', says: 'a quarter less time on the heat', luck: {}, minutes: 0.75 },
    { id: 'rest', says: 'ten minutes of rest with the lid on', luck: {}, rest: 10 },
    { id: 'lower', says: 'a lower flame', luck: { burner: 0.7 } },
  ]

export interface Diagnosis {
  /** How the pot as described would have ended. */
  asTold: Verdict
  /** Causes that lead to that ending, the likeliest first; shares of the odds of all that do. */
  causes: { id: string; says: string; share: number }[]
  /** The one change that makes most of those causes good. */
  change: { id: string; says: string; helps: number } | undefined
}

/**
 * Cooks the told pot with each likely cause, keeps those that end as it ended, and looks for the one change
 * that would have helped most of them.
 */
export function diagnose(past: PastPot): Diagnosis {
  const asTold = cook(past, {}, FULL)
  const fitting = CAUSES.map((cause) => ({
    cause,
    fits: shows(cause.id === 'as-told' ? asTold : cook(past, cause, SWEEP), past.ended),
  })).filter(({ fits }) => fits)
  const odds = fitting.reduce((sum, { cause }) => sum + cause.odds, 0)
  const causes = fitting
    .map(({ cause: { id, says, odds: own } }) => ({ id, says, share: own / odds }))
    .sort((a, b) => b.share - a.share)
  const helps = CHANGES.map(({ id, says, ...change }) => ({
    id,
    says,
    helps:
      fitting.reduce(
        (sum, { cause }) => sum + (isGood(cook(past, both(cause, change), SWEEP)) ? cause.odds : 0),
        0,
      ) / Math.max(1e-9, odds),
  })).sort((a, b) => b.helps - a.helps)
  return { asTold, causes, change: helps[0] && helps[0].helps > 0 ? helps[0] : undefined }
}

type Otherwise = { luck?: Partial<Luck>; minutes?: number; rest?: number }

const both = (a: Otherwise, b: Otherwise): Otherwise => ({
  luck: Object.fromEntries(
    [...new Set([...Object.keys(a.luck ?? {}), ...Object.keys(b.luck ?? {})])].map((k) => [
      k,
      (a.luck?.[k as keyof Luck] ?? 1) * (b.luck?.[k as keyof Luck] ?? 1),
    ]),
  ),
  minutes: (a.minutes ?? 1) * (b.minutes ?? 1),
  ...(b.rest !== undefined ? { rest: b.rest } : a.rest !== undefined ? { rest: a.rest } : {}),
})

function cook(
  { request, pourG, simmerMinutes, restMinutes }: PastPot,
  { luck = {}, minutes = 1, rest }: Otherwise,
  resolution: Resolution,
): Verdict {
  const full = request.source.ratedW * request.source.efficiency
  const simmerW =
    makeReady({ request, script: null }).phases.find((p) => p.id === 'simmer')?.powerW ?? full * 0.2
  const script: ScriptStep[] = [
    { powerW: full, lid: request.lidUntilBoil, pressureKPa: null, until: { event: 'boil' } },
    { powerW: simmerW, lid: 'on', pressureKPa: null, until: { minutes: simmerMinutes * minutes } },
    ...((rest ?? restMinutes) > 0
      ? [{ powerW: 0, lid: 'on' as const, pressureKPa: null, until: { minutes: rest ?? restMinutes } }]
      : []),
  ]
  const ready = makeReady({ request: { ...request, pourOverrideG: pourG }, script })
  const { pot } = cookReady(ready, [], resolution, { ...NO_LUCK, ...luck })
  return verdictOf(outcomeOf(pot), ready.prepared.blend.uptake, ready.prepared.sauce)
}
