import * as v from 'valibot'
import { UNIT_SYSTEMS } from '#core/units/system'
import { between, oneOf } from '#core/contract/fields'
import { formNumber, readerOf, SETTINGS_LIMITS } from '#core/contract/settings'
import { LIMITS, type Result } from '#core/contract/plan-request'
import { HEAT_PRESETS } from '#core/heat/sources'
import { VESSEL_PRESET_IDS } from '#core/vessel/presets'
import { VARIETY_IDS } from '#core/grain/varieties'
import { fieldError } from '#core/contract/field-error'
import { settingsOf, type Kitchen } from '#server/store/open-household'
import { heatRow, vesselRow } from './begin-household'
import { BURNER_PRESETS, ownHeatOf, shortNameOf } from './usual-equipment'
import { inOneWrite } from '../store/write'

const parseWelcome = readerOf(
  v.object({
    elevation_m: v.pipe(formNumber, between(...SETTINGS_LIMITS.elevation_m, 'm')),
    units: oneOf(['grams', 'cups']),
    /** Left out by forms of before: metric. */
    system: v.optional(oneOf(UNIT_SYSTEMS), 'metric'),
    pot: oneOf(VESSEL_PRESET_IDS),
    heat: oneOf(BURNER_PRESETS),
    /** Left out by forms of before: the plan begins with its usual grain. */
    grain: v.optional(oneOf(VARIETY_IDS)),
    eaters: v.pipe(formNumber, between(...LIMITS.amount.servings)),
  }),
)

/**
 * The first answers, all or none: one grain, how many eat, one pot, one burner, units, altitude.
 * @returns the address of the first plan
 */
export function welcome(kitchen: Kitchen, input: Record<string, unknown>): Result<string> {
  const read = parseWelcome(input)
  if (!read.ok) return read
  const { db, household, equipment, cooks } = kitchen
  const { elevation_m, units, system, pot, heat, grain, eaters: people } = read.value
  if (household.welcomed() || cooks.running().length > 0)
    return fieldError('pot', 'is already set up; change it in Pots', 'conflict')
  inOneWrite(db, () => {
    household.save({
      ...settingsOf(kitchen),
      elevation_m,
      units,
      system,
      ...(system === 'us' ? { cup: 'us-customary' as const, clock: '12' as const } : {}),
    })
    // The equipment of a new household is only a guess: what the cook has replaces it; the cup stays.
    for (const row of equipment.vessels()) equipment.drop.vessel(row.id)
    for (const row of equipment.heats()) equipment.drop.heat(row.id)
    equipment.save.vessel(vesselRow('first-pot', shortNameOf(pot), pot, ownHeatOf(pot)))
    equipment.save.heat(heatRow('first-heat', HEAT_PRESETS[heat].name, heat))
    household.welcome()
  })
  const address = new URLSearchParams({
    ...(grain && { grain }),
    servings: String(people),
    pot: 'first-pot',
    burner: 'first-heat',
  })
  return { ok: true, value: `/?${address}` }
}
