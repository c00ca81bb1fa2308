import type { Caution } from '#core/plan/result'
import { cautionPlace } from '../../ui/drawing/caution-place'
import type { PotMark } from '../../ui/drawing/pot-section'
import type { PlanState, PlanningData } from '../../planning/plan-state'
import { fixOf } from '../../planning/apply-fix'

/**
 * Cautions that happen somewhere in the pot, at their place, each with its one mend. What is only worth a
 * note stays in the list.
 */
export const marksIn = (
  cautions: readonly Caution[],
  state: PlanState,
  change: (next: Partial<PlanState>) => void,
  household: PlanningData,
  nowMs: number,
): PotMark[] =>
  cautions.flatMap((caution) => {
    const place = cautionPlace(caution)
    const fix = fixOf(caution, state, household, nowMs)
    if (!place || (caution.severity === 'note' && !fix)) return []
    return [
      {
        code: caution.code,
        place,
        severity: caution.severity,
        says: caution.text,
        ...(fix ? { fix: { text: fix.text, act: () => change(fix.state) } } : {}),
      },
    ]
  })
