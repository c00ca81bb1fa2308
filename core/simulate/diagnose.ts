import { CENTRE_THROUGH, SCORCHED_KS, SOGGY_FREE } from '#core/constants'
import { textureOf } from '#core/grain/texture'
import type { LidPosition } from '#core/heat/lid'
import { pressureAt } from '#core/heat/boiling-point'
import { metres } from '#core/units/units'
import { plan } from '#core/plan/plan'
import type { PlanRequest } from '#core/plan/request'
import { phasesOf, type ScriptStep } from './script'
import { cookReady, makeReady, NO_LUCK, outcomeOf, type Luck, type Ready } from './simulate'
import { isGood, SWEEP } from './sweep'
import { verdictOf, type Outcome, type Verdict } from './verdict'

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
  /** Where the lid was while it simmered; left out: on. */
  lid?: LidPosition
  ended: Ending
}

/** What was otherwise in the pot than described; all left out: nothing. */
interface Otherwise {
  luck?: Partial<Luck>
  minutes?: number
  rest?: number
  pourG?: number
  lid?: LidPosition
  elevationM?: number
}

interface Cooked {
  outcome: Outcome
  verdict: Verdict
  texture: number
}

/** Rises from 0 to 1 around a threshold, half of it there. */
const rising = (x: number, from: number, width: number): number => 1 / (1 + Math.exp(-(x - from) / width))

/** How well an end fits what is remembered, 0..1: memory is no scale, so near a threshold both may be. */
function fits({ outcome, verdict, texture }: Cooked, ending: Ending): number {
  const { centreMin, freeShare, scorch } = outcome
  const hard = rising(CENTRE_THROUGH - centreMin, 0.01, 0.02)
  switch (ending) {
    case 'hard':
      return hard
    case 'uneven':
      return Math.max(verdict.uneven ? 0.9 : 0, 0.7 * hard)
    case 'wet':
      return Math.max(rising(freeShare, SOGGY_FREE - 0.005, 0.01), rising(texture, 0.95, 0.1))
    case 'mush':
      return Math.max(rising(texture, 1.2, 0.1), 0.6 * rising(freeShare, SOGGY_FREE + 0.02, 0.02))
    case 'dry':
      return rising(-texture, -0.1, 0.08)
    case 'scorched':
      return rising(scorch / SCORCHED_KS, 0.8, 0.15)
  }
}

interface Cause {
  id: string
  says: string
  /** What it would have looked like on the way. */
  looks: string
  odds: number
  /** Weight it has at the least, whatever the model makes of it. */
  least?: number
  otherwise: Otherwise
}

/** What may have differed from the description without the cook's knowing, and how often that happens. */
const HIDDEN: readonly Cause[] = [
  {
    id: 'hotter',
    says: 'The lowest setting is hotter than assumed',
    looks: 'steam all the time, a crackle below',
    odds: 0.5,
    otherwise: { luck: { burner: 1.5 } },
  },
  {
    id: 'cooler',
    says: 'The heat was weaker than thought, or went out',
    looks: 'no steam at the lid for minutes',
    odds: 0.35,
    otherwise: { luck: { burner: 0.55 } },
  },
  {
    id: 'leaky',
    says: 'The lid let out twice the steam',
    looks: 'a plume at the lid, the top grains dry',
    odds: 0.4,
    otherwise: { luck: { steam: 2.2 } },
  },
  {
    id: 'more-water',
    says: 'About a sixth more water, or rinse water left in',
    looks: 'water still there when the clock ran out',
    odds: 0.5,
    otherwise: { luck: { water: 1.16 } },
  },
  {
    id: 'less-water',
    says: 'A tenth less water than thought, or it boiled over',
    looks: 'the pot dry well before the end',
    odds: 0.35,
    otherwise: { luck: { water: 0.9 } },
  },
  {
    id: 'more-grain',
    says: 'A tenth more grain than thought',
    looks: 'the pot fuller than usual, dry early',
    odds: 0.25,
    otherwise: { luck: { grain: 1.1 } },
  },
  {
    id: 'old-grain',
    says: 'The grain was old, or another kind',
    looks: 'longer in the water before it softened',
    odds: 0.35,
    otherwise: { luck: { minutes: 1.3, wants: 1.06 } },
  },
  {
    id: 'opened',
    says: 'It was opened early, and did not rest',
    looks: 'a cloud of steam, the top still firm',
    odds: 0.3,
    otherwise: { rest: 0 },
  },
  {
    id: 'shorter',
    says: 'The simmer was a third shorter than remembered',
    looks: 'water left, hard in the middle',
    odds: 0.2,
    otherwise: { minutes: 0.67 },
  },
]

