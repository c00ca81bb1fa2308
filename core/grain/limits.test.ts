import { blendOf } from './blend'
import { steamedBlend } from './steamed'
import { pressureFill } from '#core/vessel/fill-limits'

test.each([
  [24, false],
  [25, true],
  [26, true],
])('a mix with %d %% of a grain that foams is filled as foaming: %s', (share, frothing) => {
  const blend = blendOf([
    { variety: 'long-white', share: 100 - share },
    { variety: 'amaranth', share },
  ])
  expect(blend.frothing).toBe(frothing)
  expect(pressureFill('pressure-electric', blend.frothing)).toBe(frothing ? 1 / 3 : 1 / 2)
})

test('other vessels have no such limit', () => expect(pressureFill('pot', true)).toBeUndefined())

test('steam goes on wetting a grain five hundredths past soft', () => {
  for (const variety of ['glutinous', 'couscous', 'long-white'] as const) {
    const { uptake } = steamedBlend(blendOf([{ variety, share: 1 }]), variety === 'couscous')
    expect(uptake.most / uptake.soft).toBeCloseTo(1.05, 9)
  }
})
