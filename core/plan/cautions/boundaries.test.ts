import { parsePlanRequest, type PlanRequestJson } from '#core/contract/plan-request'
import { blendOf } from '#core/grain/blend'
import { methodOf } from '#core/methods/index'
import type { CautionInput } from '#core/plan/caution-input'
import type { Caution } from '#core/plan/result'
import { cautionsOf } from './index'

/**
 * Every rule alone, just under its limit and just over it: the figures a plan would hand to the cautions are
 * written by hand here, so that no pot is cooked and each limit is met to the last digit.
 */

type Given = { [K in keyof CautionInput]?: Partial<CautionInput[K]> }
const stage = (id: string, kind: string, expected: number, more = {}) => ({
  id,
  kind,
  minutes: { low: expected, expected, high: expected + 5 },
  ...more,
})

/** A plan nothing is said against but what is said of every plan. */
function factsOf(request: Partial<PlanRequestJson> = {}, given: Given = {}): CautionInput {
  const read = parsePlanRequest({
    grains: [{ variety: 'quinoa' }],
    amount: { basis: 'dry-mass', value: 300 },
    method: 'covered-simmer',
    vessel: { capacity_ml: 3000, base_diameter_mm: 200, lid: 'tight' },
    heat: 'gas-medium',
    ...request,
  })
  if (!read.ok) throw new Error(read.errors[0]!.message)
  const blend = blendOf(read.value.grains)
  const facts = {
    request: read.value,
    blend,
    dryG: 300,
    uptake: blend.uptake.standard,
    boilC: 100,
    gauges: {
      bedDepth: 20,
      fillLine: 900,
      swollen: 1000,
      froth: 1200,
      swollenLevel: 40,
      fillLevel: 30,
      frothLevel: 40,
    },
    solution: {
      pourG: 800,
      absorbedG: 300 * blend.uptake.standard,
      leftG: 0,
      course: { scorch: 0, centre: 0.95, outcome: 'done', ended: [true, true], minutes: [8, 12] },
    },
    stages: [stage('heat-up', 'heat-up', 8), stage('simmer', 'simmer', 12)],
    clingingG: 0,
    timed: {
      stages: [
        { id: 'heat-up', until: { event: 'boil' }, mode: 'open', powerW: 1000 },
        { id: 'simmer', until: 'solved', mode: 'open', powerW: 300 },
      ],
    },
    method: methodOf(read.value.method),
    goal: { centre: 0.93 },
    seasoning: { saltOverG: 0, saltInStockG: 0, saltInAddInsG: 0, saltWantedG: 3 },
    shortG: 0,
    keeps: { warmMin: 40, dryMin: 90, driesPercentPerHour: 5 },
  } as unknown as CautionInput
  for (const [key, value] of Object.entries(given)) {
    const now = facts[key as keyof CautionInput]
    Object.assign(facts, {
      [key]:
        typeof value === 'object' && now !== undefined && !Array.isArray(value)
          ? Object.assign(Object.create(Object.getPrototypeOf(now) as object), now, value)
          : value,
    })
  }
  return facts
}
const all = (request: Partial<PlanRequestJson> = {}, given: Given = {}): Caution[] =>
  cautionsOf(factsOf(request, given))
const find = (code: string, request: Partial<PlanRequestJson> = {}, given: Given = {}): Caution | undefined =>
  all(request, given).find((c) => c.code === code)
const course = (more: object): Given => ({
  solution: { course: { ...factsOf().solution.course, ...more } } as CautionInput['solution'],
})
const PRESSURE = { method: 'pressure-electric', vessel: 'pressure-electric-5' } as const

test('a calm plan has the usual cautions and no more', () => {
  expect(all().map((c) => c.code)).toEqual(['steam-under-lid', 'hot-or-cold'])
  expect(all(PRESSURE, { gauges: { fillLine: 1000 } as CautionInput['gauges'] }).map((c) => c.code)).toEqual([
    'pressure-vessel',
    'hot-or-cold',
  ])
})

