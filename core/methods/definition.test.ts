import { planFrom } from '#core/contract/plan'
import type { PlanRequestJson } from '#core/contract/plan-request'
import { blendOf } from '#core/grain/blend'
import { pressureAt, saturationTemperature, boilingPointAt } from '#core/heat/boiling-point'
import { HEAT_PRESETS } from '#core/heat/sources'
import { metres, pascals } from '#core/units/units'
import { vesselPreset } from '#core/vessel/presets'
import { CUES } from './signs'
import { methodOf, METHOD_IDS, type MethodId } from './index'
import { HEAT_STYLES, type MethodContext } from './definition'

const kitchen = (id: MethodId, over: Partial<MethodContext> = {}): MethodContext => {
  const { defaults } = methodOf(id)
  return {
    blend: blendOf([{ variety: 'short-white', share: 1 }]),
    dryG: 300,
    vessel: vesselPreset(defaults.vessel),
    source: HEAT_PRESETS[defaults.heat],
    boilC: 99.97,
    ambientPa: 101_325,
    kitchenC: 20,
    heatStyle: 'boil-then-lowest',
    lidUntilBoil: 'on',
    stirAtBoil: false,
    loosenInRest: false,
    restMinutes: defaults.restMinutes,
    pressure: 'high',
    release: 'natural',
    releaseMinutes: 10,
    passes: 2,
    cookedShare: 0.85,
    finish: 'none',
    purpose: 'side',
    uptake: 1.4,
    toasted: false,
    texture: 0.5,
    thickness: 0.5,
    boilerDish: null,
    ...over,
  }
}
const stages = (id: MethodId, over: Partial<MethodContext> = {}) => methodOf(id).stages(kitchen(id, over))
const plan = (more: Partial<PlanRequestJson>) => {
  const read = planFrom({
    grains: [{ variety: 'short-white' }],
    amount: { basis: 'dry-mass', value: 300 },
    ...more,
  })
  if (!read.ok) throw new Error(read.errors[0]!.message)
  return read.value
}

describe.each(METHOD_IDS)('%s', (id) => {
  test('has at most one open stage, unique ids, and a drawn cue wherever it waits for one', () => {
    for (const release of ['natural', 'timed', 'quick'] as const)
      for (const heatStyle of HEAT_STYLES) {
        const laid = stages(id, { release, heatStyle })
        expect(laid.filter((s) => s.until === 'solved').length).toBeLessThanOrEqual(1)
        expect(new Set(laid.map((s) => s.id)).size).toBe(laid.length)
        for (const stage of laid) {
          if (stage.endsOn === 'cue') expect(CUES[stage.cue!]).toBeDefined()
          expect(stage.title.length).toBeGreaterThan(5)
          expect(stage.title).not.toMatch(/!/)
          expect(stage.powerW).toBeGreaterThanOrEqual(0)
        }
      }
  })
  test('speaks of safety before anything is hot, and names its own defaults', () => {
    const { defaults, beforeHeat, name } = methodOf(id)
    expect(beforeHeat.length).toBeGreaterThan(0)
    expect(name).not.toBe('')
    const made = plan({
      method: id,
      ...(id === 'steam' ? { grains: [{ variety: 'glutinous' as const }] } : {}),
    })
    const cold = made.stages
      .filter((s) => s.power_w === 0 && !['rest', 'fluff'].includes(s.kind))
      .flatMap((s) => s.checks)
    expect(cold).toEqual(expect.arrayContaining(beforeHeat))
    expect(
      made.stages.every((s) =>
        s.after.every((before) => made.stages.findIndex((o) => o.id === before) < made.stages.indexOf(s)),
      ),
    ).toBe(true)
    const rest = made.stages.find((s) => s.kind === 'rest')
    if (defaults.restMinutes > 0) expect(rest!.minutes.expected).toBe(defaults.restMinutes)
    else if (id !== 'poured-over') expect(rest).toBeUndefined()
  })
})

describe('the covered pot', () => {
  const full = 1750 * 0.4
  test.each([
    ['boil-then-lowest', full, 'lowest'],
    ['strong-minute-then-low', full, 'lowest'],
    ['medium-then-full-then-off', full / 2, 'high'],
    ['boil-then-off', full, 'medium'],
  ] as const)('%s: %f W to the boil, then %s', (heatStyle, up, last) => {
    const laid = stages('covered-simmer', { heatStyle })
    expect(laid[0]!.powerW).toBeCloseTo(up, 6)
    expect(laid.find((s) => s.until === 'solved')!.heat).toBe(last)
    expect(laid.some((s) => s.id === 'strong')).toBe(heatStyle === 'strong-minute-then-low')
  })
  test("the lid until the boil is the cook's choice, and each says what to look for", () => {
    expect(stages('covered-simmer')[0]).toMatchObject({ lid: 'on', cue: 'rolling-boil' })
    expect(stages('covered-simmer', { lidUntilBoil: 'ajar' })[0]).toMatchObject({
      lid: 'ajar',
      cue: 'bubbles-break',
    })
    expect(stages('covered-simmer', { lidUntilBoil: 'off' })[0]!.title).toContain('lid off')
  })
  test('an open pot takes longer to the boil and steams more than a covered one', () => {
    const [covered, open] = [plan({}), plan({ lid_until_boil: 'off' })]
    const up = (p: typeof covered) => p.stages.find((s) => s.id === 'heat-up')!.minutes.expected
    expect(up(open)).toBeGreaterThan(up(covered))
    expect(open.water.evaporated_g).toBeGreaterThan(covered.water.evaporated_g)
  })
  test('a stirred pot asks for a hand at the boil', () => {
    expect(stages('covered-simmer', { stirAtBoil: true })[0]).toMatchObject({
      handsOn: true,
      checks: expect.arrayContaining(['Stir once along the bottom, then leave it']),
    })
  })
})

