import fc from 'fast-check'
import { planFrom } from '#core/contract/plan'
import { depthOfPour, pourForDepth } from '#core/vessel/pour-gauges'
import { vesselPreset } from '#core/vessel/presets'
import { FIRST_KITCHEN } from '#server/commands/begin-household'
import { pourAfterKey, snapPour } from '../ui/drawing/water-handle'
import { firstPlan, requestOf, type PlanningData } from './plan-state'
import { contextOf, heldAt, ownPourWords } from './own-water'

const household: PlanningData = {
  ...FIRST_KITCHEN,
  bags: [],
  bottles: [],
  marks: [],
  units: 'grams',
  system: 'metric',
  cup: 'metric',
  known: {},
  guidance: 'stricter' as const,
  crystal: 'table' as const,
  leftovers: [],
  eaters: [],
  elevation_m: 0,
  kitchen_c: 20,
  zone: 'UTC',
}
const first = firstPlan(household)
const planned = (state = first) => {
  const read = planFrom(requestOf(state, household, 0))
  if (!read.ok) throw new Error('not read')
  return read.value
}

test('held between firm and soft, the water is a texture whose plan pours just that', () => {
  const plan = planned()
  fc.assert(
    fc.property(fc.double({ min: 0.02, max: 0.98, noNaN: true }), (share) => {
      const pour = plan.water.firm_pour_g + share * (plan.water.soft_pour_g - plan.water.firm_pour_g)
      const held = heldAt(pour, plan, first)
      expect(held.poured).toBeNull()
      expect(Math.abs(planned({ ...first, ...held }).water.pour_g - pour)).toBeLessThan(0.02 * pour)
    }),
    { numRuns: 30 },
  )
})

test("held beyond, it is the cook's own water, and what it does is said", () => {
  const plan = planned()
  for (const [pour, words] of [
    [plan.water.firm_pour_g - 80, /too little/],
    [plan.water.soft_pour_g + 300, /left over/],
  ] as const) {
    const held = heldAt(pour, plan, first)
    expect(held.poured).toBe(pour)
    const state = { ...first, ...held }
    expect(planned(state).water.pour_g).toBeCloseTo(pour, 0)
    expect(ownPourWords(planned(state), state)).toMatch(words)
  }
  expect(ownPourWords(plan, first)).toBeUndefined()
})

test('the gauges of a plan read back to its pour', () => {
  const plan = planned()
  const context = contextOf(plan, first, vesselPreset('heavy-2.5'))
  expect(depthOfPour(context, plan.water.pour_g)).toBeCloseTo(plan.gauges.water_above_bed_mm, 0)
  expect(pourForDepth(context, plan.gauges.water_above_bed_mm)).toBeCloseTo(plan.water.pour_g, -1)
})

test('keys: five grams, one with Shift, twenty-five by the page, firm and soft at the ends', () => {
  const hold = { pourG: 400.4, firmG: 350.2, standardG: 430.6, softG: 520.7 }
  const keys = (key: string, fine = false) => pourAfterKey(key, fine, hold)
  expect([
    keys('ArrowUp'),
    keys('ArrowDown'),
    keys('ArrowUp', true),
    keys('PageDown'),
    keys('Home'),
    keys('End'),
  ]).toEqual([405, 395, 401, 375, 350, 521])
  expect(keys('Tab')).toBeUndefined()
  expect(pourAfterKey('ArrowDown', false, { ...hold, pourG: 2 })).toBe(0)
})

test('a hand near firm or soft means it, unless Shift says otherwise', () => {
  const marks = { firmG: 350.2, standardG: 430.6, softG: 520.7 }
  expect(snapPour(353, marks, false)).toBe(350)
  expect(snapPour(353, marks, true)).toBe(353)
  expect(snapPour(400.6, marks, false)).toBe(401)
  expect(snapPour(434, marks, false)).toBe(431)
  expect(snapPour(-30, marks, false)).toBe(0)
})
