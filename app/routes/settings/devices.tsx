import { NativeSelect, Switch } from '@mantine/core'
import { useFetcher } from 'react-router'
import classes from './settings.module.css'

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
