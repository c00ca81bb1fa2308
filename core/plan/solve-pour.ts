import { cookingSpeed } from '#core/heat/cooking-speed'
import { LATENT_HEAT } from '#core/heat/evaporation'
import { lossFactor } from '#core/heat/lid'
import { FREE_DONE } from '#core/constants'
import { VENTED_BEFORE_SEAL_G, type PotSetup } from '#core/pot/pot'
import { celsius } from '#core/units/units'
import { pressureFill } from '#core/vessel/fill-limits'
import { FLASHES_OFF } from '#core/pot/run'
import { cookThrough, lengthOf, solvedWindow, type CookedThrough } from './cook-through'
import { earliestGuess, REST_WORTH } from './earliest-guess'
import { boilerWater, waterCarriedInto, setupFor, steamingMinutes, type PourProblem } from './pour-problem'

/** A pot of water solved for a texture, or tried with water of the cook's own. */
export interface Solution {
  pourG: number
  absorbedG: number
  evaporatedG: number
  drainedG: number
  leftG: number
  /** Taken out of the boiler's steam, where the pour is not the boiler's, g. */
  steamInG: number
  /** Under the basket, where the pour is not the boiler's, g. */
  boilerG?: number
  /** Uptake by the soak, g/g, whether its water was poured off or kept. */
  soakedIn: number
  course: CookedThrough
  window?: { low: number; high: number }
}

/** The steam of a pour this close is the steam of the solved pour: it moves by less than a tenth of the difference. */
const closeEnough = (pour: number) => 0.3 + 0.001 * pour
const MAX_TRIES = 14

/**
 * Finds the water that ends with what is wanted, by the way this method pours it.
 * @param quick without the window of its solved stage
 */
export function solvePour(problem: PourProblem, { quick = false }: { quick?: boolean } = {}): Solution {
  switch (problem.way) {
    case 'pot':
    case 'stock':
      return balanced(problem, quick)
    case 'excess':
      return poured(problem, excessWater(problem), { quick, least: leastLength(problem) })
    case 'boiler':
      return overSteam(problem, quick)
  }
}

/**
 * Water that all ends in the grain or as steam: a secant on what the pot loses as steam with that pour. The
 * steam hardly depends on the pour in a covered pot, and much in a switch cooker, whose time is its water.
 */
function balanced(problem: PourProblem, quick: boolean): Solution {
  const { dryG, uptake, soaked } = problem
  const saved = problem.retainedSoakC !== null
  const wanted = (uptake + (problem.sauce ?? 0)) * dryG
  const carriedG = waterCarriedInto(problem)
  const least = leastLength(problem)
  let guess = firstGuess(problem)
  let boilerG = problem.basket ? boilerWater(problem, 60) : 0
  let pour = Math.max(1, wanted - carriedG + (problem.basket ? 0 : firstSteam(problem, guess)))
  const cook = (): [CookedThrough, PotSetup] => {
    const setup = setupFor(problem, pour, boilerG)
    return [
      cookThrough(setup, problem.stages, {
        guess,
        goal: problem.goal,
        hurry: problem.hurry === true,
        least,
        ...fixedBy(problem),
      }),
      setup,
    ]
  }
  let [course, setup] = cook()
  const net = () => wanted + course.bedSteamG - carriedG - (problem.way === 'stock' ? course.condensedG : 0)
  const nextPour = pourSearch(saved ? soaked.uptake * dryG : 0)
  for (let tries = 1; tries < MAX_TRIES; tries++) {
    const next = nextPour({ pour, gap: net() - pour })
    if (next === undefined) break
    pour = next
    guess = course.earliest ?? guess
    if (problem.basket)
      boilerG = boilerWater(problem, steamingMinutes(problem, course.minutes), course.condensedG)
    ;[course, setup] = cook()
  }
  const window = quick ? undefined : windowOf(problem, setup, course)
  const solved = Math.max(0, net())
  // What did not converge (a pot that never boils, a pour that cannot go below nothing) is shown, not hidden.
  const pourG = Math.abs(solved - pour) <= closeEnough(pour) ? solved : pour
  const steamInG = problem.way === 'stock' ? course.condensedG : 0
  const inGrain = pourG + carriedG + steamInG - course.bedSteamG
  const absorbedG = Math.min(inGrain, Math.max(wanted, course.grainWaterG))
  return {
    pourG,
    absorbedG,
    evaporatedG: course.bedSteamG,
    drainedG: 0,
    leftG: inGrain - absorbedG,
    steamInG,
    ...(problem.basket ? { boilerG } : {}),
    soakedIn: soaked.uptake,
    course,
    ...(window ? { window } : {}),
  }
}

/** A pour that was cooked, and how much more water it turned out to need, g. */
interface TriedPour {
  pour: number
  gap: number
}

/**
 * Proposes the next pour to cook, or undefined when the last one will do: a secant, which stays between what
 * was too little and what was too much once there is both. Quick grain that drinks its pot dry on the way up
 * boils later all at once, and a sealed pot that boils dry never comes to pressure: there may be a jump and no
 * pour that meets itself. Then the two sides close in on the jump, and the wetter one is taken: it works.
 * @param least no pour is less than this, g
 */
