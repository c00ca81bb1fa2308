import { COOL_C, COLD_C, coolingOf, conductivityOf, fasterWays, PACKED_C, type CoolingInput } from './cooling'
import { guidanceOf, type Guidance } from './guidance'

/** Places, lids and limits one by one, against one warm body: a layer so thin that it is one temperature. */

const PORTION = { massG: 400, depthMm: 3, densityGMl: 0.8, waterShare: 0.65 }
const KITCHEN_C = 20
const given = (more: Partial<CoolingInput> = {}): CoolingInput => ({
  portion: PORTION,
  place: 'fridge',
  open: false,
  kitchenC: KITCHEN_C,
  ...more,
})
const stricter = guidanceOf('stricter')
/** J/(m³ K): 4.18 J/(g K) of water, 1.6 of what is dry. */
const PER_VOLUME = 0.8e6 * (0.65 * 4.18 + 0.35 * 1.6)
/** Minutes from one temperature to another of a lumped layer that loses h to one surrounding, W/(m² K). */
const lumped = (h: number, toC: number, fromC: number, untilC: number, depthMm = 3) =>
  ((PER_VOLUME * (depthMm / 1000)) / h / 60) * Math.log((fromC - toC) / (untilC - toC))

// Still air takes 9, a fridge 11 and a freezer 12 off a bare top; a lid halves it. From below 4, 9 and 10.
test.each([
  ['fridge', 11 / 2 + 9, 4],
  ['freezer', 12 / 2 + 10, -18],
] as const)('a thin layer under its lid in the %s', (place, h, air) => {
  const { to21Min, to5Min, coolMin, chillMin, leavesHotMin } = coolingOf(given({ place }), stricter)
  const close = (minutes: number, expected: number) =>
    expect(Math.abs(minutes - expected)).toBeLessThan(0.05 * expected + 0.08)
  close(to21Min, lumped(h, air, PACKED_C, COOL_C))
  close(to5Min, lumped(h, air, PACKED_C, COLD_C))
  close(leavesHotMin, lumped(h, air, PACKED_C, stricter.hold_hot_c.value))
  expect(coolMin).toBeCloseTo(to21Min - leavesHotMin, 9)
  expect(chillMin).toBeCloseTo(to5Min - to21Min, 9)
})
test('on the counter it goes to the air of the kitchen, with a board below', () => {
  const cool = coolingOf(given({ place: 'counter', kitchenC: 10 }), stricter)
  const expected = lumped(9 / 2 + 4, 10, PACKED_C, COOL_C)
  expect(Math.abs(cool.to21Min - expected) / expected).toBeLessThan(0.05)
  expect(cool.to5Min).toBe(Infinity)
})
test('in ice water it goes almost to a degree, at once', () => {
  const cool = coolingOf(given({ place: 'ice-bath' }), stricter)
  // 180 W/(m² K) from below to 1 °C, 4.5 from above to the air: one surrounding at their mean.
  const h = 180 + 4.5
  const expected = lumped(h, (180 * 1 + 4.5 * KITCHEN_C) / h, PACKED_C, COOL_C)
  // Half of its resistance is its own thickness: its warm side is slower than one warm body.
  expect(cool.to21Min).toBeGreaterThan(expected)
  expect(cool.to21Min).toBeLessThan(2.5 * expected)
})
test('it starts as warm as it is packed, and containers on top of each other are one deep layer', () => {
  const hot = coolingOf(given({ startC: 95 }), stricter)
  const h = 11 / 2 + 9
  expect(Math.abs(hot.to21Min / lumped(h, 4, 95, COOL_C) - 1)).toBeLessThan(0.05)
  const two = coolingOf(given({ stacked: 2 }), stricter)
  expect(Math.abs(two.to21Min / lumped(h, 4, PACKED_C, COOL_C, 6) - 1)).toBeLessThan(0.05)
})

