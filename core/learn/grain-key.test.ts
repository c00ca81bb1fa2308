import { dryVolumeOf } from './dry-volume'
import { grainKeyOf } from './grain-key'

test('a key gives the dry volume that its grains fill, whatever the order of a blend', () => {
  // Cup masses of USDA FoodData Central: long-grain white 185 g, quinoa 170 g a US cup.
  expect(dryVolumeOf('long-white', 185)).toBeGreaterThan(225)
  expect(dryVolumeOf('long-white', 185)).toBeLessThan(240)
  const blend = grainKeyOf([
    { variety: 'quinoa', share: 1 },
    { variety: 'long-white', share: 3 },
  ])
  const apart = dryVolumeOf('long-white', 300) + dryVolumeOf('quinoa', 100)
  expect(dryVolumeOf(blend, 400)).toBeCloseTo(apart, 6)
  expect(dryVolumeOf('an-unknown-grain', 81)).toBeGreaterThan(90)
})

test('a blend has one key, whatever the order and the scale of its shares', () => {
  const a = { variety: 'basmati', share: 3 } as const
  const b = { variety: 'wild', share: 1 } as const
  for (const grains of [
    [a, b],
    [b, a],
    [
      { ...b, share: 0.2 },
      { ...a, share: 0.6 },
    ],
  ])
    expect(grainKeyOf(grains)).toBe('basmati 0.75 + wild 0.25')
  expect(grainKeyOf([{ variety: 'wild', share: 7 }])).toBe('wild')
})