describe('the electric pressure cooker', () => {
  test.each([0, 1120, 2500])('at %i m its gauge adds to the air outside', (elevation) => {
    const ambientPa = pressureAt(metres(elevation))
    for (const [pressure, kpa] of [
      ['low', 40],
      ['high', 75],
    ] as const) {
      const held = stages('pressure-electric', {
        ambientPa,
        boilC: boilingPointAt(metres(elevation)),
        pressure,
      }).find((s) => s.id === 'pressure')!
      expect(held.sealedC).toBeCloseTo(saturationTemperature(pascals(ambientPa + kpa * 1000)), 6)
    }
  })
  test('three ways to let the pressure go', () => {
    const ids = (release: MethodContext['release']) =>
      stages('pressure-electric', { release }).map((s) => s.id)
    expect(ids('natural')).toEqual(['pressure-up', 'pressure', 'release'])
    expect(ids('timed')).toEqual(['pressure-up', 'pressure', 'release', 'vent'])
    expect(ids('quick')).toEqual(['pressure-up', 'pressure', 'vent'])
    expect(
      stages('pressure-electric', { release: 'timed', releaseMinutes: 7 }).find((s) => s.id === 'release')!
        .until,
    ).toEqual({ minutes: 7 })
  })
  test('come-up grows with the fill, as does a natural release', () => {
    const minutes = (g: number, id: string) =>
      plan({ method: 'pressure-electric', amount: { basis: 'dry-mass', value: g } }).stages.find(
        (s) => s.id === id,
      )!.minutes.expected
    expect(minutes(900, 'pressure-up')).toBeGreaterThan(minutes(300, 'pressure-up') * 1.4)
    expect(minutes(900, 'release')).toBeGreaterThan(minutes(300, 'release'))
    // Makers and cooks speak of 5 to 15 minutes up, and 10 to 20 down.
    expect(minutes(450, 'pressure-up')).toBeGreaterThan(5)
    expect(minutes(450, 'pressure-up')).toBeLessThan(15)
    for (const g of [300, 450]) {
      expect(minutes(g, 'release')).toBeGreaterThan(10)
      expect(minutes(g, 'release')).toBeLessThan(20)
    }
  })
  test('a natural release is a warm body behind one resistance: its time is the closed form', () => {
    const { grain, water, stages } = plan({
      method: 'pressure-electric',
      amount: { basis: 'dry-mass', value: 450 },
      elevation_m: 0,
    })
    const { heatCapacity, loss } = vesselPreset('pressure-electric-6')
    const capacity =
      1.6 * grain.mass_g + 4.18 * (water.pour_g + water.carried_in_g - water.evaporated_g) + heatCapacity
    // From 75 kPa over the sea's air, 116.1 °C, to the boil, in a kitchen at 20 °C.
    const minutes = ((capacity / loss) * Math.log((116.1 - 20) / (99.97 - 20))) / 60
    expect(stages.find((s) => s.id === 'release')!.minutes.expected / minutes).toBeCloseTo(1, 1)
  })
  test('it is held as long as if the pressure were with quick release, but in a hurry', () => {
    const held = (release: MethodContext['release']) =>
      plan({ grains: [{ variety: 'brown-short' }], method: 'pressure-electric', release }).stages.find(
        (s) => s.id === 'pressure',
      )!.minutes.expected
    // Neither leans on its release; what is left of a natural one is margin.
    expect(held('quick')).toBeGreaterThanOrEqual(held('natural'))
    const hurried = plan({
      grains: [{ variety: 'brown-short' }],
      method: 'pressure-electric',
      hurry: true,
    }).stages.find((s) => s.id === 'pressure')!
    expect(hurried.minutes.expected).toBeLessThan(held('natural') - 2)
  })
})

describe('the rice cooker', () => {
  test('its time is its water: more of it clicks later', () => {
    const boil = (texture: number) =>
      plan({ method: 'switch-cooker', texture }).stages.find((s) => s.id === 'boil')!.minutes.expected
    expect(boil(1)).toBeGreaterThan(boil(0))
  })
  test('it needs more water than a covered pot on its lowest heat, because all its power boils', () => {
    expect(plan({ method: 'switch-cooker' }).water.pour_g).toBeGreaterThan(plan({}).water.pour_g)
  })
  test('the click is not the end', () => {
    const rest = stages('switch-cooker').find((s) => s.kind === 'rest')!
    expect(rest.checks.join(' ')).toContain('still cooking')
    expect(rest.title).toContain('unplug')
  })
})
