import fc from 'fast-check'
import { planFrom } from '#core/contract/plan'
import { LIMITS, parsePlanRequest, type PlanRequestJson } from '#core/contract/plan-request'
import { VARIETY_IDS, varietyOf } from '#core/grain/varieties'
import { HEAT_PRESET_IDS } from '#core/heat/sources'
import { METHOD_IDS } from '#core/methods/index'
import { HEAT_STYLES } from '#core/methods/definition'
import { VESSEL_PRESET_IDS } from '#core/vessel/presets'
import { imbalance } from '#core/water/ledger'
import type { Plan } from './result'
import { lengthOf, timelineOf } from './timeline'

const of = (request: PlanRequestJson): Plan => {
  const read = planFrom(request)
  if (!read.ok) throw new Error(JSON.stringify(read.errors))
  return read.value
}
const pot = (
  variety: PlanRequestJson['grains'][number]['variety'],
  grams: number,
  more: Partial<PlanRequestJson> = {},
) =>
  of({
    grains: [{ variety }],
    amount: { basis: 'dry-mass', value: grams },
    method: 'covered-simmer',
    ...('method' in more || 'vessel' in more ? {} : { vessel: 'heavy-2.5' }),
    ...more,
  })
const codes = (plan: Plan) => plan.cautions.map((c) => c.code)
const stage = (plan: Plan, id: string) => plan.stages.find((s) => s.id === id)!

/** Everything numeric in a plan, with its path. */
function* numbersIn(value: unknown, path = ''): Generator<[string, number]> {
  if (typeof value === 'number') yield [path, value]
  else if (value && typeof value === 'object')
    for (const [key, inner] of Object.entries(value)) yield* numbersIn(inner, `${path}.${key}`)
}

const anyRequest: fc.Arbitrary<PlanRequestJson> = fc.record(
  {
    grains: fc.array(
      fc.record({
        variety: fc.constantFrom(...VARIETY_IDS),
        share: fc.double({ min: 0.1, max: 5, noNaN: true }),
      }),
      { minLength: 1, maxLength: 3 },
    ),
    amount: fc.record({ basis: fc.constant('dry-mass' as const), value: fc.integer({ min: 20, max: 2500 }) }),
    method: fc.constantFrom(...METHOD_IDS),
    heat_style: fc.constantFrom(...HEAT_STYLES),
    vessel: fc.constantFrom(...VESSEL_PRESET_IDS),
    heat: fc.constantFrom(...HEAT_PRESET_IDS),
    rinse: fc.record({
      washes: fc.integer({ min: 0, max: 8 }),
      drain: fc.constantFrom('tip' as const, 'sieve' as const),
    }),
    soak: fc.option(
      fc.record({
        minutes: fc.integer({ min: 0, max: 900 }),
        celsius: fc.integer({ min: 2, max: 35 }),
        water: fc.constantFrom('drain' as const, 'keep' as const),
      }),
    ),
    texture: fc.double({ min: 0, max: 1, noNaN: true }),
    elevation_m: fc.integer({ min: LIMITS.elevation_m[0], max: 4000 }),
    kitchen_c: fc.integer({ min: 0, max: 40 }),
    water_c: fc.integer({ min: 2, max: 100 }),
    lid_until_boil: fc.constantFrom('on' as const, 'ajar' as const, 'off' as const),
    rest_minutes: fc.integer({ min: 0, max: 30 }),
    pressure: fc.constantFrom('low' as const, 'high' as const),
    release: fc.constantFrom('natural' as const, 'timed' as const, 'quick' as const),
    pour_override_g: fc.option(fc.integer({ min: 0, max: 4000 })),
  },
  { requiredKeys: ['grains', 'amount'] },
)

test('any request that can be read has a whole plan: finite figures, nothing negative, a closed ledger', () => {
  fc.assert(
    fc.property(anyRequest, (request) => {
      const plan = of(request)
      const may = ['water_above_bed_mm', 'carried_in_g'] // water may lie under the top of the bed
      for (const [path, value] of numbersIn(plan)) {
        expect([path, Number.isFinite(value)]).toEqual([path, true])
        if (!may.some((name) => path.endsWith(name))) expect([path, value >= 0]).toEqual([path, true])
      }
      const { water } = plan
      expect(
        Math.abs(
          imbalance({
            pour: water.pour_g,
            absorbed: water.absorbed_g,
            evaporated: water.evaporated_g,
            carriedIn: water.carried_in_g,
            drainedOff: water.drained_off_g,
            leftInPot: water.left_in_pot_g,
          }),
        ),
      ).toBeLessThan(0.1)
      for (const { minutes } of plan.stages) {
        expect(minutes.low).toBeLessThanOrEqual(minutes.expected)
        expect(minutes.expected).toBeLessThanOrEqual(minutes.high)
      }
    }),
    { numRuns: 250, endOnFailure: true },
  )
})

