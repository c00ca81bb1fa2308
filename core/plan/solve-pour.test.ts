import { parsePlanRequest, type PlanRequestJson } from '#core/contract/plan-request'
import { METHOD_IDS, methodOf } from '#core/methods/index'
import { cookThrough } from './cook-through'
import { pourProblem } from './pot-for-plan'
import { setupFor, waterCarriedInto } from './pour-problem'
import { prepare } from './prepare'
import { solvePour } from './solve-pour'

const problemOf = (given: PlanRequestJson) => {
  const read = parsePlanRequest(given)
  if (!read.ok) throw new Error(JSON.stringify(read.errors))
  return pourProblem(read.value, prepare(read.value))
}

/** The pour cooked once more: what it would have had to be for what it really gave off, less itself, g. */
function gapOf(given: PlanRequestJson) {
  const problem = problemOf(given)
  const solved = solvePour(problem, { quick: true })
  const at = problem.stages.findIndex((stage) => stage.until === 'solved')
  const again = cookThrough(setupFor(problem, solved.pourG, solved.boilerG), problem.stages, {
    guess: 0,
    goal: problem.goal,
    fixed: solved.course.minutes[at] ?? 0,
  })
  const wanted = (problem.uptake + (problem.sauce ?? 0)) * problem.dryG
  const needs = wanted + again.bedSteamG - waterCarriedInto(problem)
  return { pourG: solved.pourG, gap: needs - solved.pourG }
}

describe('a solved pour', () => {
  const ofPot = METHOD_IDS.filter((id) => methodOf(id).water === 'pot')
  test.each(ofPot)('%s: cooked again it gives off what it was given for', (method) => {
    for (const variety of ['basmati', 'brown-short', 'quinoa', 'barley-pearled'] as const)
      for (const value of [150, 600]) {
        const given: PlanRequestJson = {
          grains: [{ variety }],
          amount: { basis: 'dry-mass', value },
          method,
        }
        const { pourG, gap } = gapOf(given)
        // Within two grams in a small pot and three parts in a thousand of a large one.
        expect(Math.abs(gap)).toBeLessThan(2 + 0.003 * pourG)
      }
  })

  // Water at which a pressure pot just boils dry before it seals: on one side of it the pot waits two hours.
  test.each([
    {
      grains: [
        { variety: 'teff', share: 2 },
        { variety: 'risotto-white', share: 1 },
      ],
      amount: { basis: 'dry-mass', value: 792.7 },
      method: 'pressure-stovetop',
      vessel: 'cooker-5',
      soak: { minutes: 440, celsius: 28, water: 'keep' },
    },
    {
      grains: [
        { variety: 'couscous', share: 2 },
        { variety: 'farro-pearled', share: 1 },
      ],
      amount: { basis: 'servings', value: 6 },
      method: 'pressure-electric',
      vessel: 'cooker-3',
      soak: { minutes: 240, celsius: 25, water: 'drain' },
      texture: 0.7,
    },
  ] satisfies PlanRequestJson[])('where no pour meets itself, it is the least that works: %#', (given) => {
    const problem = problemOf(given)
    const { pourG } = solvePour(problem, { quick: true })
    const seals = (pour: number) => {
      const course = cookThrough(setupFor(problem, pour), problem.stages, { guess: 5, goal: problem.goal })
      return course.ended.every(Boolean)
    }
    expect(seals(pourG)).toBe(true)
    expect(seals(0.99 * pourG)).toBe(false)
  })
})