describe('fit', () => {
  const gauges = (more: Partial<CautionInput['gauges']>): Given => ({ gauges: more })
  test.each([
    [2250, 1000, undefined],
    [2251, 1000, 'warn'],
    [3000, 1000, 'warn'],
    [3001, 1000, 'stop'],
    [1000, 3000, undefined],
    [1000, 3001, 'stop'],
  ])('swollen to %d mL, filled to %d of 3000: %s', (swollen, fillLine, severity) => {
    const found = find('swells-too-high', {}, gauges({ swollen, fillLine, froth: 0 } as never))
    expect(found?.severity).toBe(severity)
    if (swollen > 3000) expect(found!.text).toMatch(/runs over the rim\.$/)
    else if (found && fillLine === 1000)
      expect(found.text).toMatch(/over three quarters it cooks unevenly\.$/)
  })
  test('too full: the next roomier pot of its kind, or what this one takes at a time', () => {
    const big = find('swells-too-high', {}, gauges({ swollen: 2600 } as never))!
    expect(big.mend).toMatchObject({ vessel: expect.any(String) as string })
    // Nothing takes 30 L: 300 g × (0.75 × 3000 / 30,000) × 0.95 = 21.4 g, in fives.
    const huge = find('swells-too-high', {}, gauges({ swollen: 30_000 } as never))!
    expect(huge.mend).toEqual({ amount: { basis: 'dry-mass', value: 20 } })
    expect(huge.remedy).toBe('Cook 20 g at a time, in two pots or in rounds.')
  })
  test.each([
    ['long-white', 2500, undefined],
    ['long-white', 2501, 'half full'],
    ['amaranth', 1666, undefined],
    ['amaranth', 1667, 'a third full'],
  ] as const)('a pressure cooker of 5 L with %s filled to %d mL: %s', (variety, fillLine, share) => {
    const found = find(
      'pressure-over-full',
      { ...PRESSURE, grains: [{ variety }] },
      gauges({ fillLine } as never),
    )
    expect(found?.severity).toBe(share && 'stop')
    if (share) expect(found!.text).toContain(share)
  })
  test('a pressure cooker nothing is roomier than: by the line it may be filled to', () => {
    // 300 g × (2500 / 20,000) × 0.95 = 35.6 g, in fives.
    const found = find('pressure-over-full', PRESSURE, gauges({ fillLine: 20_000 } as never))!
    expect(found.mend).toEqual({ amount: { basis: 'dry-mass', value: 35 } })
  })
  test.each([
    [240, 0, false],
    [239.9, 0, true],
    [140, 100, false],
    [140, 99, true],
  ])('least liquid: %d g poured and %d g rinse water', (pourG, clingingG, said) => {
    const least = (request: Partial<PlanRequestJson>) =>
      find('under-least-liquid', request, {
        solution: { pourG } as CautionInput['solution'],
        clingingG: clingingG as never,
      })
    expect(least(PRESSURE)?.severity).toBe(said ? 'stop' : undefined)
    expect(least({})).toBeUndefined()
  })
  test.each([
    // 300 × 240 / 120 = 600 g; 300 × 240 / 48 = 1500 g is five times as much, 1600 more than that.
    [120, 600],
    [48, 1500],
    [45, undefined],
  ])('%d g of liquid: enlarge to %s g', (pourG, value) => {
    const found = find('under-least-liquid', PRESSURE, { solution: { pourG } as CautionInput['solution'] })!
    expect(found.mend).toEqual(value && { amount: { basis: 'dry-mass', value } })
    expect(found.remedy).toMatch(value ? /^Cook \d+ g, or put a bowl/ : /^Put a bowl/)
  })
  test.each([
    [0.9, 'dish-thickens', undefined],
    [1, 'dish-runs-dry', { boiler_dish: { name: 'stew', liquid_g: 310 } }],
  ])('a dish under the basket short of %d g: %s', (top_up_g, code, mend) => {
    const boilerDish = { name: 'stew', liquid_g: 300, steams_off_g: 200, top_up_g }
    const found = all({}, { boilerDish: boilerDish as never }).find((c) => c.code.startsWith('dish-'))!
    expect([found.code, found.mend]).toEqual([code, mend])
  })
  test.each([
    [3000, 900, false],
    [3001, 900, true],
    [3500, 3001, false],
  ])('foam to %d mL over %d mL in 3 L', (froth, fillLine, said) => {
    expect(find('boils-over', {}, gauges({ froth, fillLine } as never)) !== undefined).toBe(said)
    expect(find('boils-over', PRESSURE, gauges({ froth: 9000, fillLine } as never))).toBeUndefined()
  })
  test('against foam: the lid ajar, then rinsing, then a roomier pot', () => {
    const foam = (request: Partial<PlanRequestJson>, fillLine = 2600) =>
      find('boils-over', { rinse: { washes: 0 }, ...request }, gauges({ froth: 3100, fillLine } as never))!
        .mend
    expect(foam({ lid_until_boil: 'on' })).toEqual({ lid_until_boil: 'ajar' })
    expect(foam({ lid_until_boil: 'ajar' })).toMatchObject({ rinse: { washes: 3 } })
    expect(foam({ method: 'boiling-start', lid_until_boil: 'on' })).toMatchObject({ rinse: { washes: 3 } })
    expect(foam({ lid_until_boil: 'ajar', rinse: { washes: 1 } })).not.toHaveProperty('rinse')
    // 1.15 × 2609 mL is over the rim even with the lid ajar.
    expect(foam({ lid_until_boil: 'on' }, 2608)).toHaveProperty('lid_until_boil')
    expect(foam({ lid_until_boil: 'on' }, 2609)).not.toHaveProperty('lid_until_boil')
  })
  test.each([
    [8, false],
    [7.99, true],
  ])('a layer of %d mm is too thin: %s', (bedDepth, said) => {
    const thin = (request: Partial<PlanRequestJson>) =>
      find('bed-too-thin', request, gauges({ bedDepth } as never)) !== undefined
    expect(thin({})).toBe(said)
    for (const method of ['boil-and-drain', 'steam', 'porridge', 'pressure-electric'] as const)
      expect(thin(method === 'pressure-electric' ? PRESSURE : { method })).toBe(false)
    expect(thin({ method: 'oven', vessel: 'oven-dish-3' })).toBe(false)
  })
  test.each([
    [90, false],
    [90.1, true],
  ])('a layer of %d mm is too deep: %s', (bedDepth, said) => {
    expect(find('bed-too-deep', {}, gauges({ bedDepth } as never)) !== undefined).toBe(said)
    expect(find('bed-too-deep', { method: 'porridge' }, gauges({ bedDepth } as never))).toBeUndefined()
  })
  test.each([
    [undefined, 500, false],
    [40, 95, false],
    [40, 96, true],
  ])('a basket at %s mm and grain up to %d in a pot 95.5 mm high', (basketLevel, swollenLevel, said) => {
    const found = find('no-room-over-water', {}, gauges({ basketLevel, swollenLevel } as never))
    expect(found?.mend).toEqual(said ? { amount: { basis: 'dry-mass', value: 150 } } : undefined)
  })
})

