import type { PlanRequest } from './request'
import { fillPot, type Pot, type Resolution } from '#core/pot/pot'
import { setupFor, type PourProblem } from './pour-problem'
import type { PreparedPlan } from './prepare'

/** What a prepared request asks of its water. */
export const pourProblem = (request: PlanRequest, prepared: PreparedPlan): PourProblem => ({
  blend: prepared.blend,
  dryG: prepared.dryG,
  vessel: request.vessel,
  boilC: prepared.boilC,
  kitchenC: request.kitchenC,
  waterC: prepared.waterC,
  stages: prepared.timed.stages,
  goal: prepared.goal,
  way: prepared.method.water,
  basket: prepared.method.basket === true,
  retainedSoakC: prepared.retainedSoakC,
  soaked: prepared.soaked,
  addInWaterG: prepared.addInWaterG,
  later: prepared.later,
  uptake: prepared.uptake,
  boilerHasG: prepared.boilerHasG,
  sauce: prepared.sauce,
  hurry: request.hurry,
  ...(prepared.fixedMinutes === undefined ? {} : { fixedMinutes: prepared.fixedMinutes }),
})

/**
 * The pot of a plan, filled and cold: the one way from a request to a simulated pot.
 * @param water poured, and under a basket whose pour goes on the grain, g
 */
export const potForPlan = (
  request: PlanRequest,
  prepared: PreparedPlan,
  water: { pour_g: number; boiler_g?: number | undefined },
  resolution: Resolution,
): Pot => fillPot(setupFor(pourProblem(request, prepared), water.pour_g, water.boiler_g), resolution)
