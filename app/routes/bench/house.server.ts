import type { Settings } from '#core/contract/kitchen'
import { settingsOf, type Kitchen } from '#server/kitchen/kitchen'
import { corrections } from '#server/kitchen/learned'
import type { House } from './bench-state'

/** Everything the house brings to a plan, read from its database. */
export function houseIn(open: Kitchen): { house: House; settings: Settings } {
  const settings = settingsOf(open)
  return {
    settings,
    house: {
      vessels: open.equipment.vessels(),
      heats: open.equipment.heats(),
      programmes: open.equipment.programmes(),
      measures: open.equipment.measures(),
      bags: open.shelf.bags(),
      marks: open.shelf.marks(),
      units: settings.units,
      cup: settings.cup,
      corrections: corrections(open.cooks.noted()),
      elevation_m: settings.elevation_m,
      kitchen_c: settings.kitchen_c,
      zone: settings.zone,
    },
  }
}
