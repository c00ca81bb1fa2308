import { bulkVolume } from '#core/grain/blend'
import { dressingFor, DRESSINGS, fromLiquidPerVolume, type Proportions } from '#core/finish/dressing'
import { loosenWay } from '#core/finish/loosen'
import { spreadOf } from '#core/finish/spread'
import { guidanceOf } from '#core/leftovers/guidance'
import { estimateHoldTime } from '#core/leftovers/hold-time'
import { fillPot, heatCapacityOf, REDUCED } from '#core/pot/pot'
import { grams } from '#core/units/units'
import { roundTo } from '#core/units/rounding'
import { expectedClarity, frothFactor } from '#core/water/clarity'
import { seasoningOf } from '#core/seasoning/seasoning'
import { gaugesOf, overBoiler, type Gauges } from '#core/vessel/gauges'
import { cautionsOf } from '#core/plan/cautions/index'
import { asideFigures } from './set-aside-figures'
import {
  boilerDishFigures,
  dressingFigures,
  gaugeFigures,
  grainFigures,
  holdFigures,
  inPot,
  seasoningFigures,
  shortOf,
  spreadFigures,
  waterFigures,
  yieldFigures,
  type SolvedPlan,
} from './figures'
import { prepare, type PreparedPlan } from './prepare'
import type { PlanRequest } from './request'
import type { Plan, Stage, Window } from './result'
import { separateness } from './separate-index'
import { pourProblem } from './pot-for-plan'
import { setupFor, type PourProblem } from './pour-problem'
import { solvePour, tryPour, type Solution } from './solve-pour'
import { stagesOf } from './stages'
import { lengthOf, timelineOf } from './timeline'
import { windowsOf } from './windows'

/**
 * What one pot needs, from the request to serving, in the order the cook works. Pure: the same request gives
 * the same plan, in the browser and on the server.
 */
export function plan(request: PlanRequest): Plan {
  const prepared = prepare(request)
  const { blend, dryG, uptake, boilC, soaked, timed, method, goal } = prepared
  const { vessel, kitchenC, guidance, purpose, toasted } = request

  const problem = pourProblem(request, prepared)
  const solved = solvePour(problem)
  const solution = request.pourOverrideG === null ? solved : tryPour(problem, solved, request.pourOverrideG)
  const soakedG = prepared.retainedSoakC === null ? soaked.uptake * dryG : 0
  const gauges = gaugesIn(request, prepared, solution, soakedG)
  const solvedPlan: SolvedPlan = { request, prepared, solved, solution, gauges, soakedG }

  const cookedG = dryG + solution.absorbedG
  const seasoning = seasoningOf({ ...request, dryG, cookedG, pourG: solution.pourG })
  const boilerDish = boilerDishFigures(request, solution)
  const keeps = estimateHoldTime({
    vessel,
    dryG,
    waterG: solution.absorbedG,
    boilC,
    kitchenC,
    holdC: guidanceOf(guidance).hold_hot_c.value,
  })
  const loosen = loosenWay({
    creamy: method.stirred === true,
    toasted,
    purpose,
    blend,
    swollenMm: gauges.swollenLevel,
  })
  const today = request.fryTomorrow && request.fryTomorrow.share < 1 ? 1 - request.fryTomorrow.share : 1
  const spread = purpose === 'frying' ? spreadOf((today * cookedG) / blend.cookedDensity) : undefined
  const aside = asideFigures(request, blend, dryG, cookedG)
  const dressing =
    request.dressing && dressingFor(dryG, proportionsOf(request.dressing, bulkVolume(blend, grams(1))))
  const stages = withStarts(
    stagesOf({
      request,
      prepared,
      seasoning,
      windows: windowsIn(problem, prepared, solution),
      pourG: solution.pourG,
      boilerG: solution.boilerG,
      boilerDish,
      loosen,
      spread,
      aside,
      dressing,
      cookedG,
    }),
    request.serveAtMs,
  )
  return {
    grain: grainFigures(request, prepared),
    water: waterFigures(solvedPlan),
    gauges: gaugeFigures(solvedPlan),
    yield: yieldFigures(solvedPlan),
    keeps: holdFigures(keeps),
    loosen,
    ...(aside ? { set_aside: aside } : {}),
    ...(spread ? { spread: spreadFigures(spread) } : {}),
    ...(dressing ? { dressing: dressingFigures(dressing, bulkVolume(blend, grams(dryG))) } : {}),
    stages,
    total_minutes: totalOf(stages),
    hands_on_minutes: roundTo(
      stages.filter((s) => s.hands_on).reduce((sum, s) => sum + s.minutes.expected, 0),
      1,
    ),
    boil_c: roundTo(boilC, 2),
    cautions: cautionsOf({
      request,
      blend,
      dryG,
      uptake,
      boilC,
      gauges,
      solution,
      stages,
      clingingG: soaked.clingingG,
      shortG: shortOf(solvedPlan),
      timed,
      seasoning,
      method,
      goal,
      boilerDish,
      keeps,
    }),
    separate_index: roundTo(
      separateness({
        amylose: blend.amylose,
        clarity: request.rinse.clarity ?? expectedClarity(request.rinse.washes),
        uptakeOfSoft: solution.absorbedG / dryG / blend.uptake.soft,
        stirred: request.stirAtBoil,
      }),
      2,
    ),
    seasoning: seasoningFigures(seasoning),
    ...(boilerDish ? { boiler_dish: boilerDish } : {}),
    ...(timed.addAfter === undefined ? {} : { add_after_minutes: timed.addAfter }),
    ...(request.saidIn === 'measures' ? { said_in: 'measures' as const } : {}),
  }
}

