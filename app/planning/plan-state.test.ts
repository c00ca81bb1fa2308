import fc from 'fast-check'
import { planFrom } from '#core/contract/plan'
import { parsePlanRequest } from '#core/contract/plan-request'
import { courseOf } from '#core/explain/course'
import { plan } from '#core/plan/plan'
import { VARIETY_IDS } from '#core/grain/varieties'
import { METHOD_IDS } from '#core/methods/index'
import { FINISHES, HEAT_STYLES } from '#core/methods/definition'
import { BLEND_TIMINGS, PURPOSES } from '#core/plan/request'
import { ADD_IN_OUTS, ADD_IN_TIMES } from '#core/seasoning/seasoning'
import { countWord } from '#core/eaters/count-words'
import { FIRST_KITCHEN } from '#server/commands/begin-household'
import { planAgain } from './again'
import { fromSearch, RENAMED_KEYS, toSearch, withPresentKeys } from './plan-address'
import { DRESSING_CHOICES, firstPlan, requestOf, type PlanState, type PlanningData } from './plan-state'
import { fixOf } from './apply-fix'
import { amountWord } from './plan-words'

const household: PlanningData = {
  vessels: FIRST_KITCHEN.vessels,
  heats: FIRST_KITCHEN.heats,
  measures: [],
  bags: [],
  bottles: [],
  marks: [],
  programmes: [],
  units: 'grams',
  system: 'metric',
  cup: 'metric',
  known: {},
  elevation_m: 1120,
  kitchen_c: 20,
  zone: 'Europe/Berlin',
  guidance: 'stricter',
  crystal: 'table',
  leftovers: [],
  eaters: [],
}
const first = firstPlan(household)
const NOW = Date.UTC(2026, 2, 5, 16, 0)

const anyPlan: fc.Arbitrary<PlanState> = fc.record({
  grain: fc.constantFrom(...VARIETY_IDS),
  amount: fc.oneof(
    fc.record({ basis: fc.constant('servings' as const), value: fc.integer({ min: 1, max: 40 }) }),
    fc.record({ basis: fc.constant('dry-mass' as const), value: fc.integer({ min: 30, max: 3000 }) }),
    fc.record({
      basis: fc.constant('measure' as const),
      value: fc.constantFrom(0.5, 1, 1.5, 2.25, 3),
      measure: fc.constantFrom('cup', 'metric-cup', 'own:mug'),
    }),
  ),
  bagId: fc.option(fc.constantFrom('a-bag', 'other')),
  others: fc.array(
    fc.record({
      variety: fc.constantFrom(...VARIETY_IDS),
      share: fc.integer({ min: 1, max: 40 }).map((n) => n / 20),
    }),
    { maxLength: 2 },
  ),
  blendTiming: fc.constantFrom(...BLEND_TIMINGS),
  loosenedInRest: fc.boolean(),
  friedAtEnd: fc.boolean(),
  fryTomorrow: fc.constantFrom(0, 0, 0.5),
  holdIn: fc.constantFrom('pot' as const, 'warm-drawer' as const),
  salt: fc.option(fc.integer({ min: 0, max: 20 }).map((n) => n / 10)),
  stock: fc.integer({ min: 0, max: 4 }).map((n) => n / 4),
  addIns: fc.array(
    fc.record({
      name: fc.constantFrom('bay leaf', 'kelp', 'onion, chopped', 'smör & salt'),
      grams: fc.integer({ min: 1, max: 80 }),
      water: fc.constantFrom(0, 0.5, 0.89),
      salt: fc.constantFrom(0, 0.05),
      when: fc.constantFrom(...ADD_IN_TIMES),
      out: fc.constantFrom(...ADD_IN_OUTS),
    }),
    { maxLength: 3 },
  ),
  poured: fc.option(fc.integer({ min: 0, max: 3000 })),
  serving: fc.constantFrom('side', 'main'),
  purpose: fc.constantFrom(...PURPOSES),
  vesselId: fc.constantFrom(...household.vessels.map((v) => v.id)),
  heatId: fc.constantFrom(...household.heats.map((h) => h.id)),
  texture: fc.option(fc.integer({ min: 0, max: 20 }).map((n) => n / 20)),
  washes: fc.option(fc.integer({ min: 0, max: 8 })),
  drain: fc.constantFrom('tip', 'sieve'),
  soak: fc.option(
    fc.record({
      minutes: fc.integer({ min: 5, max: 900 }),
      celsius: fc.integer({ min: 3, max: 30 }),
      water: fc.constantFrom('drain', 'keep'),
    }),
  ),
  method: fc.option(fc.constantFrom(...METHOD_IDS)),
  finish: fc.option(fc.constantFrom(...FINISHES)),
  cookedShare: fc.integer({ min: 4, max: 20 }).map((n) => n / 20),
  thickness: fc.integer({ min: 0, max: 4 }).map((n) => n / 4),
  minutes: fc.option(fc.integer({ min: 1, max: 90 })),
  hurry: fc.boolean(),
  passes: fc.integer({ min: 1, max: 4 }),
  toasted: fc.boolean(),
  stirred: fc.boolean(),
  foil: fc.boolean(),
  keep: fc.integer({ min: 0, max: 8 }),
  leftoverPortions: fc.integer({ min: 0, max: 6 }),
  hold: fc.integer({ min: 0, max: 120 }),
  who: fc.constantFrom(null, 'five, one small', 'three, one no gluten'),
  byItself: fc.constantFrom(false, false, false, true),
  dressing: fc.option(
    fc.record({
      style: fc.constantFrom(...DRESSING_CHOICES),
      infuse: fc.integer({ min: 0, max: 600 }),
      set: fc.integer({ min: 0, max: 90 }),
      ml: fc.option(fc.integer({ min: 2, max: 300 }).map((n) => n / 2)),
      bottle: fc.constantFrom(undefined, { id: 'b-1', name: 'for the choir' }),
    }),
  ),
  under: fc.option(
    fc.record({
      name: fc.constantFrom('nettle soup', 'leek & root stew'),
      liquidG: fc.integer({ min: 50, max: 5000 }),
    }),
  ),
  wet: fc.option(fc.integer({ min: 5, max: 5000 })),
  rest: fc.option(fc.integer({ min: 0, max: 60 })),
  lidUntilBoil: fc.constantFrom('on', 'ajar', 'off'),
  heatStyle: fc.constantFrom(...HEAT_STYLES),
  pressure: fc.constantFrom('low', 'high'),
  release: fc.constantFrom('natural', 'timed', 'quick'),
  releaseMinutes: fc.integer({ min: 0, max: 180 }),
  at: fc.option(
    fc
      .tuple(fc.integer({ min: 0, max: 23 }), fc.integer({ min: 0, max: 59 }))
      .map(([h, m]) => `${String(h).padStart(2, '0')}:${String(m).padStart(2, '0')}`),
  ),
})

