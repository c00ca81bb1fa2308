import fc from 'fast-check'
import { spreadLabels } from './spread-labels'

test('labels with room stay where they are', () => {
  expect(spreadLabels([10, 50, 90], 8, { from: 0, to: 100 })).toEqual([10, 50, 90])
})

test('crowded labels keep their order and their distance, within the limits when they fit', () => {
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 0, max: 100 }), { minLength: 1, maxLength: 8 }), (places) => {
      const out = spreadLabels(places, 10, { from: 0, to: 100 })
      const sorted = [...out].sort((a, b) => a - b)
      for (let i = 1; i < sorted.length; i++)
        expect(sorted[i]! - sorted[i - 1]!).toBeGreaterThanOrEqual(10 - 1e-9)
      for (const [i, a] of places.entries())
        for (const [j, b] of places.entries()) if (a < b) expect(out[i]!).toBeLessThan(out[j]!)
      expect(Math.max(...out)).toBeLessThanOrEqual(100)
    }),
  )
})
