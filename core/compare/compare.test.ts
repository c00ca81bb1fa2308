import type { PlanRequestJson } from '#core/contract/plan-request'
import { onTheTableBy } from './by-hour'
import { whyDiffer } from './differ'
import { sideOf } from './side'

const pot = (more: Partial<PlanRequestJson> = {}): PlanRequestJson => ({
  grains: [{ variety: 'long-white' }],
  amount: { basis: 'dry-mass', value: 300 },
  ...more,
})

describe('a side', () => {
  test('energy is what reaches the pot over what the source passes on, by its stages', () => {
    const { plan, energyWh } = sideOf(pot())
    const minutes = (id: string) => plan.stages.find((s) => s.id === id)!.minutes.expected
    // 700 W of 1750 reach the pot at full; the simmer gets its loss of 95 W and 80 more.
    const by_hand =
      (1750 * minutes('heat-up')) / 60 +
      ((plan.stages.find((s) => s.id === 'simmer')!.power_w / 0.4) * minutes('simmer')) / 60
    expect(energyWh).toBeCloseTo(by_hand, 0)
  })
  test('water to the boil takes at least its own heat, on any source', () => {
    for (const heat of ['gas-small', 'induction', 'coil'] as const) {
      const { plan, energyWh } = sideOf(pot({ heat }))
      expect(energyWh).toBeGreaterThan(((plan.water.pour_g * 4.18 + 300 * 1.6) * 80) / 3600)
    }
  })
  test('a boil in plenty of water costs more and steams more; an oven most of all for its warmth', () => {
    const [covered, drained, oven] = [
      sideOf(pot()),
      sideOf(pot({ method: 'boil-and-drain' })),
      sideOf(pot({ method: 'oven' })),
    ]
    expect(drained.energyWh).toBeGreaterThan(covered.energyWh * 1.3)
    // By the minute; its minutes are fewer.
    const minutes = (side: typeof covered) =>
      side.plan.stages
        .filter((s) => s.kind === 'simmer' || s.kind === 'boil')
        .reduce((sum, s) => sum + s.minutes.expected, 0)
    expect(drained.steamG / minutes(drained)).toBeGreaterThan(covered.steamG / minutes(covered))
    expect(oven.energyWh).toBeGreaterThan(covered.energyWh)
    for (const side of [covered, drained, oven]) expect(side.kitchenWh).toBeLessThan(side.energyWh)
  })
  test('a jacketed pot held by its thermostat draws little while it holds', () => {
    const { energyWh, plan } = sideOf(
      pot({ grains: [{ variety: 'wheat-berries' }], method: 'pressure-electric' }),
    )
    const held = plan.stages.find((s) => s.id === 'pressure')!.minutes.expected
    expect(energyWh).toBeLessThan(
      (1000 * (plan.stages.find((s) => s.id === 'pressure-up')!.minutes.expected + held * 0.5)) / 60,
    )
  })
  test('texture comes from the water in the grain', () => {
    for (const texture of [0, 0.5, 1]) expect(sideOf(pot({ texture })).texture).toBeCloseTo(texture, 1)
  })
})

describe('why two ways differ', () => {
  test('names the term of the ledger that moves the pour most', () => {
    const [covered, open] = [sideOf(pot()), sideOf(pot({ method: 'switch-cooker' }))]
    expect(whyDiffer(covered, open, { a: 'the pot', b: 'the cooker' })).toMatch(
      /^the cooker needs \d+ % of the grain’s weight more water: more boils off, /,
    )
    const soaked = sideOf(pot({ soak: { minutes: 60, celsius: 20 } }))
    expect(whyDiffer(covered, soaked, { a: 'dry', b: 'soaked' })).toContain(
      'less water: more is in the grain already',
    )
    expect(
      whyDiffer(covered, sideOf(pot({ method: 'boil-and-drain' })), { a: 'covered', b: 'drained' }),
    ).toContain('some is poured off again')
    expect(whyDiffer(covered, sideOf(pot({ texture: 1 })), { a: 'a', b: 'soft' })).toContain(
      'the grain should absorb more water',
    )
  })
  test('says the same of the same', () => {
    expect(whyDiffer(sideOf(pot()), sideOf(pot()), { a: 'one', b: 'the other' })).toBe(
      'the other takes the same water, and as long.',
    )
  })
})

describe('served by an hour', () => {
  const candidates = [
    { of: 'white', usual: true, request: pot() },
    {
      of: 'brown',
      usual: true,
      request: pot({ grains: [{ variety: 'brown-short' }], soak: { minutes: 120, celsius: 20 } }),
    },
    {
      of: 'barley',
      usual: true,
      request: pot({ grains: [{ variety: 'barley-hulled' }], soak: { minutes: 600, celsius: 5 } }),
    },
    { of: 'too much', usual: true, request: pot({ amount: { basis: 'dry-mass', value: 3000 } }) },
  ]
  test('what fits has its slack, what does not is named with what it lacks, and what must not be cooked so is not offered', () => {
    const { ready, tooLate } = onTheTableBy(candidates, 70)
    expect(ready.map((r) => r.of)).toEqual(['white', 'brown'])
    expect(ready[0]!.roomForError).toBeCloseTo(70 - ready[0]!.totalMinutes, 6)
    expect(ready[1]).toMatchObject({ skipped: expect.arrayContaining(['soak']), request: { soak: null } })
    expect(tooLate.map((r) => r.of)).toEqual(['barley'])
    expect(tooLate[0]!.roomForError).toBeLessThan(0)
  })
  test('a day is enough for the usual way of all, a minute for none', () => {
    expect(onTheTableBy(candidates, 1440).ready.every((r) => r.skipped.length === 0)).toBe(true)
    expect(onTheTableBy(candidates, 1440).ready).toHaveLength(3)
    expect(onTheTableBy(candidates, 1).ready).toEqual([])
  })
  test('a few minutes short, the rest gives way before the dish', () => {
    const whole = onTheTableBy([candidates[0]!], 200).ready[0]!.totalMinutes
    const { ready } = onTheTableBy([candidates[0]!], whole - 0.6)
    expect(ready[0]).toMatchObject({ skipped: ['long rest'], request: { rest_minutes: 5 } })
    expect(ready[0]!.roomForError).toBeGreaterThanOrEqual(0)
  })
  test('the way a cook would choose comes before an odd one that is quicker, and before one that skips nothing', () => {
    const odd = { of: 'drained', usual: false, request: pot({ method: 'boil-and-drain' }) }
    const [white, brown] = candidates as [(typeof candidates)[0], (typeof candidates)[0]]
    const order = (minutes: number) => onTheTableBy([odd, brown, white], minutes).ready.map((r) => r.of)
    expect(order(300)).toEqual(['white', 'brown', 'drained'])
    expect(order(70)).toEqual(['white', 'brown', 'drained'])
  })
})
