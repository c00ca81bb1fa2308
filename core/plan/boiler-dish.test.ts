import { planFrom } from '#core/contract/plan'
import type { PlanRequestJson } from '#core/contract/plan-request'

const plan = (more: Partial<PlanRequestJson> = {}) => {
  const read = planFrom({
    grains: [{ variety: 'glutinous' }],
    amount: { basis: 'dry-mass', value: 400 },
    method: 'steam',
    ...more,
  })
  if (!read.ok) throw new Error(read.errors[0]!.message)
  return read.value
}
const soup = (liquid_g: number) => ({ boiler_dish: { name: 'nettle soup', liquid_g } })

describe('a dish as the boiler', () => {
  test('a full pot of soup needs nothing, and its steam is counted as its own loss', () => {
    const { boiler_dish: dish, water, cautions, stages } = plan(soup(2000))
    expect(dish!.top_up_g).toBe(0)
    // What is gone from the soup is what left as steam and what the grain took of it; the rest is still soup.
    expect(dish!.steams_off_g).toBeCloseTo(water.evaporated_g + (water.absorbed_g - water.carried_in_g), 0)
    expect(dish!.liquid_g - dish!.steams_off_g).toBeCloseTo(water.left_in_pot_g, 0)
    expect(water.pour_g).toBe(2000)
    expect(cautions.map((c) => c.code)).toContain('dish-thickens')
    expect(stages.find((s) => s.id === 'pour')!.title).toBe('“nettle soup” under the basket')
    expect(stages.find((s) => s.kind === 'steam')!.checks.join()).toContain('Stir the dish below')
  })

  test('too little soup says how much to add first, and with that it is enough', () => {
    const short = plan(soup(120))
    expect(short.boiler_dish!.top_up_g).toBeGreaterThan(100)
    expect(short.water.pour_g).toBeCloseTo(120 + short.boiler_dish!.top_up_g, 0)
    const caution = short.cautions.find((c) => c.code === 'dish-runs-dry')!
    expect(caution.severity).toBe('warn')
    const mended = plan(caution.mend as Partial<PlanRequestJson>)
    expect(mended.boiler_dish!.top_up_g).toBeLessThan(1)
    expect(mended.cautions.map((c) => c.code)).not.toContain('dish-runs-dry')
  })

  test('more to heat takes longer to the boil, and stays hot longer in the rest, so the steaming is no longer', () => {
    const [small, large] = [plan(soup(1000)), plan(soup(3000))]
    const minutes = (of: typeof small, kind: string) =>
      of.stages.find((s) => s.kind === kind)!.minutes.expected
    expect(minutes(large, 'heat-up')).toBeGreaterThan(1.8 * minutes(small, 'heat-up'))
    expect(minutes(large, 'steam')).toBeLessThanOrEqual(minutes(small, 'steam'))
    expect(minutes(large, 'steam')).toBeGreaterThan(0.7 * minutes(small, 'steam'))
  })

  test('in passes it is looked at every time, and the water on the grain is the pour', () => {
    const passes = plan({
      grains: [{ variety: 'couscous' }],
      method: 'steam-passes',
      passes: 3,
      ...soup(1500),
    })
    expect(passes.stages.filter((s) => s.checks.some((c) => c.includes('dish below'))).length).toBe(3)
    expect(passes.water.boiler_g).toBe(1500)
    expect(passes.water.pour_g).toBeLessThan(700)
    expect(passes.boiler_dish!.steams_off_g).toBeGreaterThan(0)
  })

  test('where nothing steams there is no dish under it', () => {
    expect(plan({ method: 'covered-simmer', ...soup(1500) }).boiler_dish).toBeUndefined()
  })

  test.each([
    [{ name: '', liquid_g: 500 }, 'name'],
    [{ name: 'soup', liquid_g: 2 }, 'from 50 to 20000'],
    [{ name: 'soup' }, 'liquid_g'],
    ['soup', 'object'],
  ])('%p is refused in words', (boiler_dish, words) => {
    const read = planFrom({
      grains: [{ variety: 'glutinous' }],
      amount: { basis: 'dry-mass', value: 400 },
      method: 'steam',
      boiler_dish,
    })
    expect(read.ok).toBe(false)
    expect(!read.ok && read.errors.map((e) => e.message).join()).toContain(words)
  })
})
