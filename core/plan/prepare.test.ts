import { planFrom } from '#core/contract/plan'
import { parsePlanRequest, type PlanRequestJson } from '#core/contract/plan-request'
import { VARIETIES } from '#core/grain/varieties'
import { grainNeeded } from './prepare'

const asked = (request: PlanRequestJson) => {
  const [read, made] = [parsePlanRequest(request), planFrom(request)]
  if (!read.ok || !made.ok) throw new Error('cannot be read')
  return { needed: grainNeeded(read.value), parts: made.value.grain.parts }
}

test.each([
  ['by weight', { basis: 'dry-mass', value: 300 }],
  ['by the cup', { basis: 'dry-volume', value: 480 }],
  ['by portions', { basis: 'servings', value: 5 }],
  ['by what it is cooked', { basis: 'cooked-mass', value: 900 }],
  ['by its cooked volume', { basis: 'cooked-volume', value: 1200 }],
] as const)('the grain that is needed is the grain that is planned, %s', (_, amount) => {
  for (const { id } of VARIETIES) {
    const { needed, parts } = asked({ grains: [{ variety: id }], amount })
    expect(needed.map((part) => part.variety)).toEqual([id])
    expect(needed[0]!.grams).toBeCloseTo(parts[0]!.mass_g, 0)
  }
})

test('of a blend each kind is needed, and what is stuck or kept comes on top', () => {
  const { needed, parts } = asked({
    grains: [
      { variety: 'basmati', share: 2 },
      { variety: 'quinoa', share: 1 },
    ],
    amount: { basis: 'servings', value: 4 },
    keep_servings: 2,
  })
  expect(needed.map(({ grams }) => Math.round(grams))).toEqual(parts.map((part) => Math.round(part.mass_g)))
  // Six portions of 65 g, two parts to one.
  expect(needed[0]!.grams).toBeCloseTo(260, 6)
  expect(needed[1]!.grams).toBeCloseTo(130, 6)
})