test('a batch cooked again is asked for as it was, but for its hour and the weight of its soaked grain', () => {
  fc.assert(
    fc.property(anyPlan, (state) => {
      const asOf = { ...state, at: null, wet: null, leftoverPortions: 0 }
      const request = requestOf(asOf, household, NOW)
      const batch = {
        request,
        vesselId: state.vesselId,
        heatId: state.heatId,
        bagId: state.bagId,
        grainG: 300,
      }
      const again = planAgain(batch, first, household)
      expect(again.bagId).toBe(state.bagId)
      // An address is what is kept of it.
      const read = fromSearch(toSearch(again, first), first, household)
      expect(requestOf(read, household, NOW)).toEqual(request)
    }),
  )
})

test('a batch in a mug that is not there any more is cooked again in grams', () => {
  const state = { ...first, amount: { basis: 'measure' as const, value: 2, measure: 'own:mug' } }
  const mug = { id: 'mug', name: 'mug', ml: 300, parts: [], how: 'known' as const }
  const request = requestOf(state, { ...household, measures: [mug] } as PlanningData, NOW)
  const batch = { request, vesselId: first.vesselId, heatId: first.heatId, bagId: null, grainG: 512.4 }
  expect(planAgain(batch, first, { ...household, measures: [mug] } as PlanningData).amount).toEqual(
    state.amount,
  )
  expect(planAgain(batch, first, household).amount).toEqual({ basis: 'dry-mass', value: 512 })
})

test('a plan can be read back from its address', () => {
  fc.assert(
    fc.property(anyPlan, (state) =>
      expect(fromSearch(toSearch(state, first), first, household)).toEqual(state),
    ),
  )
})

test('any plan page is a request the planner reads', () => {
  fc.assert(
    fc.property(anyPlan, (state) => {
      const read = planFrom(requestOf(state, household, NOW))
      expect(read).toMatchObject({ ok: true })
    }),
    { numRuns: 60 },
  )
})

test.each(['grain=toString&for=-4&at=25:00', 'grams=NaN&texture=9&soak=x', 'for=1e9&pot=bucket&lid=%00'])(
  'an address like "%s" falls back to the first pot',
  (text) => {
    expect(fromSearch(new URLSearchParams(text), first, household)).toEqual(first)
  },
)

