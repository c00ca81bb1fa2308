import { planFrom } from '#core/contract/plan'
import type { PlanRequestJson } from '#core/contract/plan-request'
import { VARIETY_IDS } from '#core/grain/varieties'
import { METHOD_IDS } from '#core/methods/index'
import type { Caution, Plan } from '#core/plan/result'

const plan = (
  variety: PlanRequestJson['grains'][number]['variety'],
  value: number,
  more: Partial<PlanRequestJson> = {},
): Plan => {
  const read = planFrom({ grains: [{ variety }], amount: { basis: 'dry-mass', value }, ...more })
  if (!read.ok) throw new Error(read.errors.map((e) => e.message).join('; '))
  return read.value
}
const caution = (made: Plan, code: string): Caution | undefined => made.cautions.find((c) => c.code === code)
const POT = { capacity_ml: 3000, base_diameter_mm: 200, lid: 'tight' } as const

describe('what fits', () => {
  test('swollen grain: a warning over three quarters, a stop over the rim', () => {
    // 200 mm straight: 3000 mL is 95.5 mm. Long white swells to (1 + 1.7)/(1.15·0.67) = 3.50 mL a gram.
    expect(caution(plan('long-white', 600, { vessel: POT }), 'swells-too-high')).toBeUndefined() // 2100 of 2250
    expect(caution(plan('long-white', 700, { vessel: POT }), 'swells-too-high')).toMatchObject({
      severity: 'warn',
    }) // 2450
    expect(caution(plan('long-white', 900, { vessel: POT }), 'swells-too-high')).toMatchObject({
      severity: 'stop',
    }) // 3150
  })
  test('foam: unrinsed under a lid lifts by 1.40, rinsed or ajar by 1.15', () => {
    const foaming = { vessel: { ...POT, capacity_ml: 1500 }, rinse: { washes: 0 } } as const
    const covered = plan('long-white', 340, foaming)
    expect(covered.gauges.froth_level_mm / covered.gauges.fill_level_mm).toBeCloseTo(1.4, 1)
    const said = caution(plan('short-white', 525, foaming), 'boils-over')
    expect(said).toMatchObject({ severity: 'warn', mend: { lid_until_boil: 'ajar' } })
    expect(
      caution(plan('short-white', 525, { ...foaming, lid_until_boil: 'ajar' }), 'boils-over'),
    ).toBeUndefined()
  })
  test('a pressure vessel: half for any grain, a third for a frothing one, and never under its least liquid', () => {
    const pressure = { method: 'pressure-electric', vessel: 'pressure-electric-5' } as const
    const half = plan('long-white', 1300, pressure)
    expect(half.gauges.fill_line_ml).toBeGreaterThan(2500)
    expect(caution(half, 'pressure-over-full')).toMatchObject({ severity: 'stop' })
    const third = plan('amaranth', 600, pressure)
    expect(third.gauges.fill_line_ml).toBeGreaterThan(5000 / 3)
    expect(third.gauges.fill_line_ml).toBeLessThan(2500)
    expect(caution(third, 'pressure-over-full')!.text).toContain('a third')
    const little = caution(plan('basmati', 90, pressure), 'under-least-liquid')!
    expect(little.severity).toBe('stop')
    const enough = (little.mend as { amount: { value: number } }).amount.value
    expect(caution(plan('basmati', enough, pressure), 'under-least-liquid')).toBeUndefined()
  })
  test('a bed under 8 mm or over 90 mm', () => {
    // 200 mm straight: 8 mm of bed is 251 mL, 90 mm is 2827 mL.
    expect(caution(plan('long-white', 195, { vessel: POT }), 'bed-too-thin')).toBeDefined()
    expect(caution(plan('long-white', 203, { vessel: POT }), 'bed-too-thin')).toBeUndefined()
    const deep = { ...POT, capacity_ml: 12_000 }
    expect(caution(plan('long-white', 2300, { vessel: deep }), 'bed-too-deep')).toBeDefined()
    expect(caution(plan('long-white', 2200, { vessel: deep }), 'bed-too-deep')).toBeUndefined()
  })
})

