import fc from 'fast-check'
import {
  parseSimulateRequest,
  simulateFrom,
  type SimulateRequestJson,
  type SimulateResult,
} from '#core/contract/simulate'
import { parsePlanRequest, type PlanRequestJson } from '#core/contract/plan-request'
import { VARIETY_IDS, type VarietyId } from '#core/grain/varieties'
import { METHOD_IDS } from '#core/methods/index'
import { FULL } from '#core/pot/pot'
import { cookPlan } from './cook-plan'
import { cookReady, makeReady, NO_LUCK, outcomeOf, simulate } from './simulate'
import { SPREADS } from '#core/spreads'
import { randomOf } from '#core/random'
import { chancesOf, luckOf, SWEEP } from './sweep'
import { verdictOf } from './verdict'

const run = (more: Partial<SimulateRequestJson> = {}): SimulateResult => {
  const read = simulateFrom({
    grains: [{ variety: 'long-white' }],
    amount: { basis: 'dry-mass', value: 300 },
    ...more,
  })
  if (!read.ok) throw new Error(JSON.stringify(read.errors))
  return read.value
}
const settled = (more: Partial<PlanRequestJson> = {}) => {
  const read = parsePlanRequest({
    grains: [{ variety: 'long-white' }],
    amount: { basis: 'dry-mass', value: 300 },
    method: 'covered-simmer',
    ...more,
  })
  if (!read.ok) throw new Error(JSON.stringify(read.errors))
  return read.value
}
const WHITE: readonly VarietyId[] = ['long-white', 'basmati', 'jasmine', 'medium-white', 'short-white']
const WHOLE: readonly VarietyId[] = ['brown-short', 'brown-long', 'red', 'barley-hulled', 'wheat-berries']
const boilThenLow = (minutes: number, rest = 10): NonNullable<SimulateRequestJson['script']> => [
  { until: 'boil', heat: 'high' },
  { minutes, heat: 'lowest' },
  ...(rest > 0 ? [{ minutes: rest, heat: 'off' as const }] : []),
]

describe('a plan, cooked', () => {
  test("is the plan's own pot, whatever the school", () => {
    for (const method of METHOD_IDS) {
      const request = settled({ method })
      const [scripted, plain] = [
        simulate({ request, script: null, happenings: [] }),
        cookPlan(request, simulate({ request, script: null, happenings: [] }).plan),
      ]
      expect(scripted.outcome.uptakeMean).toBeCloseTo(plain.uptakeMean, 2)
      expect(scripted.outcome.centreMin).toBeCloseTo(plain.centreMin, 2)
    }
  })
  test('its curves are of one length, in order of time, and water is never lost', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...VARIETY_IDS),
        fc.constantFrom('covered-simmer', 'boiling-start', 'switch-cooker', 'pressure-electric'),
        fc.integer({ min: 150, max: 600 }),
        (variety, method, value) => {
          const request = settled({
            grains: [{ variety }],
            amount: { basis: 'dry-mass', value },
            method: method as 'covered-simmer',
          })
          const { series, plan } = simulate({ request, script: null, happenings: [] })
          const n = series.tMin.length
          for (const curve of [
            series.bulkC,
            series.bottomC,
            series.freeG,
            series.evaporatedG,
            ...series.uptakeByLayer,
            ...series.centreByLayer,
          ])
            expect(curve).toHaveLength(n)
          const all = (i: number) =>
            series.freeG[i]! +
            series.evaporatedG[i]! +
            (series.uptakeByLayer.reduce((sum, layer) => sum + layer[i]!, 0) / 5) * value
          for (let i = 1; i < n; i++) expect(series.tMin[i]!).toBeGreaterThanOrEqual(series.tMin[i - 1]!)
          expect(Math.abs(all(n - 1) - all(0))).toBeLessThan(1e-6 * plan.water.pour_g + 1e-3)
        },
      ),
      { numRuns: 12 },
    )
  })
})

