import * as v from 'valibot'
import { between, oneOf } from '#core/contract/fields'
import { formNumber, readerOf, SETTINGS_LIMITS } from '#core/contract/settings'
import { LIMITS, type Result } from '#core/contract/plan-request'
import { HEAT_PRESETS, type HeatPresetId } from '#core/heat/sources'
import { VESSEL_PRESET_IDS, VESSEL_PRESETS, type VesselPresetId } from '#core/vessel/presets'
import { heatRow, vesselRow } from './begin-household'
import { settingsOf, type Kitchen } from '#server/store/open-household'
import { fieldError } from '#core/contract/field-error'

/** Burners that are asked for; appliances bring their own heat. */
export const WELCOME_HEATS = (Object.keys(HEAT_PRESETS) as HeatPresetId[]).filter(
  (id) => HEAT_PRESETS[id].kind === 'gas' || HEAT_PRESETS[id].kind === 'electric',
)
const kindOf = (id: VesselPresetId) => VESSEL_PRESETS[id].given.kind
/** What an appliance of this vessel is heated by. */
const ownHeat = (id: VesselPresetId): HeatPresetId | undefined => {
  const kind = kindOf(id)
  if (kind === 'cooker') return id as HeatPresetId
  if (kind === 'pressure-electric') return id.replace('pressure-electric', 'pressure') as HeatPresetId
  return kind === 'oven-dish' ? 'oven-190' : undefined
}

const parseWelcome = readerOf(
  v.object({
    elevation_m: v.pipe(formNumber, between(...SETTINGS_LIMITS.elevation_m, 'm')),
    units: oneOf(['grams', 'cups']),
    pot: oneOf(VESSEL_PRESET_IDS),
    heat: oneOf(WELCOME_HEATS),
    eaters: v.pipe(formNumber, between(...LIMITS.amount.servings)),
  }),
)

/**
 * The first five answers, all or none: altitude, units, one pot, one burner, how many eat.
 * @returns the address of the first plan
 */
export function welcome(kitchen: Kitchen, input: Record<string, unknown>): Result<string> {
  const read = parseWelcome(input)
  if (!read.ok) return read
  const { db, household, equipment, cooks } = kitchen
  const { elevation_m, units, pot, heat, eaters: people } = read.value
  if (household.welcomed() || cooks.running().length > 0)
    return fieldError('pot', 'is already set up; change it in Pots', 'conflict')
  db.transaction(() => {
    household.save({ ...settingsOf(kitchen), elevation_m, units })
    // The equipment of a new household is only a guess: what the cook has replaces it; the cup stays.
    for (const row of equipment.vessels()) equipment.drop.vessel(row.id)
    for (const row of equipment.heats()) equipment.drop.heat(row.id)
    equipment.save.vessel(vesselRow('first-pot', VESSEL_PRESETS[pot].name.split(',')[0]!, pot, ownHeat(pot)))
    equipment.save.heat(heatRow('first-heat', HEAT_PRESETS[heat].name, heat))
    household.welcome()
  })()
  return { ok: true, value: `/?servings=${people}&pot=first-pot&burner=first-heat` }
}
