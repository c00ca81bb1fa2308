import type { Caution } from '#core/plan/result'
import { cautionPlace } from '../../ui/drawing/caution-place'
import type { PotMark } from '../../ui/drawing/pot-section'
import type { BenchState, House } from '../../planning/plan-state'
import { mendOf } from '../../planning/apply-fix'

/** Cautions that happen somewhere in the pot, at their place, each with its one mend. What is only worth a note stays in the list. */
export const marksIn = (
  cautions: readonly Caution[],
  state: BenchState,
  change: (next: Partial<BenchState>) => void,
  house: House,
  nowMs: number,
): PotMark[] =>
  cautions.flatMap((caution) => {
    const place = cautionPlace(caution)
    const mend = mendOf(caution, state, house, nowMs)
    if (!place || (caution.severity === 'note' && !mend)) return []
    return [
      {
        code: caution.code,
        place,
        severity: caution.severity,
        says: caution.text,
        ...(mend ? { mend: { text: mend.text, act: () => change(mend.state) } } : {}),
      },
    ]
  })
