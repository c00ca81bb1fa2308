import { planFrom } from '#core/contract/plan'
import type { PlanRequestJson } from '#core/contract/plan-request'
import type { Purpose } from '#core/methods/definition'
import { METHOD_IDS } from '#core/methods/index'
import { meanwhile } from './meanwhile'

const plan = (more: Partial<PlanRequestJson> = {}) => {
  const read = planFrom({
    grains: [{ variety: 'long-white' }],
    amount: { basis: 'dry-mass', value: 300 },
    ...more,
  })
  if (!read.ok) throw new Error(read.errors[0]!.message)
  return read.value
}
const at = (
  kind: string,
  minutes: number,
  purpose: Purpose = 'side',
  more: Partial<PlanRequestJson> = {},
) => {
  const p = plan({ purpose, ...more })
  return meanwhile(
    p,
    p.stages.find((s) => s.kind === kind)!,
    purpose,
    minutes,
  )?.says
}

describe('one useful task while waiting', () => {
  test('hands that are busy are left alone, and so is a wait with no room', () => {
    expect(at('rinse', 10)).toBeUndefined()
    expect(at('simmer', 0.5)).toBeUndefined()
  })

  test('figures are of this pot', () => {
    // 0.12 g per g of 300 g, to the next ten.
    expect(at('simmer', 8)).toContain('40 g')
    const p = plan({ purpose: 'batch' })
    expect(at('simmer', 8, 'batch')).toContain(`${(p.yield.cooked_volume_ml / 1000).toFixed(1)} L`)
    expect(at('rest', 5, 'side', { amount: { basis: 'servings', value: 5 } })).toBe(
      'Warm 5 plates, or the serving bowl',
    )
  })

  test('what comes next decides', () => {
    expect(at('heat-up', 5, 'salad', { method: 'boil-and-drain' })).toContain('sieve in the sink')
    expect(at('rest', 5, 'frying')).toContain('tray')
  })

  test('no school leaves a long wait without one', () => {
    for (const method of METHOD_IDS) {
      const p = plan({ method })
      for (const stage of p.stages.filter(
        (s) =>
          !s.hands_on &&
          s.minutes.expected > 4 &&
          s.kind !== 'spread' &&
          s.kind !== 'ladle' &&
          s.kind !== 'moisten',
      ))
        expect([
          method,
          stage.kind,
          meanwhile(p, stage, 'side', stage.minutes.expected) !== undefined,
        ]).toEqual([method, stage.kind, true])
    }
  })
})