/** The same pot as a plan of this kitchen would have it. */
interface Asked {
  pourG: number
  simmerMinutes: number
  restMinutes: number
}

/** Water or minutes this close to the plan's explain nothing. */
const SAME = 0.06
/** People cook by sea level's minutes where the altitude is not in their recipe; from here it matters, m. */
const HIGH_M = 500
/** Minutes this close to those of a recipe are its. */
const BY_RECIPE = 0.2

/** What lost steam leads to. */
const DRIES: ReadonlySet<Ending> = new Set(['dry', 'hard', 'scorched', 'uneven'])

/** What was described and differs from a plan: each put right alone. */
function describedCauses(past: PastPot, asked: Asked, atSeaLevel: Asked): Cause[] {
  const { pourG, simmerMinutes, restMinutes, lid = 'on', request } = past
  const off = (was: number, planned: number) => was / planned - 1
  const causes: Cause[] = []
  const water = off(pourG, asked.pourG)
  if (Math.abs(water) > SAME)
    causes.push({
      id: water > 0 ? 'much-water' : 'little-water',
      says: `${Math.round(Math.abs(pourG - asked.pourG))} g ${water > 0 ? 'more' : 'less'} water than this batch takes`,
      looks: water > 0 ? 'water still there at the end' : 'dry below before the end',
      odds: 1,
      otherwise: { pourG: asked.pourG },
    })
  const time = off(simmerMinutes, asked.simmerMinutes)
  if (Math.abs(time) > 2 * SAME)
    causes.push({
      id: time < 0 ? 'short' : 'long',
      says: `${Math.round(simmerMinutes)} min on the heat, where this batch takes about ${Math.round(asked.simmerMinutes)}`,
      looks: time < 0 ? 'water left, hard in the middle' : 'dry and crackling below',
      odds: 1,
      otherwise: { minutes: asked.simmerMinutes / Math.max(0.5, simmerMinutes) },
    })
  if (restMinutes < 0.6 * asked.restMinutes)
    causes.push({
      id: 'no-rest',
      says: `Rested ${Math.round(restMinutes)} min; resting is cooking, ${Math.round(asked.restMinutes)} min of it`,
      looks: 'a firm top, wet below',
      odds: 1,
      otherwise: { rest: asked.restMinutes },
    })
  if (lid !== 'on')
    causes.push({
      id: 'lid',
      says: `The lid was ${lid}: the steam went, and its water`,
      looks: 'steam all the time, a dry top',
      odds: 1,
      least: DRIES.has(past.ended) ? 0.3 : 0,
      otherwise: { lid: 'on' },
    })
  if (request.elevationM >= HIGH_M)
    causes.push({
      id: 'altitude',
      says: `At ${Math.round(request.elevationM)} m water boils cooler, and everything takes longer`,
      looks: 'a full boil, and still hard at the end',
      // Whoever cooks by sea level's minutes did not know of the altitude.
      odds: Math.abs(off(simmerMinutes, atSeaLevel.simmerMinutes)) < BY_RECIPE ? 1.8 : 0.7,
      otherwise: { elevationM: 0 },
    })
  return causes
}

