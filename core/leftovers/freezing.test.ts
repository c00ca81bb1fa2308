import fc from 'fast-check'
import { coolingOf, FIRST_PLACE_MIN, freezingFrom5, usualCooling, type Portion } from './cooling'
import { freezingMinutes, withAir } from './freezing'
import { guidanceOf } from './guidance'

const portion: Portion = { massG: 400, depthMm: 40, densityGMl: 0.75, waterShare: 0.62 }
const uk = guidanceOf('uk')

describe('freezing', () => {
  test("is Plank's slab where both faces are alike: t = ρL/ΔT (a/2h + a²/8k)", () => {
    const [a, h, water, air] = [0.05, 12, 0.62, 0.3]
    const k = withAir(water * 2.3 + (1 - water) * 0.22, air)
    const heat = 0.75e6 * (water * 0.9 * 334 + 3.4 * 6 + 2 * 9)
    const seconds = (heat / 17) * (a / (2 * h) + a ** 2 / (8 * k))
    const minutes = freezingMinutes({
      depthM: a,
      densityGMl: 0.75,
      waterShare: water,
      airShare: air,
      airC: -18,
      topH: h,
      bottomH: h,
    })
    expect(Math.abs(minutes - seconds / 60)).toBeLessThan(0.1)
  })

  test('a tub of 4 cm is frozen in some hours, a stack of three takes much more than three times as long as one', () => {
    const one = freezingFrom5(portion, 1, false) / 60
    expect(one).toBeGreaterThan(2)
    expect(one).toBeLessThan(12)
    expect(freezingFrom5(portion, 3, false) / 60).toBeGreaterThan(3 * one)
  })

  test('takes longer the deeper, the wetter and the less cold; nothing freezes where water does not', () => {
    const of = (more: Partial<Parameters<typeof freezingMinutes>[0]>) =>
      freezingMinutes({
        depthM: 0.04,
        densityGMl: 0.75,
        waterShare: 0.6,
        airShare: 0.3,
        airC: -18,
        topH: 10,
        bottomH: 10,
        ...more,
      })
    fc.assert(
      fc.property(fc.double({ min: 0.01, max: 0.2, noNaN: true }), (depthM) => {
        const usual = of({ depthM })
        expect(of({ depthM: depthM * 1.1 })).toBeGreaterThan(usual)
        expect(of({ depthM, waterShare: 0.7 })).toBeGreaterThan(usual)
        expect(of({ depthM, airC: -12 })).toBeGreaterThan(usual)
      }),
      { numRuns: 30 },
    )
    expect(of({ airC: -1 })).toBe(Infinity)
    expect(of({ airC: -1.1 })).toBeLessThan(Infinity)
  })
})

describe('the counter first, then the cold', () => {
  const cooled = (place: 'counter' | 'fridge' | 'freezer', next?: 'fridge' | 'freezer') =>
    coolingOf({ portion, place, open: true, kitchenC: 20, next: next ?? null }, uk)

  test('is between the counter alone and the cold alone, and gets cold where the counter never does', () => {
    const [counter, both, fridge] = [cooled('counter'), cooled('counter', 'fridge'), cooled('fridge')]
    expect(counter.to5Min).toBe(Infinity)
    expect(both.to5Min).toBeLessThan(Infinity)
    expect(both.to21Min).toBeLessThan(counter.to21Min)
    expect(both.to21Min).toBeGreaterThan(fridge.to21Min)
    expect(both.to21Min).toBeGreaterThan(FIRST_PLACE_MIN)
  })

  test('is frozen through only in the freezer', () => {
    expect(cooled('fridge').frozenMin).toBe(Infinity)
    expect(cooled('counter', 'fridge').frozenMin).toBe(Infinity)
    const [late, soon] = [cooled('counter', 'freezer'), cooled('freezer')]
    expect(late.frozenMin).toBeGreaterThan(late.to5Min)
    expect(late.frozenMin).toBeGreaterThan(soon.frozenMin)
    expect(late.frozenMin - soon.frozenMin).toBeLessThanOrEqual(FIRST_PLACE_MIN)
  })
})

test('dressed grain stays out of the cold; a batch for the week is frozen where the fridge holds it too short', () => {
  const usual = (dressed: boolean, purpose: 'side' | 'batch', of: 'uk' | 'us') =>
    usualCooling({ dressed, purpose, guidance: guidanceOf(of) })
  expect(usual(true, 'side', 'uk')).toBe('counter')
  expect(usual(false, 'side', 'uk')).toBe('fridge')
  expect(usual(false, 'batch', 'uk')).toBe('counter-freezer')
  expect(usual(false, 'batch', 'us')).toBe('fridge')
})
