import type { PlanRequest } from '#core/plan/request'
import { plan } from '#core/plan/plan'
import { roundTo } from '#core/units/rounding'
import { chancesOf, isGood } from './sweep'
import { simulate, type Simulated } from './simulate'

/** A change of the cook's own way, and what it comes to. */
export interface SmallestChange {
  /** "3 min more", "60 g less water". */
  says: string
  minutes?: number
  pour_g?: number
  rest_minutes?: number
  /** Share of kitchens in which it is good then, 0..1. */
  good: number
}

/** How the cook's own way ends. */
export interface Judged {
  /** Share of kitchens in which it is good, 0..1. */
  good: number
  ends: Pick<Simulated, 'verdict' | 'separateness'>
  /** The smallest change that makes it good, where it is not. */
  smallest_change?: SmallestChange
}

/** From here on it is good enough to be left alone. */
const GOOD_ENOUGH = 0.9
/** A change has to better the chances by this much to be worth naming. */
const WORTH_NAMING = 0.1
const FEW_RUNS = 40

/** Steps tried, smallest first: minutes on the heat, share of the water, minutes of rest. */
const MINUTES = [1, 2, 3, 4, 5, 7, 10, 14, 20, 28]
const WATER = [0.03, 0.06, 0.1, 0.15, 0.2, 0.3, 0.4]
const RESTS = [5, 10]

interface Candidate {
  change: Omit<SmallestChange, 'good'>
  request: PlanRequest
  /** How large the change is, as a share of what it changes. */
  size: number
}

const asMade = (request: PlanRequest) => ({ request, script: null, happenings: [] })

/**
 * Judges a way of the cook's own by simulation: how it ends, in how many kitchens, and what little would help.
 * @param runs kitchens it is tried in  @param seed the same seed gives the same kitchens
 */
export function judge(request: PlanRequest, { runs, seed }: { runs: number; seed: number }): Judged {
  const { good } = chancesOf(asMade(request), { seed, runs, anyTexture: true })
  const judged: Judged = { good: roundTo(good, 3), ends: simulate(asMade(request)) }
  if (good >= GOOD_ENOUGH) return judged
  let best: SmallestChange | undefined
  for (const { change, request: changed } of candidates(request)) {
    if (!isGood(simulate(asMade(changed)).verdict)) continue
    const then = chancesOf(asMade(changed), { seed, runs: Math.min(runs, FEW_RUNS), anyTexture: true }).good
    if (then > good + WORTH_NAMING && then > (best?.good ?? 0)) best = { ...change, good: roundTo(then, 3) }
    if (then >= GOOD_ENOUGH) break
  }
  return best ? { ...judged, smallest_change: best } : judged
}

/** Changes of one thing, the smallest first. */
function candidates(request: PlanRequest): Candidate[] {
  const made = plan(request)
  const heated = made.stages.findLast((s) => HEATED.includes(s.kind))
  const own = heated && request.ownMinutes[heated.kind as 'simmer'] === undefined ? 'solved' : heated?.kind
  const pourG = made.water.pour_g
  const minutes = heated
    ? signed(MINUTES)
        .map((by) => ({ by, to: roundTo(heated.minutes.expected + by, 1) }))
        .filter(({ to }) => to > 0)
        .map(({ by, to }) => ({
          change: { says: `${Math.abs(by)} min ${by > 0 ? 'more' : 'less'}`, minutes: to },
          request: { ...request, ownMinutes: { ...request.ownMinutes, [own!]: to } },
          size: Math.abs(by) / Math.max(5, heated.minutes.expected),
        }))
    : []
  const water = signed(WATER)
    .map((share) => Math.round((pourG * share) / 5) * 5)
    .filter((by) => by !== 0 && pourG + by > 0)
    .map((by) => ({
      change: {
        says: `${Math.abs(by)} g ${by > 0 ? 'more' : 'less'} water`,
        pour_g: roundTo(pourG + by, 1),
      },
      request: { ...request, pourOverrideG: pourG + by },
      size: Math.abs(by) / pourG,
    }))
  const rests = RESTS.map((by) => ({
    change: { says: `${by} min more rest`, rest_minutes: request.restMinutes + by },
    request: { ...request, restMinutes: request.restMinutes + by },
    size: by / 15,
  }))
  return [...minutes, ...water, ...rests].sort((a, b) => a.size - b.size)
}

const HEATED: readonly string[] = ['simmer', 'boil', 'steam', 'pressure', 'bake']
const signed = (steps: readonly number[]): number[] => steps.flatMap((by) => [by, -by])
