import type { Remote } from 'comlink'
import type { PlanRequestJson } from '#core/contract/plan-request'
import type { RecipeStep } from '#core/plan/recipe-steps'
import type { JudgedWay, Simulator } from '../../workers/simulator'
import { useSimulated, type SimulatorAnswer } from '../../workers/use-simulated'

/** The way is still for so long before it is cooked, ms. */
const STILL_MS = 500
const KITCHENS = 100

const judgeIn = (remote: Remote<Simulator>, asked: string): Promise<JudgedWay> => {
  const [json, steps] = JSON.parse(asked) as [PlanRequestJson, RecipeStep[] | null]
  return remote.judgeWay(json, steps, { seed: 1, runs: KITCHENS })
}

/** How a way ends, in this pot and in many kitchens.  @param steps null where the plan's own stages are cooked */
export const useJudgedWay = (
  request: PlanRequestJson,
  steps: readonly RecipeStep[] | null,
): SimulatorAnswer<JudgedWay> => useSimulated(JSON.stringify([request, steps]), judgeIn, STILL_MS)
