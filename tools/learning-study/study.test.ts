import { study } from './study'

/** What the beliefs must do in kitchens whose bag, pot and burner nobody told. */
describe('two hundred households', () => {
  const given = { households: 200, seed: 20260305 }
  test('after five cooks that were only judged, the water is off by 0.4 of the start or less, and of the far off nine in ten are halved', () => {
    const { rms, halved, farOff } = study({ ...given, cooks: 5, weighed: false })
    expect(farOff).toBeGreaterThan(40)
    expect(rms[5]! / rms[0]!).toBeLessThanOrEqual(0.4)
    expect(halved[5]).toBeGreaterThanOrEqual(0.9)
  })
  test('with the full pot weighed, after three', () => {
    const { rms, halved } = study({ ...given, cooks: 3, weighed: true })
    expect(rms[3]! / rms[0]!).toBeLessThanOrEqual(0.4)
    expect(halved[3]).toBeGreaterThanOrEqual(0.9)
  })
})
