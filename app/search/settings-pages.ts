import type { SearchEntry } from './match'

const page = (label: string, to: string, more: string): SearchEntry => ({ kind: 'Settings', label, to, more })

/** The pages of Settings, in their order, each with what can be set there. */
export const SETTINGS_PAGES: readonly SearchEntry[] = [
  page(
    'Kitchen',
    '/settings',
    'altitude, room temperature, units, metric, US, scale, cups, cup size, salt, finger, clock, time zone, name',
  ),
  page('People', '/settings/people', 'portions, firm or soft, avoids, gluten, appetite'),
  page('Keeping food', '/settings/keeping', 'food safety, authority, fridge, freezer, limits, hours, reheat'),
  page(
    'Alerts on this device',
    '/settings/alerts',
    'sound, voice, vibration, notifications, screen, microphone',
  ),
  page('Keyboard shortcuts', '/settings/keys', 'keys, change the keys'),
  page('Other devices', '/devices', 'phone, tablet, network, passphrase, QR, certificate'),
  page('Export and import', '/transfer', 'household, packs, backup, move, ZIP, JSON, CSV'),
  page('About Omsel', '/settings/about', 'version, licences, model, simulated scale, probe, cooker'),
]
