import type { Known, Breakdown } from '#core/explain/pour'
import type { Plan } from '#core/plan/result'
import type { PlanRequest } from '#core/plan/request'
import type { PourContext } from '#core/vessel/pour-gauges'

const [pours, figures] = [() => import('#core/explain/pour'), () => import('#core/explain/breakdowns')]

/** The breakdown behind each "why?"; its code is loaded with the first question. */
export const explanations = (asked: PlanRequest, plan: Plan, known: Known) => ({
  pour: (): Promise<Breakdown> => pours().then((m) => m.whyPour(asked, plan, known)),
  minutes: (): Promise<Breakdown> => pours().then((m) => m.whyMinutes(plan, known)),
  grain: (): Promise<Breakdown> => figures().then((m) => m.whyGrain(asked, plan)),
  cooked: (): Promise<Breakdown> => figures().then((m) => m.whyCooked(plan)),
})
export const whyDepth = (context: PourContext, pourG: number): Promise<Breakdown> =>
  figures().then((m) => m.whyDepth(context, pourG))
