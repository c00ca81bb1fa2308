import { pressureAt } from '#core/heat/boiling-point'
import { metres } from '#core/units/units'
import { FREE_AT_SIGN } from '#core/constants'
import { slowedKernel } from '#core/grain/blend'
import { plan } from '#core/plan/plan'
import { prepare, type PreparedPlan } from '#core/plan/prepare'
import { pourProblem } from '#core/plan/pot-for-plan'
import { setupFor, type PourProblem } from '#core/plan/pour-problem'
import type { PlanRequest } from '#core/plan/request'
import type { Plan } from '#core/plan/result'
import { separateness } from '#core/plan/separate-index'
import { expectedClarity } from '#core/water/clarity'
import {
  centreCooked,
  fillPot,
  freeShare,
  FULL,
  grainWater,
  layerUptake,
  leastCooked,
  type Pot,
  type PotSetup,
  type Resolution,
} from '#core/pot/pot'
import type { Phase } from '#core/pot/run'
import { withChanges, type Changes } from './changes'
import { runWithInterventions, type Intervention, type RunEvent } from './interventions'
import { phasesOf, type ScriptStep } from './script'
import { verdictOf, type Outcome, type Verdict } from './verdict'

/** A pot to be cooked without food. */
export interface Simulation {
  request: PlanRequest
  /** Replaces the planned heat; null keeps it. */
  script: readonly ScriptStep[] | null
  happenings: readonly Intervention[]
  /** What is done otherwise at single stages. */
  changes?: Changes | undefined
  /** Minutes and water of another plan, kept though this pot would want others: what if that plan were cooked here. */
  asPlanned?: Plan | undefined
  /** Of the kept water, where it was poured by a share. */
  pourShare?: number | undefined
}

/** Curves over the cook, one entry a sample. */
export interface Series {
  tMin: number[]
  bulkC: number[]
  bottomC: number[]
  freeG: number[]
  evaporatedG: number[]
  /** By layer, bottom first, then by sample. */
  uptakeByLayer: number[][]
  centreByLayer: number[][]
}

export interface Simulated {
  verdict: Verdict
  outcome: Outcome
  separateness: number
  final: {
    uptakeMin: number
    uptakeMax: number
    freeG: number
    evaporatedG: number
    drainedG: number
    bottomC: number
  }
  series: Series
  events: RunEvent[]
  /** What was planned, for comparison. */
  plan: Plan
}

/** Samples of a curve, at most; a sample stands for at least so many seconds. */
const MAX_SAMPLES = 400
const MIN_SAMPLE_S = 5

/** What differs from pot to pot though the cook did the same: factors on each. */
export interface Luck {
  burner: number
  steam: number
  minutes: number
  water: number
  grain: number
  /** What the lot wants of the table's water. */
  wants: number
}
export const NO_LUCK: Luck = { burner: 1, steam: 1, minutes: 1, water: 1, grain: 1, wants: 1 }

/** A pot made ready once, to be cooked as often as one likes. */
export interface Ready {
  prepared: PreparedPlan
  problem: Omit<PourProblem, 'goal' | 'uptake'> & Pick<PourProblem, 'goal' | 'uptake'>
  phases: Phase[]
  made: Plan
  pourG: number
}

export function makeReady({
  request,
  script,
  asPlanned,
  changes = {},
  pourShare = 1,
}: Omit<Simulation, 'happenings'>): Ready {
  const prepared = prepare(request)
  const made = plan(request)
  const { timed } = prepared
  const stages = timed.stages
  const problem = pourProblem(request, prepared)
  const planned = stages.map((stage): Phase => {
    const { minutes } = (asPlanned?.stages.find((s) => s.id === stage.id) ??
      made.stages.find((s) => s.id === stage.id))!
    const clocked = stage.until === 'solved' || (asPlanned && 'minutes' in stage.until)
    const tasted = stage.until === 'solved' && stage.exact === true && stage.endsOn === 'cue'
    return {
      ...stage,
      ...(tasted ? { tasted: stage.drySign ? { centre: 0, free: FREE_AT_SIGN } : prepared.goal } : {}),
      until: clocked ? { minutes: minutes.expected } : (stage.until as Phase['until']),
    }
  })
  return {
    prepared,
    made,
    // A script knows of no basket and no kettle: grain and water are in the pot from the start.
    problem: script === null ? problem : { ...problem, later: [], way: 'pot', basket: false },
    phases:
      script === null
        ? withChanges(planned, changes)
        : phasesOf(script, pressureAt(metres(request.elevationM))),
    pourG: (asPlanned ?? made).water.pour_g * pourShare,
  }
}

