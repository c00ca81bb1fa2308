import type { DeviceKind } from '#core/contract/equipment'
import type { Faults } from './device'
import { NO_FAULTS } from './device'

/** Ways a simulated device can fail, each as one would meet it. */
export const WAYS = ['sound', 'drifts', 'lags', 'drops-out', 'lies'] as const
export type Way = (typeof WAYS)[number]

/** What each way means for a kind: g for a scale, K for a probe; a click cannot drift or lie. */
export function faultsOf(kind: DeviceKind, way: Way): Faults {
  const figure = kind === 'scale' || kind === 'probe'
  switch (way) {
    case 'sound':
      return NO_FAULTS
    case 'drifts':
      return { ...NO_FAULTS, driftPerHour: !figure ? 0 : kind === 'scale' ? 12 : 4 }
    case 'lags':
      return { ...NO_FAULTS, lagSeconds: 25 }
    case 'drops-out':
      return { ...NO_FAULTS, dropOut: 0.35 }
    case 'lies':
      return { ...NO_FAULTS, lie: !figure ? 0 : kind === 'scale' ? 40 : -6 }
  }
}

/** Which transport a device's figures describe. */
export const wayOf = ({ driftPerHour, lagSeconds, dropOut, lie }: Faults): Way =>
  driftPerHour !== 0
    ? 'drifts'
    : lagSeconds > 0
      ? 'lags'
      : dropOut > 0
        ? 'drops-out'
        : lie !== 0
          ? 'lies'
          : 'sound'
