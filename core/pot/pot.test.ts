import { crankCylinder, SOAKED_AT_20_C } from '../../tests/helpers/published'
import { varietyOf } from '#core/grain/varieties'
import { potSetupOf } from '#core/plan/pot-setup'
import { blendOf } from '#core/grain/blend'
import { celsius } from '#core/units/units'
import { diffusivityAt } from '#core/grain/diffusivity'
import { soakKernel } from '#core/water/soak'
import { vesselPreset } from '#core/vessel/presets'
import { layWater } from './bed'
import { advanceKernel, kernelKind, kernelMean } from '#core/grain/kernel'
import {
  fillPot,
  FULL,
  grainWater,
  heatCapacityOf,
  layerUptake,
  stepPot,
  type Pot,
  vesselHeating,
  type Heating,
  type PotSetup,
} from './pot'
import { runPhase } from './run'
import { restore, snapshotOf } from './snapshot'

const bare = { radiusMm: 1, skin: 1, soakLimit: 0.3, most: 2, minutesAt100: 15 }

describe('kernel', () => {
  test.each([
    [8, 0.05],
    [32, 0.01],
  ])("with %i shells it follows Crank's cylinder within %f", (shells, tolerance) => {
    for (const minutes of [3, 8, 20, 45, 90]) {
      const spread = (diffusivityAt(celsius(20)) * minutes * 60) / 1e-6
      const uptake = soakKernel(bare, minutes, celsius(20), shells).uptake / 0.3
      expect(Math.abs(uptake / crankCylinder(spread) - 1)).toBeLessThan(tolerance)
    }
  })

  test('gains exactly what crosses its surface, hot and cold, and never gives back', () => {
    const kind = kernelKind(bare, 8)
    const uptake = new Float64Array(8)
    const cooked = new Float64Array(8)
    let taken = 0
    for (let i = 0; i < 500; i++) {
      const step = advanceKernel(kind, uptake, cooked, 0, {
        spread: 0.002,
        cooking: i < 100 ? 0 : 2,
        wetted: i % 3 === 0 ? 0.3 : 1,
        available: i % 7 === 0 ? 0.001 : 1,
      })
      expect(step).toBeGreaterThanOrEqual(0)
      taken += step
    }
    expect(kernelMean(kind, uptake, 0)).toBeCloseTo(taken, 12)
    expect(taken).toBeGreaterThan(0.7)
    expect(Math.max(...cooked)).toBeLessThanOrEqual(1)
  })

  test('cooks N minutes at 100 °C to e⁻³ raw once it is wet', () => {
    const kind = kernelKind(bare, 8)
    const uptake = new Float64Array(8).fill(0.5)
    const cooked = new Float64Array(8)
    for (let s = 0; s < 15 * 60; s++)
      advanceKernel(kind, uptake, cooked, 0, { spread: 0, cooking: 1, wetted: 0, available: 0 })
    expect(1 - cooked[0]!).toBeCloseTo(Math.exp(-3), 5)
  })

  test('too dry it does not cook, and half as wet as it need be it cooks half as fast', () => {
    const kind = kernelKind({ ...bare, soakLimit: 0.6 }, 8)
    const rawAfter = (grams: number) => {
      const uptake = new Float64Array(8).fill(grams)
      const cooked = new Float64Array(8)
      for (let s = 0; s < 300; s++)
        advanceKernel(kind, uptake, cooked, 0, { spread: 0, cooking: 1, wetted: 0, available: 0 })
      return -Math.log(1 - cooked[0]!)
    }
    // From 0.23 to 0.42 g/g, both fitted; 300 s of 15 min at three e-folds is one.
    expect(Math.abs(rawAfter(0.229))).toBe(0)
    expect(rawAfter(0.231)).toBeGreaterThan(0)
    expect(rawAfter(0.325)).toBeCloseTo(0.5, 3)
    expect(rawAfter(0.42)).toBeCloseTo(1, 3)
  })
  test('swollen starch draws no water out of the raw starch inside it', () => {
    const kind = kernelKind(bare, 8)
    const uptake = new Float64Array(8).fill(0.3)
    const cooked = new Float64Array(8).fill(0.9, 4)
    for (let s = 0; s < 600; s++)
      advanceKernel(kind, uptake, cooked, 0, { spread: 0.002, cooking: 0, wetted: 1, available: 1 })
    for (let i = 0; i < 4; i++) expect(uptake[i]!).toBeGreaterThan(0.29)
  })

  test('refuses too few shells', () => {
    expect(() => kernelKind(bare, 2)).toThrow(RangeError)
  })
})