describe('safety', () => {
  test.each([
    [20, 240, false],
    [20, 250, true],
    [26, 120, false],
    [26, 130, true],
    [5, 1200, false],
  ])('a soak at %i °C for %i minutes belongs in the fridge: %s', (celsius, minutes, said) => {
    const made = plan('brown-short', 300, { soak: { minutes, celsius, water: 'drain' } })
    expect(caution(made, 'soak-belongs-in-fridge') !== undefined).toBe(said)
  })
  test('gluten is said of what holds it and of nothing else', () => {
    const says = VARIETY_IDS.filter((id) => caution(plan(id, 300), 'gluten'))
    expect(says.sort()).toEqual(
      [
        'barley-hulled',
        'barley-pearled',
        'bulgur-medium',
        'couscous',
        'farro-pearled',
        'freekeh-cracked',
        'oat-groats',
        'oats-steel-cut',
        'rye-berries',
        'wheat-berries',
      ].sort(),
    )
  })
  test('in a blend it is enough that one member holds it', () => {
    const read = planFrom({
      grains: [
        { variety: 'quinoa', share: 9 },
        { variety: 'barley-hulled', share: 1 },
      ],
      amount: { basis: 'dry-mass', value: 300 },
    })
    expect(read.ok && caution(read.value, 'gluten')).toBeTruthy()
  })
})

describe('timing', () => {
  test('a weak flame under a full pot is slow, and then too weak', () => {
    const slow = plan('long-white', 1500, { vessel: 'stock-8', heat: 'gas-small' })
    expect(caution(slow, 'slow-to-boil')).toMatchObject({ severity: 'warn', about: 'timing' })
    expect(
      caution(plan('long-white', 300, { heat: { rated_w: 60, efficiency: 0.4 } }), 'never-boils'),
    ).toMatchObject({ severity: 'stop' })
  })
  test('thin air is spoken of from 600 m with the minutes it costs, but not of a pressure vessel', () => {
    expect(caution(plan('long-white', 300, { elevation_m: 599 }), 'thin-air')).toBeUndefined()
    expect(caution(plan('long-white', 300, { elevation_m: 600 }), 'thin-air')!.text).toContain('98.0 °C')
    const simmer = (elevation_m: number) =>
      plan('long-white', 300, { elevation_m }).stages.find((s) => s.id === 'simmer')!.minutes.expected
    const more = Number(
      /: (\d+) min more/.exec(caution(plan('long-white', 300, { elevation_m: 1500 }), 'thin-air')!.text)![1],
    )
    expect(Math.abs(more - (simmer(1500) - simmer(0)))).toBeLessThan(2)
    expect(
      caution(plan('long-white', 300, { elevation_m: 2000, method: 'pressure-electric' }), 'thin-air'),
    ).toBeUndefined()
  })
})

test('every caution has words, the gravest come first, and what it offers can be planned', () => {
  for (const method of METHOD_IDS)
    for (const value of [30, 300, 3000]) {
      const request: PlanRequestJson = {
        grains: [{ variety: 'short-white' }],
        amount: { basis: 'dry-mass', value },
        method,
        rinse: { washes: 0 },
        rest_minutes: 0,
        release: 'quick',
      }
      const read = planFrom(request)
      if (!read.ok) throw new Error('not read')
      const order = read.value.cautions.map((c) => ['stop', 'warn', 'note'].indexOf(c.severity))
      expect(order).toEqual([...order].sort((a, b) => a - b))
      for (const said of read.value.cautions) {
        expect(said.text.length).toBeGreaterThan(10)
        expect(said.text).not.toMatch(/NaN|undefined|!/)
        if (said.mend) expect(planFrom({ ...request, ...said.mend })).toMatchObject({ ok: true })
      }
    }
})

test('a batch is only enlarged to the least liquid where that is a batch one would cook', () => {
  const least = (pour: number | null) => {
    const read = planFrom({
      grains: [{ variety: 'long-white' }],
      amount: { basis: 'dry-mass', value: 84 },
      method: 'pressure-electric',
      rinse: { washes: 0 },
      pour_override_g: pour,
    })
    return read.ok ? read.value.cautions.find((c) => c.code === 'under-least-liquid') : undefined
  }
  expect(least(0)!.mend).toBeUndefined()
  expect(least(0)!.remedy).toContain('bowl on a trivet')
  expect(least(null)!.mend).toMatchObject({ amount: { basis: 'dry-mass' } })
})
