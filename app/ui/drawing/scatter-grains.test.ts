import { VARIETIES, varietyOf } from '#core/grain/varieties'
import { kernelPath, kernelTile, layKernels } from './scatter-grains'

test('the same grain always lies the same way, and another seed lies otherwise', () => {
  const { kernel } = varietyOf('long-white')
  expect(layKernels(kernel, 60)).toEqual(layKernels(kernel, 60))
  expect(layKernels(kernel, 60, 8)).not.toEqual(layKernels(kernel, 60))
})

test.each(VARIETIES.map((v) => [v.id, v.kernel] as const))(
  '%s fills its tile about as densely as it settles',
  (_, kernel) => {
    const tile = 60
    const inside = layKernels(kernel, tile).filter((k) => k.x >= 0 && k.x < tile && k.y >= 0 && k.y < tile)
    const covered = (inside.length * Math.PI * kernel.lengthMm * kernel.widthMm) / 4 / tile ** 2
    expect(covered).toBeGreaterThan(0.55)
    expect(covered).toBeLessThan(1)
  },
)

test('what leaves the tile on one side comes in on the other', () => {
  const tile = 60
  const laid = layKernels(varietyOf('wild').kernel, tile)
  for (const k of laid.filter((k) => k.x < 0))
    expect(
      laid.some((other) => Math.abs(other.x - k.x - tile) < 1e-9 && Math.abs(other.y - k.y) < 1e-9),
    ).toBe(true)
})

test.each(VARIETIES.map((v) => [v.id, v.kernel] as const))(
  '%s is as long and as wide as the table says, dry and swollen',
  (_, kernel) => {
    for (const swell of [1, 1.5]) {
      const path = kernelPath(kernel, swell)
      expect(path).toMatch(/^M.*Z$/)
      expect(path).not.toMatch(/NaN/)
      const first = Number(/^M(-?[\d.]+)/.exec(path)![1])
      expect(-first * 2).toBeCloseTo(kernel.lengthMm * swell, 1)
    }
  },
)

test.each(VARIETIES.map((v) => [v.id, v.kernel] as const))(
  '%s: a tile stays small on the wire, and its repeat is farther than eight kernels are wide',
  (_, kernel) => {
    const { side, shades } = kernelTile(kernel)
    expect(shades).toHaveLength(3)
    expect(shades.join('').length).toBeLessThan(22_000)
    expect(shades.join('')).not.toMatch(/NaN/)
    expect(side).toBeGreaterThanOrEqual(Math.min(60, 8 * kernel.widthMm))
  },
)

test('a kernel that is turned and moved keeps its length', () => {
  const { kernel } = varietyOf('long-white')
  const [x, y] = /^M(-?[\d.]+) (-?[\d.]+)/
    .exec(kernelPath(kernel, 1, { x: 10, y: 20, turn: 30 }))!
    .slice(1)
    .map(Number) as [number, number]
  expect(Math.hypot(x - 10, y - 20) * 2).toBeCloseTo(kernel.lengthMm, 1)
  expect((Math.atan2(20 - y, 10 - x) * 180) / Math.PI).toBeCloseTo(30, 0)
})