function pourSearch(least: number) {
  let last: TriedPour | undefined
  let short: TriedPour | undefined
  let over: TriedPour | undefined
  return (now: TriedPour): number | undefined => {
    const { pour, gap } = now
    const before = last
    last = now
    if (Math.abs(gap) < closeEnough(pour)) return undefined
    if (gap > 0) short = now
    else over = now
    if (short && over && short.pour < over.pour) {
      if (over.pour - short.pour < closeEnough(pour)) return over === now ? undefined : over.pour
      return before && before.gap * gap < 0
        ? pour - (gap * (pour - before.pour)) / (gap - before.gap)
        : (short.pour + over.pour) / 2
    }
    const slope = before ? (gap - before.gap) / (pour - before.pour) : -1
    // A slope that is not clearly falling comes from a pot that ran dry or never boiled: take a plain step.
    const step = slope < -0.02 && slope > -1.6 ? -gap / slope : gap
    return Math.max(least, pour + Math.min(Math.max(step, -pour / 2), pour))
  }
}

/**
 * A small home batch, g of dry grain: a large one is on its way to the boil for longer and half cooked when
 * it gets there, but its top is the last to be hot, so what the way up cooks is counted as in this one.
 */
const SMALL_BATCH_G = 150

const known = new Map<string, number>()
const MAX_KNOWN = 300

/**
 * The least length of the solved stage: what a small batch of the same grain takes in the same pot, minutes.
 * 0 where that says nothing: no stage is solved, nothing heats it, what follows is the cooking itself, or the
 * grain goes into boiling water and its minutes set its texture.
 */
function leastLength(problem: PourProblem): number {
  const { stages, dryG, soaked, blend } = problem
  const at = stages.findIndex((stage) => stage.until === 'solved')
  if (
    problem.hurry ||
    problem.fixedMinutes !== undefined ||
    problem.way === 'excess' ||
    dryG <= SMALL_BATCH_G ||
    at < 0 ||
    (stages[at]!.powerW === 0 && stages[at]!.surroundC === undefined) ||
    stages.slice(at + 1).some((stage) => stage.cooksOn)
  )
    return 0
  const share = SMALL_BATCH_G / dryG
  const small: PourProblem = {
    ...problem,
    dryG: SMALL_BATCH_G,
    addInWaterG: problem.addInWaterG * share,
    boilerHasG: problem.boilerHasG * share,
    soaked: { ...soaked, clingingG: soaked.clingingG * share },
  }
  const grains = blend.parts.map(
    ({ variety: { minutesAt100, skin, radiusMm, soakLimit, uptake, precooked }, share: part }) => [
      minutesAt100,
      skin,
      radiusMm,
      soakLimit,
      uptake.most,
      precooked,
      part,
    ],
  )
  const key = JSON.stringify([
    grains,
    problem.vessel,
    problem.boilC,
    problem.kitchenC,
    problem.waterC,
    stages,
    problem.goal,
    problem.way,
    problem.uptake,
    problem.sauce,
    problem.retainedSoakC,
    soaked.uptake,
    small.soaked.clingingG,
    small.addInWaterG,
  ])
  const before = known.get(key)
  if (before !== undefined) return before
  const course = solvePour(small, { quick: true }).course
  const minutes = course.outcome === 'done' ? course.minutes[at]! : 0
  if (known.size >= MAX_KNOWN) known.clear()
  known.set(key, minutes)
  return minutes
}

/** Water to boil grain freely in, g per g of dry grain: as people do it, and the least that still boils freely. */
const PLENTY = 6
const FREELY = 3.5
/** An open boil wants this much of the pot, and lifts by so much. */
const BOIL_FILL = 0.75
const OPEN_FROTH = 1.15

function excessWater({ dryG, vessel, blend, soaked }: PourProblem): number {
  const fill = pressureFill(vessel.kind, blend.frothing) ?? BOIL_FILL / OPEN_FROTH
  // A hair under the limit, so that rounding does not fill it over.
  const room =
    0.99 * fill * vessel.capacity - dryG / blend.kernelDensity - soaked.clingingG - soaked.uptake * dryG
  return Math.max(FREELY * dryG, Math.min(PLENTY * dryG, room))
}

/**
 * A pour that is given: what becomes of it.
 * @param fixed minutes of the solved stage, when they are settled already
 * @param quick without its window
 */
