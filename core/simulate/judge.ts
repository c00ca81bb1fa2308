import { HEATED_STAGE_KINDS, type PlanRequest } from '#core/plan/request'
import { plan } from '#core/plan/plan'
import { roundTo } from '#core/units/rounding'
import { chancesOf, isGood } from './sweep'
import { simulate, type Simulated, type Simulation } from './simulate'

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
  ends: Simulated
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

/** A change that may help, and the pot it gives. */
export interface Candidate<Change> {
  change: Change
  simulation: Simulation
  /** How large the change is, as a share of what it changes. */
  size: number
}

const asMade = (request: PlanRequest): Simulation => ({ request, script: null, happenings: [] })

/**
 * Judges a pot by simulation: how it ends, in how many kitchens it is good, and what little would help.
 * @param candidates asked for only where it is not good enough
 * @param runs kitchens it is tried in  @param seed the same seed gives the same kitchens
 */
export function judgeSimulation<Change>(
  simulation: Simulation,
  candidates: () => readonly Candidate<Change>[],
  { runs, seed }: { runs: number; seed: number },
): { good: number; ends: Simulated; smallest_change?: Change & { good: number } } {
  const { good } = chancesOf(simulation, { seed, runs, anyTexture: true })
  const judged = { good: roundTo(good, 3), ends: simulate(simulation) }
  if (good >= GOOD_ENOUGH) return judged
  let best: (Change & { good: number }) | undefined
  for (const { change, simulation: changed } of [...candidates()].sort((a, b) => a.size - b.size)) {
    if (!isGood(simulate(changed).verdict)) continue
    const then = chancesOf(changed, { seed, runs: Math.min(runs, FEW_RUNS), anyTexture: true }).good
    if (then > good + WORTH_NAMING && then > (best?.good ?? 0)) best = { ...change, good: roundTo(then, 3) }
    if (then >= GOOD_ENOUGH) break
  }
  return best ? { ...judged, smallest_change: best } : judged
}

/** Judges a plan with water or minutes of the cook's own. */
export const judge = (request: PlanRequest, given: { runs: number; seed: number }): Judged =>
  judgeSimulation(asMade(request), () => candidates(request), given)

/** Changes of one thing. */
function candidates(request: PlanRequest): Candidate<Omit<SmallestChange, 'good'>>[] {
  const made = plan(request)
  const heated = made.stages.findLast((s) => HEATED_STAGE_KINDS.some((kind) => kind === s.kind))
  const own = heated && request.ownMinutes[heated.kind as 'simmer'] === undefined ? 'solved' : heated?.kind
  const pourG = made.water.pour_g
  const minutes = heated
    ? MINUTE_STEPS.map((by) => ({ by, to: roundTo(heated.minutes.expected + by, 1) }))
        .filter(({ to }) => to > 0)
        .map(({ by, to }) => ({
          change: { says: minutesSay(by), minutes: to },
          simulation: asMade({ ...request, ownMinutes: { ...request.ownMinutes, [own!]: to } }),
          size: Math.abs(by) / Math.max(5, heated.minutes.expected),
        }))
    : []
  const water = waterSteps(pourG).map((by) => ({
    change: waterChange(pourG, by),
    simulation: asMade({ ...request, pourOverrideG: pourG + by }),
    size: Math.abs(by) / pourG,
  }))
  const rests = RESTS.map((by) => ({
    change: { says: `${by} min more rest`, rest_minutes: request.restMinutes + by },
    simulation: asMade({ ...request, restMinutes: request.restMinutes + by }),
    size: by / 15,
  }))
  return [...minutes, ...water, ...rests]
}

/** Minutes that are tried more or less, smallest first. */
export const MINUTE_STEPS: readonly number[] = MINUTES.flatMap((by) => [by, -by])
export const minutesSay = (by: number): string => `${Math.abs(by)} min ${by > 0 ? 'more' : 'less'}`

/** Grams that are tried more or less, in fives. */
export const waterSteps = (pourG: number): number[] =>
  WATER.flatMap((by) => [by, -by])
    .map((share) => Math.round((pourG * share) / 5) * 5)
    .filter((by) => by !== 0 && pourG + by > 0)
export const waterChange = (pourG: number, by: number): { says: string; pour_g: number } => ({
  says: `${Math.abs(by)} g ${by > 0 ? 'more' : 'less'} water`,
  pour_g: roundTo(pourG + by, 1),
})
