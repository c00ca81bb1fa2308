import { LID_POSITIONS, type LidPosition } from '#core/heat/lid'
import type { HeatLevel } from '#core/heat/sources'
import type { HeatStyle } from '#core/methods/definition'
import type { MethodId } from '#core/methods/index'

/** One step as a cook tells it: a heat and a lid, for some minutes or until something is seen. */
export interface RecipeStep {
  heat: HeatLevel
  lid: LidPosition
  /** Minutes; left out where it goes on until something is seen. */
  minutes?: number
  until?: 'boil' | 'dry'
}

/** What is stated that needs no heat: washing and soaking before it, draining after it. */
export interface StepsWithoutHeat {
  /** Minutes of soaking; left out where none were stated. */
  soakMinutes?: number | undefined
  washes?: number | undefined
  /** The rest of the water is poured off when the grain is done. */
  drained: boolean
}

export const STEP_HEATS: readonly HeatLevel[] = ['high', 'medium', 'low', 'lowest', 'off']
export const STEP_LIDS = LID_POSITIONS

export const HEAT_WORDS: Record<HeatLevel, string> = {
  high: 'high heat',
  medium: 'medium heat',
  low: 'low heat',
  lowest: 'lowest heat',
  off: 'heat off',
}
export const LID_WORDS: Record<LidPosition, string> = { on: 'lid on', ajar: 'lid ajar', off: 'lid off' }

const stepWords = ({ heat, lid, minutes, until }: RecipeStep): string =>
  [
    HEAT_WORDS[heat],
    LID_WORDS[lid],
    until === 'boil' ? 'until it boils' : until === 'dry' ? 'until the water is gone' : `${minutes} min`,
  ].join(' ')

/** Steps as text that is read back as the same steps: "high heat lid on until it boils, low heat lid on 12 min". */
export const stepsText = (
  steps: readonly RecipeStep[],
  { soakMinutes, washes, drained }: StepsWithoutHeat,
): string =>
  [
    ...(washes === undefined ? [] : [`rinse ${washes} times`]),
    ...(soakMinutes === undefined ? [] : [`soak ${soakMinutes} min`]),
    ...steps.map(stepWords),
    ...(drained ? ['drain'] : []),
  ].join(', ')

/** The plan that comes nearest to steps as stated. */
export interface PlanOfSteps {
  method: MethodId
  /** Minutes on the heat after the boil; left out where the water ends it. */
  minutes?: number
  restMinutes: number
  lidUntilBoil: LidPosition
  heatStyle: HeatStyle
}

/** A strong boil up to this long is the first minute of another heat style, minutes. */
const STRONG_MINUTES = 2

/**
 * Which method and which own minutes plan the steps. A plan has one heat from the boil to the rest; several are
 * added up.
 */
export function planOfSteps(
  steps: readonly RecipeStep[],
  { drained }: Pick<StepsWithoutHeat, 'drained'>,
): PlanOfSteps {
  const boilAt = steps.findIndex((step) => step.until === 'boil')
  const after = steps.slice(boilAt + 1)
  const hot = after.filter((step) => step.heat !== 'off')
  const strong = hot.length > 1 && hot[0]!.heat === 'high' && (hot[0]!.minutes ?? Infinity) <= STRONG_MINUTES
  const simmered = strong ? hot.slice(1) : hot
  const minutes = simmered.reduce((sum, step) => sum + (step.minutes ?? 0), 0)
  const open = simmered.some((step) => step.lid === 'off')
  return {
    method: drained
      ? 'boil-and-drain'
      : hot.length === 0
        ? 'off-heat'
        : open
          ? 'uncovered'
          : 'covered-simmer',
    ...(simmered.some((step) => step.until === 'dry') || minutes === 0 ? {} : { minutes }),
    restMinutes: after.reduce((sum, step) => sum + (step.heat === 'off' ? (step.minutes ?? 0) : 0), 0),
    lidUntilBoil: (steps[boilAt] ?? steps[0])?.lid ?? 'on',
    heatStyle: strong ? 'strong-minute-then-low' : 'boil-then-lowest',
  }
}