test('a handful held under pressure for hours gives no steam back: what it loses is never less than nothing', () => {
  const { water } = of({
    grains: [
      { variety: 'short-white', share: 3.1349575469024726 },
      { variety: 'barley-hulled', share: 0.5775627630639554 },
    ],
    amount: { basis: 'dry-mass', value: 29 },
    vessel: 'pressure-electric-8',
    heat: 'pressure-8',
    heat_style: 'boil-then-lowest',
    rinse: { washes: 3, drain: 'sieve' },
    soak: null,
    texture: 0,
    elevation_m: 3312,
    kitchen_c: 38,
    water_c: 7,
    rest_minutes: 17,
    pressure: 'high',
    release: 'timed',
  })
  for (const [stage, g] of Object.entries(water.evaporated_by_stage))
    expect([stage, g >= 0]).toEqual([stage, true])
})

describe('what cooks know comes out of the ledger', () => {
  test('washed short grain sealed under pressure takes about its own volume of water; a covered pot takes more', () => {
    const sealed = pot('short-white', 300, { method: 'pressure-electric' })
    expect(sealed.water.ratio_by_volume).toBeGreaterThan(0.95)
    expect(sealed.water.ratio_by_volume).toBeLessThan(1.2)
    expect(pot('short-white', 300).water.pour_g).toBeGreaterThan(sealed.water.pour_g)
  })

  test.each(['short-white', 'basmati', 'brown-short', 'quinoa', 'barley-hulled'] as const)(
    '%s: ten times the grain needs clearly less water per grain in the same pot',
    (variety) => {
      for (const method of [
        'covered-simmer',
        'boiling-start',
        'off-heat',
        'switch-cooker',
        'pressure-electric',
        'pressure-stovetop',
        'ladled',
        'oven',
      ] as const) {
        const [one, ten] = [100, 1000].map((g) => pot(variety, g, { method }).water.ratio_by_mass) as [
          number,
          number,
        ]
        expect(ten).toBeLessThan(one * 0.93)
      }
    },
  )

  test('a softer texture takes more water, and the water in the grain is what was asked', () => {
    for (const variety of VARIETY_IDS) {
      const pours = [0, 0.25, 0.5, 0.75, 1].map((texture) => pot(variety, 300, { texture }).water)
      for (let i = 1; i < pours.length; i++) expect(pours[i]!.pour_g).toBeGreaterThan(pours[i - 1]!.pour_g)
      const { firm, standard, soft } = varietyOf(variety).uptake
      expect(pours[0]!.absorbed_g / 300).toBeCloseTo(firm, 2)
      expect(pours[2]!.absorbed_g / 300).toBeCloseTo(standard, 2)
      expect(pours[4]!.absorbed_g / 300).toBeCloseTo(soft, 2)
    }
  })

  test('thin air lengthens the simmer', () => {
    for (const variety of ['short-white', 'basmati', 'brown-long', 'millet', 'barley-hulled'] as const) {
      const at = (elevation_m: number) => pot(variety, 300, { elevation_m })
      const [low, high] = [at(0), at(1500)]
      expect(stage(high, 'simmer').minutes.expected).toBeGreaterThan(
        stage(low, 'simmer').minutes.expected * 1.2,
      )
      expect(high.total_minutes.expected).toBeGreaterThan(low.total_minutes.expected)
    }
  })

  test('from a cup up, more grain takes longer', () => {
    for (const variety of ['long-white', 'brown-short', 'quinoa', 'wheat-berries'] as const)
      // Off the heat a fuller pot holds its warmth and needs a shorter boil.
      for (const method of METHOD_IDS.filter((id) => id !== 'off-heat')) {
        const soak = method === 'steam' ? { soak: { minutes: 480, celsius: 5 } } : {}
        const times = [150, 300, 600, 1200].map(
          (g) => pot(variety, g, { method, ...soak }).total_minutes.expected,
        )
        for (let i = 1; i < times.length; i++) expect(times[i]!).toBeGreaterThan(times[i - 1]!)
      }
  })

  test('soaked brown rice needs less water and less time at the boil', () => {
    const dry = pot('brown-short', 300)
    const soaked = pot('brown-short', 300, { soak: { minutes: 480, celsius: 20, water: 'drain' } })
    expect(soaked.water.pour_g).toBeLessThan(dry.water.pour_g - 60)
    expect(stage(soaked, 'simmer').minutes.expected).toBeLessThan(stage(dry, 'simmer').minutes.expected)
    expect(soaked.water.soaked_in_g / 300).toBeCloseTo(0.29, 1)
  })

  test('soaking water cooked in is poured once: nothing is carried in but the rinse', () => {
    const saved = pot('brown-short', 300, { soak: { minutes: 480, water: 'keep' } })
    expect(saved.water.soaked_in_g).toBe(0)
    expect(saved.water.carried_in_g).toBeCloseTo(0.1 * 300, 1)
    expect(saved.stages.map((s) => s.id).slice(0, 5)).toEqual(['measure', 'rinse', 'drain', 'pour', 'soak'])
  })

  test('tipping the bowl carries 0.08 g/g more than a sieve, and unrinsed grain carries nothing', () => {
    const carriedG = (rinse: PlanRequestJson['rinse']) => pot('long-white', 500, { rinse }).water.carried_in_g
    expect(carriedG({ washes: 2, drain: 'tip' }) - carriedG({ washes: 2, drain: 'sieve' })).toBeCloseTo(40, 6)
    expect(carriedG({ washes: 0 })).toBe(0)
  })

  test('a leakier pot steams more, and only that', () => {
    const vessel = {
      capacity_ml: 2500,
      base_diameter_mm: 180,
      rim_diameter_mm: 190,
      height_mm: 93,
      lid: 'tight',
    } as const
    const plain = pot('long-white', 300, { vessel })
    const leaky = pot('long-white', 300, { vessel: { ...vessel, steam_factor: 1.5 } })
    // What flashes off as the pot is opened is no steam of the lid's.
    const opened = 0.015 * plain.yield.cooked_mass_g
    expect((leaky.water.evaporated_g - opened) / (plain.water.evaporated_g - opened)).toBeGreaterThan(1.35)
    expect(leaky.water.absorbed_g).toBeCloseTo(plain.water.absorbed_g, 0)
  })

  test('gauges agree with geometry calculated by hand', () => {
    const plan = pot('long-white', 350, {
      vessel: { capacity_ml: 4000, base_diameter_mm: 200, height_mm: 127.3, lid: 'tight' },
      rinse: { washes: 0 },
    })
    const area = Math.PI * 100 // cm²
    expect(plan.gauges.fill_line_ml).toBeCloseTo(350 / 1.45 + plan.water.pour_g, 0)
    expect(plan.gauges.bed_depth_mm).toBeCloseTo((350 / 0.79 / area) * 10, 1)
    const over = plan.water.pour_g - (1 - 0.79 / 1.45) * (350 / 0.79)
    expect(plan.gauges.water_above_bed_mm).toBeCloseTo((over / area) * 10, 1)
    expect(plan.gauges.fill_level_mm).toBeCloseTo((plan.gauges.fill_line_ml / area) * 10, 1)
    // Two figures rounded to 0.1.
    expect(Math.abs(plan.gauges.froth_level_mm - plan.gauges.fill_level_mm * 1.4)).toBeLessThan(0.13)
  })
})

