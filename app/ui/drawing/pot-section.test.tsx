import { varietyOf } from '#core/grain/varieties'
import { vesselPreset } from '#core/vessel/presets'
import { htmlOf } from '../../../tests/helpers/render'
import { PotSection, type PotSectionProps } from './pot-section'

const vessel = vesselPreset('heavy-3.5')
const levels = { bed: 14, fill: 24, firm: 20, soft: 28, swollen: 31, froth: 29 }
const section = (over: Partial<PotSectionProps> = {}) =>
  htmlOf(
    <PotSection
      vessel={vessel}
      variety={varietyOf('short-white')}
      levels={levels}
      lid="on"
      title="the pot"
      {...over}
    />,
  )

/** The numbers of the first path with a class. */
const path = (html: string, name: string): number[] => {
  const d = new RegExp(`<path d="([^"]+)"[^>]*class="${name}"`).exec(html)
  if (!d) throw new Error(`no path of class ${name}`)
  return d[1]!.match(/-?\d+(\.\d+)?/g)!.map(Number)
}

test('the water is drawn to scale: its surface at its level, as wide as the pot is there', () => {
  const [left, y, right] = path(section(), 'surface') as [number, number, number]
  expect(y).toBe(-24)
  const half = (200 + (210 - 200) * (24 / 106)) / 2
  expect(left).toBeCloseTo(-half, 6)
  expect(right).toBeCloseTo(half, 6)
})

test('the inside of the pot is its base, its rim and its height', () => {
  expect(path(section(), 'inside')).toEqual([-105, -106, -100, 0, 100, 105, -106])
})

test('the band from firm to soft lies on the wall between their levels', () => {
  const [, firm, , soft] = path(section(), 'band') as [number, number, number, number]
  expect([firm, soft]).toEqual([-20, -28])
})

test('every mark says its millimetres, and a pot too small is drawn overfull, not clipped', () => {
  const html = section()
  for (const words of ['cooked 31', 'foam to 29', 'water 24', 'rim, 3.5 L', '>soft<', '>firm<'])
    expect(html).toContain(words)
  const over = section({ levels: { ...levels, swollen: 150, froth: 300 } })
  expect(over).toContain('cooked 150')
  const [, y] = path(over, 'swollen') as [number, number]
  expect(y).toBeLessThan(-106)
  expect(y).toBeGreaterThanOrEqual(-106 - 18)
})

test('cooked, the water is absorbed and the bed has swollen', () => {
  const html = section({ cooked: true })
  expect(html).not.toContain('class="water"')
  expect(html).not.toContain('class="surface"')
  expect(html).toContain('-31')
})

test('the finger stands on the grain with its crease that far up', () => {
  const html = section({ crease: 25 })
  expect(html).toContain('your finger joint')
  const [, y] = path(html, 'crease') as [number, number]
  expect(y).toBe(-(14 + 25))
  expect(section()).not.toContain('your finger joint')
})

test('a lid lies on, stands ajar or is off', () => {
  expect(section()).toContain('class="lid"')
  expect(section({ lid: 'ajar' })).toContain('rotate(-5')
  expect(section({ lid: 'off' })).not.toContain('class="lid"')
})

test.each(['cooker-5', 'pressure-electric-6', 'oven-dish-3', 'clay-1.8', 'stock-8', 'wide-3'] as const)(
  '%s is drawn with finite figures and a name',
  (id) => {
    const html = section({ vessel: vesselPreset(id) })
    expect(html).not.toMatch(/NaN|Infinity|undefined/)
    expect(html).toContain('aria-label="the pot"')
  },
)

test('flames under a pot on gas, a plate under any other', () => {
  expect(section({ heat: 'gas' })).toContain('class="grate"')
  for (const heat of ['electric', 'cooker', 'pressure', 'oven'] as const) {
    expect(section({ heat })).not.toContain('class="grate"')
    expect(section({ heat })).toContain('class="plate"')
  }
})
