import * as v from 'valibot'
import { fieldErrors, oneOf } from '#core/contract/fields'
import type { Result } from '#core/contract/plan-request'
import { DEVICE_KINDS } from '#core/contract/equipment'
import { faultsOf, WAYS } from './transports'
import type { Kitchen } from '#server/store/open-household'

/** A device as the settings send it. */
const DeviceSchema = v.object({
  kind: oneOf(DEVICE_KINDS),
  on: oneOf(['yes', 'no']),
  trusted: oneOf(['yes', 'no']),
  way: oneOf(WAYS),
})

/** Switches a device on or off, trusts it or not, and lets a simulated one fail. */
export function saveDevice({ devices }: Kitchen, input: unknown, nowMs: number): Result<true> {
  const parsed = v.safeParse(DeviceSchema, input)
  if (!parsed.success) return { ok: false, errors: fieldErrors(parsed.issues) }
  const { kind, on, trusted, way } = parsed.output
  if (on === 'no') devices.off(kind)
  else {
    const { driftPerHour, lagSeconds, dropOut, lie } = faultsOf(kind, way)
    devices.put({
      kind,
      on_since_ms: nowMs,
      trusted: trusted === 'yes' ? 1 : 0,
      drift_per_hour: driftPerHour,
      lag_s: lagSeconds,
      drop_out: dropOut,
      lie,
    })
  }
  return { ok: true, value: true }
}
