import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { DEVICE_KINDS } from '#core/contract/equipment'
import { faultsOf, WAYS, wayOf } from '#server/devices/transports'
import { beginHousehold, FIRST_KITCHEN } from '#server/commands/begin-household'
import { saveDevice } from './device-settings'
import { openKitchen, type Kitchen } from '#server/store/open-household'

const START = Date.UTC(2026, 2, 5, 17, 0)
let folder: string
let kitchen: Kitchen
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'omsel-device-keeps-'))
  kitchen = openKitchen(join(folder, 'omsel.sqlite'))
  beginHousehold(kitchen, FIRST_KITCHEN)
})
afterEach(() => {
  kitchen.db.close()
  rmSync(folder, { recursive: true })
})
const sent = (more: object = {}) => ({ kind: 'scale', on: 'yes', trusted: 'no', way: 'sound', ...more })

test('switched on it is there, trusted or not, and off it is gone', () => {
  expect(saveDevice(kitchen, sent(), START).ok).toBe(true)
  expect(kitchen.devices.all()).toEqual([
    { kind: 'scale', on_since_ms: START, trusted: 0, drift_per_hour: 0, lag_s: 0, drop_out: 0, lie: 0 },
  ])
  saveDevice(kitchen, sent({ trusted: 'yes', way: 'drifts' }), START + 5000)
  expect(kitchen.devices.all()).toMatchObject([{ trusted: 1, drift_per_hour: 12, on_since_ms: START }])
  saveDevice(kitchen, sent({ on: 'no' }), START)
  expect(kitchen.devices.all()).toEqual([])
})

test('is stored over a restart', () => {
  saveDevice(kitchen, sent({ kind: 'probe', way: 'lags' }), START)
  kitchen.db.close()
  kitchen = openKitchen(join(folder, 'omsel.sqlite'))
  expect(kitchen.devices.all()).toMatchObject([{ kind: 'probe', lag_s: 25 }])
})

test.each([
  [{ kind: 'toaster' }, 'kind'],
  [{ on: 'maybe' }, 'on'],
  [{ trusted: 1 }, 'trusted'],
  [{ way: 'explodes' }, 'way'],
  [{ kind: undefined }, 'kind'],
])('refuses %j at its own field, and keeps nothing', (more, path) => {
  const saved = saveDevice(kitchen, sent(more), START)
  expect(saved.ok ? [] : saved.errors.map((e) => e.path)).toContain(path)
  expect(kitchen.devices.all()).toEqual([])
})

test('every way of failing is known again by its figures, where it can fail so', () => {
  for (const kind of DEVICE_KINDS)
    for (const way of WAYS) {
      const clicks = kind === 'cooker' || kind === 'pressure-pot'
      // A click cannot drift or lie.
      expect(wayOf(faultsOf(kind, way))).toBe(clicks && (way === 'drifts' || way === 'lies') ? 'sound' : way)
    }
})
