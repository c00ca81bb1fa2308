import { planFrom } from '#core/contract/plan'
import type { PlanRequestJson } from '#core/contract/plan-request'
import type { MethodId } from '#core/methods/index'

/** What is fried: onions before the grain and the water are in, the cooked grain at the end. */
const ONION_G = 90
const planned = (method: MethodId, when?: 'first' | 'with-water') => {
  const onion = {
    name: 'chopped onion',
    grams_per_100g_dry: ONION_G / 3,
    water_share: 0.89,
    salt_share: 0,
    out: 'stays' as const,
  }
  const request: PlanRequestJson = {
    grains: [{ variety: 'long-white' }],
    amount: { basis: 'dry-mass', value: 300 },
    method,
    ...(when ? { add_ins: [{ ...onion, when }] } : {}),
  }
  const read = planFrom(request)
  if (!read.ok) throw new Error(JSON.stringify(read.errors))
  return read.value
}
const fried = (method: MethodId) => planned(method, 'first').stages.find((s) => s.id === 'fry-first')!

test('it stands before the water, with its own amount, its heat and its hands', () => {
  const { stages } = planned('covered-simmer', 'first')
  const order = stages.map((s) => s.id)
  expect(order.indexOf('fry-first')).toBe(order.indexOf('pour') - 1)
  const stage = fried('covered-simmer')
  expect(stage.title).toBe('Fry first: 90 g chopped onion')
  expect(stage.amounts).toMatchObject([{ what: 'add-in', grams: ONION_G }])
  expect(stage).toMatchObject({ hands_on: true, lid: 'off', set: { setting: 'medium' } })
  expect(stage.power_w).toBeGreaterThan(0)
})

// USDA FoodData Central: onions 89 % water raw, 77 % sautéed.
test('what fries off is poured instead: sautéed onions bring two fifths of the water of raw ones', () => {
  const pour = (when?: 'first' | 'with-water') => planned('covered-simmer', when).water.pour_g
  const dryMatter = 0.11 * ONION_G
  const sauteed = (dryMatter / 0.23) * 0.77
  expect(Math.abs(pour() - pour('with-water') - 0.89 * ONION_G)).toBeLessThan(4)
  expect(Math.abs(pour() - pour('first') - sauteed)).toBeLessThan(4)
})

test.each([
  ['covered-simmer', true, 'medium'],
  ['pressure-electric', true, 'sauté'],
  ['switch-cooker', false, undefined],
  ['oven', false, undefined],
  ['boil-and-drain', false, undefined],
] as const)('%s: in the pot %s', (method, inThePot, setting) => {
  const stage = fried(method)
  expect(stage.set?.setting).toBe(setting)
  expect(stage.power_w > 0).toBe(inThePot)
  expect(/pan of its own/.test(stage.checks.join())).toBe(!inThePot)
})

test('its minutes are part of the total', () => {
  const minutes = (when: 'first' | 'with-water') => planned('covered-simmer', when).total_minutes.expected
  expect(minutes('first') - minutes('with-water')).toBeGreaterThan(3)
})

describe('fried at the end', () => {
  const frying = (more: Partial<PlanRequestJson> = {}, grams = 300) => {
    const read = planFrom({
      grains: [{ variety: 'long-white' }],
      amount: { basis: 'dry-mass', value: grams },
      purpose: 'frying',
      fry_at_end: true,
      ...more,
    })
    if (!read.ok) throw new Error(JSON.stringify(read.errors))
    return read.value
  }
  const fry = (plan: ReturnType<typeof frying>) => plan.stages.find((s) => s.id === 'fry')!

  test('is the last stage, after the tray, and part of the total', () => {
    const plan = frying()
    expect(plan.stages.slice(-2).map((s) => s.id)).toEqual(['spread', 'fry'])
    const without = frying({ fry_at_end: false })
    expect(without.stages.at(-1)!.id).toBe('spread')
    const more = plan.total_minutes.expected - without.total_minutes.expected
    expect(more).toBeCloseTo(fry(plan).minutes.expected, 0)
    expect(plan.cautions.map((c) => c.code)).toContain('hot-oil')
    expect(without.cautions.map((c) => c.code)).not.toContain('hot-oil')
  })

  // 400 g at most a round: it is tossed for three to five minutes on a usual burner, in a spoon of oil.
  test.each([
    [140, 1],
    [300, 2],
    [600, 4],
  ])('%d g of dry grain in %d rounds', (grams, rounds) => {
    const plan = frying({ heat: 'gas-large' }, grams)
    const stage = fry(plan)
    expect(Math.ceil(plan.yield.cooked_mass_g / 400)).toBe(rounds)
    expect(stage.minutes.expected / rounds).toBeGreaterThan(2.5)
    expect(stage.minutes.expected / rounds).toBeLessThan(5)
    expect(stage.amounts).toMatchObject([
      { name: 'oil', grams: expect.closeTo(rounds * 15 * 0.92, 0) as number },
    ])
    expect(stage.title.includes('rounds')).toBe(rounds > 1)
  })

  test('a weaker burner takes longer; a rice cooker is not what it is fried on', () => {
    const minutes = (more: Partial<PlanRequestJson>) => fry(frying(more)).minutes.expected
    expect(minutes({ heat: 'gas-small' })).toBeGreaterThan(1.5 * minutes({ heat: 'gas-large' }))
    const cooker = fry(frying({ method: 'switch-cooker', vessel: 'cooker-5' }))
    expect(cooker.set).toBeUndefined()
    expect(cooker.minutes.expected).toBeLessThan(10)
  })

  test('only grain for frying is fried', () => {
    const read = planFrom({
      grains: [{ variety: 'long-white' }],
      amount: { basis: 'dry-mass', value: 300 },
      fry_at_end: true,
    })
    expect(read).toMatchObject({ ok: false, errors: [{ path: 'fry_at_end' }] })
  })
})