function poured(
  problem: PourProblem,
  pourG: number,
  {
    fixed = problem.fixedMinutes,
    quick = false,
    least = 0,
    guess = firstGuess(problem),
  }: { fixed?: number; quick?: boolean; least?: number; guess?: number } = {},
): Solution {
  const setup = setupFor(problem, pourG)
  const course = cookThrough(setup, problem.stages, {
    guess,
    goal: problem.goal,
    hurry: problem.hurry === true,
    least,
    ...(fixed === undefined ? {} : { fixed }),
  })
  const isSolved = fixed === undefined || fixed === problem.fixedMinutes
  const window = isSolved && !quick ? windowOf(problem, setup, course) : undefined
  const carriedG = waterCarriedInto(problem)
  const cooked = problem.dryG + course.grainWaterG + course.freeG
  // A film hangs on every cooked grain and is eaten with it.
  const film =
    problem.way === 'excess'
      ? course.freeG
      : Math.min(course.freeG, FREE_DONE * cooked + (problem.sauce ?? 0) * problem.dryG)
  const leftG = (problem.way === 'boiler' ? course.boilerG : 0) + course.stockG + (course.freeG - film)
  // A soak cooked in less water than it drank would steam off water that nobody poured.
  const there = Math.max(0, pourG + carriedG - course.drainedG - leftG)
  const evaporatedG = Math.min(course.evaporatedG, there)
  return {
    pourG,
    absorbedG: pourG + carriedG - evaporatedG - course.drainedG - leftG,
    evaporatedG,
    drainedG: course.drainedG,
    leftG,
    steamInG: 0,
    soakedIn: problem.soaked.uptake,
    course,
    ...(window ? { window } : {}),
  }
}

/** The boiler's water follows from the minutes, and the minutes hardly from the water. */
function overSteam(problem: PourProblem, quick: boolean): Solution {
  const least = leastLength(problem)
  const first = poured(problem, boilerWater(problem, firstGuess(problem) + REST_WORTH), {
    quick: true,
    least,
  })
  const again = first.course.earliest === undefined ? {} : { guess: first.course.earliest }
  return poured(
    problem,
    boilerWater(problem, steamingMinutes(problem, first.course.minutes), first.course.condensedG),
    { quick, least, ...again },
  )
}

/** Cooks the same stages, at the lengths already solved, with water of the cook's own. */
export function tryPour(problem: PourProblem, solved: Solution, pourG: number): Solution {
  const at = problem.stages.findIndex((stage) => stage.until === 'solved')
  const fixed = at < 0 ? 0 : solved.course.minutes[at]!
  const window = solved.window ? { window: solved.window } : {}
  if (!(problem.basket && problem.way === 'stock')) return { ...poured(problem, pourG, { fixed }), ...window }
  const course = cookThrough(setupFor(problem, pourG, solved.boilerG), problem.stages, {
    guess: 0,
    goal: problem.goal,
    fixed,
  })
  const carriedG = waterCarriedInto(problem)
  const film = Math.min(course.freeG, FREE_DONE * (problem.dryG + course.grainWaterG + course.freeG))
  const leftG = course.freeG - film + course.stockG
  return {
    ...solved,
    pourG,
    leftG,
    course,
    steamInG: course.condensedG,
    absorbedG: pourG + carriedG + course.condensedG - leftG,
  }
}

/** A first idea of the earliest end: the slowest grain's own time at this temperature. */
function firstGuess({ stages, blend, boilC }: PourProblem): number {
  const hot = stages.find((stage) => stage.until === 'solved')
  return earliestGuess(blend.slowest, cookingSpeed(celsius(hot?.sealedC ?? boilC)))
}

/**
 * A first idea of the steam, g: what each stage's heat above the standing loss would boil off in the minutes it
 * has, and what flashes off when the pot is opened.
 */
function firstSteam(problem: PourProblem, guess: number): number {
  const { stages, vessel, boilC, kitchenC, dryG, uptake } = problem
  let steamG = stages.at(-1)?.opensAtEnd ? FLASHES_OFF * (1 + uptake) * dryG : 0
  let sealed = false
  stages.forEach((stage, i) => {
    if (stage.mode !== 'open') {
      sealed = true
      return
    }
    const { until } = stage
    const minutes =
      until === 'solved'
        ? lengthOf(stage, guess, stages.slice(i + 1))
        : 'minutes' in until
          ? until.minutes
          : until.event === 'switch'
            ? guess + REST_WORTH
            : (stage.lingerMinutes ?? 0)
    const around = stage.surroundC ?? kitchenC
    const loss = vessel.loss * lossFactor(vessel.lid, stage.lid, true) * (boilC - around)
    steamG += (Math.max(0, stage.powerW - loss) / LATENT_HEAT) * 60 * minutes * vessel.steamFactor
  })
  return sealed ? steamG + VENTED_BEFORE_SEAL_G : steamG
}

const fixedBy = ({ fixedMinutes }: PourProblem) => (fixedMinutes === undefined ? {} : { fixed: fixedMinutes })

function windowOf(problem: PourProblem, setup: PotSetup, course: CookedThrough) {
  const { fixedMinutes } = problem
  if (fixedMinutes !== undefined) return { low: fixedMinutes, high: fixedMinutes }
  const at = problem.stages.findIndex((stage) => stage.until === 'solved')
  if (at < 0 || course.earliest === undefined || !course.marks) return undefined
  const softest = problem.way === 'excess' ? problem.blend.uptake.soft : undefined
  return solvedWindow(setup, problem.stages, {
    expected: course.minutes[at]!,
    marks: course.marks,
    goal: problem.goal,
    ...(softest === undefined ? {} : { softest }),
  })
}