describe('timing', () => {
  const ended = (until: object, at: boolean): Given => ({
    timed: { stages: [{ id: 'a', until, mode: 'open', powerW: 900 }] } as never,
    ...course({ ended: [at], minutes: [5] }),
  })
  test.each([
    [{ event: 'boil' }, true, false],
    [{ event: 'boil' }, false, true],
    [{ event: 'toasted' }, false, false],
    [{ event: 'unsealed' }, false, false],
    [{ minutes: 5 }, false, false],
  ])('a stage until %j that ended: %s', (until, at, said) => {
    expect(find('never-boils', {}, ended(until, at)) !== undefined).toBe(said)
  })
  test('never boiling: a stronger burner, but a covered pot where a lid never sealed', () => {
    expect(find('never-boils', {}, ended({ event: 'boil' }, false))!.mend).toBeUndefined()
    expect(find('never-boils', PRESSURE, ended({ event: 'sealed' }, false))!.mend).toMatchObject({
      method: 'covered-simmer',
    })
  })
  test.each([
    [25, 'heat-up', 'heat-up', false],
    [25.1, 'heat-up', 'heat-up', true],
    [25.1, 'kettle', 'heat-up', false],
    [25.1, 'up', 'pressure-up', true],
    [25.1, 'simmer', 'simmer', false],
  ])('%d min of %s (%s)', (minutes, id, kind, said) => {
    const slow = (request: Partial<PlanRequestJson>) =>
      find('slow-to-boil', request, { stages: [stage(id, kind, minutes)] as never }) !== undefined
    expect(slow({})).toBe(said)
    expect(slow({ method: 'porridge' })).toBe(false)
  })
  test('what never boils is not also slow, nor never done', () => {
    const codes = all(
      {},
      {
        stages: [stage('heat-up', 'heat-up', 99)] as never,
        timed: { stages: [{ id: 'a', until: { event: 'boil' }, mode: 'open', powerW: 9 }] } as never,
        ...course({ ended: [false], outcome: 'never', minutes: [99] }),
      },
    ).map((c) => c.code)
    expect(codes).toContain('never-boils')
    expect(codes).not.toContain('slow-to-boil')
    expect(codes).not.toContain('never-done')
  })
  test('never done: too weak a heat, or a pot that cools too fast', () => {
    expect(find('never-done', {}, course({ outcome: 'never' }))).toMatchObject({ severity: 'stop' })
    expect(find('never-done')).toBeUndefined()
    const capped = {
      timed: { stages: [{ id: 'a', until: { minutes: 3 }, atMost: 3, mode: 'open', powerW: 0 }] } as never,
      ...course({ outcome: 'never', ended: [true], minutes: [3] }),
    }
    expect(find('not-enough-warmth', {}, capped)).toMatchObject({ mend: { method: 'covered-simmer' } })
    expect(find('never-done', {}, capped)).toBeUndefined()
  })

  const spare = (expected: number, room: number, more: object = {}): Given => ({
    stages: [
      stage('heat-up', 'heat-up', 8),
      { ...stage('simmer', 'simmer', expected), minutes: { low: 1, expected, high: expected + room } },
    ] as never,
    timed: { stages: [{ id: 'simmer', until: 'solved', mode: 'open', powerW: 300, ...more }] } as never,
  })
  test.each([
    [12, 1, false],
    [12, 0.9, true],
    [2, 0.5, false],
    [2.1, 0.5, true],
  ])('%d min with %d min of room: no time to spare %s', (expected, room, said) => {
    const found = find('no-time-to-spare', {}, spare(expected, room))
    expect(found !== undefined).toBe(said)
  })
  test.each<[string, Partial<PlanRequestJson>, object]>([
    ['it ends to the minute by itself', {}, { exact: true }],
    ['the lid is locked', {}, { mode: 'sealed' }],
    ['the heat is off', {}, { powerW: 0 }],
    ['minutes are the method’s', {}, { until: { minutes: 12 } }],
    ['it cooks on in the next', {}, { cooksOn: true }],
    ['it is drained', { method: 'boil-and-drain' }, {}],
    ['it is stirred', { method: 'porridge' }, {}],
    ['minutes are the cook’s own', { own: { minutes: { simmer: 12 } } }, {}],
  ])('no dry bottom is foreseen where %s', (_why, request, more) => {
    expect(find('no-time-to-spare', request, spare(12, 0.5, more))).toBeUndefined()
  })
  test('more time: the lowest heat, unless it is on the lowest already', () => {
    const style = (heat_style: PlanRequestJson['heat_style']) =>
      find('no-time-to-spare', { heat_style }, spare(12, 0.5))!.mend
    expect(style('boil-then-lowest')).toBeUndefined()
    expect(style('strong-minute-then-low')).toEqual({ heat_style: 'boil-then-lowest' })
    expect(find('no-time-to-spare', {}, { ...spare(12, 0.5), ...course({ outcome: 'dry' }) })).toBeUndefined()
  })

  test('thin air: from 600 m, from three quarters of a minute, and a pressure cooker from ten', () => {
    const air = (elevation_m: number, boilC: number, minutes: number, more = {}) =>
      find(
        'thin-air',
        { elevation_m, ...more },
        { boilC: boilC as never, ...course({ minutes: [8, minutes] }) },
      )
    expect(air(599, 95, 30)).toBeUndefined()
    expect(air(600, 95, 30)).toBeDefined()
    expect(air(600, 95, 0.5)).toBeUndefined()
    expect(air(600, 100, 30)).toBeUndefined()
    const minutes = Number(/: (\d+) min more/.exec(air(1500, 95, 30)!.text)![1])
    expect(air(1500, 95, 30)!.remedy).toBe(minutes >= 10 ? 'A pressure cooker is quicker here.' : undefined)
    expect(air(3000, 90, 60)!.remedy).toBe('A pressure cooker is quicker here.')
    expect(air(1500, 95, 30, PRESSURE)).toBeUndefined()
  })
})

