import type { Blend } from '#core/grain/blend'
import { cookingSpeed } from '#core/heat/cooking-speed'
import { LATENT_HEAT } from '#core/heat/evaporation'
import { lossFactor } from '#core/heat/lid'
import type { MethodStage } from '#core/method/method'
import { VENTED_BEFORE_SEAL_G } from '#core/pot/pot'
import { celsius } from '#core/quantity/units'
import type { Vessel } from '#core/vessel/vessel'
import { comfortable, cookThrough, solvedWindow, type CookedThrough } from './cook-through'
import { FREE_DONE } from './done'
import { earliestGuess, REST_WORTH } from './earliest-guess'
import { potSetupOf } from './pot-setup'
import type { SoakedGrain } from './soaked'

export interface Problem {
  blend: Blend
  dryG: number
  vessel: Vessel
  boilC: number
  kitchenC: number
  waterC: number
  stages: readonly MethodStage[]
  /** Whether the soaking water is cooked in, and its temperature. */
  keptSoakC: number | null
  soaked: SoakedGrain
  /** Water that add-ins bring into the pot, g. */
  addInWaterG: number
  /** Members of the blend that go in later. */
  later: readonly number[]
  /** Water wanted in the grain when it is eaten, g/g. */
  uptake: number
}

/** A pot of water solved for a texture, or tried with water of the cook's own. */
export interface Solution {
  pourG: number
  absorbedG: number
  evaporatedG: number
  leftG: number
  /** Uptake by the soak, g/g, whether its water was poured off or kept. */
  soakedIn: number
  course: CookedThrough
  window?: { low: number; high: number }
}

/** The steam of a pour this close is the steam of the solved pour: it moves by less than a tenth of the difference. */
const closeEnough = (pour: number) => 0.3 + 0.001 * pour
const MOST_TRIES = 14

/** Finds the pour that ends with the wanted uptake: a secant on what the pot loses as steam with that pour.
 *  The steam hardly depends on the pour in a covered pot, and much in a switch cooker, whose time is its water. */
export function solvePour(problem: Problem): Solution {
  const { dryG, uptake, soaked } = problem
  const kept = problem.keptSoakC !== null
  const wanted = uptake * dryG
  const carried = carriedInto(problem)
  const setup = (pour: number) => setupFor(problem, pour)
  let guess = firstGuess(problem)
  let pour = Math.max(1, wanted - carried + firstSteam(problem, guess))
  let course = cookThrough(setup(pour), problem.stages, { guess })
  let last: { pour: number; gap: number } | undefined
  for (let tries = 1; tries < MOST_TRIES; tries++) {
    const gap = wanted + course.evaporatedG - carried - pour
    if (Math.abs(gap) < closeEnough(pour)) break
    const slope = last ? (gap - last.gap) / (pour - last.pour) : -1
    // A slope that is not clearly falling comes from a pot that ran dry or never boiled: take a plain step.
    const step = slope < -0.02 && slope > -1.6 ? -gap / slope : gap
    last = { pour, gap }
    pour = Math.max(kept ? soaked.uptake * dryG : 0, pour + Math.min(Math.max(step, -pour / 2), pour))
    guess = course.earliest ?? guess
    course = cookThrough(setup(pour), problem.stages, { guess })
  }
  const window = windowOf(problem, setup(pour), course)
  const balanced = Math.max(0, wanted + course.evaporatedG - carried)
  // What did not converge (a pot that never boils, a pour that cannot go below nothing) is shown, not hidden.
  const pourG = Math.abs(balanced - pour) <= closeEnough(pour) ? balanced : pour
  const inGrain = pourG + carried - course.evaporatedG
  const absorbedG = Math.min(inGrain, Math.max(wanted, course.grainWaterG))
  return {
    pourG,
    absorbedG,
    evaporatedG: course.evaporatedG,
    leftG: inGrain - absorbedG,
    soakedIn: soaked.uptake,
    course,
    ...(window ? { window } : {}),
  }
}

/** Cooks the same stages, at the lengths already solved, with water of the cook's own. */
export function tryPour(problem: Problem, solved: Solution, pourG: number): Solution {
  const { soaked } = problem
  const carried = carriedInto(problem)
  const at = problem.stages.findIndex((stage) => stage.until === 'solved')
  const course = cookThrough(setupFor(problem, pourG), problem.stages, {
    guess: 0,
    ...(at < 0 ? {} : { fixed: solved.course.minutes[at]! }),
  })
  const cooked = problem.dryG + course.grainWaterG + course.freeG
  const film = Math.min(course.freeG, FREE_DONE * cooked)
  return {
    pourG,
    absorbedG: pourG + carried - course.evaporatedG - (course.freeG - film),
    evaporatedG: course.evaporatedG,
    leftG: course.freeG - film,
    soakedIn: soaked.uptake,
    course,
    ...(solved.window ? { window: solved.window } : {}),
  }
}

/** Water that is in the pot or the grain before anything is poured, g. */
const carriedInto = ({ soaked, addInWaterG, dryG, keptSoakC }: Problem): number =>
  soaked.clingingG + addInWaterG + (keptSoakC === null ? soaked.uptake * dryG : 0)

function setupFor(problem: Problem, pour: number) {
  const { soaked, keptSoakC, dryG } = problem
  const drunk = keptSoakC === null ? 0 : soaked.uptake * dryG
  return potSetupOf({
    blend: problem.blend,
    dryG,
    vessel: problem.vessel,
    boilC: problem.boilC,
    kitchenC: problem.kitchenC,
    freeWaterG: Math.max(0, pour + soaked.clingingG + problem.addInWaterG - drunk),
    waterC: keptSoakC ?? problem.waterC,
    soaked: soaked.shells,
    later: problem.later,
  })
}

/** A first idea of the earliest end: the slowest grain's own time at this temperature. */
function firstGuess({ stages, blend, boilC }: Problem): number {
  const hot = stages.find((stage) => stage.until === 'solved')
  return earliestGuess(blend.slowest, cookingSpeed(celsius(hot?.sealedC ?? boilC)))
}

/** A first idea of the steam, g: what the heat above the standing loss would boil off in that time. */
function firstSteam(problem: Problem, guess: number): number {
  const { stages, vessel, boilC, kitchenC } = problem
  const hot = stages.find((stage) => stage.until === 'solved' || stage.kind === 'boil')
  if (!hot || hot.mode !== 'open') return VENTED_BEFORE_SEAL_G
  const surplus = Math.max(0, hot.powerW - vessel.loss * lossFactor(vessel.lid, 'on', true) * (boilC - kitchenC))
  const minutes = hot.until === 'solved' ? comfortable(guess) : guess + REST_WORTH
  return (surplus / LATENT_HEAT) * 60 * minutes * vessel.steamFactor
}

function windowOf(problem: Problem, setup: ReturnType<typeof setupFor>, course: CookedThrough) {
  const at = problem.stages.findIndex((stage) => stage.until === 'solved')
  if (at < 0 || course.earliest === undefined || !course.atSolved) return undefined
  return solvedWindow(setup, problem.stages, { expected: course.minutes[at]!, earliest: course.earliest, from: course.atSolved })
}