test('a bookmark of version 1 opens the same plan', () => {
  const before = Object.fromEntries(Object.entries(RENAMED_KEYS).map(([old, now]) => [now, old]))
  fc.assert(
    fc.property(anyPlan, (state) => {
      const written = toSearch(state, first)
      const bookmark = new URLSearchParams([...written].map(([key, value]) => [before[key] ?? key, value]))
      expect(withPresentKeys(bookmark).toString()).toBe(written.toString())
      expect(fromSearch(bookmark, first, household)).toEqual(fromSearch(written, first, household))
    }),
  )
})

test('whatever stands in an address, the plan it opens is one the planner reads', () => {
  const keys = [
    ...new Set([
      ...toSearch({ ...first, washes: 3, passes: 2, texture: 0.4, grain: 'quinoa' }, first).keys(),
      'washes',
      'passes',
      'soak',
      'rest',
      'share',
      'texture',
      'for',
      'grams',
      'salt',
      'stock',
      'poured',
      'under',
      'timing',
      'toasted',
      'stir',
      'foil',
      'self',
      'wet',
      'pressure',
      'release',
      'with',
      'beside',
      'add',
      'keep',
      'hold',
      'dress',
      'at',
      'by',
      'as',
      'pot',
      'on',
    ]),
  ]
  const nasty = fc.oneof(
    fc.constantFrom(
      '1e-7',
      '0.5',
      '1.5',
      '-0',
      '1e309',
      'NaN',
      '25:99',
      '10-20-drain',
      'long-white:1',
      '=1',
      '%00',
      '__proto__',
    ),
    fc.double().map(String),
    fc.integer().map(String),
    fc.string({ maxLength: 12 }),
  )
  fc.assert(
    fc.property(fc.array(fc.tuple(fc.constantFrom(...keys), nasty), { maxLength: 8 }), (pairs) => {
      const read = parsePlanRequest(
        requestOf(fromSearch(new URLSearchParams(pairs), first, household), household, NOW),
      )
      expect(read).toMatchObject({ ok: true })
    }),
    { numRuns: 3000 },
  )
})

const figure = (mean: number) => ({ mean, sd: 0.08, cooks: 2, lastMs: 0, pinned: false })
test('what was learned goes into the request: of the grain everywhere, of a pot and a burner where they are used', () => {
  const taught: PlanningData = {
    ...household,
    known: {
      'grain long-white': figure(0.05),
      'time heavy-pot': figure(Math.log(1.1)),
      'steam heavy-pot': figure(Math.log(1.2)),
      'power middle-burner': figure(Math.log(0.9)),
    },
  }
  const request = requestOf(first, taught, NOW)
  expect(request).toMatchObject({ uptake_delta_g_g: 0.05 })
  expect(request.minutes_factor).toBeCloseTo(1.1, 9)
  expect((request.vessel as { steam_factor: number }).steam_factor).toBeCloseTo(1.2, 9)
  expect((request.heat as { rated_w: number }).rated_w).toBeCloseTo(1750 * 0.9, 6)
  const other = requestOf({ ...first, vesselId: 'thin-pot', heatId: 'induction' }, taught, NOW)
  expect(other).toMatchObject({ uptake_delta_g_g: 0.05 })
  expect(other).not.toHaveProperty('minutes_factor')
  expect(requestOf({ ...first, grain: 'quinoa' }, taught, NOW)).not.toHaveProperty('uptake_delta_g_g')
})

test("a pot too small offers the kitchen's own larger pot", () => {
  const state: PlanState = {
    ...first,
    amount: { basis: 'dry-mass', value: 900 },
    vesselId: 'heavy-pot',
    heatId: 'big-burner',
  }
  const read = planFrom(requestOf(state, household, NOW))
  if (!read.ok) throw new Error('not read')
  const caution = read.value.cautions.find((c) => c.code === 'swells-too-high')!
  const fix = fixOf(caution, state, household, NOW)!
  expect(fix.state.vesselId).toBe('stock-pot')
  const after = planFrom(requestOf(fix.state, household, NOW))
  expect(after.ok && after.value.cautions.map((c) => c.code)).not.toContain('swells-too-high')
})

test('every mend that is offered can be planned', () => {
  fc.assert(
    fc.property(anyPlan, (state) => {
      const read = planFrom(requestOf(state, household, NOW))
      if (!read.ok) throw new Error('not read')
      for (const caution of read.value.cautions) {
        const fix = fixOf(caution, state, household, NOW)
        if (fix) expect(planFrom(requestOf(fix.state, household, NOW))).toMatchObject({ ok: true })
      }
    }),
    { numRuns: 25 },
  )
})

