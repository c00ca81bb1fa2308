import type { MethodStage } from '#core/methods/definition'
import { fillPot, freeShare, grainWater, leastCooked, REDUCED, type Pot, type PotSetup } from '#core/pot/pot'
import { runPhase, type Phase } from '#core/pot/run'
import { restore, snapshotOf, type Snapshot } from '#core/pot/snapshot'
import { CENTRE_THROUGH } from '#core/constants'
import { donenessOf, isDone, type Goal } from '#core/pot/doneness'
import { creditedPhases, shortestDuration, minutesToSpoil, moveTo, type LastStage } from './solve-duration'

/** A pot cooked through a method's stages on the reduced model. */
export interface CookedThrough {
  /** Expected minutes by stage, in the method's order. */
  minutes: number[]
  /** Steam by stage, g. */
  steam: number[]
  /** Whether each stage's event came. */
  ended: boolean[]
  /**
   * Where the solved stage ends so that it leans on nothing after it, minutes; undefined where a method has
   * none or it never comes.
   */
  earliest?: number
  outcome: 'done' | 'never'
  /** Steam out of the pot, g: out of the boiler where there is one. */
  evaporatedG: number
  /** Steam out of the bed itself, which its own water has to make up for, g. */
  bedSteamG: number
  drainedG: number
  /** Taken by the grain out of steam, g. */
  condensedG: number
  boilerG: number
  /** Kept water that never went in, g. */
  stockG: number
  freeG: number
  freeShare: number
  /** Water in the grain, g. */
  grainWaterG: number
  centre: number
  scorch: number
  /** The pot in the solved stage, one mark a minute from its start, as far as it was looked at. */
  marks?: Snapshot[]
}

/**
 * Grain taken out of plenty of water goes on softening, so its minutes are met, not stretched; by this share
 * at most.
 */
const EXACT_SPREAD = 0.12
/**
 * Free water that may still be there when only three minutes of the rest have passed, as a share of the
 * cooked mass: the rest drinks it.
 */
const FREE_BEFORE_REST = 0.05
/**
 * A stage that ends on the clock is planned for a lot a little slower than most, an open one besides for a
 * simmer that was a while in settling. Where a cook tastes nothing is added.
 */
const SLOWER_LOT = 1.1
const SETTLES_MINUTES = 2.5

/** Planned length of the solved stage, minutes.  @param earliest where it ends leaning on nothing after it */
export function lengthOf(stage: MethodStage, earliest: number, after: readonly MethodStage[]): number {
  // Off the heat the pot goes on cooking for longer than any margin.
  const margined =
    stage.exact || after.some((s) => s.cooksOn)
      ? earliest
      : earliest * SLOWER_LOT + (stage.mode === 'open' ? SETTLES_MINUTES : 0)
  return Math.min(Math.max(margined, stage.atLeast ?? 0), stage.atMost ?? Infinity)
}

const phaseOf = (stage: MethodStage, minutes?: number): Phase => ({
  ...stage,
  until: stage.until === 'solved' ? { minutes: minutes! } : stage.until,
})

const OPENING: Phase = {
  id: 'opening',
  powerW: 0,
  lid: 'off',
  mode: 'open',
  until: { minutes: 0 },
  opensAtEnd: true,
}

interface Course {
  before: MethodStage[]
  solved: MethodStage | undefined
  after: MethodStage[]
  /** The solved stage is the last, and the lid comes off at its end. */
  opens: boolean
}

function courseOf(stages: readonly MethodStage[]): Course {
  const at = stages.findIndex((stage) => stage.until === 'solved')
  if (at < 0) return { before: [...stages], solved: undefined, after: [], opens: false }
  // It is opened once, at its end, and not in every minute that is looked at.
  return {
    before: stages.slice(0, at),
    solved: { ...stages[at]!, opensAtEnd: false },
    after: stages.slice(at + 1),
    opens: stages[at]!.opensAtEnd === true,
  }
}

/**
 * Cooks a filled pot through the stages, solving the open one.
 * @param guess minutes where the earliest end is looked for first
 * @param fixed length of the open stage, minutes, instead of solving it
 * @param hurry the earliest end that works at all
 * @param least of the solved stage, minutes, however early this pot would be done
 */
