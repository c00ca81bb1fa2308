import { blendOf, slowedBlend } from '#core/grain/blend'
import { boilingPointAt, pressureAt } from '#core/heat/boiling-point'
import { methodOf } from '#core/method/index'
import { potSetupOf } from '#core/plan/pot-setup'
import type { PlanRequest } from '#core/plan/request'
import type { Plan } from '#core/plan/result'
import { fillPot, freeShare, FULL, layerUptake, leastCooked, type Pot, type Resolution } from '#core/pot/pot'
import { runPhase } from '#core/pot/run'
import { celsius, metres } from '#core/quantity/units'
import { soakKernel } from '#core/soak/soak'

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

/** Cooks a plan on the fine pot: clocks as planned, cues when this pot gives them.
 *  @param watch called after every step, for curves */
export function cookPlan(request: PlanRequest, plan: Plan, resolution: Resolution = FULL, watch?: (pot: Pot) => void): CookedPot {
  const blend = slowedBlend(blendOf(request.grains), request.minutesFactor)
  const { soak, vessel, kitchenC } = request
  const kept = soak?.water === 'keep'
  const soaked = soak
    ? blend.parts.map(({ variety }) =>
        soakKernel({ ...variety, most: variety.uptake.most }, soak.minutes, celsius(soak.celsius), resolution.shells),
      )
    : []
  const dryG = plan.grain.mass_g
  const soakedG = kept ? dryG * soaked.reduce((sum, s, i) => sum + blend.parts[i]!.share * s.uptake, 0) : 0
  const boilC = boilingPointAt(metres(request.elevationM))
  const pot = fillPot(
    potSetupOf({
      blend, dryG, vessel, boilC, kitchenC,
      freeWaterG: plan.water.pour_g + plan.water.clinging_g - soakedG,
      waterC: Math.min(boilC, kept ? soak.celsius : request.waterC),
      soaked: soaked.map((s) => s.shells),
    }),
    resolution,
  )
  const hot = methodOf(request.method).stages({
    ...request, blend, dryG, boilC, ambientPa: pressureAt(metres(request.elevationM)),
  })
  for (const stage of hot) {
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
