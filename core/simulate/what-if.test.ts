import { parsePlanRequest, type PlanRequestJson } from '#core/contract/plan-request'
import { VARIETY_IDS, varietyOf, type VarietyId } from '#core/grain/varieties'
import { reasonsOf } from './reasons'
import { simulate } from './simulate'
import { asMade, whatIf, WHAT_IFS, type WhatIf } from './what-if'

const settled = (variety: VarietyId, more: Partial<PlanRequestJson> = {}) => {
  const read = parsePlanRequest({
    grains: [{ variety }],
    amount: { basis: 'dry-mass', value: 250 },
    method: 'covered-simmer',
    ...more,
  })
  if (!read.ok) throw new Error(JSON.stringify(read.errors))
  return read.value
}
const run = (variety: VarietyId, question: WhatIf | null, more: Partial<PlanRequestJson> = {}) =>
  simulate(
    question === null ? asMade(settled(variety, more)) : whatIf(asMade(settled(variety, more)), question),
  )
const wet = ({ outcome }: ReturnType<typeof run>) =>
  outcome.uptakeMean + (outcome.freeShare * (1 + outcome.uptakeMean)) / (1 - outcome.freeShare)

const FIVE: readonly VarietyId[] = ['long-white', 'short-white', 'brown-short', 'quinoa', 'barley-hulled']

test.each(FIVE)('%s: what cooks ask, answered by the physics', (variety) => {
  const plain = run(variety, null)
  expect(wet(run(variety, 'doubled'))).toBeGreaterThan(wet(plain) + 0.02)
  expect(wet(run(variety, 'more-water'))).toBeGreaterThan(wet(plain) + 0.1)
  expect(wet(run(variety, 'less-water'))).toBeLessThan(wet(plain) - 0.1)
  expect(run(variety, 'no-rest').outcome.centreMin).toBeLessThan(plain.outcome.centreMin)
  expect(run(variety, 'thin-pot').outcome.centreMin).toBeLessThanOrEqual(plain.outcome.centreMin + 0.005)
  // At the boil the flame makes good what a short look costs.
  expect(run(variety, 'lid-lifted').outcome.centreMin).toBeLessThanOrEqual(plain.outcome.centreMin + 0.001)
})

test.each(FIVE)('%s planned in the valley and cooked at 2500 m has a harder heart', (variety) => {
  const up = { elevation_m: 2500 }
  expect(run(variety, 'in-the-valley', up).outcome.centreMin).toBeLessThan(
    run(variety, null, up).outcome.centreMin - 0.03,
  )
})

test('a soak that is skipped leaves brown rice harder and wetter', () => {
  const soak = { soak: { minutes: 480, celsius: 20 } }
  const [soaked, skipped] = [run('brown-short', null, soak), run('brown-short', 'no-soak', soak)]
  expect(skipped.outcome.centreMin).toBeLessThanOrEqual(soaked.outcome.centreMin)
  expect(skipped.outcome.uptakeMean).toBeLessThan(soaked.outcome.uptakeMean)
})

test('every verdict has a reason with a figure in it', () => {
  for (const variety of VARIETY_IDS)
    for (const question of [null, ...WHAT_IFS] as const) {
      if (question === 'no-soak') continue
      const cooked = run(variety, question)
      const reasons = reasonsOf(cooked, varietyOf(variety).uptake)
      expect(reasons.length).toBeGreaterThan(0)
      for (const reason of reasons) expect(reason).not.toMatch(/NaN|undefined|Infinity|!/)
      if (cooked.verdict.cookedThrough !== 'yes') expect(reasons[0]).toMatch(/\d+ %/)
    }
})
