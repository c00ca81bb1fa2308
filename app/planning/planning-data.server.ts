import type { Settings } from '#core/contract/settings'
import { settingsOf, type Kitchen } from '#server/store/open-household'
import { bottleName, ownProportions } from '#core/finish/bottle'
import type { BottleRow } from '#server/store/leftovers'
import { nowMs } from '#server/clock'
import { currentLeftovers } from '#server/queries/leftovers'
import { currentBeliefs } from '#server/queries/beliefs'
import type { BottleChoice, PlanningData } from './plan-state'

/** Everything the household brings to a plan, read from its database. */
export function loadPlanningData(open: Kitchen): { household: PlanningData; settings: Settings } {
  const settings = settingsOf(open)
  return {
    settings,
    household: {
      vessels: open.equipment.vessels(),
      heats: open.equipment.heats(),
      programmes: open.equipment.programmes(),
      measures: open.equipment.measures(),
      bags: open.grainBags.bags(),
      bottles: bottlesToPour(open.leftovers.bottles(), nowMs()),
      marks: open.grainBags.marks(),
      units: settings.units,
      system: settings.system,
      cup: settings.cup,
      known: currentBeliefs(open).known,
      elevation_m: settings.elevation_m,
      kitchen_c: settings.kitchen_c,
      zone: settings.zone,
      crystal: settings.crystal,
      guidance: open.household.guidance().guidance,
      eaters: open.people.all(),
      leftovers: currentLeftovers(open, nowMs())
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

/** Bottles that have steeped for long enough and are not empty. */
const bottlesToPour = (rows: readonly BottleRow[], now: number): BottleChoice[] =>
  rows
    .filter(({ left_g, ready_ms }) => left_g > 0 && (ready_ms ?? 0) <= now)
    .map((row) => {
      const own = ownProportions(row)
      return {
        id: row.id,
        name: bottleName(row),
        style: row.style,
        leftG: row.left_g,
        ...(own ? { own } : {}),
      }
    })
