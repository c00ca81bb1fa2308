import { NumberInput } from '@mantine/core'
import type { Plan } from '#core/plan/result'
import type { PlanState } from '../../planning/plan-state'

interface WetWeightProps {
  state: PlanState
  change: (next: Partial<PlanState>) => void
  plan: Plan
}

/** What the grain weighed when it had soaked and drained: the scale knows better than the curve. */
export default function WetWeight({ state, change, plan }: WetWeightProps) {
  return (
    <NumberInput
      size="xs"
      mt={8}
      placeholder={`weight after draining, g (about ${Math.round(plan.grain.mass_g + plan.water.soaked_in_g + plan.water.clinging_g)}))`}
      aria-label="Weighed wet after draining, g"
      value={state.wet ?? ''}
      min={Math.round(plan.grain.mass_g)}
      max={Math.round(plan.grain.mass_g * 3)}
      clampBehavior="blur"
      allowNegative={false}
      decimalScale={0}
      onChange={(next) =>
        change({ wet: typeof next === 'number' && next >= plan.grain.mass_g ? next : null })
      }
    />
  )
}
