import { parsePlanRequestOrThrow, type PlanRequestJson } from '#core/contract/plan-request'
import { simulateFrom } from '#core/contract/simulate'
import type { HeatPresetId } from '#core/heat/sources'
import { blendOf } from '#core/grain/blend'
import { randomOf } from '#core/random'
import type { VesselPresetId } from '#core/vessel/presets'
import { convertRecipe, parseThere, whyElsewhere } from './convert-recipe'

const HOME: PlanRequestJson = {
  grains: [{ variety: 'short-white' }],
  amount: { basis: 'dry-mass', value: 300 },
  vessel: 'heavy-3.5',
  heat: 'gas-medium',
  elevation_m: 1120,
  uptake_delta_g_g: 0.06,
  minutes_factor: 1.15,
}
const translated = (
  home: PlanRequestJson,
  vessel: VesselPresetId,
  heat: HeatPresetId,
  elevation_m: number,
) => {
  const read = convertRecipe(home, { vessel, heat, elevation_m })
  if (!read.ok) throw new Error(read.errors.map((e) => e.message).join())
  return read.value
}
const simulated = (request: PlanRequestJson) => {
  const read = simulateFrom(request)
  if (!read.ok) throw new Error('unreadable')
  return read.value
}

describe('a plan in another kitchen', () => {
  test('ends there as it did at home, within a texture step, over random kitchens', () => {
    const random = randomOf(20)
    const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!
    let cooked = 0
    for (let n = 0; n < 60; n++) {
      const variety = pick(['long-white', 'short-white', 'basmati', 'quinoa'] as const)
      const home: PlanRequestJson = {
        ...HOME,
        grains: [{ variety }],
        amount: { basis: 'dry-mass', value: 200 + Math.round(random() * 250) },
        texture: random(),
        uptake_delta_g_g: (random() - 0.5) * 0.2,
        minutes_factor: 1,
      }
      const vessel = pick(['heavy-2.5', 'heavy-3.5', 'steel-1.6', 'wide-3', 'clay-1.8', 'stock-8'] as const)
      const got = translated(
        home,
        vessel,
        pick(['gas-small', 'gas-medium', 'gas-large', 'induction', 'ceramic'] as const),
        Math.round(random() * 2500),
      )
      // A pot that cannot take it says so; it is not cooked in.
      if (
        got.there.cautions.some((c) => c.severity === 'stop') ||
        got.here.cautions.some((c) => c.severity === 'stop')
      )
        continue
      cooked++
      const [a, b] = [simulated(home), simulated(got.request)]
      // A bed too thin for that pot is said to scorch before anybody cooks it.
      const warned = got.there.cautions.some((c) => c.code === 'scorches')
      // A step of the judging scale moves the grain's water by 0.12 g/g.
      expect(Math.abs(b.final.uptake_mean - a.final.uptake_mean)).toBeLessThan(0.12)
      expect([
        variety,
        vessel,
        b.verdict.cooked_through,
        b.verdict.soggy,
        b.verdict.scorched && !warned,
      ]).toEqual([variety, vessel, a.verdict.cooked_through, false, false])
    }
    expect(cooked).toBeGreaterThan(30)
  })

  test('takes along what belongs to the grain, and leaves at home what belongs to the pot', () => {
    const { request, here, there } = translated(HOME, 'steel-1.6', 'gas-large', 0)
    expect(request).toMatchObject({
      uptake_delta_g_g: 0.06,
      vessel: 'steel-1.6',
      heat: 'gas-large',
      elevation_m: 0,
      amount: { basis: 'dry-mass', value: 300 },
    })
    expect(parsePlanRequestOrThrow(request).minutesFactor).toBe(1)
    expect(there.water.absorbed_g).toBeCloseTo(here.water.absorbed_g, 0)
    const { pour, steam, held, clings } = whyElsewhere({ here, there })
    expect(pour).toBeCloseTo(
      steam +
        held -
        clings +
        (there.water.drained_off_g +
          there.water.left_in_pot_g -
          here.water.drained_off_g -
          here.water.left_in_pot_g),
      0,
    )
  })

  test('at the same pot, hob and height it is the same plan', () => {
    const { here, there } = translated({ ...HOME, minutes_factor: 1 }, 'heavy-3.5', 'gas-medium', 1120)
    expect(there.water.pour_g).toBe(here.water.pour_g)
    expect(there.total_minutes).toEqual(here.total_minutes)
  })

  test('water of the cook’s own goes as what it made of the grain', () => {
    const usual = translated(HOME, 'heavy-2.5', 'ceramic', 0)
    const wetter = translated(
      { ...HOME, pour_override_g: usual.here.water.pour_g + 40 },
      'heavy-2.5',
      'ceramic',
      0,
    )
    const more = wetter.there.water.pour_g - usual.there.water.pour_g
    expect(more).toBeGreaterThan(20)
    expect(more).toBeLessThan(60)
    expect(wetter.request.pour_override_g).toBeUndefined()
  })

  test('a vessel that cannot do it that way does it its own way, and says so', () => {
    const { method, request } = translated(HOME, 'cooker-5', 'gas-large', 0)
    expect([method, request.method]).toEqual([
      { from: 'covered-simmer', to: 'switch-cooker' },
      'switch-cooker',
    ])
    // It brings its own 650 W, of which three quarters reach the bowl.
    expect(parsePlanRequestOrThrow(request).source).toMatchObject({ ratedW: 650, efficiency: 0.75 })
    expect(blendOf(parsePlanRequestOrThrow(request).grains).parts).toHaveLength(1)
  })

  test('an address that makes no sense names no kitchen', () => {
    expect(parseThere({ vessel: 'bucket', heat: 'sun', elevation_m: 'high' })).toEqual({})
    expect(parseThere({ vessel: 'wide-3', heat: 'induction', elevation_m: '300' })).toEqual({
      vessel: 'wide-3',
      heat: 'induction',
      elevation_m: 300,
    })
    expect(parseThere({ vessel: 'toString', heat: null, elevation_m: '9e9' })).toEqual({})
  })
})
