import type { BenchState, House } from '../../../planning/plan-state'

/** What every panel of the order line works with. */
export interface PanelProps {
  state: BenchState
  change: (next: Partial<BenchState>) => void
  house: House
}
