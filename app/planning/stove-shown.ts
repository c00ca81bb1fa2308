import type { HeatRow } from '#server/store/equipment'
import type { ShownStart } from '../offline/local-starts'
import type { HouseholdClock } from '../ui/time/clock-hour'

/** What the stove shows of a batch that was started on this device. */
export interface StoveShown extends ShownStart {
  title: string
  /** The knob of its burner; null for an appliance's own heat. */
  knob: HeatRow | null
  household: HouseholdClock
}