describe('what cooks warn of comes out as they say', () => {
  test.each(WHITE)('%s opened at the beep is less cooked and wetter than rested', (variety) => {
    const rested = run({ grains: [{ variety }], script: boilThenLow(9) })
    const opened = run({ grains: [{ variety }], script: boilThenLow(9, 0) })
    expect(opened.final.centre_gelatinised_min).toBeLessThan(rested.final.centre_gelatinised_min - 0.02)
    expect(opened.final.free_water_g).toBeGreaterThanOrEqual(rested.final.free_water_g)
  })
  test.each(WHOLE)('%s: grain and water doubled together end wetter', (variety) => {
    const pour = settledPour(variety, 150)
    const one = run({
      grains: [{ variety }],
      amount: { basis: 'dry-mass', value: 150 },
      pour_override_g: pour,
    })
    const two = run({
      grains: [{ variety }],
      amount: { basis: 'dry-mass', value: 300 },
      pour_override_g: pour * 2,
    })
    const wet = (r: SimulateResult, g: number) => r.final.uptake_mean + r.final.free_water_g / g
    expect(wet(two, 300)).toBeGreaterThan(wet(one, 150) + 0.04)
  })
  test.each(WHOLE)('%s: the water of an open pot drowns a small batch under pressure', (variety) => {
    const pour = settledPour(variety, 200)
    const sealed = run({
      grains: [{ variety }],
      amount: { basis: 'dry-mass', value: 200 },
      method: 'pressure-electric',
      pour_override_g: pour * 1.15,
    })
    expect(sealed.verdict.soggy || ['soft', 'mushy'].includes(sealed.verdict.texture)).toBe(true)
  })
  test('heat that is never lowered scorches', () => {
    expect(
      run({
        script: [
          { until: 'boil', heat: 'high' },
          { minutes: 15, heat: 'high' },
          { minutes: 10, heat: 'off' },
        ],
      }).verdict.scorched,
    ).toBe(true)
    expect(run({ script: boilThenLow(13) }).verdict.scorched).toBe(false)
  })
  test.each(WHITE)('%s: each lid lifted in the rest costs warmth, so time near the boil', (variety) => {
    // While the flame is on it makes good what a look costs; off the heat nothing does.
    const minutes = simulate({ request: settled({ grains: [{ variety }] }), script: null, happenings: [] })
      .plan.stages
    const restAt = minutes
      .filter((s) => s.id === 'heat-up' || s.id === 'simmer')
      .reduce((sum, s) => sum + s.minutes.expected, 0)
    const lifts = (n: number) =>
      run({
        grains: [{ variety }],
        method: 'covered-simmer',
        events: Array.from({ length: n }, (_, i) => ({
          at_min: restAt + 1.5 + i,
          kind: 'lid-lift' as const,
          seconds: 30,
        })),
      })
    const [none, three] = [lifts(0), lifts(3)]
    const atTheBoil = (r: SimulateResult) => r.series.bulk_c.filter((c) => c >= 95).length
    expect(atTheBoil(three)).toBeLessThan(atTheBoil(none))
    expect(three.final.centre_gelatinised_min).toBeLessThanOrEqual(none.final.centre_gelatinised_min)
    expect(three.events.filter((e) => e.kind === 'lid-lift')).toHaveLength(3)
  })
  test('a valley plan cooked high up stays firm or chalky', () => {
    for (const variety of [...WHITE, 'millet'] as const) {
      const low = settled({ grains: [{ variety }] })
      const { plan } = simulate({ request: low, script: null, happenings: [] })
      const minutes = plan.stages.find((s) => s.id === 'simmer')!.minutes.expected
      expect(
        run({
          grains: [{ variety }],
          elevation_m: 2500,
          pour_override_g: plan.water.pour_g,
          script: boilThenLow(minutes),
        }).verdict.cooked_through,
      ).not.toBe('yes')
    }
  })
})

const settledPour = (variety: VarietyId, value: number) =>
  simulate({
    request: settled({ grains: [{ variety }], amount: { basis: 'dry-mass', value } }),
    script: null,
    happenings: [],
  }).plan.water.pour_g