/** Who tastes goes on for so much longer than planned at the most. */
const TASTED_LATEST = 2

/**
 * Cooks a ready pot. What ends by tasting ends when this pot tastes right, not when the clock says. @param
 * watch called after every step
 */
export function cookReady(
  ready: Ready,
  interventions: readonly Intervention[],
  resolution: Resolution,
  luck: Luck,
  watch?: (pot: Pot) => void,
): { pot: Pot; events: RunEvent[] } {
  const { problem, phases, pourG, made } = ready
  const setup = setupFor(problem, pourG * luck.water, made.water.boiler_g)
  const pot = fillPot(luck === NO_LUCK ? setup : lucky(setup, luck), resolution)
  const lived =
    luck === NO_LUCK
      ? phases
      : phases.map((phase) => ({
          ...phase,
          powerW: phase.powerW * luck.burner,
          ...(phase.tasted
            ? {
                until: {
                  event: 'tasted' as const,
                  atMostMinutes: TASTED_LATEST * (phase.until as { minutes: number }).minutes,
                },
              }
            : {}),
        }))
  const events = runWithInterventions(pot, lived, interventions, watch)
  return { pot, events }
}

const lucky = (setup: PotSetup, luck: Luck): PotSetup => ({
  ...setup,
  steamFactor: setup.steamFactor * luck.steam,
  grains: setup.grains.map((grain) => ({
    ...grain,
    dryG: grain.dryG * luck.grain,
    most: grain.most * luck.wants,
    ...slowedKernel(grain, luck.minutes),
  })),
})

export function outcomeOf(pot: Pot): Outcome {
  const uptakeByLayer = Array.from({ length: pot.resolution.layers }, (_, l) => layerUptake(pot, l))
  return {
    uptakeByLayer,
    uptakeMean: grainWater(pot) / pot.dryG,
    centreMin: leastCooked(pot),
    freeShare: freeShare(pot),
    scorch: pot.scorch,
  }
}

/** Cooks one pot at full resolution and tells everything that happened in it. */
export function simulate({ happenings: interventions, ...of }: Simulation): Simulated {
  const { request } = of
  const ready = makeReady(of)
  const expectedS = Math.max(
    600,
    ready.phases.reduce((sum, { until }) => sum + ('minutes' in until ? until.minutes * 60 : 900), 0),
  )
  const every = Math.max(MIN_SAMPLE_S, expectedS / MAX_SAMPLES)
  const { layers } = FULL
  const series: Series = {
    tMin: [],
    bulkC: [],
    bottomC: [],
    freeG: [],
    evaporatedG: [],
    uptakeByLayer: Array.from({ length: layers }, () => []),
    centreByLayer: Array.from({ length: layers }, () => []),
  }
  let nextAt = 0
  const sample = (pot: Pot) => {
    series.tMin.push(pot.now / 60)
    series.bulkC.push(pot.bulkC)
    series.bottomC.push(pot.bottomC)
    series.freeG.push(pot.freeG)
    series.evaporatedG.push(pot.evaporatedG)
    for (let l = 0; l < layers; l++) {
      series.uptakeByLayer[l]!.push(layerUptake(pot, l))
      series.centreByLayer[l]!.push(centreCooked(pot, l))
    }
    nextAt = pot.now + every
  }
  const { pot, events } = cookReady(ready, interventions, FULL, NO_LUCK, (p) => p.now >= nextAt && sample(p))
  sample(pot)
  const outcome = outcomeOf(pot)
  const { blend } = ready.prepared
  return {
    verdict: verdictOf(outcome, blend.uptake, ready.prepared.sauce),
    outcome,
    separateness: separateness({
      amylose: blend.amylose,
      clarity: request.rinse.clarity ?? expectedClarity(request.rinse.washes),
      uptakeOfSoft: outcome.uptakeMean / blend.uptake.soft,
      stirred: request.stirAtBoil || interventions.some((h) => h.kind === 'stir'),
    }),
    final: {
      uptakeMin: Math.min(...outcome.uptakeByLayer),
      uptakeMax: Math.max(...outcome.uptakeByLayer),
      freeG: pot.freeG,
      evaporatedG: pot.evaporatedG,
      drainedG: pot.drainedG,
      bottomC: pot.bottomC,
    },
    series,
    events,
    plan: ready.made,
  }
}
