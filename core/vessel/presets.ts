import type { MaterialId } from './materials'
import { vesselOf, type Vessel, type VesselInput, type VesselKind } from './vessel'

/** Vessels to start from until the household's own are measured: capacity mL, base/rim/height mm, J/K, lid. */
const row = (
  name: string,
  kind: VesselKind,
  capacityMl: number,
  [baseDiameterMm, rimDiameterMm, heightMm]: readonly [number, number, number],
  heatCapacityJK: number,
  lid: Vessel['lid'],
  material?: MaterialId,
) => ({
  name,
  given: {
    kind,
    capacityMl,
    baseDiameterMm,
    rimDiameterMm,
    heightMm,
    heatCapacityJK,
    lid,
    ...(material ? { material } : {}),
  } satisfies VesselInput,
})

export const VESSEL_PRESETS = {
  'steel-1.6': row('thin steel, 1.6 L', 'pot', 1600, [155, 165, 80], 450, 'loose'),
  'heavy-2.5': row('heavy pot, 2.5 L', 'pot', 2500, [180, 190, 93], 800, 'tight'),
  'heavy-3.5': row('heavy pot, 3.5 L', 'pot', 3500, [200, 210, 106], 1600, 'tight'),
  'stock-8': row('stock pot, 8 L', 'pot', 8000, [230, 240, 184], 1100, 'tight'),
  'wide-3': row('wide pan, 3 L', 'pot', 3000, [270, 285, 50], 900, 'loose'),
  'clay-1.8': row('clay pot, 1.8 L', 'pot', 1800, [160, 185, 77], 1500, 'tight', 'clay'),
  'basket-5': row('tall pot with a basket, 5 L', 'pot', 5000, [200, 200, 160], 900, 'tight'),
  'cooker-3': row('rice cooker, 3 cups (180 mL)', 'cooker', 1200, [150, 155, 66], 500, 'loose'),
  'cooker-5': row('rice cooker, 5 cups (180 mL)', 'cooker', 3000, [190, 200, 100], 700, 'loose'),
  'cooker-10': row('rice cooker, 10 cups (180 mL)', 'cooker', 5000, [225, 235, 120], 1000, 'loose'),
  'pressure-electric-5': row(
    'electric pressure cooker, 5 L',
    'pressure-electric',
    5000,
    [205, 205, 150],
    1400,
    'tight',
  ),
  'pressure-electric-6': row(
    'electric pressure cooker, 6 L',
    'pressure-electric',
    6000,
    [215, 215, 162],
    1500,
    'tight',
  ),
  'pressure-electric-8': row(
    'electric pressure cooker, 8 L',
    'pressure-electric',
    8000,
    [235, 235, 181],
    1800,
    'tight',
  ),
  'pressure-stovetop-5': row(
    'stovetop pressure cooker, 5 L',
    'pressure-stovetop',
    5000,
    [215, 220, 135],
    1500,
    'tight',
  ),
  'oven-dish-3': row('oven dish, 3 L', 'oven-dish', 3000, [230, 240, 69], 1200, 'foil'),
} as const satisfies Record<string, { name: string; given: VesselInput }>

export type VesselPresetId = keyof typeof VESSEL_PRESETS
export const VESSEL_PRESET_IDS = Object.keys(VESSEL_PRESETS) as VesselPresetId[]

export const vesselPreset = (id: VesselPresetId): Vessel => vesselOf(VESSEL_PRESETS[id].given)
