import fc from 'fast-check'
import { blendOf } from '#core/grain/blend'
import { DRESSING_IDS, dressingFor, DRESSINGS, fromLiquidPerVolume, liquidPerVolume } from './dressing'
import { bottleDoes } from './bottle-reach'
import { handWarmMinutes, vapourDensity } from './hand-warm'
import { loosenWay } from './loosen'
import { SPREAD_MM, spreadOf } from './spread'

describe('seasoned vinegar', () => {
  test('is 15, 6 and 1.6 g to 100 g of dry grain, and scales with it', () => {
    const d = dressingFor(300, DRESSINGS.usual)
    expect([d.vinegarG, d.sugarG, d.saltG].map((n) => Math.round(n * 10) / 10)).toEqual([45, 18, 4.8])
    // 5 % acid vinegar with 18 g sugar dissolved: about 57 mL, not 45.
    expect(d.liquidMl).toBeCloseTo(45 / 1.01 + 18 * 0.62 + 4.8 * 0.3, 6)
    expect(d.liquidG).toBeCloseTo(67.8, 6)
  })
  test('salt last leaves the liquid without it', () => {
    const d = dressingFor(100, DRESSINGS['salt-last'])
    expect([d.saltG, d.saltLastG]).toEqual([0, 1.2])
  })
  test('by volume or by batch it is the same dressing, both ways', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...DRESSING_IDS),
        fc.double({ min: 0.05, max: 0.6, noNaN: true }),
        fc.double({ min: 0.55, max: 0.9, noNaN: true }),
        (id, ml, density) => {
          const proportions = fromLiquidPerVolume(ml, DRESSINGS[id], density)
          expect(liquidPerVolume(proportions, density)).toBeCloseTo(ml, 9)
          // Milder or sharper, its taste stays what it was.
          expect(proportions.sugar / proportions.vinegar).toBeCloseTo(
            DRESSINGS[id].sugar / DRESSINGS[id].vinegar,
            9,
          )
        },
      ),
    )
  })
  test('a bottle does for as much grain as it was made for, less what was taken', () => {
    const made = dressingFor(900, DRESSINGS.sharper).liquidG
    expect(bottleDoes(made, DRESSINGS.sharper)).toBeCloseTo(900, 6)
    expect(bottleDoes(made - dressingFor(300, DRESSINGS.sharper).liquidG, DRESSINGS.sharper)).toBeCloseTo(
      600,
      6,
    )
  })
})

describe('spreading', () => {
  test('area and depth give the volume back; thinner is quicker', () => {
    for (const depth of [8, 15, 25]) {
      const s = spreadOf(1200, depth)
      expect((s.areaCm2 * depth) / 10).toBeCloseTo(1200, 6)
      expect(s.tray.longCm * s.tray.wideCm).toBeGreaterThanOrEqual(s.areaCm2)
    }
    expect(spreadOf(1200, 10).minutes).toBe(5)
    expect(spreadOf(1200, SPREAD_MM).minutes).toBe(10)
  })
})

describe('loosening', () => {
  const way = (variety: 'basmati' | 'short-white', more = {}) =>
    loosenWay({
      creamy: false,
      toasted: false,
      purpose: 'side',
      blend: blendOf([{ variety, share: 1 }]),
      swollenMm: 40,
      ...more,
    })
  test('by what it is for, how it clings and how deep it lies', () => {
    expect(way('basmati')).toBe('fork')
    expect(way('short-white')).toBe('cut-fold')
    expect(way('basmati', { purpose: 'dressed' })).toBe('cut-fold')
    expect(way('basmati', { swollenMm: 90 })).toBe('quarters')
    expect(way('basmati', { toasted: true })).toBe('leave-stuck')
    expect(way('basmati', { creamy: true })).toBe('stir')
  })
})

describe('to hand-warm', () => {
  // Steam tables: density of saturated vapour, kg/m³.
  test.each([
    [20, 0.0173],
    [40, 0.0512],
    [60, 0.1304],
    [80, 0.2937],
  ])('vapour at %d °C', (celsius, density) => {
    expect(Math.abs(vapourDensity(celsius) - density) / density).toBeLessThan(0.01)
  })
  test('takes minutes, not an hour; a colder kitchen is quicker, and a hot one stops at its own warmth', () => {
    const at = (kitchenC: number) => handWarmMinutes({ heatPerGram: 3.2, densityGMl: 0.79, kitchenC })
    expect(at(20)).toBeGreaterThan(3)
    expect(at(20)).toBeLessThan(15)
    expect(at(8)).toBeLessThan(at(30))
    expect(at(40)).toBeLessThan(120)
  })
})
