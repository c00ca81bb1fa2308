import { planFrom } from '#core/contract/plan'
import type { PlanRequestJson } from '#core/contract/plan-request'
import { simulateFrom } from '#core/contract/simulate'

const RICE: PlanRequestJson = {
  grains: [{ variety: 'long-white' }],
  amount: { basis: 'dry-mass', value: 300 },
  method: 'switch-cooker',
}
const planned = (more: Partial<PlanRequestJson> = {}) => {
  const read = planFrom({ ...RICE, ...more })
  if (!read.ok) throw new Error(read.errors.map((e) => e.message).join())
  return read.value
}
const codes = (more: Partial<PlanRequestJson>) =>
  planned(more)
    .cautions.filter((c) => c.code.startsWith('start'))
    .map((c) => [c.code, c.severity])

describe('a cooker that is filled now and starts later by itself', () => {
  test('soaks meanwhile in the water it will cook in: the timer is a stage of its own, and the ledger closes', () => {
    const [now, later] = [planned(), planned({ start_later_minutes: 120 })]
    const wait = later.stages.find((s) => s.kind === 'soak')!
    expect([wait.minutes.expected, wait.hands_on, wait.power_w, wait.ends_on]).toEqual([
      120,
      false,
      0,
      'clock',
    ])
    expect(later.stages.findIndex((s) => s.kind === 'soak')).toBeLessThan(
      later.stages.findIndex((s) => s.power_w > 0),
    )
    const { pour_g, absorbed_g, evaporated_g, drained_off_g, left_in_pot_g, carried_in_g } = later.water
    expect(pour_g).toBeCloseTo(absorbed_g + evaporated_g + drained_off_g + left_in_pot_g - carried_in_g, 1)
    // Soaked grain cooks no longer than dry grain.
    expect(later.total_minutes.expected).toBeLessThanOrEqual(now.total_minutes.expected + 120.5)
    expect(later.total_minutes.expected).toBeGreaterThan(110)
  })

  test('ends as it should when it is simulated', () => {
    for (const variety of ['long-white', 'short-white', 'brown-short'] as const)
      for (const minutes of [60, 200]) {
        const read = simulateFrom({ ...RICE, grains: [{ variety }], start_later_minutes: minutes })
        if (!read.ok) throw new Error('unreadable')
        expect([
          variety,
          minutes,
          read.value.verdict.cooked_through,
          read.value.verdict.soggy,
          read.value.verdict.scorched,
        ]).toEqual([variety, minutes, 'yes', false, false])
      }
  })

  test('may wait four hours in a kitchen of 20 °C and two from 25 °C; beyond that it is stopped, with the nearest that is safe', () => {
    expect(codes({ start_later_minutes: 240, kitchen_c: 20 })).toEqual([['starts-by-itself', 'note']])
    expect(codes({ start_later_minutes: 241, kitchen_c: 20 })).toEqual([['start-later-too-long', 'stop']])
    expect(codes({ start_later_minutes: 120, kitchen_c: 26 })).toEqual([['starts-by-itself', 'note']])
    expect(codes({ start_later_minutes: 121, kitchen_c: 26 })).toEqual([['start-later-too-long', 'stop']])
    const night = planned({ start_later_minutes: 600, kitchen_c: 20 }).cautions.find(
      (c) => c.code === 'start-later-too-long',
    )!
    expect(night.text).toContain('10 h')
    expect(codes({ ...(night.mend as Partial<PlanRequestJson>), kitchen_c: 20 })).toEqual([
      ['starts-by-itself', 'note'],
    ])
  })

  test('is for what has a clock of its own; a pot on a burner is not left to itself', () => {
    expect(
      planned({ method: 'covered-simmer', start_later_minutes: 180 }).stages.some((s) => s.kind === 'soak'),
    ).toBe(false)
    expect(
      planned({ method: 'pressure-electric', start_later_minutes: 90 }).stages.find((s) => s.kind === 'soak')
        ?.minutes.expected,
    ).toBe(90)
    expect(planFrom({ ...RICE, start_later_minutes: 2000 })).toMatchObject({
      ok: false,
      errors: [{ path: 'start_later_minutes' }],
    })
    expect(planFrom({ ...RICE, start_later_minutes: -1 })).toMatchObject({ ok: false })
  })
})
