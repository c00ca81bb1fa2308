import { parsePlanRequest, type PlanRequestJson } from '#core/contract/plan-request'
import { varietyOf } from '#core/grain/varieties'
import { plan } from '#core/plan/plan'
import { prepare } from '#core/plan/prepare'
import { potForPlan } from '#core/plan/pot-for-plan'
import { grainWater, type Pot } from '#core/pot/pot'
import { vesselPreset } from '#core/vessel/presets'
import { runPhase } from '#core/pot/run'
import { simulateHoldTime, HOLD_HOT_C } from './simulate-hold-time'
import { holdingPower, estimateHoldTime } from './hold-time'

/** A plan's own pot, cooked to the end of its rest. */
function rested(more: Partial<PlanRequestJson> = {}): Pot {
  const read = parsePlanRequest({
    grains: [{ variety: 'long-white' }],
    amount: { basis: 'dry-mass', value: 300 },
    ...more,
  })
  if (!read.ok) throw new Error('unread')
  const request = read.value
  const [made, prepared] = [plan(request), prepare(request)]
  const pot = potForPlan(request, prepared, made.water, {
    layers: 3,
    shells: 8,
    step: 3,
    steadyStep: 6,
    restStep: 12,
  })
  for (const stage of prepared.timed.stages)
    runPhase(pot, {
      ...stage,
      until:
        stage.until === 'solved'
          ? { minutes: made.stages.find((s) => s.id === stage.id)!.minutes.expected }
          : stage.until,
    })
  return pot
}
const { soft } = varietyOf('long-white').uptake

test('what ends it first is what comes first', () => {
  const held = simulateHoldTime(rested(), soft)
  expect(held.minutes).toBe(Math.min(held.safeMinutes, held.dryMinutes, held.softMinutes))
  expect(held.endsBy).toBe('safety')
})

test('a cold kitchen and little grain each keep it hot for less long', () => {
  const base = simulateHoldTime(rested(), soft).safeMinutes
  expect(simulateHoldTime(rested({ kitchen_c: 5 }), soft).safeMinutes).toBeLessThan(base)
  expect(
    simulateHoldTime(rested({ amount: { basis: 'dry-mass', value: 120 } }), soft).safeMinutes,
  ).toBeLessThan(base)
})

test('it is under the holding temperature just when it is said to be', () => {
  const pot = rested()
  const { safeMinutes } = simulateHoldTime(pot, soft)
  runPhase(pot, { id: 'hold', powerW: 0, lid: 'on', mode: 'open', until: { minutes: safeMinutes - 0.5 } })
  expect(pot.bulkC).toBeGreaterThanOrEqual(HOLD_HOT_C - 0.3)
  runPhase(pot, { id: 'hold', powerW: 0, lid: 'on', mode: 'open', until: { minutes: 1 } })
  expect(pot.bulkC).toBeLessThan(HOLD_HOT_C + 0.3)
})

test('grain that still lies in water goes on drinking, and softness ends it', () => {
  const pot = rested()
  pot.freeG += 260
  const held = simulateHoldTime(pot, 1.75)
  expect(held.softMinutes).toBeLessThan(held.safeMinutes)
  expect(held.endsBy).toBe('softness')
})

test('looking ahead leaves the pot where it is', () => {
  const pot = rested()
  const before = [pot.now, pot.bulkC, pot.freeG, ...pot.uptake]
  simulateHoldTime(pot, soft)
  expect([pot.now, pot.bulkC, pot.freeG, ...pot.uptake]).toEqual(before)
})

describe('in closed form', () => {
  test.each([
    {},
    { kitchen_c: 8 },
    { amount: { basis: 'dry-mass' as const, value: 600 }, vessel: 'heavy-3.5' as const },
    { vessel: 'steel-1.6' as const },
  ])('agrees with the pot that is run within a fifth, %p', (more) => {
    const pot = rested(more)
    const read = parsePlanRequest({
      grains: [{ variety: 'long-white' }],
      amount: { basis: 'dry-mass', value: 300 },
      ...more,
    })
    if (!read.ok) throw new Error('unread')
    // From the boil, as a plan computes it; the rest of ten minutes is part of that time.
    const closed = estimateHoldTime({
      vessel: read.value.vessel,
      dryG: pot.dryG,
      waterG: grainWater(pot) + pot.freeG,
      boilC: pot.bulkC,
      kitchenC: read.value.kitchenC,
      holdC: HOLD_HOT_C,
    })
    const run = simulateHoldTime(pot, soft).safeMinutes
    expect(Math.abs(closed.warmMin - run) / run).toBeLessThan(0.2)
  })

  test('a loose lid dries it faster than a tight one, and a wide pot faster than a narrow one', () => {
    const of = (id: 'steel-1.6' | 'heavy-2.5' | 'wide-3' | 'clay-1.8') =>
      estimateHoldTime({
        vessel: vesselPreset(id),
        dryG: 300,
        waterG: 500,
        boilC: 100,
        kitchenC: 20,
        holdC: 63,
      })
    expect(of('steel-1.6').driesPercentPerHour).toBeGreaterThan(2 * of('heavy-2.5').driesPercentPerHour)
    expect(of('wide-3').dryMin).toBeLessThan(of('steel-1.6').dryMin)
    expect(of('clay-1.8').warmMin).toBeGreaterThan(of('steel-1.6').warmMin)
  })
})

test('what it costs to hold a pot warm is its loss at that warmth, and the steam it lets go', () => {
  const [tight, loose] = [vesselPreset('heavy-2.5'), { ...vesselPreset('heavy-2.5'), lid: 'loose' as const }]
  const power = holdingPower(tight, 20)
  // 1.2 W/K over 48 K is the greater part.
  expect(power).toBeGreaterThan(tight.loss * 48)
  expect(power).toBeLessThan(tight.loss * 48 * 1.2)
  expect(holdingPower(loose, 20)).toBeGreaterThan(power)
  expect(holdingPower(tight, 30)).toBeLessThan(power)
  // And that is more than enough for what Newton's cooling would take from it.
  const stands = estimateHoldTime({
    vessel: tight,
    dryG: 300,
    waterG: 500,
    boilC: 100,
    kitchenC: 20,
    holdC: 63,
  })
  expect(stands.warmMin).toBeGreaterThan(20)
  expect(
    estimateHoldTime({ vessel: tight, dryG: 300, waterG: 500, boilC: 60, kitchenC: 20, holdC: 63 }).warmMin,
  ).toBe(0)
})
