import { HEAT_PRESETS, leastPower } from '#core/heat/sources'
import { VESSEL_PRESET_IDS, vesselPreset, type VesselPresetId } from './presets'

/** The published presets a second time: capacity mL, base, rim and height mm, J/K, lid. */
const VESSELS: Record<VesselPresetId, readonly [number, number, number, number, number, string]> = {
  'steel-1.6': [1600, 155, 165, 80, 450, 'loose'],
  'heavy-2.5': [2500, 180, 190, 93, 800, 'tight'],
  'heavy-3.5': [3500, 200, 210, 106, 1600, 'tight'],
  'stock-8': [8000, 230, 240, 184, 1100, 'tight'],
  'wide-3': [3000, 270, 285, 50, 900, 'loose'],
  'clay-1.8': [1800, 160, 185, 77, 1500, 'tight'],
  'basket-5': [5000, 200, 200, 160, 900, 'tight'],
  'cooker-3': [1200, 150, 155, 66, 500, 'loose'],
  'cooker-5': [3000, 190, 200, 100, 700, 'loose'],
  'cooker-10': [5000, 225, 235, 120, 1000, 'loose'],
  'pressure-electric-5': [5000, 205, 205, 150, 1400, 'tight'],
  'pressure-electric-6': [6000, 215, 215, 162, 1500, 'tight'],
  'pressure-electric-8': [8000, 235, 235, 181, 1800, 'tight'],
  'pressure-stovetop-5': [5000, 215, 220, 135, 1500, 'tight'],
  'oven-dish-3': [3000, 230, 240, 69, 1200, 'foil'],
}

test.each(VESSEL_PRESET_IDS)('%s stands as published', (id) => {
  const { capacity, baseDiameter, rimDiameter, height, heatCapacity, lid } = vesselPreset(id)
  expect([capacity, baseDiameter, rimDiameter, height, heatCapacity, lid]).toEqual(VESSELS[id])
})

test.each([
  ['gas-small', 1000, 0.4],
  ['gas-medium', 1750, 0.4],
  ['gas-large', 2700, 0.4],
  ['coil', 1800, 0.7],
  ['ceramic', 1800, 0.7],
  ['induction', 1800, 0.85],
  ['cooker-3', 350, 0.75],
  ['cooker-5', 650, 0.75],
  ['cooker-10', 1000, 0.75],
  ['pressure-5', 900, 0.9],
  ['pressure-6', 1000, 0.9],
  ['pressure-8', 1200, 0.9],
] as const)('%s gives %i W, of which a share of %f reaches the pot', (id, watts, efficiency) => {
  expect(HEAT_PRESETS[id]).toMatchObject({ ratedW: watts, efficiency })
})

test('the lowest setting lies where burners are measured: gas by its size at the efficiency of a low flame, what cycles at 120 to 250 W in the mean', () => {
  const LOWEST_FLAME_W = {
    'gas-small': [250, 350],
    'gas-medium': [450, 550],
    'gas-large': [700, 1000],
  } as const
  for (const [id, [least, most]] of Object.entries(LOWEST_FLAME_W)) {
    const burnt = leastPower(HEAT_PRESETS[id as keyof typeof LOWEST_FLAME_W]) / 0.45
    expect(burnt).toBeGreaterThanOrEqual(least)
    expect(burnt).toBeLessThanOrEqual(most)
  }
  for (const id of ['coil', 'ceramic', 'induction'] as const) {
    expect(leastPower(HEAT_PRESETS[id])).toBeGreaterThan(120)
    expect(leastPower(HEAT_PRESETS[id])).toBeLessThan(250)
  }
})
