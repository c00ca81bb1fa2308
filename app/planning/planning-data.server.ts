import type { Settings } from '#core/contract/settings'
import { settingsOf, type Kitchen } from '#server/store/open-household'
import { nowMs } from '#server/clock'
import { keptNow } from '#server/queries/leftovers'
import { beliefsIn } from '#server/commands/rebuild-entry'
import type { House } from './plan-state'

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
      known: beliefsIn(open).known,
      elevation_m: settings.elevation_m,
      kitchen_c: settings.kitchen_c,
      zone: settings.zone,
      guidance: open.household.guidance().guidance,
      eaters: open.eaters.all(),
      kept: keptNow(open, nowMs())
        .filter((k) => k.view.pastMs === 0)
        .map(({ row, view }) => ({
          title: row.title,
          variety: row.variety,
          portions: view.portions,
          place: view.place as 'fridge',
          useByMs: view.useByMs,
        })),
    },
  }
}