test('vapour: none under a lid; open, of its whole surface', () => {
  expect(coolingOf(given(), stricter).losesG).toBe(0)
  const open = (massG: number) =>
    coolingOf(given({ open: true, portion: { ...PORTION, massG } }), stricter).losesG
  // Twice the mass at the same depth is twice the surface.
  expect(open(800)).toBeCloseTo(2 * open(400), 6)
  // No more than all its heat could evaporate: 400 g × 3.28 J/(g K) × 71 K over 2257 J/g.
  expect(open(400)).toBeGreaterThan(3)
  expect(open(400)).toBeLessThan((400 * 3.28 * 71) / 2257)
})

test('conductivity by hand', () => {
  // Dense as the kernels there is no air between them: 0.65 × 0.62 + 0.35 × 0.22 = 0.48.
  expect(conductivityOf({ ...PORTION, densityGMl: 1.1 })).toBeCloseTo(0.48, 3)
  expect(conductivityOf({ ...PORTION, densityGMl: 1.3 })).toBeCloseTo(0.48, 3)
  // Half of it air: 0.48 × (0.96 + 0.027 − 0.453) / (0.96 + 0.027 + 0.2265) = 0.2112.
  expect(conductivityOf({ ...PORTION, densityGMl: 0.55 })).toBeCloseTo(0.2112, 3)
  // No looser than six tenths of air.
  expect(conductivityOf({ ...PORTION, densityGMl: 0.1 })).toBe(
    conductivityOf({ ...PORTION, densityGMl: 0.44 }),
  )
})

describe('limits', () => {
  const { coolMin, chillMin } = coolingOf(given(), stricter)
  const within = (cool: number, chill: number) =>
    coolingOf(given(), {
      ...stricter,
      cool_min: { ...stricter.cool_min, value: cool },
      chill_min: { ...stricter.chill_min, value: chill },
    } as Guidance).tooSlow
  test.each([
    [coolMin, chillMin, null],
    [coolMin - 0.01, chillMin, 'cool'],
    [coolMin, chillMin - 0.01, 'chill'],
    [coolMin - 0.01, chillMin - 0.01, 'cool'],
  ])('%d min to cool and %d to chill: %s', (cool, chill, expected) =>
    expect(within(cool, chill)).toBe(expected),
  )
})

describe('faster ways', () => {
  const deep = { ...PORTION, massG: 900, depthMm: 30 }
  const ways = (more: Partial<CoolingInput>, portion = deep) =>
    fasterWays(given({ portion, ...more }), stricter)
  const ids = (more: Partial<CoolingInput>) => ways(more).map((w) => w.id)
  test('only what is not done already is offered', () => {
    expect(ids({ place: 'counter', portion: { ...PORTION, depthMm: 15 } })).toContain('fridge')
    expect(ids({ place: 'fridge' })).not.toContain('fridge')
    expect(ids({ place: 'ice-bath' })).not.toContain('ice-bath')
    expect(ids({ open: true })).not.toContain('open')
    expect(ids({ stacked: 1 })).not.toContain('apart')
    expect(ids({ stacked: 2, portion: { ...PORTION, depthMm: 12 } })).toContain('apart')
  })
  test('thinner: over its area and in as many containers as it takes', () => {
    const thick = { ...PORTION, massG: 1600, depthMm: 80 }
    const thinner = ways({}, thick).find((w) => w.id === 'thinner')!
    const [, depth, area, parts] = /Spread it (\d+) mm thin, over (\d+) cm² or in (\d+) such/.exec(
      thinner.says,
    )!
    // 1600 g of 0.8 g/mL are 2000 cm³.
    expect(Math.abs(Number(area) - 2000 / (Number(depth) / 10))).toBeLessThanOrEqual(5)
    expect(Number(parts)).toBe(Math.ceil(80 / Number(depth)))
    expect(ways({}, { ...PORTION, depthMm: 8 }).map((w) => w.id)).not.toContain('thinner')
  })
})
