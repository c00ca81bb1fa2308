import type { DeviceKind } from '#core/contract/equipment'
import type { Source } from '#server/devices/device'
import { simulatedCooker } from './cooker'
import { simulatedPressurePot } from './pressure-pot'
import { simulatedProbe } from './probe'
import { simulatedScale } from './scale'

/** Simulated devices, in place of real ones. */
export const SIMULATED: Record<DeviceKind, Source> = {
  scale: simulatedScale,
  probe: simulatedProbe,
  cooker: simulatedCooker,
  'pressure-pot': simulatedPressurePot,
}
