import { prepare } from '#core/plan/prepare'
import { potForPlan } from '#core/plan/pot-for-plan'
import type { PlanRequest } from '#core/plan/request'
import type { Plan } from '#core/plan/result'
import { freeShare, FULL, layerUptake, leastCooked, type Pot, type Resolution } from '#core/pot/pot'
import { runPhase } from '#core/pot/run'

export interface CookedPot {
  uptakeByLayer: number[]
  uptakeMean: number
  /** (most − least) / mean over the layers. */
  unevenness: number
  centreMin: number
  freeShare: number
  evaporatedG: number
  scorch: number
}

/**
 * Cooks a plan on the fine pot: clocks as planned, signs when this pot gives them.
 * @param watch called after every step, for curves
 */
export function cookPlan(
  request: PlanRequest,
  plan: Plan,
  resolution: Resolution = FULL,
  watch?: (pot: Pot) => void,
): CookedPot {
  const prepared = prepare(request)
  const pot = potForPlan(request, prepared, plan.water, resolution)
  for (const stage of prepared.timed.stages) {
    const minutes = plan.stages.find((s) => s.id === stage.id)!.minutes.expected
    runPhase(pot, { ...stage, until: stage.until === 'solved' ? { minutes } : stage.until }, watch)
  }
  const uptakeByLayer = Array.from({ length: resolution.layers }, (_, l) => layerUptake(pot, l))
  const uptakeMean = uptakeByLayer.reduce((a, b) => a + b, 0) / resolution.layers
  return {
    uptakeByLayer,
    uptakeMean,
    unevenness: (Math.max(...uptakeByLayer) - Math.min(...uptakeByLayer)) / uptakeMean,
    centreMin: leastCooked(pot),
    freeShare: freeShare(pot),
    evaporatedG: pot.evaporatedG,
    scorch: pot.scorch,
  }
}
