import {
  deepestInTime,
  coolingOf,
  conductivityOf,
  fasterWays,
  type CoolingInput,
  type Portion,
} from './cooling'
import { guidanceOf } from './guidance'
import { coolSlab } from './slab'

/** Roots of ζ tan ζ = Bi, by bisection in each branch. */
function roots(bi: number, many: number): number[] {
  return Array.from({ length: many }, (_, n) => {
    let [low, high] = [n * Math.PI + 1e-9, n * Math.PI + Math.PI / 2 - 1e-9]
    for (let i = 0; i < 80; i++) {
      const middle = (low + high) / 2
      if (middle * Math.tan(middle) > bi) high = middle
      else low = middle
    }
    return (low + high) / 2
  })
}
/** Closed form of a plane wall cooled alike on both faces, centre temperature (Incropera & DeWitt, eq. 5.42). */
const closedCentre = (bi: number, fourier: number): number =>
  roots(bi, 12).reduce(
    (sum, z) => sum + ((4 * Math.sin(z)) / (2 * z + Math.sin(2 * z))) * Math.exp(-z * z * fourier),
    0,
  )

const slab = { depthM: 0.04, conductivity: 0.3, heatPerVolume: 2.5e6, startC: 75 }

describe('a slab that cools', () => {
  test.each([0.1, 0.5, 1, 2, 5])('agrees with the closed form within 2 %% at Biot %d', (bi) => {
    const half = slab.depthM / 2
    const h = (bi * slab.conductivity) / half
    const face = { celsius: 5, h }
    const own = half ** 2 / (slab.conductivity / slab.heatPerVolume)
    for (const fourier of [0.3, 1, 2]) {
      const seconds = fourier * own
      const run = coolSlab(slab, face, face, seconds / 800, (_, t) => t >= seconds - 1e-6)
      const expected = 5 + 70 * closedCentre(bi, fourier)
      expect(Math.abs(run.warmestC - expected) / (expected - 5)).toBeLessThan(0.02)
    }
  })

  test('time to a temperature agrees with the closed form within 2 %', () => {
    const bi = 0.6
    const half = slab.depthM / 2
    const face = { celsius: 4, h: (bi * slab.conductivity) / half }
    const own = half ** 2 / (slab.conductivity / slab.heatPerVolume)
    const z = roots(bi, 1)[0]!
    const c = (4 * Math.sin(z)) / (2 * z + Math.sin(2 * z))
    // One term is exact to a thousandth past a fifth of the slab's own time.
    const exact = (-Math.log((21 - 4) / (75 - 4) / c) / z ** 2) * own
    const run = coolSlab(slab, face, face, 20, (warmest) => warmest <= 21)
    expect(Math.abs(run.seconds - exact) / exact).toBeLessThan(0.02)
  })

  test('the heat it loses is the heat that leaves its faces', () => {
    const [h, air] = [9, 4]
    let gone = 0
    let before = slab.startC
    // A thin, well conducting slab is one temperature: the exponential of the lumped body.
    const lumped = { ...slab, depthM: 0.004, conductivity: 50 }
    const seconds = 600
    const run = coolSlab(lumped, { celsius: air, h }, { celsius: air, h }, 1, (warmest, t) => {
      gone += 2 * h * (before - air)
      before = warmest
      return t >= seconds
    })
    expect(run.meanC).toBeCloseTo(
      air + (75 - air) * Math.exp((-2 * h * seconds) / (lumped.heatPerVolume * lumped.depthM)),
      0,
    )
    expect(gone).toBeGreaterThan(0)
  })

  test('an insulated slab keeps its heat', () => {
    const none = { celsius: 4, h: 1e-9 }
    expect(coolSlab(slab, none, none, 30, (_, t) => t > 3600).meanC).toBeCloseTo(75, 3)
  })

  test('a bare top cools faster and pays in vapour', () => {
    const run = (bare: boolean) =>
      coolSlab(slab, { celsius: 20, h: 9, bare }, { celsius: 20, h: 4 }, 20, (w) => w < 30)
    expect(run(true).seconds).toBeLessThan(run(false).seconds)
    expect(run(false).vapourGM2).toBe(0)
    // Heat of the vapour is no more than what the slab gave up.
    expect(run(true).vapourGM2 * 2257).toBeLessThan(slab.heatPerVolume * slab.depthM * (75 - 20))
  })
})

const rice = (massG: number, depthMm: number): Portion => ({
  massG,
  depthMm,
  densityGMl: 0.79,
  waterShare: 0.62,
})
const given = (portion: Portion, more: Partial<CoolingInput> = {}): CoolingInput => ({
  portion,
  place: 'fridge',
  open: true,
  kitchenC: 20,
  ...more,
})
const stricter = guidanceOf('stricter')

describe('containers in the cold', () => {
  test.each(['stricter', 'uk', 'us'] as const)(
    '1.5 kg 60 mm deep is too slow in a fridge by %s; 20 mm on a tray is not',
    (authority) => {
      const guidance = guidanceOf(authority)
      expect(coolingOf(given(rice(1500, 60), { open: false }), guidance).tooSlow).not.toBeNull()
      expect(coolingOf(given(rice(1500, 60)), guidance).tooSlow).not.toBeNull()
      expect(coolingOf(given(rice(1500, 20)), guidance).tooSlow).toBeNull()
    },
  )

  test('conductivity lies between air and water, and falls with air between the grains', () => {
    expect(conductivityOf(rice(1, 1))).toBeGreaterThan(0.2)
    expect(conductivityOf(rice(1, 1))).toBeLessThan(0.47)
    expect(conductivityOf({ ...rice(1, 1), densityGMl: 0.62 })).toBeLessThan(
      conductivityOf({ ...rice(1, 1), densityGMl: 1.05 }),
    )
  })

  test('thinner, open, apart and colder are each quicker; mass alone is not', () => {
    const base = coolingOf(given(rice(500, 40), { open: false }), stricter)
    expect(coolingOf(given(rice(500, 30), { open: false }), stricter).to21Min).toBeLessThan(base.to21Min)
    expect(coolingOf(given(rice(500, 40)), stricter).to21Min).toBeLessThan(base.to21Min)
    expect(coolingOf(given(rice(500, 40), { open: false, stacked: 3 }), stricter).to21Min).toBeGreaterThan(
      2 * base.to21Min,
    )
    expect(coolingOf(given(rice(500, 40), { place: 'freezer', open: false }), stricter).to5Min).toBeLessThan(
      base.to5Min,
    )
    expect(coolingOf(given(rice(900, 40), { open: false }), stricter).to21Min).toBe(base.to21Min)
  })

  test('a kitchen counter never makes it cold, and that is said as never', () => {
    const warm = coolingOf(given(rice(300, 20), { place: 'counter' }), stricter)
    expect(warm.to5Min).toBe(Infinity)
    expect(warm.tooSlow).not.toBeNull()
  })

  test('ways that would do really do, and the deepest layer is the edge', () => {
    const slow = given(rice(1500, 60), { open: false, stacked: 2 })
    const ways = fasterWays(slow, stricter)
    expect(ways.map((w) => w.id)).toContain('thinner')
    for (const { cooling } of ways) expect(cooling.tooSlow).toBeNull()
    const edge = deepestInTime(given(rice(1500, 60)), stricter)
    expect(coolingOf(given(rice(1500, edge - 1)), stricter).tooSlow).toBeNull()
    expect(coolingOf(given(rice(1500, edge + 2)), stricter).tooSlow).not.toBeNull()
  })
})
