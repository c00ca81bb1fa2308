import { planFrom } from '#core/contract/plan'
import type { PlanRequestJson } from '#core/contract/plan-request'
import { weightAskedFor } from './weighing'

const asked = (more: Partial<PlanRequestJson> = {}) => {
  const read = planFrom({
    grains: [{ variety: 'long-white' }],
    amount: { basis: 'dry-mass', value: 300 },
    ...more,
  })
  if (!read.ok) throw new Error(read.errors[0]!.message)
  return read.value.stages.flatMap((stage) => {
    const kind = weightAskedFor(stage, read.value)
    return kind ? [[stage.id, kind]] : []
  })
}
test.each<[string, Partial<PlanRequestJson>]>([
  ['a covered pot', { method: 'covered-simmer' }],
  ['a rice cooker', { method: 'switch-cooker', vessel: 'cooker-5' }],
  ['a pressure cooker', { method: 'pressure-electric', vessel: 'pressure-electric-5' }],
])('%s is weighed once it is poured, and before it is loosened', (_pot, more) => {
  expect(asked(more)).toEqual([
    ['pour', 'pot-before'],
    ['fluff', 'pot-after'],
  ])
})
