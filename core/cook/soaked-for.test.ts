import type { Plan, Stage } from '#core/plan/result'
import type { CookView } from './replay'
import { soakedFor } from './soaked-for'

const MINUTE = 60_000
const plan = (minutes: number): Pick<Plan, 'stages'> => ({
  stages: [
    { id: 'soak', kind: 'soak', after: [], minutes: { expected: minutes } } as unknown as Stage,
    { id: 'drain', kind: 'drain', after: ['soak'] } as unknown as Stage,
  ],
})
const view = {
  stages: [
    { id: 'soak', startMs: 0 },
    { id: 'drain', startMs: 0 },
  ],
} as unknown as CookView

test.each([
  // Ten minutes or a tenth of the plan, the larger of the two.
  [30, 40, undefined],
  [30, 41, 41],
  [30, 19, 19],
  [480, 528, undefined],
  [480, 529, 529],
  [480, 600, 600],
])('planned %d min, drained after %d: %s', (planned, real, expected) => {
  expect(soakedFor(plan(planned), view, real * MINUTE)).toBe(expected)
})
test('without a soak, or where its water is kept, there is nothing to enter', () => {
  expect(soakedFor({ stages: [] }, view, 900 * MINUTE)).toBeUndefined()
  expect(soakedFor({ stages: [plan(30).stages[0]!] }, view, 900 * MINUTE)).toBeUndefined()
})
