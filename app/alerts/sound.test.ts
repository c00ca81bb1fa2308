import { loudnessOf } from './sound'

test('an alert without an answer gets louder each time, up to full and no further', () => {
  const heard = [0, 1, 2, 3, 4, 20].map(loudnessOf)
  expect(heard[0]).toBeGreaterThan(0.2)
  for (const [i, loud] of heard.entries()) {
    expect(loud).toBeGreaterThanOrEqual(heard[i - 1] ?? 0)
    expect(loud).toBeLessThanOrEqual(1)
  }
  expect(loudnessOf(2)).toBeGreaterThan(loudnessOf(0))
  expect(loudnessOf(3)).toBe(1)
})