/** Changes that may have helped, the smallest first. */
const changesFor = ({
  pourG,
  simmerMinutes,
  restMinutes,
  lid = 'on',
}: PastPot): { says: string; id: string; size: number; otherwise: Otherwise }[] => [
  ...(lid === 'on' ? [] : [{ id: 'lid', says: 'the lid on', size: 0.5, otherwise: { lid: 'on' as const } }]),
  ...(restMinutes < 10
    ? [{ id: 'rest', says: 'ten minutes of rest with the lid on', size: 1, otherwise: { rest: 10 } }]
    : []),
  ...[-0.3, -0.2, -0.15, -0.1, -0.05, 0.05, 0.1, 0.15, 0.25, 0.4].map((share) => ({
    id: share < 0 ? 'less' : 'more',
    says: `${Math.max(5, Math.round((Math.abs(share) * pourG) / 5) * 5)} g ${share < 0 ? 'less' : 'more'} water`,
    size: 10 * Math.abs(share),
    otherwise: { luck: { water: 1 + share } },
  })),
  ...[-0.3, -0.15, 0.15, 0.3, 0.5, 0.8, 1.2, 2].map((share) => ({
    id: share < 0 ? 'shorter' : 'longer',
    says: `${Math.max(1, Math.round(Math.abs(share) * Math.max(5, simmerMinutes)))} min ${share < 0 ? 'less' : 'more'} on the lowest heat`,
    size: 5 * Math.abs(share),
    otherwise: { minutes: 1 + (share * Math.max(5, simmerMinutes)) / Math.max(1, simmerMinutes) },
  })),
  { id: 'lower', says: 'a lower flame', size: 1.5, otherwise: { luck: { burner: 0.7 } } },
]

export interface Diagnosis {
  /** How the pot as described would have ended. */
  asDescribed: Verdict
  /** The likeliest causes, the first one first, never fewer than two; shares of all that were weighed. */
  causes: { id: string; says: string; looks: string; share: number }[]
  /** The smallest change that would have helped as well as any. */
  change: { id: string; says: string; helps: number } | undefined
}

const SHOWN = 4
/** A cause that adds nothing to what was described keeps this share of its odds. */
const UNNEEDED = 0.04
/** A smaller change is as good where it helps this share of what the best one does. */
const AS_GOOD = 0.85

/**
 * Cooks the described pot, with each described thing put right alone and with each likely hidden cause, and weighs
 * how much better each explains how it ended.
 */
export function diagnose(past: PastPot): Diagnosis {
  const asked = askedOf(past.request)
  const cook = cookFor(past)
  const asDescribed = cook({})
  const described = fits(asDescribed, past.ended)
  const weighed = [
    // What was described explains the end as far as putting it right would have ended it otherwise.
    ...describedCauses(past, asked, askedOf({ ...past.request, elevationM: 0 })).map((cause) => ({
      cause,
      weight:
        cause.odds *
        Math.max(
          UNNEEDED * described,
          described * (described - fits(cook(cause.otherwise), past.ended)),
          cause.least ?? 0,
        ),
    })),
    // What was not noticed explains it as far as the described pot does not.
    ...HIDDEN.map((cause) => {
      const withCause = fits(cook(cause.otherwise), past.ended)
      return { cause, weight: cause.odds * (Math.max(0, withCause - described) + UNNEEDED * withCause) }
    }),
  ].sort((a, b) => b.weight - a.weight)
  const all = weighed.reduce((sum, { weight }) => sum + weight, 0)
  const likely = weighed.slice(0, SHOWN).filter(({ weight }, i) => i < 2 || weight > 0.08 * all)
  return {
    asDescribed: asDescribed.verdict,
    causes: likely.map(({ cause: { id, says, looks }, weight }) => ({
      id,
      says,
      looks,
      share: all > 0 ? weight / all : 0,
    })),
    change: smallestChange(past, likely, cook),
  }
}

