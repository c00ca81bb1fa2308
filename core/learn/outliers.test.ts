import { NOTHING_APPLIED, observationsOf, type Evidence } from './evidence'
import { addVariable, emptyState, meanOf, update } from './kalman'

/** The mean after one reading of a figure whose prior is 0 ± 1, read with ± 1. */
const meanAfter = (value: number): number => {
  const state = emptyState()
  addVariable(state, 'x', 1)
  update(state, { weights: new Map([['x', 1]]), value, sd: 1 })
  return meanOf(state, 'x')
}

test('a reading up to three standard deviations off counts in full: the mean goes half way', () => {
  // Its standard deviation is √(1 + 1); in full, the gain of 1/2 moves the mean by half of it, at most 0.9.
  expect(meanAfter(1)).toBeCloseTo(0.5, 9)
  expect(meanAfter(1.7)).toBeCloseTo(0.85, 9)
})

test('further out it counts for less, and the mean hardly moves in the end', () => {
  const far = meanAfter(60) / 60
  const near = meanAfter(4) / 4
  expect(far).toBeLessThan(near / 5)
  for (const value of [4, 6, 12, 60]) expect(Math.abs(meanAfter(value))).toBeLessThanOrEqual(0.9 + 1e-9)
  // Inflated noise: gain 1 / (1 + (z/3)²) with z = value/√2.
  const z = 12 / Math.SQRT2
  expect(meanAfter(12)).toBeCloseTo(Math.min(0.9, 12 / (1 + (z / 3) ** 2)), 6)
})

test('steam that was already corrected for is not learned again from a rating', () => {
  const evidence: Evidence = {
    cookId: 'a',
    endedMs: 1,
    grainKey: 'short-white',
    bagId: null,
    vesselId: 'blue',
    heatId: 'gas',
    extraUptake: 0,
    steamPerDry: 0.3,
    applied: NOTHING_APPLIED,
    judged: { wetDry: 0, hardness: 0 },
    heated: null,
    boilFactor: null,
    steamFactor: null,
  }
  const valueOf = (steam: number) =>
    observationsOf({ ...evidence, applied: { ...NOTHING_APPLIED, steam } }).find((s) => s.what === 'wet-dry')!
      .seen.value
  expect(valueOf(0.2) - valueOf(0)).toBeCloseTo(0.3 * 0.2, 9)
})