describe("water of the cook's own", () => {
  test('too little is short of firm by what is missing', () => {
    const solved = pot('long-white', 300)
    const dry = pot('long-white', 300, { pour_override_g: solved.water.firm_pour_g - 60 })
    expect(dry.water.pour_g).toBeCloseTo(solved.water.firm_pour_g - 60, 1)
    expect(Math.abs(dry.water.short_g - 60)).toBeLessThan(12)
    expect(codes(dry)).toContain('too-little-water')
  })
  test('too much is left in the pot, in a term of its own', () => {
    const wet = pot('short-white', 200, { pour_override_g: 1200 })
    expect(wet.water.left_in_pot_g).toBeGreaterThan(300)
    expect(codes(wet)).toContain('soggy')
  })
  test("the plan's own water changes nothing", () => {
    const solved = pot('long-white', 300)
    const same = pot('long-white', 300, { pour_override_g: solved.water.pour_g })
    expect(Math.abs(same.water.absorbed_g - solved.water.absorbed_g)).toBeLessThan(2)
    expect(same.water.left_in_pot_g).toBe(0)
  })
})

describe('an unwise pot is planned, with its cautions', () => {
  test('too full, and the nearest pot that holds it', () => {
    const full = pot('long-white', 900, { vessel: 'heavy-2.5' })
    const caution = full.cautions.find((c) => c.code === 'swells-too-high')!
    expect(caution.severity).toBe('stop')
    const mended = pot('long-white', 900, caution.mend as Partial<PlanRequestJson>)
    expect(codes(mended)).not.toContain('swells-too-high')
  })
  test('a pressure vessel over half, or under its least liquid', () => {
    expect(
      codes(pot('long-white', 1500, { method: 'pressure-electric', vessel: 'pressure-electric-6' })),
    ).toContain('pressure-over-full')
    const little = pot('short-white', 100, { method: 'pressure-electric' })
    expect(little.cautions.find((c) => c.code === 'under-least-liquid')!.severity).toBe('stop')
  })
  test('a flame that cannot boil it', () => {
    const weak = pot('long-white', 300, { heat: { rated_w: 100, efficiency: 0.4 } })
    expect(weak.cautions[0]).toMatchObject({ code: 'never-boils', severity: 'stop' })
  })
  test('steam, pressure and warm food are always spoken of', () => {
    for (const method of METHOD_IDS) {
      const plan = pot('short-white', 300, { method })
      expect(plan.cautions.filter((c) => c.about === 'burn').length).toBeGreaterThan(0)
      expect(plan.cautions.find((c) => c.code === 'hot-or-cold')!.text).toContain('local food authority')
    }
    const quick = pot('short-white', 300, { method: 'pressure-electric', release: 'quick' })
    expect(codes(quick)).toEqual(expect.arrayContaining(['venting-steam', 'quick-release-texture']))
    expect(codes(pot('brown-short', 300, { soak: { minutes: 600, celsius: 22 } }))).toContain(
      'soak-belongs-in-fridge',
    )
    expect(codes(pot('brown-short', 300, { soak: { minutes: 600, celsius: 5 } }))).not.toContain(
      'soak-belongs-in-fridge',
    )
  })
  test('a blend of quick and slow says which and when', () => {
    const blend = of({
      grains: [
        { variety: 'basmati', share: 3 },
        { variety: 'wild', share: 1 },
      ],
      amount: { basis: 'dry-mass', value: 300 },
    })
    expect(blend.cautions.find((c) => c.code === 'blend-times-apart')!.remedy).toMatch(
      /basmati about 3\d minutes later.*wild rice/,
    )
  })
})

