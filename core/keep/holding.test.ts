import { readPlanRequest, type PlanRequestJson } from '#core/contract/plan-request'
import { varietyOf } from '#core/grain/varieties'
import { plan } from '#core/plan/plan'
import { prepare } from '#core/plan/prepare'
import { setupFor } from '#core/plan/problem'
import { fillPot, type Pot } from '#core/pot/pot'
import { runPhase } from '#core/pot/run'
import { holdingOf, HOLD_HOT_C } from './holding'

/** A plan's own pot, cooked to the end of its rest. */
function rested(more: Partial<PlanRequestJson> = {}): Pot {
  const read = readPlanRequest({ grains: [{ variety: 'long-white' }], amount: { basis: 'dry-mass', value: 300 }, ...more })
  if (!read.ok) throw new Error('unread')
  const request = read.value
  const [made, prepared] = [plan(request), prepare(request)]
  const pot = fillPot(
    setupFor({ ...prepared, vessel: request.vessel, kitchenC: request.kitchenC, stages: prepared.timed.stages, way: prepared.method.water, basket: false }, made.water.pour_g),
    { layers: 3, shells: 8, step: 3, steadyStep: 6, restStep: 12 },
  )
  for (const stage of prepared.timed.stages) runPhase(pot, { ...stage, until: stage.until === 'solved' ? { minutes: made.stages.find((s) => s.id === stage.id)!.minutes.expected } : stage.until })
  return pot
}
const { soft } = varietyOf('long-white').uptake

test('what ends it first is what comes first', () => {
  const held = holdingOf(rested(), soft)
  expect(held.minutes).toBe(Math.min(held.safeMinutes, held.dryMinutes, held.softMinutes))
  expect(held.endsBy).toBe('safety')
})

test('a cold kitchen and little grain each keep it hot for less long', () => {
  const base = holdingOf(rested(), soft).safeMinutes
  expect(holdingOf(rested({ kitchen_c: 5 }), soft).safeMinutes).toBeLessThan(base)
  expect(holdingOf(rested({ amount: { basis: 'dry-mass', value: 120 } }), soft).safeMinutes).toBeLessThan(base)
})

test('it is under the holding temperature just when it is said to be', () => {
  const pot = rested()
  const { safeMinutes } = holdingOf(pot, soft)
  runPhase(pot, { id: 'hold', powerW: 0, lid: 'on', mode: 'open', until: { minutes: safeMinutes - 0.5 } })
  expect(pot.bulkC).toBeGreaterThanOrEqual(HOLD_HOT_C - 0.3)
  runPhase(pot, { id: 'hold', powerW: 0, lid: 'on', mode: 'open', until: { minutes: 1 } })
  expect(pot.bulkC).toBeLessThan(HOLD_HOT_C + 0.3)
})

test('grain that still lies in water goes on drinking, and softness ends it', () => {
  const pot = rested()
  pot.freeG += 260
  const held = holdingOf(pot, 1.75)
  expect(held.softMinutes).toBeLessThan(held.safeMinutes)
  expect(held.endsBy).toBe('softness')
})

test('looking ahead leaves the pot where it is', () => {
  const pot = rested()
  const before = [pot.now, pot.bulkC, pot.freeG, ...pot.uptake]
  holdingOf(pot, soft)
  expect([pot.now, pot.bulkC, pot.freeG, ...pot.uptake]).toEqual(before)
})
