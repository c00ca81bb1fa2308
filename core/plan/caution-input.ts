import type { Blend } from '#core/grain/blend'
import type { HoldTime } from '#core/leftovers/hold-time'
import type { Gauges } from '#core/vessel/gauges'
import type { Method } from '#core/methods/definition'
import type { Goal } from '#core/pot/doneness'
import type { PlanRequest } from './request'
import type { Solution } from './solve-pour'
import type { Seasoning } from '#core/seasoning/seasoning'
import type { TimedBlend } from './blend-timing'
import type { Caution, Plan, Stage } from './result'

/** Everything a caution may look at: the question, the solved pot and its geometry. */
export interface CautionInput {
  request: PlanRequest
  blend: Blend
  dryG: number
  uptake: number
  boilC: number
  gauges: Gauges
  solution: Solution
  stages: readonly Stage[]
  clingingG: number
  timed: TimedBlend
  method: Method
  goal: Goal
  seasoning: Seasoning
  /** g short of firm, with water of the cook's own. */
  shortG: number
  boilerDish: Plan['boiler_dish']
  keeps: HoldTime
}

/** One caution's condition and words. Nothing where the plan gives no cause for it. */
export type CautionRule = (facts: CautionInput) => Caution | readonly Caution[] | undefined