describe('texture', () => {
  test.each([
    [0, undefined],
    [1, 'warn'],
    [75, 'warn'],
    [75.1, 'stop'],
  ])('own water %d g short of firm: %s', (shortG, severity) => {
    const short = (pour_override_g: number | null) =>
      find('too-little-water', { pour_override_g }, { shortG: shortG as never })
    expect(short(400)?.severity).toBe(severity)
    expect(short(null)).toBeUndefined()
  })
  test.each([
    [0.5, undefined],
    [0.6, 'wet'],
    // 6 % of 300 g and the 500 g it took up is 48 g.
    [48, 'wet'],
    [48.1, 'soggy'],
  ])('own water with %d g left: %s', (leftG, code) => {
    const left = (request: Partial<PlanRequestJson>) =>
      all(request, { solution: { leftG, absorbedG: 500 } as CautionInput['solution'] }).find((c) =>
        ['wet', 'soggy'].includes(c.code),
      )?.code
    expect(left({ pour_override_g: 700 })).toBe(code)
    expect(left({ pour_override_g: null })).toBeUndefined()
    expect(left({ pour_override_g: 700, method: 'ladled' })).toBe(code)
    expect(left({ pour_override_g: 700, method: 'boil-and-drain' })).toBeUndefined()
  })
  test.each([
    [1800, false],
    [1801, true],
  ])('%d K·s over scorching: %s', (scorch, said) => {
    expect(find('scorches', {}, course({ scorch })) !== undefined).toBe(said)
    if (!said) return
    expect(find('scorches', {}, course({ scorch }))!.mend).toBeUndefined()
    expect(find('scorches', { pour_override_g: 400 }, course({ scorch }))!.mend).toEqual({
      pour_override_g: null,
    })
  })
  test.each([
    [0.93, 0.9, undefined],
    [0.93, 0.899, 'firm-centred'],
    [0.93, 0.8, 'firm-centred'],
    [0.93, 0.799, 'chalky'],
    // A bite is meant: to within 0.03 of what was planned.
    [0.7, 0.67, undefined],
    [0.7, 0.669, 'chalky'],
  ])('meant %d, reached %d: %s', (meant, centre, code) => {
    const found = all({}, { goal: { centre: meant } as never, ...course({ centre }) }).find((c) =>
      ['firm-centred', 'chalky'].includes(c.code),
    )
    expect(found?.code).toBe(code)
    if (found) expect(found.severity).toBe(code === 'chalky' ? 'stop' : 'warn')
  })
  test('hard centres: the planned water for own water, a soak for a rice cooker', () => {
    const hard = (request: Partial<PlanRequestJson>) => find('chalky', request, course({ centre: 0.5 }))!.mend
    expect(hard({ pour_override_g: 300 })).toEqual({ pour_override_g: null })
    expect(hard({ method: 'switch-cooker', vessel: 'cooker-5', heat: undefined })).toMatchObject({
      soak: { minutes: 120 },
    })
    expect(hard({})).toBeUndefined()
  })
  test('stored heat is a risk for what takes longer than six minutes, where it gets done at all', () => {
    const risk = (variety: PlanRequestJson['grains'][number]['variety'], outcome = 'done') =>
      find('off-heat-risk', { grains: [{ variety }], method: 'off-heat' }, course({ outcome })) !== undefined
    expect([risk('quinoa'), risk('couscous'), risk('quinoa', 'never')]).toEqual([true, false, false])
    expect(find('off-heat-risk')).toBeUndefined()
  })
  test.each([
    [0.85, false],
    [0.849, true],
  ])('steamed to %d of firm is dry: %s', (share, said) => {
    const steamed = (request: Partial<PlanRequestJson>) =>
      find('steamed-dry', request, {
        solution: { absorbedG: 300 * share * factsOf().blend.uptake.firm } as CautionInput['solution'],
      })
    expect(steamed({ method: 'steam' }) !== undefined).toBe(said)
    expect(steamed({})).toBeUndefined()
    if (!said) return
    expect(steamed({ method: 'steam', soak: null })!.mend).toMatchObject({
      soak: { minutes: 480, celsius: 5 },
    })
    const soak = { minutes: 60, celsius: 20, water: 'drain' } as const
    expect(steamed({ method: 'steam', soak })!.mend).toEqual({ method: 'steam-passes' })
  })
  test('less than packages print: at 85 % of their ratio by volume, and only of own water’s absence', () => {
    // Long white: printed 2 to 1 by volume; 300 g fill 300 / 0.85 mL or so.
    const blend = blendOf([{ variety: 'long-white' as never, share: 1 }])
    const printed = (pourG: number, request: Partial<PlanRequestJson> = {}) =>
      find(
        'less-than-packages',
        { grains: [{ variety: 'long-white' }], ...request },
        { solution: { pourG } as CautionInput['solution'] },
      )
    const at = ((2 * 300) / blend.bulkDensity) * 0.85
    expect(printed(at - 0.5)!.text).toContain('print 2 to 1')
    expect(printed(at + 0.5)).toBeUndefined()
    expect(printed(at - 0.5, { pour_override_g: 300 })).toBeUndefined()
    expect(printed(at - 0.5, { method: 'boil-and-drain' })).toBeUndefined()
  })
  test('salt that stock brings: over half a gram more than asked, and by how much less stock', () => {
    const salted = (saltOverG: number) =>
      find(
        'salted-by-itself',
        { stock_share: 1 },
        {
          seasoning: { saltOverG, saltInStockG: 4, saltInAddInsG: 2, saltWantedG: 3 } as never,
        },
      )
    expect(salted(0.5)).toBeUndefined()
    expect(salted(0.6)!.text).toContain('6 g of salt')
    expect(salted(0.6)!.mend).toEqual({ stock_share: 0.5 })
  })
  test('quick release: of soft skins, held for more than two minutes', () => {
    const quick = (request: Partial<PlanRequestJson>, minutes: number) =>
      find(
        'quick-release-texture',
        { ...PRESSURE, grains: [{ variety: 'long-white' }], release: 'quick', ...request },
        {
          stages: [stage('pressure', 'pressure', minutes)] as never,
        },
      ) !== undefined
    expect([quick({}, 2), quick({}, 2.1)]).toEqual([false, true])
    expect(quick({ release: 'natural' }, 9)).toBe(false)
    expect(quick({ grains: [{ variety: 'wild' }] }, 9)).toBe(false)
    expect(quick({ method: 'covered-simmer', vessel: 'heavy-2.5' }, 9)).toBe(false)
  })
  test('quick and slow together: over six minutes apart, and what can be done about it', () => {
    const grains: PlanRequestJson['grains'] = [{ variety: 'quinoa' }, { variety: 'barley-hulled' }]
    const apart = (request: Partial<PlanRequestJson>, timed: object = {}, spreadMinutes = 20) =>
      find(
        'blend-times-apart',
        { grains, ...request },
        {
          timed: timed as never,
          blend: { spreadMinutes } as never,
        },
      )
    expect(apart({}, {}, 6)).toBeUndefined()
    expect(apart({}, {}, 6.1)!.mend).toEqual({ blend_timing: 'add-later' })
    expect(apart({ method: 'boiling-start' })!.mend).toMatchObject({ blend_timing: 'soak-slow' })
    expect(apart({}, { addAfter: 14 })).toMatchObject({ severity: 'note' })
    expect(apart({}, { addAfter: 14 })!.text).toContain('goes in 14 minutes after the boil')
    const soaked = { blend_timing: 'soak-slow', soak: { minutes: 400, celsius: 5, water: 'drain' } } as const
    expect(apart(soaked)).toMatchObject({ severity: 'note', mend: { blend_timing: 'add-later' } })
    expect(apart({ ...soaked, method: 'boiling-start' })!.mend).toBeUndefined()
    expect(apart({ ...soaked, soak: null })).toMatchObject({ severity: 'warn' })
  })
})

