import { reliability } from './reliability'
import { study } from './study'
import { OUR_WORLD, WRONG_WORLDS } from './worlds'

/** What the beliefs must do in kitchens whose bag, pot and burner nobody entered. */
describe('two hundred households', () => {
  const given = { households: 200, seed: 20260305 }
  test('after five batches that were only rated, a quarter of the error is left, and of the far off nine in ten are halved', () => {
    const { rms, halved, farOff } = study({ ...given, cooks: 5, weighed: false })
    expect(farOff).toBeGreaterThan(40)
    expect(rms[5]! / rms[0]!).toBeLessThanOrEqual(0.26)
    expect(halved[5]).toBeGreaterThanOrEqual(0.9)
  })
  test('with the full pot weighed, a third after three', () => {
    const { rms, halved } = study({ ...given, cooks: 3, weighed: true })
    expect(rms[3]! / rms[0]!).toBeLessThanOrEqual(0.32)
    expect(halved[3]).toBeGreaterThanOrEqual(0.9)
  })
})

describe('a world that is not the one the app takes for true', () => {
  const left = (world = OUR_WORLD) => {
    const { rms } = study({ households: 100, seed: 20260305, cooks: 5, weighed: false, world })
    return rms[5]! / rms[0]!
  }
  test.each(WRONG_WORLDS.filter(({ id }) => id !== 'always-right'))(
    '$id: half of the error or less is left after five batches',
    (world) => expect(left(world)).toBeLessThanOrEqual(0.5),
  )
  test('where everything is rated right, nothing can be learned, and nothing gets worse', () => {
    const world = WRONG_WORLDS.find(({ id }) => id === 'always-right')!
    expect(left(world)).toBeGreaterThan(0.7)
    expect(left(world)).toBeLessThanOrEqual(1.05)
  })
})

test('odds can be believed: batches end well about as often as they were promised to', () => {
  const { bins, byCook } = reliability({
    households: 100,
    cooks: 3,
    seed: 20260305,
    weighed: false,
    kitchens: 100,
  })
  const all = byCook.reduce((sum, { batches }) => sum + batches, 0)
  expect(all).toBe(400)
  const mean = (key: 'promised' | 'good') => byCook.reduce((sum, b) => sum + b[key] * b.batches, 0) / all
  expect(Math.abs(mean('promised') - mean('good'))).toBeLessThanOrEqual(0.05)
  // Few batches say little: five points, and two standard errors of so many.
  for (const { batches, promised, good } of [...bins, ...byCook])
    expect(Math.abs(promised - good)).toBeLessThanOrEqual(
      0.05 + 2 * Math.sqrt((promised * (1 - promised)) / batches),
    )
})
