import type { MethodStage } from '#core/method/method'
import { fillPot, freeShare, grainWater, leastCooked, REDUCED, type Pot, type PotSetup } from '#core/pot/pot'
import { runPhase, type Phase } from '#core/pot/run'
import { restore, snapshotOf, type Snapshot } from '#core/pot/snapshot'
import type { Goal } from '#core/pot/done'
import { earliestEnd, minutesToScorch, moveTo, type LastStage } from './last-stage'

/** A pot cooked through a school's stages on the reduced model. */
export interface CookedThrough {
  /** Expected minutes by stage, in the school's order. */
  minutes: number[]
  /** Steam by stage, g. */
  steam: number[]
  /** Whether each stage's event came. */
  ended: boolean[]
  /** The earliest comfortable end of the solved stage, minutes; undefined where a school has none or it never comes. */
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
  /** The pot as the solved stage began. */
  atSolved?: Snapshot
}

/** Length of the solved stage: beyond the earliest end, because longer costs only steam that the water allows for. */
export const comfortable = (earliest: number): number => earliest * 1.25 + 1

/** Grain taken out of plenty of water goes on softening, so its minutes are met, not stretched; by this share at most. */
const EXACT_SPREAD = 0.12
const lengthOf = (stage: MethodStage, earliest: number): number => (stage.exact ? earliest : Math.min(Math.max(comfortable(earliest), stage.atLeast ?? 0), stage.atMost ?? Infinity))

const phaseOf = (stage: MethodStage, minutes?: number): Phase => ({
  ...stage,
  until: stage.until === 'solved' ? { minutes: minutes! } : stage.until,
})

interface Course {
  before: MethodStage[]
  solved: MethodStage | undefined
  after: MethodStage[]
}

function courseOf(stages: readonly MethodStage[]): Course {
  const at = stages.findIndex((stage) => stage.until === 'solved')
  if (at < 0) return { before: [...stages], solved: undefined, after: [] }
  return { before: stages.slice(0, at), solved: stages[at], after: stages.slice(at + 1) }
}

/** Cooks a filled pot through the stages, solving the open one.
 *  @param guess minutes where the earliest end is looked for first
 *  @param fixed length of the open stage, minutes, instead of solving it */
export function cookThrough(
  setup: PotSetup,
  stages: readonly MethodStage[],
  { guess, fixed, goal }: { guess: number; fixed?: number; goal: Goal },
): CookedThrough {
  const pot = fillPot(setup, REDUCED)
  const { before, solved, after } = courseOf(stages)
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
  let atSolved: Snapshot | undefined
  if (solved) {
    atSolved = snapshotOf(pot)
    const evaporated = pot.evaporatedG
    if (fixed === undefined) {
      const search = earliestEnd(pot, solved, after.map((stage) => phaseOf(stage)), { guess, goal, longest: solved.atMost })
      outcome = search.outcome
      earliest = search.outcome === 'done' ? search.earliest : undefined
      minutes.push(search.outcome === 'done' ? lengthOf(solved, search.earliest) : search.reached)
      moveTo(pot, search, solved, minutes[minutes.length - 1]!)
    } else {
      minutes.push(fixed)
      runPhase(pot, phaseOf(solved, fixed))
    }
    ended.push(outcome === 'done')
    steam.push(pot.evaporatedG - evaporated)
  }
  for (const stage of after) run(phaseOf(stage))
  return {
    minutes, steam, ended, outcome,
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
    ...(atSolved ? { atSolved } : {}),
  }
}

/** How much more or less heat a burner may give than its plate says. */
export const HEAT_SPREAD = 0.15
/** Nobody plans to stretch a stage longer than this over its expected end, minutes. */
const LONGEST_STRETCH = 30

/** Earliest and latest sensible end of the solved stage: the earliest with the heat up, the latest before it scorches.
 *  @param from the same setup, as the solved stage began */
export function solvedWindow(
  setup: PotSetup,
  stages: readonly MethodStage[],
  { expected, earliest, from, goal }: { expected: number; earliest: number; from: Snapshot; goal: Goal },
): { low: number; high: number } {
  const { solved, after } = courseOf(stages)
  if (solved!.exact) return { low: expected * (1 - EXACT_SPREAD), high: expected * (1 + EXACT_SPREAD) }
  const pot: Pot = fillPot(setup, REDUCED)
  restore(pot, from)
  const hotter = { ...solved!, powerW: solved!.powerW * (1 + HEAT_SPREAD) }
  const search: LastStage = earliestEnd(pot, hotter, after.map((stage) => phaseOf(stage)), { guess: earliest, goal, longest: solved!.atMost })
  moveTo(pot, search, solved!, Math.min(expected, search.marks.length - 1))
  const reached = Math.min(expected, search.marks.length - 1)
  const low = search.outcome === 'done' ? Math.min(search.earliest, expected) : expected
  const high = reached + minutesToScorch(pot, solved!, LONGEST_STRETCH + (expected - reached))
  return { low, high: Math.max(expected, high) }
}