describe('safety', () => {
  test('released steam: a warning unless it falls by itself', () => {
    const vent = (release: PlanRequestJson['release'], id = 'vent') =>
      find('venting-steam', { ...PRESSURE, release }, { stages: [stage(id, 'release', 3)] as never })
    expect(vent('quick')).toMatchObject({ severity: 'warn', mend: { release: 'natural' } })
    expect(vent('natural')).toMatchObject({ severity: 'note' })
    expect(vent('natural')!.mend).toBeUndefined()
    expect(vent('quick', 'fall')).toBeUndefined()
    expect(find('venting-steam', {}, { stages: [stage('vent', 'release', 3)] as never })).toBeUndefined()
  })
  test('foil is lifted at the far side, a lid away from you', () => {
    expect(find('steam-under-lid', { method: 'oven', vessel: 'oven-dish-3' })!.text).toMatch(/^Lift the foil/)
    expect(find('steam-under-lid')!.text).toMatch(/^Open the lid away/)
  })
  test('vitamins: of white rice that may be enriched, and of what is said to be', () => {
    const washed = (variety: PlanRequestJson['grains'][number]['variety'], enriched?: boolean, washes = 1) =>
      find('washing-takes-vitamins', {
        grains: [{ variety }],
        rinse: { washes },
        ...(enriched === undefined ? {} : { enriched }),
      })?.text
    expect(washed('long-white')).toMatch(/^If the bag/)
    expect(washed('long-white', true)).toMatch(/^This grain is enriched/)
    expect(washed('long-white', false)).toBeUndefined()
    expect(washed('long-white', true, 0)).toBeUndefined()
    expect(washed('quinoa')).toBeUndefined()
  })
  test('arsenic is spoken of where rice is drained', () => {
    const drained = (
      grains: PlanRequestJson['grains'],
      method: PlanRequestJson['method'] = 'boil-and-drain',
    ) => find('drained-arsenic', { grains, method }) !== undefined
    expect(drained([{ variety: 'long-white' }])).toBe(true)
    expect(drained([{ variety: 'quinoa' }, { variety: 'long-white' }])).toBe(true)
    expect(drained([{ variety: 'quinoa' }])).toBe(false)
    expect(drained([{ variety: 'long-white' }], 'covered-simmer')).toBe(false)
  })
  test('an appliance that starts by itself: four hours at 20 °C, then less', () => {
    const later = (start_later_minutes: number) =>
      all({
        method: 'switch-cooker',
        vessel: 'cooker-5',
        heat: undefined,
        start_later_minutes,
        kitchen_c: 20,
      } as never).find((c) => c.code.startsWith('start'))
    expect(later(0)).toBeUndefined()
    expect(later(240)).toMatchObject({ code: 'starts-by-itself', severity: 'note' })
    expect(later(300)).toMatchObject({ code: 'start-later-too-long', severity: 'stop' })
    const { start_later_minutes } = later(300)!.mend as { start_later_minutes: number }
    expect(later(start_later_minutes)!.code).toBe('starts-by-itself')
    expect(later(start_later_minutes + 1)!.code).toBe('start-later-too-long')
  })
  test('the hour for cooling is called an hour', () => {
    expect(find('hot-or-cold')!.text).toMatch(/within (an hour|\d+ min) and/)
  })
  test('an avoided food: another grain where there is one, in the same place', () => {
    const found = find('avoided', {
      grains: [{ variety: 'quinoa' }, { variety: 'barley-hulled' }],
      avoids: ['gluten'],
    } as never)!
    expect(found.severity).toBe('stop')
    const { grains } = found.mend as { grains: { variety: string }[] }
    expect(grains.map((g) => g.variety)).toEqual(['quinoa', expect.not.stringMatching('barley-hulled')])
  })
})

test('the gravest first', () => {
  const order = all(
    { pour_override_g: 400 },
    { shortG: 100 as never, gauges: { swollen: 2600 } as never },
  ).map((c) => c.severity)
  expect(order.slice(0, 2)).toEqual(['stop', 'warn'])
  expect(order.indexOf('note')).toBe(2)
})
