import { NativeSelect, Switch } from '@mantine/core'
import { data, Link, useFetcher } from 'react-router'
import { DEVICE_KINDS } from '#core/contract/equipment'
import { nowMs } from '#server/clock'
import { saveDevice } from '#server/devices/device-settings'
import { wayOf } from '#server/devices/transports'
import { kitchen } from '#server/kitchen'
import { typedOf, unknownIntent } from '../../ui/forms/errors'
import { formOf } from '../../ui/forms/read-form'
import packageJson from '../../../package.json'
import type { Route } from './+types/about'
import classes from './settings.module.css'

export const meta: Route.MetaFunction = () => [{ title: 'About Omsel · Omsel' }]

export const loader = () => ({ version: packageJson.version, devices: devicesShown() })

export async function action({ request }: Route.ActionArgs) {
  const typed = typedOf(await formOf(request))
  if (typed.intent !== 'device') return data({ errors: [unknownIntent(typed.intent)] }, { status: 400 })
  const stored = saveDevice(kitchen(), typed, nowMs())
  return stored.ok ? { saved: true as const } : data({ errors: stored.errors }, { status: 422 })
}

function devicesShown(): DeviceShown[] {
  const rows = kitchen().devices.all()
  return DEVICE_KINDS.map((kind) => {
    const row = rows.find((r) => r.kind === kind)
    return {
      kind,
      on: row !== undefined,
      trusted: row?.trusted === 1,
      way: row
        ? wayOf({
            driftPerHour: row.drift_per_hour,
            lagSeconds: row.lag_s,
            dropOut: row.drop_out,
            lie: row.lie,
          })
        : 'sound',
    }
  })
}

/** A device as the page shows it. */
export interface DeviceShown {
  kind: string
  on: boolean
  trusted: boolean
  way: string
}

const KIND_WORDS: Record<string, { name: string; tells: string }> = {
  scale: { name: 'Kitchen scale', tells: 'pours, to the gram; measured, drained, dished out' },
  probe: { name: 'Probe in the pot', tells: 'temperature and boiling' },
  cooker: { name: 'Rice cooker', tells: 'switch click' },
  'pressure-pot': { name: 'Pressure cooker', tells: 'pressure indicator' },
}
const WAY_WORDS: Record<string, string> = {
  sound: 'sound',
  drifts: 'drifts',
  lags: 'lags',
  'drops-out': 'drops out',
  lies: 'lies',
}

/** What this program is, and what is only simulated in it. */
export default function AboutPage({ loaderData: { version, devices } }: Route.ComponentProps) {
  return (
    <>
      <h1 className="figure">About Omsel</h1>
      <section className={`${classes.sheet} basin`}>
        <p>
          Version {version}. Your data stays on the computer that runs Omsel; nothing is sent anywhere else.
        </p>
        <p>
          <Link to="/model">How the figures are worked out</Link>, with sources and limits.
        </p>
      </section>
      <Devices devices={devices} />
    </>
  )
}

/**
 * Devices at the pot. None is a real one yet: each is simulated by a pot of its own, whose burner, lid and
 * bag the household does not know.
 */
export function Devices({ devices }: { devices: readonly DeviceShown[] }) {
  return (
    <section className={`${classes.sheet} ${classes.senses} basin`} aria-labelledby="devices-title">
      <h2 className="figure" id="devices-title">
        Simulated devices
      </h2>
      <p className="quiet">
        Try a simulated scale, probe or cooker. A trusted device ends a step by itself; otherwise it asks.
      </p>
      {devices.map((device) => (
        <Device key={device.kind} {...device} />
      ))}
    </section>
  )
}

function Device({ kind, ...saved }: DeviceShown) {
  const fetcher = useFetcher<{ errors?: { message: string }[] }>()
  // What was just chosen shows at once; the server's word follows.
  const sent = fetcher.formData
  const { on, trusted, way } = sent
    ? { on: sent.get('on') === 'yes', trusted: sent.get('trusted') === 'yes', way: String(sent.get('way')) }
    : saved
  const { name, tells } = KIND_WORDS[kind]!
  const keep = (next: Partial<DeviceShown>) => {
    const all = { on, trusted, way, ...next }
    void fetcher.submit(
      {
        intent: 'device',
        kind,
        on: all.on ? 'yes' : 'no',
        trusted: all.trusted ? 'yes' : 'no',
        way: all.way,
      },
      { method: 'post' },
    )
  }
  return (
    <div className={classes.device} role="group" aria-label={name}>
      <Switch
        label={name}
        description={tells}
        checked={on}
        onChange={(event) => keep({ on: event.currentTarget.checked })}
      />
      {on && (
        <>
          <Switch
            label="Trust this device"
            checked={trusted}
            onChange={(event) => keep({ trusted: event.currentTarget.checked })}
          />
          <NativeSelect
            aria-label={`How the ${name.toLowerCase()} is`}
            size="xs"
            value={way}
            data={Object.entries(WAY_WORDS).map(([value, label]) => ({ value, label }))}
            onChange={(event) => keep({ way: event.currentTarget.value })}
          />
        </>
      )}
      {fetcher.data?.errors && <p role="alert">{fetcher.data.errors[0]!.message}</p>}
    </div>
  )
}