test('what was asked for is what is planned: nothing is rounded to whole cups in silence', () => {
  const scoops = { ...household, units: 'cups' as const, system: 'metric' as const, cup: 'scoop' as const }
  const planned = (amount: PlanState['amount']) => {
    const read = planFrom(requestOf({ ...first, amount }, scoops, NOW))
    if (!read.ok) throw new Error('not read')
    return read.value
  }
  expect(planned({ basis: 'dry-mass', value: 300 }).grain.mass_g).toBe(300)
  expect(planned({ basis: 'servings', value: 4 }).yield.servings).toBe(4)
  const two = planned({ basis: 'measure', value: 2, measure: 'cup' })
  expect(two.grain.volume_ml).toBeCloseTo(360, 1)
  expect(two.grain.parts[0]!.measures).toEqual([
    { measure: 'rice-cooker-cup', value: 2, text: '2 rice-cooker cups' },
  ])
  expect(two.said_in).toBe('measures')
})

test('a bag brings its own water, and what was tasted comes on top', () => {
  const bag = {
    id: 'new',
    variety: 'long-white' as const,
    name: 'new',
    label: '',
    label_ratio: null,
    adopted_delta: 0.1,
    bought_on: null,
    opened_on: null,
    new_crop: 1 as const,
    enriched: 0 as const,
    left_g: null,
  }
  const state = { ...first, bagId: 'new' }
  // A new crop of 15.5 % moisture: −(0.03 / 0.875)·2.7 = −0.0926, and the label's +0.1.
  expect(requestOf(state, { ...household, bags: [bag] }, NOW).uptake_delta_g_g).toBeCloseTo(0.1 - 0.0926, 3)
  expect(requestOf({ ...state, grain: 'quinoa' }, { ...household, bags: [bag] }, NOW)).not.toHaveProperty(
    'uptake_delta_g_g',
  )
  const taught: PlanningData = {
    ...household,
    bags: [bag],
    known: { 'grain long-white': figure(-0.2), 'bag new': figure(0.03) },
  }
  expect(requestOf(state, taught, NOW).uptake_delta_g_g).toBeCloseTo(0.1 - 0.0926 - 0.2 + 0.03, 3)
})

test('words for the order line', () => {
  expect([1, 14, 4.5, 24].map(countWord)).toEqual(['one', 'fourteen', '4.5', '24'])
  expect(amountWord(first, household)).toBe('For four')
})

describe('what one batch does differently', () => {
  const loose = {
    ...household,
    vessels: [{ ...household.vessels[0]!, kind: 'pot' as const, lid: 'loose' as const }],
  }
  const first = { ...firstPlan(loose), grain: 'long-white' as const, vesselId: loose.vessels[0]!.id }
  const made = (of: Partial<PlanState>, kitchen: PlanningData = loose) => {
    const read = planFrom(requestOf({ ...first, ...of }, kitchen, NOW))
    if (!read.ok) throw new Error(JSON.stringify(read.errors))
    return read.value
  }
  // On the heat what a burner gives too much leaves as steam under any lid; off it, the lid counts.
  test('under foil a pot with a loose lid rests hotter; it is said before the lid goes on', () => {
    const atTheEndOf = (of: Partial<PlanState>) => {
      const request = parsePlanRequest(requestOf({ ...first, ...of }, loose, NOW))
      if (!request.ok) throw new Error('not read')
      return courseOf(request.value, plan(request.value)).findLast((m) => m.stage === 'rest')!.bulkC
    }
    expect(atTheEndOf({ foil: true })).toBeGreaterThan(atTheEndOf({}) + 0.5)
    const foiled = made({ foil: true })
    expect(foiled.stages.flatMap((s) => s.checks)).toContain('Foil over the rim, then press the lid on')
  })
  test('a tight lid takes none', () => {
    const tight = { ...loose, vessels: [{ ...loose.vessels[0]!, lid: 'tight' as const }] }
    expect(made({ foil: true }, tight)).toEqual(made({}, tight))
  })
  test('stirring at the boil is a check of the boil, and lowers the separate index', () => {
    const [left, stirred] = [made({}), made({ stirred: true })]
    expect(stirred.stages.find((s) => s.kind === 'heat-up')!.checks.join()).toMatch(/Stir once/)
    expect(left.stages.flatMap((s) => s.checks).join()).not.toMatch(/Stir once/)
    expect(stirred.separate_index).toBeLessThan(left.separate_index)
  })
})
