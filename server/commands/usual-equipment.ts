import { randomUUID } from 'node:crypto'
import * as v from 'valibot'
import { oneOf } from '#core/contract/fields'
import { nameText } from '#core/contract/texts'
import { readerOf } from '#core/contract/settings'
import type { Result } from '#core/contract/plan-request'
import { HEAT_PRESETS, type HeatPresetId } from '#core/heat/sources'
import { VESSEL_PRESET_IDS, VESSEL_PRESETS, type VesselPresetId } from '#core/vessel/presets'
import type { Kitchen } from '#server/store/open-household'
import { heatRow, vesselRow } from './begin-household'

/** Burners to pick from; appliances bring their own heat. */
export const BURNER_PRESETS = (Object.keys(HEAT_PRESETS) as HeatPresetId[]).filter(
  (id) => HEAT_PRESETS[id].kind === 'gas' || HEAT_PRESETS[id].kind === 'electric',
)

/** What a usual pot or appliance is heated by, where it brings that itself. */
export function ownHeatOf(id: VesselPresetId): HeatPresetId | undefined {
  const { kind } = VESSEL_PRESETS[id].given
  if (kind === 'cooker') return id as HeatPresetId
  if (kind === 'pressure-electric') return id.replace('pressure-electric', 'pressure') as HeatPresetId
  return kind === 'oven-dish' ? 'oven-190' : undefined
}

/** "heavy pot" of "heavy pot, 2.5 L". */
export const shortNameOf = (id: VesselPresetId): string => VESSEL_PRESETS[id].name.split(',')[0]!

const MAX_NAME = 60
const parsePot = readerOf(v.object({ usual: oneOf(VESSEL_PRESET_IDS), name: v.optional(nameText(MAX_NAME)) }))
const parseBurner = readerOf(v.object({ usual: oneOf(BURNER_PRESETS), name: v.optional(nameText(MAX_NAME)) }))

/** "heavy pot", or "heavy pot 2" where there is one. */
function freeName(wanted: string, taken: readonly string[]): string {
  if (!taken.includes(wanted)) return wanted
  let n = 2
  while (taken.includes(`${wanted} ${n}`)) n++
  return `${wanted} ${n}`
}

/**
 * Adds a pot or an appliance as such things usually are, without measuring.
 * @returns its name
 */
export function addUsualPot({ equipment }: Kitchen, input: Record<string, unknown>): Result<string> {
  const read = parsePot(named(input))
  if (!read.ok) return read
  const { usual, name } = read.value
  const row = vesselRow(
    randomUUID(),
    freeName(
      name ?? shortNameOf(usual),
      equipment.vessels().map((pot) => pot.name),
    ),
    usual,
    ownHeatOf(usual),
  )
  equipment.save.vessel(row)
  return { ok: true, value: row.name }
}

/** Adds a burner as such burners usually are.  @returns its name */
export function addUsualBurner({ equipment }: Kitchen, input: Record<string, unknown>): Result<string> {
  const read = parseBurner(named(input))
  if (!read.ok) return read
  const { usual, name } = read.value
  const row = heatRow(
    randomUUID(),
    freeName(
      name ?? HEAT_PRESETS[usual].name,
      equipment.heats().map((heat) => heat.name),
    ),
    usual,
  )
  equipment.save.heat(row)
  return { ok: true, value: row.name }
}

/** A name left empty is the usual one. */
const named = ({ name, ...rest }: Record<string, unknown>) =>
  typeof name === 'string' && name.trim() === '' ? rest : { ...rest, ...(name === undefined ? {} : { name }) }