// Published soak curves, g/g at 20 °C by minutes.
test.each([
  ['short-white', 0.05],
  ['basmati', 0.05],
  ['brown-short', 0.1],
] as const)('%s soaks as measured, within %f', (id, tolerance) => {
  const row = varietyOf(id)
  for (const [minutes, uptake] of SOAKED_AT_20_C[id])
    expect(
      Math.abs(soakKernel({ ...row, most: row.uptake.most }, minutes, celsius(20)).uptake / uptake - 1),
    ).toBeLessThan(tolerance)
})

test('cold water soaks at half to six tenths of the speed, warm at about 1.7 times', () => {
  expect(diffusivityAt(celsius(5)) / diffusivityAt(celsius(20))).toBeGreaterThan(0.5)
  expect(diffusivityAt(celsius(5)) / diffusivityAt(celsius(20))).toBeLessThan(0.6)
  expect(diffusivityAt(celsius(35)) / diffusivityAt(celsius(20))).toBeCloseTo(1.7, 0.5)
})

describe('bed', () => {
  const lay = (water: number) => {
    const held = new Float64Array(3)
    const wetted = new Float64Array(3)
    layWater(new Float64Array([100, 100, 100]), water, held, wetted)
    return { held: [...held], wetted: [...wetted] }
  }
  test('holds a film first, then fills from the bottom, and loses no water', () => {
    expect(lay(9).held).toEqual([3, 3, 3])
    expect(lay(18 + 50)).toEqual({
      held: [56, 6, 6],
      wetted: [1, expect.closeTo(6 / 35), expect.closeTo(6 / 35)],
    })
    for (const water of [0, 5, 18, 100, 250, 299, 300, 420])
      expect(lay(water).held.reduce((a, b) => a + b)).toBeCloseTo(water, 9)
  })
})

const setup = (over: Partial<PotSetup> = {}): PotSetup => ({
  ...potSetupOf({
    blend: blendOf([{ variety: 'short-white', share: 1 }]),
    dryG: 300,
    vessel: vesselPreset('heavy-2.5'),
    boilC: 99.97,
    kitchenC: 20,
    freeWaterG: 450,
    waterC: 15,
    soaked: [],
  }),
  ...over,
})
const boiling: Heating = { powerW: 700, lid: 'on', mode: 'open' }

/** So many steps of a second each. */
function stepFor(pot: Pot, seconds: number, heating: Heating) {
  const same = vesselHeating(pot.setup, heating)
  for (let s = 0; s < seconds; s++) stepPot(pot, 1, same)
}