/** The smallest change that makes the likely pots good as often as any other does. */
function smallestChange(
  past: PastPot,
  likely: readonly { cause: Cause; weight: number }[],
  cook: Cook,
): Diagnosis['change'] {
  const all = likely.reduce((sum, { weight }) => sum + weight, 0)
  if (!(all > 0)) return undefined
  const hidden = new Set(HIDDEN.map(({ id }) => id))
  const tried = changesFor(past).map(({ id, says, size, otherwise }) => ({
    id,
    says,
    size,
    helps:
      likely.reduce((sum, { cause, weight }) => {
        // What was described stays as it was; what was hidden is added.
        const pot = hidden.has(cause.id) ? both(cause.otherwise, otherwise) : otherwise
        const cooked = cook(pot)
        return sum + (isGood(cooked.verdict) ? weight * (1 - fits(cooked, past.ended)) : 0)
      }, 0) / all,
  }))
  const best = Math.max(...tried.map(({ helps }) => helps))
  if (!(best > 0)) return undefined
  const { id, says, helps } = tried
    .filter((change) => change.helps >= AS_GOOD * best)
    .reduce((a, b) => (b.size < a.size ? b : a))
  return { id, says, helps }
}

const both = (a: Otherwise, b: Otherwise): Otherwise => ({
  ...a,
  ...b,
  luck: Object.fromEntries(
    [...new Set([...Object.keys(a.luck ?? {}), ...Object.keys(b.luck ?? {})])].map((k) => [
      k,
      (a.luck?.[k as keyof Luck] ?? 1) * (b.luck?.[k as keyof Luck] ?? 1),
    ]),
  ),
  minutes: (a.minutes ?? 1) * (b.minutes ?? 1),
})

function askedOf(request: PlanRequest): Asked {
  const made = plan({ ...request, pourOverrideG: null })
  const minutes = (kind: string) => made.stages.find((s) => s.kind === kind)?.minutes.expected
  return {
    pourG: made.water.pour_g,
    simmerMinutes: minutes('simmer') ?? 15,
    restMinutes: minutes('rest') ?? 10,
  }
}

/** The pot of a request, made ready once for every cause and change that is tried in it. */
interface ReadyPot {
  ready: Ready
  simmerW: number
  fullW: number
  lidUntilBoil: LidPosition
  ambientPa: number
}

function readyPot(request: PlanRequest): ReadyPot {
  const fullW = request.source.ratedW * request.source.efficiency
  const ready = makeReady({ request, script: [] })
  return {
    ready,
    fullW,
    simmerW: ready.made.stages.find((s) => s.kind === 'simmer')?.power_w ?? 0.2 * fullW,
    lidUntilBoil: request.lidUntilBoil,
    ambientPa: pressureAt(metres(request.elevationM)),
  }
}

/** Cooks the described pot in a kitchen, otherwise than described. */
type Cook = (otherwise: Otherwise) => Cooked

function cookFor(past: PastPot): Cook {
  const here = readyPot({ ...past.request, pourOverrideG: past.pourG })
  let low: ReadyPot | undefined
  return ({ luck = {}, minutes = 1, elevationM, ...other }) => {
    const pot =
      elevationM === undefined
        ? here
        : (low ??= readyPot({ ...past.request, pourOverrideG: past.pourG, elevationM }))
    const rest = other.rest ?? past.restMinutes
    const script: ScriptStep[] = [
      { powerW: pot.fullW, lid: pot.lidUntilBoil, pressureKPa: null, until: { event: 'boil' } },
      {
        powerW: pot.simmerW,
        lid: other.lid ?? past.lid ?? 'on',
        pressureKPa: null,
        until: { minutes: past.simmerMinutes * minutes },
      },
      ...(rest > 0 ? [{ powerW: 0, lid: 'on' as const, pressureKPa: null, until: { minutes: rest } }] : []),
    ]
    const ready = { ...pot.ready, phases: phasesOf(script, pot.ambientPa), pourG: other.pourG ?? past.pourG }
    const outcome = outcomeOf(cookReady(ready, [], SWEEP, { ...NO_LUCK, ...luck }).pot)
    const { blend, sauce } = ready.prepared
    return {
      outcome,
      verdict: verdictOf(outcome, blend.uptake, sauce),
      texture: textureOf(blend.uptake, outcome.uptakeMean),
    }
  }
}
