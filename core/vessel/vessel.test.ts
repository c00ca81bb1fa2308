import fc from 'fast-check'
import { blendOf } from '#core/grain/blend'
import { celsius, grams, millilitres, millimetres } from '#core/units/units'
import { gaugesOf } from './gauges'
import { VESSEL_PRESET_IDS, VESSEL_PRESETS, vesselPreset } from './presets'
import { heightFor, levelOf, outsideArea, volumeAt, type Frustum } from './shape'
import { standingLoss, vesselOf } from './vessel'

const shape = (base: number, rim: number, height: number): Frustum => ({
  baseDiameter: millimetres(base),
  rimDiameter: millimetres(rim),
  height: millimetres(height),
})
const shapes = fc
  .tuple(
    fc.integer({ min: 50, max: 400 }),
    fc.integer({ min: 50, max: 400 }),
    fc.integer({ min: 20, max: 300 }),
  )
  .map(([base, rim, height]) => shape(base, rim, height))

/** Independent of the closed form: thin discs, midpoint rule. */
function stackedDiscs({ baseDiameter, rimDiameter, height }: Frustum, level: number, discs = 4000): number {
  let ml = 0
  for (let i = 0; i < discs; i++) {
    const at = ((i + 0.5) / discs) * level
    const d = baseDiameter + ((rimDiameter - baseDiameter) * at) / height
    ml += (Math.PI / 4) * d * d * (level / discs)
  }
  return ml / 1000
}

test('the volume of a frustum is the sum of its discs', () => {
  fc.assert(
    fc.property(shapes, fc.double({ min: 0.05, max: 1, noNaN: true }), (s, share) => {
      const level = s.height * share
      expect(volumeAt(s, millimetres(level)) / stackedDiscs(s, level)).toBeCloseTo(1, 5)
    }),
    { numRuns: 40 },
  )
})

test('volume and level undo each other, over the rim too', () => {
  fc.assert(
    fc.property(shapes, fc.double({ min: 0, max: 1.5, noNaN: true }), (s, share) => {
      const level = s.height * share
      expect(levelOf(s, volumeAt(s, millimetres(level)))).toBeCloseTo(level, 5)
    }),
  )
})

test('a straight pot is a cylinder, and a height can be told from a capacity', () => {
  const straight = shape(200, 200, 160)
  expect(volumeAt(straight, millimetres(160))).toBeCloseTo((Math.PI * 100 ** 2 * 160) / 1000, 6)
  expect(heightFor(millimetres(200), millimetres(200), millilitres(5026.548))).toBeCloseTo(160, 3)
})

test.each(VESSEL_PRESET_IDS)('%s holds what it says, to 3 %%', (id) => {
  const vessel = vesselPreset(id)
  expect(Math.abs(volumeAt(vessel, vessel.height) / vessel.capacity - 1)).toBeLessThan(0.03)
  expect(VESSEL_PRESETS[id].name).not.toBe('')
})

// Published rules of thumb: about 0.9, 1.2, 1.5 and 2.5 W/K for bare pots of 1.6, 2.5, 3.5 and 8 L.
test.each([
  ['steel-1.6', 0.9],
  ['heavy-2.5', 1.2],
  ['heavy-3.5', 1.5],
  ['stock-8', 2.5],
] as const)('%s loses about %f W/K', (id, loss) => {
  expect(Math.abs(vesselPreset(id).loss / loss - 1)).toBeLessThan(0.08)
})

test('the standing loss at the boil is about a hundred watts', () => {
  expect(standingLoss(vesselPreset('heavy-2.5'), celsius(100), celsius(20))).toBeGreaterThan(80)
  expect(standingLoss(vesselPreset('heavy-2.5'), celsius(100), celsius(20))).toBeLessThan(120)
})

test('what is not said about a vessel is filled in', () => {
  const vessel = vesselOf({ capacityMl: 3141.59, baseDiameterMm: 200, lid: 'tight' })
  expect(vessel.rimDiameter).toBe(200)
  expect(vessel.height).toBeCloseTo(100, 3)
  expect(vessel.loss).toBeCloseTo(11 * outsideArea(vessel), 9)
  expect(vessel.steamFactor).toBe(1)
})

test('gauges in a straight pot agree with the sum by hand', () => {
  const blend = blendOf([{ variety: 'short-white', share: 1 }])
  const straight = shape(200, 200, 160)
  const gauges = gaugesOf({
    shape: straight,
    blend,
    dry: grams(300),
    freeWater: 450,
    soaked: 0,
    uptake: 1.4,
    frothFactor: 1.15,
  })
  const area = (Math.PI / 4) * 20 ** 2 // cm²
  const bed = 300 / 0.845
  const voids = (1 - 0.845 / 1.45) * bed
  expect(gauges.bedDepth).toBeCloseTo((bed / area) * 10, 6)
  expect(gauges.waterAboveBed).toBeCloseTo(((450 - voids) / area) * 10, 6)
  expect(gauges.fillLine).toBeCloseTo(300 / 1.45 + 450, 6)
  // The two ways to read one surface meet: bed and water over it, kernels and all water.
  expect(gauges.bedDepth + gauges.waterAboveBed).toBeCloseTo(gauges.fillLevel, 6)
})

test('water that does not reach the top of the bed lies below it', () => {
  const blend = blendOf([{ variety: 'short-white', share: 1 }])
  const gauges = gaugesOf({
    shape: shape(150, 180, 100),
    blend,
    dry: grams(300),
    freeWater: 50,
    soaked: 0,
    uptake: 1.4,
    frothFactor: 1.15,
  })
  expect(gauges.waterAboveBed).toBeLessThan(0)
})
