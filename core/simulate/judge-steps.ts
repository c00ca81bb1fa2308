import { boilingPointAt } from '#core/heat/boiling-point'
import { deliveredPower, HEAT_LEVELS } from '#core/heat/sources'
import { plan } from '#core/plan/plan'
import type { PlanRequest } from '#core/plan/request'
import type { RecipeStep } from '#core/plan/recipe-steps'
import { celsius, metres } from '#core/units/units'
import { standingLoss } from '#core/vessel/vessel'
import { judgeSimulation, MINUTE_STEPS, minutesSay, waterChange, waterSteps, type Candidate } from './judge'
import type { ScriptStep } from './script'
import type { Simulated, Simulation } from './simulate'

/** A change of steps as stated, and what it comes to. */
export interface StepsChange {
  /** "3 min more", "60 g less water", "lowest heat instead of medium". */
  says: string
  steps?: RecipeStep[]
  pour_g?: number
}

/** How steps as stated end. */
export interface JudgedSteps {
  /** Share of kitchens in which it is good, 0..1. */
  good: number
  ends: Simulated
  smallest_change?: StepsChange & { good: number }
}

/** Steps as heat under a lid, in this pot on this burner. */
export function scriptOf(
  steps: readonly RecipeStep[],
  {
    source,
    vessel,
    elevationM,
    kitchenC,
  }: Pick<PlanRequest, 'source' | 'vessel' | 'elevationM' | 'kitchenC'>,
): ScriptStep[] {
  const loss = standingLoss(vessel, celsius(boilingPointAt(metres(elevationM))), celsius(kitchenC))
  return steps.map((step) => ({
    powerW: deliveredPower(source, step.heat, loss),
    lid: step.lid,
    pressureKPa: null,
    until: step.until === undefined ? { minutes: step.minutes ?? 0 } : { event: step.until },
  }))
}

/** The step that cooks: the longest on the heat after the boil; -1 where there is none. */
export function mainStep(steps: readonly RecipeStep[]): number {
  const boilAt = steps.findIndex((step) => step.until === 'boil')
  return steps.reduce(
    (best, { heat, minutes = 0 }, i) =>
      i > boilAt && heat !== 'off' && minutes > (steps[best]?.minutes ?? 0) ? i : best,
    -1,
  )
}

const RESTS = [5, 10]
/** Another heat or another lid is a larger change than a few minutes. */
const HEAT_SIZE = 0.35
const LID_SIZE = 0.3

const withStep = (steps: readonly RecipeStep[], at: number, change: Partial<RecipeStep>): RecipeStep[] =>
  steps.map((step, i) => (i === at ? { ...step, ...change } : step))

/** Changes of one step or of the water. */
function candidatesOf(request: PlanRequest, steps: readonly RecipeStep[]): Candidate<StepsChange>[] {
  const pourG = plan(request).water.pour_g
  const simulationOf = (changed: readonly RecipeStep[], by = 0): Simulation => ({
    request: by === 0 ? request : { ...request, pourOverrideG: pourG + by },
    script: scriptOf(changed, request),
    happenings: [],
  })
  const ofSteps = (says: string, changed: RecipeStep[], size: number): Candidate<StepsChange> => ({
    change: { says, steps: changed },
    simulation: simulationOf(changed),
    size,
  })
  const main = mainStep(steps)
  const { minutes = 0, heat } = steps[main] ?? { heat: 'off' as const }
  const resting = steps.findLastIndex((step) => step.heat === 'off')
  const lower = HEAT_LEVELS[HEAT_LEVELS.indexOf(heat) - 1]
  const open = steps.findIndex((step, i) => i >= main && step.lid === 'off')
  return [
    ...MINUTE_STEPS.filter((by) => main >= 0 && minutes + by > 0).map((by) =>
      ofSteps(
        minutesSay(by),
        withStep(steps, main, { minutes: minutes + by }),
        Math.abs(by) / Math.max(5, minutes),
      ),
    ),
    ...waterSteps(pourG).map((by) => ({
      change: waterChange(pourG, by),
      simulation: simulationOf(steps, by),
      size: Math.abs(by) / pourG,
    })),
    ...RESTS.map((by) =>
      ofSteps(
        `${by} min more rest`,
        resting < 0
          ? [...steps, { heat: 'off', lid: 'on', minutes: by }]
          : withStep(steps, resting, { minutes: (steps[resting]!.minutes ?? 0) + by }),
        by / 15,
      ),
    ),
    ...(main >= 0 && lower !== undefined && lower !== 'off'
      ? [ofSteps(`${lower} heat instead of ${heat}`, withStep(steps, main, { heat: lower }), HEAT_SIZE)]
      : []),
    ...(open >= 0 ? [ofSteps('the lid on', withStep(steps, open, { lid: 'on' }), LID_SIZE)] : []),
  ]
}

/**
 * Cooks steps as stated in the simulated pot: how it ends, in how many kitchens it is good, and the smallest change
 * that would help.
 * @param request grain, pot, burner, and the water as stated in `pourOverrideG`; its method is not used
 * @param steps one at least
 */
export const judgeSteps = (
  request: PlanRequest,
  steps: readonly RecipeStep[],
  given: { runs: number; seed: number },
): JudgedSteps =>
  judgeSimulation<StepsChange>(
    { request, script: scriptOf(steps, request), happenings: [] },
    () => candidatesOf(request, steps),
    given,
  )
