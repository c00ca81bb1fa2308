import type { Plan } from '#core/plan/result'
import { UnitNumber } from '../../ui/units/unit-number'
import { useUnits } from '../../ui/units/units'
import type { PlanState } from '../../planning/plan-state'

interface WetWeightProps {
  state: PlanState
  change: (next: Partial<PlanState>) => void
  plan: Plan
}

/** What the grain weighed when it had soaked and drained: the scale knows better than the curve. */
export default function WetWeight({ state, change, plan }: WetWeightProps) {
  const { mass, label } = useUnits()
  return (
    <UnitNumber
      kind="mass"
      size="xs"
      mt={8}
      placeholder={`weight after draining (about ${mass(Math.round(plan.grain.mass_g + plan.water.soaked_in_g + plan.water.clinging_g))})`}
      aria-label={label('Weighed wet after draining, g')}
      value={state.wet ?? ''}
      min={Math.round(plan.grain.mass_g)}
      max={Math.round(plan.grain.mass_g * 3)}
      clampBehavior="blur"
      allowNegative={false}
      onChange={(next) => change({ wet: next !== '' && next >= plan.grain.mass_g ? Math.round(next) : null })}
    />
  )
}