describe('pot', () => {
  test('takes the energy it should to the boil', () => {
    const pot = fillPot(setup({ loss: 0, openArea: 0 }), FULL)
    const energy = heatCapacityOf(pot) * (99.97 - pot.bulkC)
    expect(heatCapacityOf(pot)).toBeCloseTo(4.18 * 450 + 1.6 * 300 + 800, 6)
    const run = runPhase(pot, { id: 'up', ...boiling, until: { event: 'boil', atMostMinutes: 60 } })
    expect(run.ended).toBe(true)
    expect((run.minutes * 60 * 700) / energy).toBeCloseTo(1, 6)
  })

  test('boils off the surplus over the latent heat', () => {
    const pot = fillPot(setup({ waterC: 99.97, kitchenC: 99.97 }), FULL)
    stepFor(pot, 120, boiling)
    expect(pot.evaporatedG).toBeCloseTo((700 * 120) / 2257, 1)
  })

  test('keeps every gram of water to a billionth through heating, boiling, drying out and resting', () => {
    const pot = fillPot(setup(), FULL)
    const water = () => pot.freeG + grainWater(pot) + pot.evaporatedG
    for (const phase of [
      { ...boiling, until: { event: 'boil', atMostMinutes: 60 } },
      { powerW: 250, lid: 'ajar', mode: 'open', until: { minutes: 40 } },
      { powerW: 0, lid: 'off', mode: 'open', until: { minutes: 15 } },
    ] as const)
      runPhase(pot, { id: 'x', ...phase }, () => expect(Math.abs(water() - 450)).toBeLessThan(1e-9 * 450))
    expect(pot.freeG).toBe(0)
    // The kept means are the shells' own means.
    const shells = pot.offset[0]!.reduce((sum, at) => sum + kernelMean(pot.kinds[0]!, pot.uptake, at), 0) / 5
    expect(shells * 300).toBeCloseTo(grainWater(pot), 9)
  })

  test('a dry bottom heats alone and scorches; a thermostat prevents it', () => {
    const dry = fillPot(setup({ freeWaterG: 60, waterC: 90, kitchenC: 90 }), FULL)
    stepFor(dry, 900, boiling)
    expect(dry.bottomC).toBeGreaterThan(140)
    expect(dry.scorch).toBeGreaterThan(1800)
    const watched = fillPot(setup({ freeWaterG: 60, waterC: 90, kitchenC: 90 }), FULL)
    stepFor(watched, 900, { ...boiling, mode: 'sealed', sealedC: 112, thermostat: true })
    expect(watched.bottomC).toBeLessThan(118)
  })

  test('a sealed vessel drives out 20 g of air and steam, then rises to its pressure', () => {
    const pot = fillPot(setup(), FULL)
    const run = runPhase(pot, {
      id: 'up',
      powerW: 900,
      lid: 'on',
      mode: 'sealing',
      sealedC: 115.6,
      until: { event: 'pressure', atMostMinutes: 60 },
    })
    expect(run.ended).toBe(true)
    expect(pot.bulkC).toBeCloseTo(115.6, 2)
    expect(pot.evaporatedG).toBeGreaterThanOrEqual(20)
    expect(pot.evaporatedG).toBeLessThan(20.5)
  })

  test('halving the step moves nothing that a verdict looks at', () => {
    const cook = (step: number) => {
      const pot = fillPot(setup({ freeWaterG: 443 }), { ...FULL, step, steadyStep: step, restStep: step })
      runPhase(pot, { id: 'up', ...boiling, until: { event: 'boil', atMostMinutes: 60 } })
      runPhase(pot, { id: 'low', powerW: 176, lid: 'on', mode: 'open', until: { minutes: 11 } })
      runPhase(pot, { id: 'rest', powerW: 0, lid: 'on', mode: 'open', until: { minutes: 10 } })
      return {
        uptake: grainWater(pot) / 300,
        centre: pot.cooked[0]!,
        top: layerUptake(pot, 4),
        gone: pot.evaporatedG,
      }
    }
    const [one, half] = [cook(1), cook(0.5)]
    expect(half.uptake / one.uptake).toBeCloseTo(1, 3)
    expect(half.centre / one.centre).toBeCloseTo(1, 3)
    expect(half.top / one.top).toBeCloseTo(1, 2)
    expect(half.gone / one.gone).toBeCloseTo(1, 3)
  })

  test('layers that are alike under water are cooked once, and end as if each were cooked for itself', () => {
    const cook = (parted: number) => {
      const pot = fillPot(setup({ freeWaterG: 420 }), FULL)
      // A difference that no scale could weigh, in every layer but the lowest, makes each be worked out.
      for (let l = 1; l < FULL.layers; l++) pot.uptake[pot.offset[0]![l]!]! += parted * l
      stepFor(pot, 1500, boiling)
      return [pot.freeG, pot.bulkC, pot.evaporatedG, ...pot.uptake, ...pot.cooked]
    }
    const [together, apart] = [cook(0), cook(1e-12)]
    expect(together).toHaveLength(3 + 2 * FULL.layers * FULL.shells)
    together.forEach((value, i) => expect(value).toBeCloseTo(apart[i]!, 8))
    // The water's end parts them.
    const shell = FULL.shells - 1
    expect(Math.abs(together[3 + shell]! - together[3 + 4 * FULL.shells + shell]!)).toBeGreaterThan(1e-4)
  })

  test('goes back to a snapshot and repeats itself', () => {
    const pot = fillPot(setup(), FULL)
    stepFor(pot, 400, boiling)
    const saved = snapshotOf(pot)
    const run = () => {
      stepFor(pot, 200, boiling)
      return [pot.freeG, pot.bulkC, ...pot.uptake]
    }
    const first = run()
    restore(pot, saved)
    expect(run()).toEqual(first)
  })
})
