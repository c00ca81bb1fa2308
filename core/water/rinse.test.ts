import { planFrom } from '#core/contract/plan'
import type { PlanRequestJson } from '#core/contract/plan-request'
import { VARIETIES, varietyOf } from '#core/grain/varieties'
import { clearEnough, CLARITY_STEPS } from './clear-enough'
import { expectedClarity, frothFactor, washesTo } from './clarity'

test('each wash halves what clouds the water', () => {
  expect([0, 1, 2, 3].map(expectedClarity)).toEqual([0, 0.5, 0.75, 0.875])
  for (let washes = 0; washes <= 8; washes++) expect(washesTo(expectedClarity(washes))).toBe(washes)
  expect(washesTo(1)).toBe(8)
})

test('the scale to compare with rises from milk to clear', () => {
  const steps = CLARITY_STEPS.map((s) => s.clarity)
  expect(steps[0]).toBe(0)
  expect(steps[steps.length - 1]).toBe(1)
  expect([...steps].sort((a, b) => a - b)).toEqual(steps)
})

test('froth: 1.40 unrinsed under a lid, 1.15 rinsed or with the lid ajar, and between by what the cook saw', () => {
  expect(frothFactor({ washes: 0, covered: true })).toBe(1.4)
  expect(frothFactor({ washes: 3, covered: true })).toBeCloseTo(1.15, 9)
  expect(frothFactor({ washes: 0, covered: false })).toBe(1.15)
  expect(frothFactor({ washes: 1, covered: true, clarity: 0.5 })).toBeCloseTo(1.275, 9)
})

test('clear enough: more for grain that should stay apart, nothing for what is not washed', () => {
  expect(clearEnough(varietyOf('risotto-white'), 'usual')).toBe(0)
  for (const variety of VARIETIES.filter((v) => v.washes > 0))
    expect(clearEnough(variety, 'apart')).toBeGreaterThan(clearEnough(variety, 'usual') - 1e-9)
})

// Each wash halves it: 0.5, 0.75, 0.875, 0.9375; apart a tenth more, and never quite clear.
test.each([
  [0, 'usual', 0],
  [0, 'apart', 0],
  [1, 'usual', 0.5],
  [2, 'apart', 0.85],
  [4, 'usual', 0.9375],
  [4, 'apart', 0.95],
  [3, 'creamy', 0],
] as const)('%d usual washes, %s: clear enough at %d', (washes, purpose, clarity) =>
  expect(clearEnough({ ...varietyOf('short-white'), washes }, purpose)).toBeCloseTo(clarity, 9),
)
test.each([
  [0.9961, 8],
  [1, 8],
  [1.2, 8],
  [0, 0],
  [-0.1, 0],
  [0.51, 2],
])('to a clarity of %d: %d washes', (clarity, washes) => expect(washesTo(clarity)).toBe(washes))

describe('the clarity reached changes the plan', () => {
  const plan = (rinse: PlanRequestJson['rinse'], more: Partial<PlanRequestJson> = {}) => {
    const read = planFrom({
      grains: [{ variety: 'short-white' }],
      amount: { basis: 'dry-mass', value: 300 },
      rinse,
      ...more,
    })
    if (!read.ok) throw new Error(read.errors[0]!.message)
    return read.value
  }
  test('cloudy water foams higher and leaves the grains closer together', () => {
    const [cloudy, clear] = [plan({ washes: 2, clarity: 0.3 }), plan({ washes: 2, clarity: 0.95 })]
    expect(cloudy.gauges.froth_level_mm).toBeGreaterThan(clear.gauges.froth_level_mm)
    expect(cloudy.separate_index).toBeLessThan(clear.separate_index)
    expect(cloudy.water.pour_g).toBe(clear.water.pour_g)
  })
  test('the index puts cases in the order cooks know', () => {
    const index = (
      variety: PlanRequestJson['grains'][number]['variety'],
      more: Partial<PlanRequestJson> = {},
    ) => {
      const read = planFrom({ grains: [{ variety }], amount: { basis: 'dry-mass', value: 300 }, ...more })
      return read.ok ? read.value.separate_index : NaN
    }
    expect(index('glutinous')).toBeLessThan(index('short-white'))
    expect(index('short-white')).toBeLessThan(index('long-white'))
    expect(index('long-white', { texture: 1 })).toBeLessThan(index('long-white', { texture: 0 }))
    expect(index('long-white', { stir_at_boil: true })).toBeLessThan(index('long-white'))
    expect(index('long-white', { rinse: { washes: 0 } })).toBeLessThan(index('long-white'))
  })
})
