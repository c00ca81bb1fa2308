import fc from 'fast-check'
import { coatOf, identify, substitutesFor, type Handful } from './identify'
import { newCropDelta, NEW_CROP_MOISTURE } from './new-crop'
import { VARIETIES, varietyOf, type VarietyId } from './varieties'

const ten = (value: number) => Array<number>(10).fill(value)
const handful = (id: VarietyId, over: Partial<Handful> = {}): Handful => {
  const { kernel } = varietyOf(id)
  return {
    lengths: ten(kernel.lengthMm),
    widths: ten(kernel.widthMm),
    coat: coatOf(varietyOf(id)),
    broken: 0,
    chalky: 0,
    other: 0,
    ...over,
  }
}

test.each(VARIETIES.map((v) => v.id))('%s measured exactly is among the nearest', (id) => {
  expect(
    identify(handful(id))
      .likely.filter((l) => l.distance < 1e-9)
      .map((l) => l.id),
  ).toContain(id)
})

test('measured roughly, as with a kitchen ruler, it is still among the first four', () => {
  fc.assert(
    fc.property(
      fc.constantFrom<VarietyId>('basmati', 'short-white', 'brown-short', 'wild', 'quinoa', 'barley-hulled'),
      fc.array(fc.double({ min: -0.06, max: 0.06, noNaN: true }), { minLength: 20, maxLength: 20 }),
      (id, errors) => {
        const { kernel } = varietyOf(id)
        const rough = handful(id, {
          lengths: errors.slice(0, 10).map((e) => kernel.lengthMm * (1 + e)),
          widths: errors.slice(10).map((e) => kernel.widthMm * (1 + e)),
        })
        expect(identify(rough).likely.map((l) => l.id)).toContain(id)
      },
    ),
  )
})

test('classes by slenderness: long from 3, medium from 2, short below', () => {
  expect(identify(handful('basmati')).class).toBe('long')
  expect(identify(handful('medium-white')).class).toBe('medium')
  expect(identify(handful('short-white')).class).toBe('short')
  expect(identify(handful('millet')).class).toBe('round')
})

test('a poor lot comes with advice', () => {
  const { remarks } = identify(handful('long-white', { broken: 3, chalky: 4, other: 1 }))
  expect(remarks).toHaveLength(3)
  expect(remarks.join(' ')).toMatch(/3 of 10 broken.*4 of 10 chalky.*1 of 10 are another grain/)
  expect(identify(handful('long-white')).remarks).toEqual([])
})

test.each([
  [{ lengths: [], widths: [] }, 'for each kernel'],
  [{ lengths: [7], widths: [7, 2] }, 'for each kernel'],
  [{ lengths: [0], widths: [2] }, 'got 0'],
  [{ lengths: [NaN], widths: [2] }, 'got NaN'],
  [{ lengths: [7], widths: [2], broken: 2 }, '0 to 1'],
])('%j is no handful', (over, words) => {
  expect(() => identify(handful('basmati', over))).toThrow(words)
})

test('what can stand in for a missing grain is what cooks like it', () => {
  const grainBags = (['long-white', 'short-white', 'brown-long', 'glutinous', 'quinoa'] as const).map(
    varietyOf,
  )
  expect(substitutesFor(varietyOf('basmati'), grainBags)[0]!.id).toBe('long-white')
  expect(substitutesFor(varietyOf('brown-basmati'), grainBags)[0]!.id).toBe('brown-long')
  expect(substitutesFor(varietyOf('long-white'), grainBags).map((s) => s.id)).not.toContain('long-white')
})

test('a new crop holds water already: at 15.5 % about 0.08 g/g less of 1.4', () => {
  expect(newCropDelta(NEW_CROP_MOISTURE, 1.4)).toBeCloseTo(-0.0823, 3)
  expect(newCropDelta(0.125, 1.4)).toBeCloseTo(0, 12)
  expect(() => newCropDelta(0.5, 1.4)).toThrow(RangeError)
})
