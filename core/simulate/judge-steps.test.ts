import { parsePlanRequestOrThrow, type PlanRequestJson } from '#core/contract/plan-request'
import { readSteps } from '#core/sentence/read-steps'
import { outcomeWord } from './outcome-word'
import { judgeSteps, mainStep, scriptOf } from './judge-steps'
import { simulate } from './simulate'
import { chancesOf, isGood } from './sweep'

const GIVEN = { runs: 60, seed: 1 }
const requestOf = (more: Partial<PlanRequestJson>) =>
  parsePlanRequestOrThrow({
    grains: [{ variety: 'long-white' }],
    amount: { basis: 'dry-mass', value: 300 },
    ...more,
  })
const judged = (text: string, more: Partial<PlanRequestJson>) =>
  judgeSteps(requestOf(more), readSteps(text).steps, GIVEN)

// Ways that packets and public cooking guidance give, and ones that every cook knows to fail.
test.each<[string, Partial<PlanRequestJson>, boolean]>([
  ['boil, lid on, lowest 15 min, off 10', { pour_override_g: 510 }, true],
  ['boil, lid on, lowest 5 min', { pour_override_g: 510 }, false],
  ['boil, lid on, lowest 15 min, off 10', { pour_override_g: 200 }, false],
  ['boil, lid on, lowest 15 min, off 10', { pour_override_g: 1200 }, false],
  ['boil, lid on, high 30 min', { pour_override_g: 420 }, false],
  [
    'boil, lid on, lowest 15 min, off 10',
    { grains: [{ variety: 'brown-long' }], pour_override_g: 640 },
    false,
  ],
])('“%s” with %j is good: %s', (text, more, good) => {
  const request = requestOf(more)
  const pot = { request, script: scriptOf(readSteps(text).steps, request), happenings: [] }
  expect(isGood(simulate(pot).verdict)).toBe(good)
  const share = chancesOf(pot, { ...GIVEN, anyTexture: true }).good
  if (good) expect(share).toBeGreaterThan(0.6)
  else expect(share).toBeLessThan(0.5)
})

test('what goes wrong is what a cook would expect, and the smallest change mends it', () => {
  const short = judged('boil, lid on, lowest 6 min, off 5', { pour_override_g: 480 })
  expect(outcomeWord(short.ends.verdict)).toBe('hard')
  const change = short.smallest_change!
  expect(change.says).toMatch(/^\d+ min more$/)
  expect(change.steps![1]!.minutes).toBeGreaterThan(6)
  const mended = judgeSteps(requestOf({ pour_override_g: 480 }), change.steps!, GIVEN)
  expect(isGood(mended.ends.verdict)).toBe(true)
  expect(mended.good).toBeGreaterThan(short.good)
})

test('a dry pot needs more water, in grams that then are enough', () => {
  const dry = judged('boil, lid on, lowest 15 min, off 10', { pour_override_g: 330 })
  expect(dry.smallest_change!.says).toMatch(/ g more water$/)
  expect(dry.smallest_change!.pour_g).toBeGreaterThan(330)
})

test('each heat of a burner is its power, off is none, and the step that cooks is the longest on the heat', () => {
  const { steps } = readSteps('boil, high 1 min, lowest 13, off 20')
  const powers = scriptOf(steps, requestOf({})).map((step) => step.powerW)
  expect(powers[0]).toBe(powers[1])
  expect(powers[2]).toBeLessThan(powers[1]!)
  expect(powers[3]).toBe(0)
  expect(mainStep(steps)).toBe(2)
  expect(mainStep(readSteps('boil, off 20').steps)).toBe(-1)
})
