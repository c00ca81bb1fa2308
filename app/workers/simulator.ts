import { expose } from 'comlink'
import { parsePlanRequestOrThrow, type PlanRequestJson } from '#core/contract/plan-request'
import { parseSimulateRequest, type SimulateRequestJson } from '#core/contract/simulate'
import { prepare } from '#core/plan/prepare'
import { diagnose, type Diagnosis, type PastPot } from '#core/simulate/diagnose'
import {
  outcomeMap,
  waterRoomForError,
  type OutcomeMap,
  type WaterRoomForError,
} from '#core/simulate/outcome-map'
import type { RecipeStep } from '#core/plan/recipe-steps'
import { judge } from '#core/simulate/judge'
import { judgeSteps, type StepsChange } from '#core/simulate/judge-steps'
import { reasonsOf } from '#core/simulate/reasons'
import type { Verdict } from '#core/simulate/verdict'
import { simulate, type Simulated, type Simulation } from '#core/simulate/simulate'
import { chancesOf, sweep, type Chances } from '#core/simulate/sweep'
import { whatIf, type WhatIf } from '#core/simulate/what-if'

/** A cooked pot with its verdict in words. */
export interface Cooked extends Simulated {
  reasons: string[]
}

/** How far the water may be off, and how often the plan ends well. */
export interface RoomForError {
  water: WaterRoomForError | undefined
  chances: Chances
}

/** A way as stated, cooked: how it ends and why, and the smallest change. */
export interface JudgedWay {
  /** Share of kitchens in which it is good, 0..1. */
  good: number
  verdict: Verdict
  reasons: string[]
  /** Minutes from the cold pot to the end. */
  minutes: number
  smallest_change?: StepsChange & { good: number; minutes?: number; rest_minutes?: number }
}

/** Pots between two words to the page. */
const TELL_EVERY = 16

const simulationOf = (json: SimulateRequestJson, question: WhatIf | null): Simulation => {
  const read = parseSimulateRequest(json)
  if (!read.ok) throw new Error(read.errors.map((e) => e.message).join('; '))
  const { seed: _seed, runs: _runs, ...simulation } = read.value
  return question === null ? simulation : whatIf(simulation, question)
}

/** Runs to the end, telling now and then how far it is. */
async function withProgress<T>(running: Generator<number, T>, tell: (done: number) => void): Promise<T> {
  for (;;) {
    const next = running.next()
    if (next.done) return next.value
    if (next.value % TELL_EVERY === 0) {
      tell(next.value)
      // Lets the word out before the next pots.
      await Promise.resolve()
    }
  }
}

/** The simulator, off the page's own thread. What takes long is stopped by ending its worker. */
const simulator = {
  cook(json: SimulateRequestJson, question: WhatIf | null): Cooked {
    const simulation = simulationOf(json, question)
    const run = simulate(simulation)
    return { ...run, reasons: reasonsOf(run, prepare(simulation.request).blend.uptake) }
  },
  /** @param steps null where the plan's own stages are cooked */
  judgeWay(
    json: PlanRequestJson,
    steps: readonly RecipeStep[] | null,
    given: { seed: number; runs: number },
  ): JudgedWay {
    const request = parsePlanRequestOrThrow(json)
    const { ends, ...judged } = steps === null ? judge(request, given) : judgeSteps(request, steps, given)
    return {
      ...judged,
      verdict: ends.verdict,
      reasons: reasonsOf(ends, prepare(request).blend.uptake),
      minutes: ends.series.tMin.at(-1)!,
    }
  },
  diagnose(json: PlanRequestJson, about: Omit<PastPot, 'request'>): Diagnosis {
    return diagnose({ request: parsePlanRequestOrThrow(json), ...about })
  },
  sweep(
    json: SimulateRequestJson,
    given: { seed: number; runs: number },
    tell: (done: number) => void,
  ): Promise<Chances> {
    return withProgress(sweep(simulationOf(json, null), given), tell)
  },
  map(json: SimulateRequestJson, tell: (done: number) => void): Promise<OutcomeMap | undefined> {
    return withProgress(outcomeMap(simulationOf(json, null)), tell)
  },
  roomForError(json: SimulateRequestJson, given: { seed: number; runs: number }): RoomForError {
    const simulation = simulationOf(json, null)
    return { water: waterRoomForError(simulation), chances: chancesOf(simulation, given) }
  },
}
export type Simulator = typeof simulator

expose(simulator)