describe('a script', () => {
  test('waits for the event of its script, and reports when it came or that it did not', () => {
    const got = run({
      script: [
        { until: 'boil', heat: 'high' },
        { until: 'dry', heat: 'medium' },
        { minutes: 5, heat: 'off' },
      ],
    }).events
    expect(got.map((e) => e.kind)).toEqual(['step-1', 'step-2', 'step-3'])
    expect(got[2]!.t_min - got[1]!.t_min).toBeCloseTo(5, 1)
    expect(run({ script: [{ until: 'boil', power_w: 5 }] }).events[0]!.kind).toBe('never step-1')
  })
  test("seals, holds its pressure's own temperature and vents", () => {
    const sealed = run({
      method: 'pressure-electric',
      script: [
        { until: 'pressure', pressure_kpa: 75, heat: 'high' },
        { minutes: 8, pressure_kpa: 75, heat: 'high' },
        { minutes: 2, heat: 'off' },
      ],
    })
    // 176.3 kPa absolute: saturated steam at 116.2 °C.
    expect(Math.max(...sealed.series.bulk_c)).toBeCloseTo(116.2, 0)
    expect(sealed.events.map((e) => e.kind)).toContain('step-3-vent')
    expect(sealed.series.bulk_c.at(-1)!).toBeLessThan(100.5)
  })
  test('added water is drunk, and stirring evens the layers', () => {
    const dry = { pour_override_g: 330 }
    expect(
      run({ ...dry, events: [{ at_min: 14, kind: 'add-water', grams: 60 }] }).final.uptake_mean,
    ).toBeGreaterThan(run(dry).final.uptake_mean + 0.12)
    const spread = (r: SimulateResult) => r.final.uptake_max - r.final.uptake_min
    expect(spread(run({ events: [{ at_min: 26, kind: 'stir' }] }))).toBeLessThan(spread(run()))
  })
  test.each([
    [{ script: [] }, 'script'],
    [{ script: [{ minutes: 5 }] }, 'script.0'],
    [{ script: [{ heat: 'high' }] }, 'script.0'],
    [{ script: [{ until: 'pressure', heat: 'high' }] }, 'script.0'],
    [{ script: [{ minutes: -1, heat: 'high' }] }, 'script.0.minutes'],
    [{ events: [{ at_min: 3, kind: 'sing' }] }, 'events.0.kind'],
    [{ events: [{ at_min: 3, kind: 'add-water' }] }, 'events.0'],
    [{ runs: 1e9 }, 'runs'],
    [{ seed: 0.5 }, 'seed'],
    [{ texture: 7 }, 'texture'],
    [{ events: 'none' }, 'events'],
  ])('%j is a named error', (more, path) => {
    const read = parseSimulateRequest({
      grains: [{ variety: 'long-white' }],
      amount: { basis: 'dry-mass', value: 300 },
      ...more,
    })
    expect(!read.ok && read.errors.map((e) => e.path)).toContain(path)
  })
})

describe('many kitchens', () => {
  test('the same seed is the same luck, its spreads are the stated ones', () => {
    const random = randomOf(7)
    const lucks = Array.from({ length: 4000 }, () => luckOf(random))
    for (const [key, spread] of [
      ['burner', SPREADS.burner],
      ['steam', SPREADS.steam],
      ['minutes', SPREADS.minutes],
      ['water', SPREADS.measuring],
      ['wants', SPREADS.water],
    ] as const) {
      const mean = lucks.reduce((sum, l) => sum + l[key], 0) / lucks.length
      const sd = Math.sqrt(lucks.reduce((sum, l) => sum + (l[key] - mean) ** 2, 0) / lucks.length)
      expect(mean).toBeCloseTo(1, 1)
      expect(sd / spread).toBeCloseTo(1, 1)
    }
    expect(Array.from({ length: 5 }, randomOf(3))).toEqual(Array.from({ length: 5 }, randomOf(3)))
  })
  test('chances are shares of all runs; a good plan is nearly always good, a bad pour nearly never', () => {
    const simulation = { request: settled(), script: null, happenings: [] }
    const chances = chancesOf(simulation, { seed: 1, runs: 60 })
    expect(Object.values(chances.cookedThrough).reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9)
    expect(Object.values(chances.texture).reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9)
    expect(chances.good).toBeGreaterThan(0.8)
    expect(
      chancesOf({ ...simulation, request: settled({ pour_override_g: 900 }) }, { seed: 1, runs: 40 }).good,
    ).toBeLessThan(0.1)
  })
  test("the coarser pots of a sweep give the fine pot's verdict", () => {
    let same = 0
    let all = 0
    const random = randomOf(11)
    for (const variety of ['long-white', 'brown-short', 'quinoa', 'barley-hulled', 'basmati'] as const)
      for (const method of ['covered-simmer', 'pressure-electric'] as const) {
        const ready = makeReady({ request: settled({ grains: [{ variety }], method }), script: null })
        for (let i = 0; i < 6; i++) {
          const luck = i === 0 ? NO_LUCK : luckOf(random)
          const of = (resolution: typeof FULL) =>
            verdictOf(outcomeOf(cookReady(ready, [], resolution, luck).pot), ready.prepared.blend.uptake)
          const [fine, coarse] = [of(FULL), of(SWEEP)]
          all += 1
          same += Number(JSON.stringify(fine) === JSON.stringify(coarse))
        }
      }
    // A verdict on its own edge may fall to either side.
    expect(same / all).toBeGreaterThan(0.93)
  })
})
