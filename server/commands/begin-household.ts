import type { Settings } from '#core/contract/settings'
import { HEAT_PRESETS, type HeatPresetId } from '#core/heat/sources'
import { VESSEL_PRESETS, type VesselPresetId } from '#core/vessel/presets'
import { vesselOf } from '#core/vessel/vessel'
import type { equipmentIn, HeatRow, MeasureRow, ProgrammeRow, VesselRow } from '#server/store/equipment'
import type { householdIn } from '#server/store/household'
import type { Db } from '#server/store/open'
import { inOneWrite } from '../store/write'

export interface FirstKitchen {
  settings: Settings
  vessels: readonly VesselRow[]
  heats: readonly HeatRow[]
  measures: readonly MeasureRow[]
  programmes: readonly ProgrammeRow[]
}

/** A vessel row from a preset; appliances bring the heat of their own size. */
export function vesselRow(id: string, name: string, preset: VesselPresetId, own?: HeatPresetId): VesselRow {
  const vessel = vesselOf(VESSEL_PRESETS[preset].given)
  const heat = own ? HEAT_PRESETS[own] : undefined
  return {
    id,
    name,
    kind: vessel.kind,
    capacity_ml: vessel.capacity,
    base_diameter_mm: vessel.baseDiameter,
    rim_diameter_mm: vessel.rimDiameter,
    height_mm: vessel.height,
    heat_capacity_j_k: vessel.heatCapacity,
    lid: vessel.lid,
    own_rated_w: heat?.ratedW ?? null,
    own_efficiency: heat?.efficiency ?? null,
    material: vessel.material ?? null,
    empty_g: null,
    lining: 'bare',
    steam_factor: 1,
    marks: null,
    printed: null,
    measured: '',
    sticks_g: 0,
  }
}

export const heatRow = (id: string, name: string, preset: HeatPresetId): HeatRow => ({
  id,
  name,
  rated_w: HEAT_PRESETS[preset].ratedW,
  efficiency: HEAT_PRESETS[preset].efficiency,
  knob: [],
  power_factor: 1,
  measured: '',
})

/** What a new household starts with until it enters its own. */
export const FIRST_KITCHEN: FirstKitchen = {
  settings: {
    name: 'our kitchen',
    units: 'grams',
    cup: 'metric',
    system: 'metric',
    elevation_m: 0,
    kitchen_c: 20,
    crease_mm: 25,
    clock: '24',
    zone: Intl.DateTimeFormat().resolvedOptions().timeZone,
    crystal: 'fine-sea',
  },
  vessels: [
    vesselRow('heavy-pot', 'heavy pot', 'heavy-2.5'),
    vesselRow('thin-pot', 'thin pot', 'steel-1.6'),
    vesselRow('stock-pot', 'stock pot', 'stock-8'),
    vesselRow('cooker', 'rice cooker', 'cooker-5', 'cooker-5'),
    vesselRow('pressure-pot', 'pressure cooker', 'pressure-electric-6', 'pressure-6'),
    vesselRow('deep-dish', 'deep dish', 'oven-dish-3', 'oven-190'),
  ],
  heats: [
    heatRow('middle-burner', 'medium gas burner', 'gas-medium'),
    heatRow('big-burner', 'large gas burner', 'gas-large'),
    heatRow('induction', 'induction plate', 'induction'),
  ],
  measures: [{ id: 'cup', name: 'measuring cup', ml: 250, parts: [1, 0.5, 0.25], how: 'known' }],
  programmes: [],
}

/** What a beginning writes to. */
interface Empty {
  db: Db
  household: ReturnType<typeof householdIn>
  equipment: ReturnType<typeof equipmentIn>
}

export function beginHousehold({ db, household, equipment }: Empty, first: FirstKitchen): void {
  inOneWrite(db, () => {
    household.save(first.settings)
    equipment.add(first)
  })
}
