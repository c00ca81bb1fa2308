import { PlanSchema } from './plan-result'
import { planFrom } from './plan'
import { planWithOdds } from './plan-with-odds'
import * as v from 'valibot'

const brown = {
  grains: [{ variety: 'brown-short' }],
  amount: { basis: 'dry-mass', value: 300 },
  method: 'covered-simmer',
}

test('without runs it is the plan, with runs the plan and its odds', () => {
  const [plain, asked] = [planFrom(brown), planWithOdds({ ...brown, runs: 120 })]
  if (!plain.ok || !asked.ok) throw new Error('not read')
  expect(planWithOdds(brown)).toEqual(plain)
  const { chances, ...rest } = asked.value
  expect(rest).toEqual(plain.value)
  expect(v.is(PlanSchema, asked.value)).toBe(true)
  expect(chances!.good).toBeGreaterThan(0.4)
  expect(chances!.good).toBeLessThan(1)
  expect(chances!.fails.length).toBeGreaterThan(0)
})

test('low odds name what measuring would lift them, and a kitchen that is known has better ones', () => {
  const odds = (more: object) => {
    const read = planWithOdds({ ...brown, runs: 200, ...more })
    if (!read.ok) throw new Error(JSON.stringify(read.errors))
    return read.value.chances!
  }
  const [unknown, known] = [
    odds({}),
    odds({ spreads: { burner: 0.03, steam: 0.06, minutes: 0.05, water: 0.02 } }),
  ]
  expect(unknown.good).toBeLessThan(0.9)
  if (unknown.good < 0.85) expect(unknown.measure!.good).toBeGreaterThan(unknown.good)
  expect(known.good).toBeGreaterThan(unknown.good)
})

test.each([[0], [2001], [1.5], ['many']])('runs of %s are refused', (runs) => {
  expect(planWithOdds({ ...brown, runs })).toMatchObject({ ok: false, errors: [{ path: 'runs' }] })
})
