import { expose } from 'comlink'
import { settledRequest, type PlanRequestJson } from '#core/contract/plan-request'
import { prepare } from '#core/plan/prepare'
import { diagnose, type Diagnosis, type PastPot } from '#core/simulate/diagnose'
import { reasonsOf } from '#core/simulate/reasons'
import { simulate, type Simulated } from '#core/simulate/simulate'
import { sweep, type Chances } from '#core/simulate/sweep'
import { asMade, whatIf, type WhatIf } from '#core/simulate/what-if'

/** A cooked pot with its verdict in words. */
export interface Cooked extends Simulated {
  reasons: string[]
}

/** Pots of a sweep between two words to the page. */
const TELL_EVERY = 16

const simulationOf = (json: PlanRequestJson, question: WhatIf | null) => {
  const request = settledRequest(json)
  return question === null ? asMade(request) : whatIf(request, question)
}

/** The simulator, off the page's own thread. A sweep is stopped by ending its worker. */
const simulator = {
  cook(json: PlanRequestJson, question: WhatIf | null): Cooked {
    const simulation = simulationOf(json, question)
    const run = simulate(simulation)
    return { ...run, reasons: reasonsOf(run, prepare(simulation.request).blend.uptake) }
  },
  diagnose(json: PlanRequestJson, told: Omit<PastPot, 'request'>): Diagnosis {
    return diagnose({ request: settledRequest(json), ...told })
  },
  async sweep(json: PlanRequestJson, question: WhatIf | null, given: { seed: number; runs: number }, tell: (done: number) => void): Promise<Chances> {
    const running = sweep(simulationOf(json, question), given)
    for (;;) {
      const next = running.next()
      if (next.done) return next.value
      if (next.value % TELL_EVERY === 0) {
        tell(next.value)
        // Lets the word out before the next pots.
        await Promise.resolve()
      }
    }
  },
}
export type Simulator = typeof simulator

expose(simulator)