export function cookThrough(
  setup: PotSetup,
  stages: readonly MethodStage[],
  {
    guess,
    fixed,
    goal,
    hurry = false,
    least = 0,
  }: { guess: number; fixed?: number; goal: Goal; hurry?: boolean; least?: number },
): CookedThrough {
  const pot = fillPot(setup, REDUCED)
  const { before, solved, after, opens } = courseOf(stages)
  const minutes: number[] = []
  const steam: number[] = []
  const ended: boolean[] = []
  const run = (phase: Phase) => {
    const evaporated = pot.evaporatedG
    const result = runPhase(pot, phase)
    minutes.push(result.minutes)
    ended.push(result.ended)
    steam.push(pot.evaporatedG - evaporated)
  }
  for (const stage of before) run(phaseOf(stage))
  let earliest: number | undefined
  let outcome: 'done' | 'never' = 'done'
  let marks: Snapshot[] | undefined
  if (solved) {
    const evaporated = pot.evaporatedG
    if (fixed === undefined) {
      const search = plannedEnd(pot, solved, after, { guess, goal, hurry })
      outcome = search.outcome
      marks = search.marks
      earliest = search.outcome === 'done' ? search.earliest : undefined
      minutes.push(
        search.outcome !== 'done'
          ? search.reached
          : hurry
            ? search.earliest
            : Math.max(least, lengthOf(solved, search.earliest, after)),
      )
      moveTo(pot, search, solved, minutes[minutes.length - 1]!)
    } else {
      marks = [snapshotOf(pot)]
      minutes.push(fixed)
      runPhase(pot, phaseOf(solved, fixed))
    }
    ended.push(outcome === 'done')
    steam.push(pot.evaporatedG - evaporated)
  }
  if (opens) runPhase(pot, OPENING)
  for (const stage of after) run(phaseOf(stage))
  return {
    minutes,
    steam,
    ended,
    outcome,
    ...(earliest === undefined ? {} : { earliest }),
    evaporatedG: pot.evaporatedG,
    bedSteamG: setup.boilerG === undefined ? pot.evaporatedG : 0,
    drainedG: pot.drainedG,
    condensedG: pot.condensedG,
    boilerG: pot.boilerG,
    stockG: pot.stockG,
    freeG: pot.freeG,
    freeShare: freeShare(pot),
    grainWaterG: grainWater(pot),
    centre: leastCooked(pot),
    scorch: pot.scorch,
    ...(marks ? { marks } : {}),
  }
}

/**
 * Where the solved stage is planned to end: cooked through though only three minutes of the rest count and
 * pressure is let out at once, the sign at its end true, and everything drunk when all that follows is over.
 * In a hurry the last is enough.
 */
function plannedEnd(
  pot: Pot,
  solved: MethodStage,
  stages: readonly MethodStage[],
  { guess, goal, hurry }: { guess: number; goal: Goal; hurry: boolean },
): LastStage {
  const after = stages.map((stage) => phaseOf(stage))
  const longest = solved.atMost
  if (hurry) return shortestDuration(pot, solved, after, { guess, goal, longest })
  const centre = Math.min(goal.centre, CENTRE_THROUGH)
  const before =
    goal.free === undefined
      ? { ...goal, centre }
      : { ...goal, centre, free: Math.max(goal.free, FREE_BEFORE_REST) }
  // In plenty of water all heat that follows softens further, so all of it counts.
  const leaning = shortestDuration(
    pot,
    solved,
    solved.exact && solved.mode === 'sealed' ? after : creditedPhases(after),
    { guess, goal: before, longest, drySign: solved.drySign },
  )
  if (leaning.outcome === 'never') return leaning
  moveTo(pot, leaning, solved, lengthOf(solved, leaning.earliest, stages))
  for (const phase of after) runPhase(pot, phase)
  if (isDone(donenessOf(pot, goal))) return leaning
  return shortestDuration(pot, solved, after, {
    guess: leaning.earliest + 1,
    goal,
    longest,
    marks: leaning.marks,
  })
}

/** How much more or less heat a burner may give than its plate says. */
export const HEAT_SPREAD = 0.15
/** Nobody watches a pot for longer, minutes. */
const MAX_STRETCH = 120
/** What lasts no longer is not stretched at all, minutes. */
const NO_STRETCH = 0.1

/**
 * Earliest and latest sensible end of the solved stage: the earliest with all the heat that follows counted,
 * the latest before the bottom dries and scorches or the grain is over-soft.
 * @param marks of the same setup in the solved stage, from its start
 * @param softest most it is eaten with, g/g, where time in water sets it
 */
export function solvedWindow(
  setup: PotSetup,
  stages: readonly MethodStage[],
  { expected, marks, goal, softest }: { expected: number; marks: Snapshot[]; goal: Goal; softest?: number },
): { low: number; high: number } {
  const { solved, after } = courseOf(stages)
  const pot: Pot = fillPot(setup, REDUCED)
  restore(pot, marks[0]!)
  const guess = expected * 0.8
  const search = shortestDuration(
    pot,
    solved!,
    after.map((stage) => phaseOf(stage)),
    { guess, goal, longest: solved!.atMost, marks: marks.slice(0, Math.ceil(guess) + 1) },
  )
  const low =
    search.outcome !== 'done'
      ? expected
      : softest !== undefined
        ? Math.max(search.earliest, expected * (1 - EXACT_SPREAD))
        : search.earliest
  if (expected < NO_STRETCH) return { low: Math.min(low, expected), high: expected }
  const at = Math.min(expected, search.marks.length - 1)
  moveTo(pot, search, solved!, at)
  const stretch = at + minutesToSpoil(pot, solved!, { atMost: MAX_STRETCH, softest })
  return {
    low: Math.min(low, expected),
    high: Math.max(expected, Math.min(stretch, solved!.atMost ?? Infinity)),
  }
}
