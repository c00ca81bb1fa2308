import type { PlanRequestJson } from '#core/contract/plan-request'
import type { Variety } from '#core/grain/varieties'
import type { PlanState } from '../../planning/plan-state'
import { FingerChart } from './finger-chart'
import { TranslateRatio } from './translate-ratio'
import { SideSheet } from '../../ui/overlay/side-sheet'

export interface StudyProps {
  request: PlanRequestJson
  variety: Variety
  change: (next: Partial<PlanState>) => void
  creaseMm: number
}

/** The two questions, answered beside the pot. */
export default function FingerStudyDrawer({
  open,
  onClose,
  ...props
}: StudyProps & { open: 'finger' | 'ratio' | undefined; onClose: () => void }) {
  return (
    <SideSheet
      opened={open !== undefined}
      onClose={onClose}
      size={560}
      title={open === 'finger' ? 'A finger over the grain, in this pot' : 'Convert a recipe’s ratio'}
    >
      {open === 'finger' && <FingerChart request={props.request} creaseMm={props.creaseMm} />}
      {open === 'ratio' && <TranslateRatio {...props} />}
    </SideSheet>
  )
}
