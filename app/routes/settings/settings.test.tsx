import { createMemoryRouter, RouterProvider } from 'react-router'
import { MantineProvider } from '@mantine/core'
import { renderToStaticMarkup } from 'react-dom/server'
import { SIGNAL_WORDS } from '../../alerts/preferences'
import { htmlOf, textOf } from '../../../tests/helpers/render'
import { Devices, type DeviceShown } from './about'
import Alerts from './alerts'

/** Parts that send need a router that can be sent to. */
const routed = (devices: DeviceShown[]): string =>
  renderToStaticMarkup(
    <MantineProvider env="test">
      <RouterProvider router={createMemoryRouter([{ path: '/', element: <Devices devices={devices} /> }])} />
    </MantineProvider>,
  )
const device = (more: Partial<DeviceShown> = {}): DeviceShown => ({
  kind: 'scale',
  on: false,
  trusted: false,
  way: 'sound',
  ...more,
})

describe('how this device calls', () => {
  const html = htmlOf(<Alerts />)
  test('every kind of signal has its sound, and every sense a key to try it', () => {
    for (const word of Object.values(SIGNAL_WORDS)) {
      expect(html).toContain(word)
      expect(html).toContain(`Try “${word.toLowerCase()}”`)
    }
    for (const key of ['Try the voice', 'Test a notification', 'Test the screen']) expect(html).toContain(key)
  })
  test('before the browser has said what it can, notices are not promised', () => {
    expect(textOf(<Alerts />)).toContain('Notifications need HTTPS')
  })
})

describe('devices, played', () => {
  test('a device that is off offers nothing more', () => {
    const html = routed([device()])
    expect(html).toContain('Kitchen scale')
    expect(html).not.toContain('Trust this device')
  })
  test('one that is on can be trusted, and can fail', () => {
    const html = routed([device({ on: true, way: 'drifts' })])
    expect(html).toContain('Trust this device')
    for (const way of ['sound', 'drifts', 'lags', 'drops out', 'lies'])
      expect(html).toContain(`>${way}</option>`)
    expect(html).toMatch(/<option value="drifts" selected="">/)
  })
  test('each of the four has its name and says what it tells', () => {
    const html = routed(
      (['scale', 'probe', 'cooker', 'pressure-pot'] as const).map((kind) => device({ kind })),
    )
    for (const name of ['Kitchen scale', 'Probe in the pot', 'Rice cooker', 'Pressure cooker'])
      expect(html).toContain(`aria-label="${name}"`)
  })
  test('it is said that they are played, and by what', () => {
    expect(routed([])).toContain('simulated')
  })
})
