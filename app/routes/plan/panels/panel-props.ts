import type { PlanState, PlanningData } from '../../../planning/plan-state'

/** What every panel of the order line works with. */
export interface PanelProps {
  state: PlanState
  change: (next: Partial<PlanState>) => void
  household: PlanningData
}