/** Grain and water in the vessel, before and after: one water in many gauges. */
function gaugesIn(
  { vessel, rinse, lidUntilBoil }: PlanRequest,
  { blend, dryG, method, soaked }: PreparedPlan,
  solution: Solution,
  soakedG: number,
): Gauges {
  const inBed = gaugesOf({
    shape: vessel,
    blend,
    dry: grams(dryG),
    freeWater: inPot(method, solution.pourG) + soaked.clingingG,
    soaked: soakedG / dryG,
    uptake: Math.min(solution.absorbedG / dryG, blend.uptake.most),
    frothFactor: frothFactor({
      washes: rinse.washes,
      covered: lidUntilBoil === 'on',
      clarity: rinse.clarity ?? undefined,
    }),
  })
  return method.basket ? overBoiler(inBed, vessel, solution.boilerG ?? solution.pourG) : inBed
}

function windowsIn(problem: PourProblem, { timed }: PreparedPlan, solution: Solution) {
  const setup = setupFor(problem, solution.pourG, solution.boilerG)
  const filled = fillPot(setup, REDUCED)
  return windowsOf(
    timed.stages,
    solution.course,
    solution.window,
    setup,
    heatCapacityOf(filled),
    filled.bulkC,
  )
}

/**
 * Proportions by style, or as strong as so much liquid to a measure of dry grain makes them.
 * @param mlPerGram of the dry grain
 */
const proportionsOf = (
  { style, mlPer240, own }: NonNullable<PlanRequest['dressing']>,
  mlPerGram: number,
): Proportions => {
  const ratio = own ? { ...own, saltLast: DRESSINGS[style].saltLast } : DRESSINGS[style]
  return mlPer240 === null ? ratio : fromLiquidPerVolume(mlPer240 / 240, ratio, 1 / mlPerGram)
}

const totalOf = (stages: Stage[]): Window => ({
  low: roundTo(lengthOf(stages, 'low'), 1),
  expected: roundTo(lengthOf(stages, 'expected'), 1),
  high: roundTo(lengthOf(stages, 'high'), 1),
})

/** Counts back from serving: the first stage starts as late as the expected times allow. */
function withStarts(stages: Stage[], serveAtMs: number | null): Stage[] {
  if (serveAtMs === null) return stages
  const times = timelineOf(stages)
  const startMs = serveAtMs - lengthOf(stages) * 60_000
  return stages.map((stage) => ({
    ...stage,
    starts_at: new Date(Math.round(startMs + times.get(stage.id)!.start * 60_000)).toISOString(),
  }))
}
