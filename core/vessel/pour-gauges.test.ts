import fc from 'fast-check'
import { blendOf } from '#core/grain/blend'
import { VARIETIES, VARIETY_IDS, varietyOf } from '#core/grain/varieties'
import { CUP_IDS, CUPS } from '#core/units/cups'
import { inScoops } from '#core/units/fractions'
import { millilitres, millimetres } from '#core/units/units'
import {
  bedDepthOf,
  depthOfPour,
  fillLineOfPour,
  pourAsDeepAgain,
  pourForDepth,
  pourForFillLine,
  pourForLevel,
  type PourContext,
} from './pour-gauges'
import { VESSEL_PRESET_IDS, vesselPreset } from './presets'
import { levelOf, volumeAt, wrongMarks, type Shape } from './shape'
import { vesselOf } from './vessel'

const contexts = fc
  .record({
    vessel: fc.constantFrom(...VESSEL_PRESET_IDS),
    variety: fc.constantFrom(...VARIETY_IDS),
    dryG: fc.integer({ min: 30, max: 1500 }),
    cling: fc.double({ min: 0, max: 0.3, noNaN: true }),
    soaked: fc.double({ min: 0, max: 0.4, noNaN: true }),
  })
  .map(({ vessel, variety, dryG, cling, soaked }): PourContext => ({
    shape: vesselPreset(vessel),
    blend: blendOf([{ variety, share: 1 }]),
    dryG,
    clingingG: cling * dryG,
    soakedG: soaked * dryG,
  }))

test('every gauge and back, over all varieties and vessels', () => {
  fc.assert(
    fc.property(contexts, fc.integer({ min: 0, max: 4000 }), (context, pour) => {
      expect(pourForDepth(context, depthOfPour(context, pour))).toBeCloseTo(pour, 4)
      expect(pourForFillLine(context, fillLineOfPour(context, pour))).toBeCloseTo(pour, 6)
      expect(
        pourForLevel(context, levelOf(context.shape, millilitres(fillLineOfPour(context, pour)))),
      ).toBeCloseTo(pour, 4)
    }),
  )
})

test('any amount in any cup and back is within half the smallest scoop', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...CUP_IDS),
      fc.constantFrom(...VARIETIES),
      fc.double({ min: 20, max: 3000, noNaN: true }),
      (cup, variety, grams) => {
        const ml = grams / variety.bulkDensity
        const { cups, error } = inScoops(ml / CUPS[cup].ml)
        expect(cups * CUPS[cup].ml * variety.bulkDensity).toBeCloseTo(
          grams + error * CUPS[cup].ml * variety.bulkDensity,
          6,
        )
        expect(Math.abs(error)).toBeLessThanOrEqual(1 / 8 + 1e-9)
      },
    ),
  )
})

test('only the scoops that are owned are used', () => {
  expect(inScoops(2.3, [1]).text).toBe('2')
  expect(inScoops(2.3, [1, 1 / 2]).text).toBe('2½')
  expect(inScoops(2.3, [1, 1 / 3]).text).toBe('2⅓')
  expect(inScoops(2.7, [1, 1 / 4]).text).toBe('2¾')
  expect(inScoops(0.1, [1]).text).toBe('less than one')
})

// 340 g, unwashed, in a straight pot: the voids are filled besides, so the ratio by volume is 1 + ε, about 1.4 to 1.5.
test.each(['long-white', 'basmati', 'jasmine', 'medium-white', 'short-white', 'parboiled-long'] as const)(
  '"as deep as the grain" over unwashed %s is 1 + ε by volume, not 1',
  (id) => {
    const variety = varietyOf(id)
    const straight = vesselOf({ capacityMl: 3000, baseDiameterMm: 190, lid: 'tight' })
    const context: PourContext = {
      shape: straight,
      blend: blendOf([{ variety: id, share: 1 }]),
      dryG: 340,
      clingingG: 0,
      soakedG: 0,
    }
    const ratio = pourAsDeepAgain(context) / (340 / variety.bulkDensity)
    expect(ratio).toBeCloseTo(1 + (1 - variety.bulkDensity / variety.kernelDensity), 9)
    expect(ratio).toBeGreaterThan(1.38)
    expect(ratio).toBeLessThan(1.5)
    expect(bedDepthOf(context) * 2).toBeCloseTo(
      bedDepthOf(context) + depthOfPour(context, pourAsDeepAgain(context)),
      6,
    )
  },
)

test('700 g of hulled barley with its own volume of water, unrinsed: the line is kernels plus water', () => {
  const variety = varietyOf('barley-hulled')
  const water = 700 / variety.bulkDensity
  const context: PourContext = {
    shape: vesselPreset('heavy-3.5'),
    blend: blendOf([{ variety: 'barley-hulled', share: 1 }]),
    dryG: 700,
    clingingG: 0,
    soakedG: 0,
  }
  expect(Math.abs(fillLineOfPour(context, water) / (700 / 1.33 + water) - 1)).toBeLessThan(0.02)
})

describe('a wall told by marks', () => {
  const frustum = vesselPreset('clay-1.8')
  const marks = [0.2, 0.4, 0.6, 0.8, 1].map((share) => ({
    levelMm: frustum.height * share,
    volumeMl: volumeAt(frustum, millimetres(frustum.height * share)),
  }))
  const marked: Shape = { ...frustum, marks }

  test('goes through its marks and is close to the frustum between them', () => {
    for (const mark of marks) expect(levelOf(marked, millilitres(mark.volumeMl))).toBeCloseTo(mark.levelMm, 9)
    for (let ml = 300; ml < 1700; ml += 50)
      expect(Math.abs(levelOf(marked, millilitres(ml)) - levelOf(frustum, millilitres(ml)))).toBeLessThan(1)
  })
  test('volume and level undo each other, past the last mark too', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 120, noNaN: true }), (level) => {
        expect(levelOf(marked, volumeAt(marked, millimetres(level)))).toBeCloseTo(level, 6)
      }),
    )
  })
  test.each([
    [[{ levelMm: 10, volumeMl: 100 }], 'at least 2'],
    [
      [
        { levelMm: 10, volumeMl: 100 },
        { levelMm: 10, volumeMl: 200 },
      ],
      'mark 2 must be higher',
    ],
    [
      [
        { levelMm: 10, volumeMl: 100 },
        { levelMm: 20, volumeMl: 90 },
      ],
      'mark 2 must hold more',
    ],
    [
      [
        { levelMm: 0, volumeMl: 0 },
        { levelMm: 20, volumeMl: 90 },
      ],
      'mark 1 must be higher',
    ],
    [
      [
        { levelMm: NaN, volumeMl: 10 },
        { levelMm: 20, volumeMl: 90 },
      ],
      'mark 1',
    ],
  ])('%j is refused in words', (wrong, words) => {
    expect(wrongMarks(wrong)).toContain(words)
  })
  test('a good table is not', () => expect(wrongMarks(marks)).toBeUndefined())
})