describe('the clock', () => {
  test('stages wait for one another, and the last one ends serve', () => {
    const plan = pot('brown-short', 300, { serve_at: '2026-03-05T19:00:00+01:00', soak: { minutes: 60 } })
    const times = timelineOf(plan.stages)
    for (const s of plan.stages)
      for (const before of s.after) expect(times.get(before)!.end).toBeCloseTo(times.get(s.id)!.start, 9)
    const last = plan.stages[plan.stages.length - 1]!
    expect(Date.parse(last.starts_at!) + last.minutes.expected * 60_000).toBeCloseTo(
      Date.parse('2026-03-05T18:00:00Z'),
      -2,
    )
    expect(lengthOf(plan.stages)).toBeCloseTo(plan.total_minutes.expected, 1)
  })
  test('a stage that comes after nothing known is an error', () => {
    const minutes = { low: 1, expected: 1, high: 1 }
    expect(() => timelineOf([{ id: 'a', after: ['b'], minutes }])).toThrow('"b"')
  })
})

test('the same request gives the same plan', () => {
  expect(pot('wild', 250)).toEqual(pot('wild', 250))
})

test('amounts can be given in five ways', () => {
  const dry = (amount: PlanRequestJson['amount']) =>
    of({ grains: [{ variety: 'long-white' }], amount }).grain.mass_g
  expect(dry({ basis: 'dry-volume', value: 240 })).toBeCloseTo(240 * 0.79, 1)
  expect(dry({ basis: 'cooked-mass', value: 810 })).toBeCloseTo(300, 1)
  expect(dry({ basis: 'cooked-volume', value: 1000 })).toBeCloseTo((1000 * 0.67) / 2.7, 1)
  expect(dry({ basis: 'servings', value: 4 })).toBe(260)
  expect(dry({ basis: 'servings', value: 4, serving: 'main' })).toBe(400)
})

test('what was learned moves the water by that much', () => {
  const moved = pot('short-white', 300, { uptake_delta_g_g: 0.1 }).water
  const plain = pot('short-white', 300).water
  expect(Math.abs(moved.absorbed_g - plain.absorbed_g - 30)).toBeLessThan(1)
})

test('settled requests carry every default', () => {
  const read = parsePlanRequest({
    grains: [{ variety: 'short-white' }],
    amount: { basis: 'servings', value: 2 },
  })
  expect(read.ok && read.value).toMatchObject({
    method: 'covered-simmer',
    heatStyle: 'boil-then-lowest',
    rinse: { washes: 4, drain: 'sieve' },
    soak: null,
    texture: 0.5,
    elevationM: 0,
    kitchenC: 20,
    waterC: 15,
    restMinutes: 10,
    pressure: 'high',
    release: 'natural',
    pourOverrideG: null,
  })
})
