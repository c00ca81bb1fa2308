import { planFrom } from '#core/contract/plan'
import { parsePlanRequestOrThrow, type PlanRequestJson } from '#core/contract/plan-request'
import { varietyOf, VARIETY_IDS } from '#core/grain/varieties'
import { METHOD_IDS } from '#core/methods/index'
import { SPOONS } from '#core/units/measures'
import { plan } from './plan'

/** Amounts in the cook's own measure: what was asked is what is planned, and each stage says its own. */

const made = (request: PlanRequestJson) => plan(parsePlanRequestOrThrow(request))
const amountsOf = (request: PlanRequestJson) => made(request).stages.flatMap((s) => s.amounts ?? [])

test('one and a half US cups are planned and shown as one and a half', () => {
  const { grain, stages } = made({
    grains: [{ variety: 'basmati' }],
    amount: { basis: 'measure', value: 1.5, measure: 'us-cup' },
  })
  expect(grain.mass_g).toBeCloseTo(1.5 * 236.6 * varietyOf('basmati').bulkDensity, 0)
  expect(grain.parts[0]!.measures).toEqual([{ measure: 'us-cup', value: 1.5, text: '1½ cups' }])
  expect(stages[0]!.amounts![0]!.measures[0]!.text).toBe('1½ cups')
})

test.each([
  ['metric-cup' as const, 250],
  ['rice-cooker-cup' as const, 180],
  [{ name: 'mug', ml: 310 }, 310],
])('two of %j hold twice its volume of grain', (measure, ml) => {
  const { grain } = made({
    grains: [{ variety: 'short-white' }],
    amount: { basis: 'measure', value: 2, measure },
  })
  expect(grain.volume_ml).toBeCloseTo(2 * ml, 0)
})

test('each member of a blend has its own measure, and none is rounded', () => {
  const { grain } = made({
    grains: [
      { variety: 'basmati', amount: { value: 2, measure: 'us-cup' } },
      { variety: 'quinoa', amount: { value: 0.5, measure: { name: 'mug', ml: 300 } } },
    ],
  })
  expect(grain.parts.map((p) => Math.round(p.volume_ml))).toEqual([473, 150])
  expect(grain.parts[0]!.measures![0]!.text).toBe('2 cups')
  expect(grain.parts[1]!.measures![1]!.text).toBe('½ mug')
})

test.each([
  [
    {
      grains: [{ variety: 'basmati', amount: { value: 1, measure: 'us-cup' } }, { variety: 'quinoa' }],
    },
    'grains.1.amount',
    'required',
  ],
  [{ grains: [{ variety: 'basmati' }] }, 'amount', 'required'],
  [
    { grains: [{ variety: 'basmati' }], amount: { basis: 'measure', value: 2 } },
    'amount.measure',
    'required',
  ],
  [
    { grains: [{ variety: 'basmati' }], amount: { basis: 'measure', value: 2, measure: 'bucket' } },
    'amount.measure',
    undefined,
  ],
  [
    { grains: [{ variety: 'basmati' }], amount: { basis: 'measure', value: 200, measure: 'us-cup' } },
    'amount',
    'out-of-range',
  ],
])('%j is refused at %s', (request, path, code) => {
  const read = planFrom(request)
  expect(read.ok ? [] : read.errors.map((e) => [e.path, ...(code ? [e.code] : [])])).toEqual([
    [path, ...(code ? [code] : [])],
  ])
})

test('by every method, what the stages measure is the whole grain and the whole pour', () => {
  for (const method of METHOD_IDS) {
    const read = planFrom({
      grains: [{ variety: 'long-white' }],
      amount: { basis: 'measure', value: 2, measure: 'us-cup' },
      method,
      salt_percent: 0.5,
    })
    if (!read.ok) throw new Error(method)
    const amounts = read.value.stages.flatMap((s) => s.amounts ?? [])
    const sum = (what: string) =>
      amounts.filter((a) => a.what === what).reduce((total, a) => total + a.grams, 0)
    expect([method, sum('grain')]).toEqual([method, read.value.grain.mass_g])
    const liquid = sum('water') + sum('stock')
    const whole = read.value.water.pour_g + (read.value.water.boiler_g ?? 0)
    expect([method, Math.abs(liquid - whole) < 2]).toEqual([method, true])
    for (const { what, ml, measures } of amounts)
      if (what !== 'salt' && ml !== undefined)
        for (const { value } of measures) expect(Math.abs((value * 236.6) / ml - 1)).toBeLessThan(0.02)
  }
})

test('salt, sugar and vinegar are said by the spoon', () => {
  const amounts = amountsOf({
    grains: [{ variety: 'short-white' }],
    amount: { basis: 'measure', value: 2, measure: 'us-cup' },
    purpose: 'dressed',
  })
  const vinegar = amounts.find((a) => a.what === 'vinegar')!
  expect(vinegar.measures[0]!.value * SPOONS.us.tsp * 1.01).toBeCloseTo(vinegar.grams, 0)
  expect(vinegar.measures[0]!.text).toMatch(/tbsp/)
})

test('titles speak grams in a kitchen of scales, measures in one of cups', () => {
  const titleOf = (request: PlanRequestJson) =>
    made({ ...request, salt_percent: 0.5 }).stages.find((s) => s.id === 'season')!.title
  const grains = [{ variety: 'long-white' as const }]
  expect(titleOf({ grains, amount: { basis: 'dry-mass', value: 300 } })).toMatch(
    /^Into the water: [\d.]+ g salt$/,
  )
  expect(titleOf({ grains, amount: { basis: 'measure', value: 2, measure: 'us-cup' } })).toBe(
    'Into the water: ¾ tsp salt',
  )
})

test('every grain asked by the cup comes back as that cup', () => {
  for (const variety of VARIETY_IDS) {
    const { grain } = made({
      grains: [{ variety }],
      amount: { basis: 'measure', value: 1.25, measure: 'metric-cup' },
    })
    expect([variety, grain.parts[0]!.measures![0]!.text]).toEqual([variety, '1¼ cups'])
  }
})
