import fc from 'fast-check'
import { planFrom } from '#core/contract/plan'
import { parsePlanRequest, type PlanRequestJson } from '#core/contract/plan-request'
import { VARIETY_IDS } from '#core/grain/varieties'
import { METHOD_IDS } from '#core/methods/index'
import { whyMinutes, whyPour, type Known } from './pour'

const known: Known = { potMeasured: false, learned: undefined, bagDelta: 0 }
const why = (json: Partial<PlanRequestJson>, over: Partial<Known> = {}) => {
  const request = {
    grains: [{ variety: 'long-white' }],
    amount: { basis: 'dry-mass', value: 300 },
    ...json,
  } as PlanRequestJson
  const [read, made] = [parsePlanRequest(request), planFrom(request)]
  if (!read.ok || !made.ok) throw new Error('not a request')
  return {
    plan: made.value,
    pour: whyPour(read.value, made.value, { ...known, ...over }),
    minutes: whyMinutes(made.value, { ...known, ...over }),
  }
}

test('the terms of every pour add up to it, whatever the school', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...VARIETY_IDS),
      fc.constantFrom(...METHOD_IDS),
      fc.integer({ min: 150, max: 600 }),
      fc.boolean(),
      (variety, method, value, soaked) => {
        const { plan, pour } = why({
          grains: [{ variety }],
          amount: { basis: 'dry-mass', value },
          method,
          soak: soaked ? { minutes: 60, celsius: 20 } : null,
        })
        const sum = pour.terms.reduce((all, { value: g }) => all + g, 0)
        expect(Math.abs(sum - plan.water.pour_g)).toBeLessThan(0.6)
        expect(pour.total).toBe(plan.water.pour_g)
        for (const { sure } of pour.terms) expect(sure).toBeGreaterThanOrEqual(0)
      },
    ),
    { numRuns: 40 },
  )
})

test('the sentence names every part of five grams or more, and they add up to the pour', () => {
  for (const method of METHOD_IDS) {
    const { plan, pour } = why({ method, soak: { minutes: 60, celsius: 20 } })
    const parts = [...pour.says.matchAll(/(Less )?(?:The grain takes up )?(\d+) g/g)].map(
      ([, less, g]) => (less ? -1 : 1) * Number(g),
    )
    const sum = parts.reduce((all, g) => all + g, 0)
    // Of six other parts none is left out that weighs five grams.
    expect([method, Math.abs(sum - plan.water.pour_g) < 6 * 5]).toEqual([method, true])
  }
  expect(why({ pour_override_g: 400 }).pour.says).toBe('You chose this amount yourself.')
})

test('the minutes’ sentence names the longest step and the hands', () => {
  const { plan, minutes } = why({})
  const longest = Math.max(...plan.stages.map((s) => s.minutes.expected))
  expect(minutes.says).toContain(`${Math.round(longest)} min`)
  expect(minutes.says).toContain(`Your hands are needed for ${Math.round(plan.hands_on_minutes)} min`)
})

test('each term says where it comes from', () => {
  const { pour } = why({ uptake_delta_g_g: -0.1 }, { learned: { delta: -0.1, sd: 0.05 } })
  const term = (word: string) => pour.terms.find((t) => t.word.includes(word))!
  expect(term('at this texture')).toMatchObject({ from: 'published', value: 510 }) // 1.70 g/g of 300 g
  expect(term('from your batches')).toMatchObject({ from: 'your notebook', value: -30, sure: 15 })
  expect(term('rinse water')).toMatchObject({ from: 'published', value: -36 }) // 0.12 g/g
  expect(term('boils off')).toMatchObject({ from: 'computed' })
})

test('a measured pot is surer than a described one, and a weighed soak surer than a computed one', () => {
  const guess = why({ grains: [{ variety: 'barley-hulled' }] })
  expect(why({ grains: [{ variety: 'barley-hulled' }] }, { potMeasured: true }).pour.sure).toBeLessThan(
    guess.pour.sure,
  )
  const soak = { minutes: 480, celsius: 5 }
  const computed = why({ grains: [{ variety: 'brown-short' }], soak }).pour.terms.find((t) =>
    t.word.startsWith('soaked'),
  )!
  const weighed = why({
    grains: [{ variety: 'brown-short' }],
    soak: { ...soak, wet_mass_g: 400 },
  }).pour.terms.find((t) => t.word.startsWith('soaked'))!
  expect(weighed).toMatchObject({ from: 'you', sure: 2 })
  expect(computed.sure).toBeGreaterThan(2)
})

test('water of your own is only yours', () => {
  expect(why({ pour_override_g: 500 }).pour).toMatchObject({
    total: 500,
    terms: [{ from: 'you', value: 500 }],
  })
})

test('the minutes add up along the cook, and what goes on side by side is taken off', () => {
  const straight = why({})
  expect(straight.minutes.terms.some((t) => t.word === 'done side by side')).toBe(false)
  const boiling = why({ method: 'boiling-start', soak: { minutes: 30 } })
  expect(boiling.minutes.terms.find((t) => t.word === 'done side by side')!.value).toBeLessThan(-4)
  for (const { plan, minutes } of [straight, boiling])
    expect(
      Math.abs(minutes.terms.reduce((all, t) => all + t.value, 0) - plan.total_minutes.expected),
    ).toBeLessThan(0.15)
})

test('what the notebook taught and what the bag wants are two terms, and both are in the sum', () => {
  const { pour, plan } = why(
    { uptake_delta_g_g: -0.05 },
    { learned: { delta: -0.1, sd: 0.04 }, bagDelta: 0.05 },
  )
  const term = (word: string) => pour.terms.find((t) => t.word.includes(word))!
  expect(term('from your batches').value).toBeCloseTo(-30, 6)
  expect(term('from this bag')).toMatchObject({ from: 'this bag' })
  expect(term('from this bag').value).toBeCloseTo(15, 6)
  expect(Math.abs(pour.terms.reduce((sum, t) => sum + t.value, 0) - plan.water.pour_g)).toBeLessThan(0.6)
})
