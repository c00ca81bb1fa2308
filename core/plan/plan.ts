import { bulkVolume } from '#core/grain/blend'
import { dressingFor, DRESSINGS, fromLiquidPerVolume, type Proportions } from '#core/finish/dressing'
import { loosenWay } from '#core/finish/loosen'
import { spreadOf } from '#core/finish/spread'
import { guidanceOf } from '#core/leftovers/guidance'
import { estimateHoldTime } from '#core/leftovers/hold-time'
import { fillPot, heatCapacityOf, REDUCED } from '#core/pot/pot'
import { grams, millilitres } from '#core/units/units'
import { roundTo } from '#core/units/rounding'
import { expectedClarity, frothFactor } from '#core/water/clarity'
import { seasoningOf } from '#core/seasoning/seasoning'
import { LADLES } from '#core/methods/ladled'
import type { Method } from '#core/methods/definition'
import { gaugesOf, overBoiler } from '#core/vessel/gauges'
import { levelOf } from '#core/vessel/shape'
import { SERVING_G } from './amount'
import { cautionsOf } from '#core/plan/cautions/index'
import { DRIEST_UPTAKE, prepare } from './prepare'
import type { PlanRequest } from './request'
import type { Plan, Stage, Window } from './result'
import { separateness } from './separate-index'
import { setupFor, type PourProblem } from './pour-problem'
import { solvePour, tryPour, type Solution } from './solve-pour'
import { stagesOf } from './stages'
import { lengthOf, timelineOf } from './timeline'
import { windowsOf } from './windows'

/** What one pot needs, from the request to the table, in the order the cook works.
 *  Pure: the same request gives the same plan, in the browser and on the server. */
export function plan(request: PlanRequest): Plan {
  // Choose, rinse and soak, lay out the heat
  const prepared = prepare(request)
  const {
    blend,
    dryG,
    uptake,
    boilC,
    waterC,
    soaked,
    addInWaterG,
    retainedSoakC: retainedSoakC,
    timed,
    method,
    goal,
    later,
    boilerHasG,
  } = prepared
  const { vessel, kitchenC } = request
  const hot = timed.stages

  // The water that balances the stages
  const problem: PourProblem = {
    blend,
    dryG,
    vessel,
    boilC,
    kitchenC,
    waterC,
    stages: hot,
    goal,
    way: method.water,
    basket: method.basket === true,
    retainedSoakC: retainedSoakC,
    soaked,
    addInWaterG,
    later,
    uptake,
    boilerHasG,
    sauce: prepared.sauce,
    hurry: request.hurry,
  }
  const solved = solvePour(problem)
  const solution = request.pourOverrideG === null ? solved : tryPour(problem, solved, request.pourOverrideG)

  // Measure: one water in many gauges
  const soakedG = retainedSoakC === null ? soaked.uptake * dryG : 0
  const inPotG = inPot(method, solution.pourG) + soaked.clingingG
  const { washes, clarity } = request.rinse
  const inBed = gaugesOf({
    shape: vessel,
    blend,
    dry: grams(dryG),
    freeWater: inPotG,
    soaked: soakedG / dryG,
    uptake: Math.min(solution.absorbedG / dryG, blend.uptake.most),
    frothFactor: frothFactor({
      washes,
      covered: request.lidUntilBoil === 'on',
      clarity: clarity ?? undefined,
    }),
  })

  const gauges = method.basket ? overBoiler(inBed, vessel, solution.boilerG ?? solution.pourG) : inBed
  const setsTexture = method.pourSetsTexture === true || method.water === 'stock'

  // The clock
  const setup = setupFor(problem, solution.pourG, solution.boilerG)
  const filled = fillPot(setup, REDUCED)
  const windows = windowsOf(
    hot,
    solution.course,
    solution.window,
    setup,
    heatCapacityOf(filled),
    filled.bulkC,
  )
  const cookedG = dryG + solution.absorbedG
  const seasoning = seasoningOf({ ...request, dryG, cookedG, pourG: solution.pourG })
  const boilerDish = boilerDishOf(request, solution)
  const { guidance, purpose, toasted } = request
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
  const spread = purpose === 'frying' ? spreadOf(cookedG / blend.cookedDensity) : undefined
  const dressing =
    request.dressing && dressingFor(dryG, proportionsOf(request.dressing, bulkVolume(blend, grams(1))))
  const stages = withStarts(
    stagesOf({
      request,
      prepared,
      seasoning,
      windows,
      pourG: solution.pourG,
      boilerG: solution.boilerG,
      boilerDish,
      loosen,
      spread,
      dressing,
      cookedG,
    }),
    request.serveAtMs,
  )

  const firm = Math.max(DRIEST_UPTAKE, blend.uptake.firm + request.uptakeDelta)
  const soft = Math.min(blend.uptake.most, blend.uptake.soft + request.uptakeDelta)
  const shortG =
    request.pourOverrideG === null || !setsTexture ? 0 : Math.max(0, firm * dryG - solution.absorbedG)
  // Where the minutes set the texture, any plenty of water does.
  const pourAt = (wanted: number) =>
    setsTexture ? Math.max(0, solved.pourG + (wanted - uptake) * dryG) : solved.pourG
  const firmPourG = pourAt(firm)
  const standard = blend.uptake.standard + request.uptakeDelta
  const standardPourG = pourAt(standard)
  const softPourG = pourAt(soft)
  const levelForPour = (pourG: number) =>
    levelOf(
      vessel,
      millilitres(Math.max(0, gauges.fillLine + inPot(method, pourG) - inPot(method, solution.pourG))),
    )
  const gram = (value: number) => roundTo(value, 1)
  // Absorbed closes the ledger at the last decimal, so that the printed terms add up.
  const [pour, evaporated, parsedBundle, left] = [
    gram(solution.pourG),
    gram(solution.evaporatedG),
    gram(soaked.clingingG + soakedG + addInWaterG + solution.steamInG),
    gram(solution.leftG),
  ]
  const drained = gram(solution.drainedG)
  const volume = bulkVolume(blend, grams(dryG))
  return {
    grain: {
      mass_g: gram(dryG),
      volume_ml: gram(volume),
      parts: blend.parts.map(({ variety, share }) => ({
        variety: variety.id,
        mass_g: gram(dryG * share),
        volume_ml: gram((dryG * share) / variety.bulkDensity),
      })),
    },
    water: {
      pour_g: pour,
      ratio_by_volume: roundTo(pour / volume, 3),
      ratio_by_mass: roundTo(pour / dryG, 3),
      absorbed_g: gram(pour - evaporated - drained - left + parsedBundle),
      evaporated_g: evaporated,
      carried_in_g: parsedBundle,
      drained_off_g: drained,
      left_in_pot_g: left,
      short_g: gram(shortG),
      uptake_target: roundTo(uptake + prepared.sauce, 3),
      clinging_g: gram(soaked.clingingG),
      add_in_water_g: gram(addInWaterG),
      soaked_in_g: gram(soakedG),
      steam_in_g: gram(solution.steamInG),
      ...(solution.boilerG === undefined ? {} : { boiler_g: gram(solution.boilerG) }),
      firm_pour_g: gram(firmPourG),
      standard_pour_g: gram(standardPourG),
      soft_pour_g: gram(softPourG),
      evaporated_by_stage: Object.fromEntries(
        hot.map((stage, i) => [stage.id, gram(solution.course.steam[i] ?? 0)]),
      ),
    },
    gauges: {
      bed_depth_mm: roundTo(gauges.bedDepth, 1),
      water_above_bed_mm: roundTo(gauges.waterAboveBed, 1),
      fill_line_ml: roundTo(gauges.fillLine, 1),
      fill_level_mm: roundTo(gauges.fillLevel, 1),
      swollen_level_mm: roundTo(gauges.swollenLevel, 1),
      froth_level_mm: roundTo(gauges.frothLevel, 1),
      ...(gauges.basketLevel === undefined ? {} : { basket_level_mm: roundTo(gauges.basketLevel, 1) }),
      firm_level_mm: roundTo(levelForPour(firmPourG), 1),
      standard_level_mm: roundTo(levelForPour(standardPourG), 1),
      soft_level_mm: roundTo(levelForPour(softPourG), 1),
    },
    yield: {
      cooked_mass_g: gram(cookedG),
      cooked_volume_ml: gram(cookedG / blend.cookedDensity),
      left_behind_g: gram(request.stuckG + (request.toasted ? cookedG * crustShare(gauges.swollenLevel) : 0)),
      servings: roundTo((dryG - request.stuckG / (1 + uptake)) / SERVING_G[request.amount.serving], 1),
      to_keep_g: gram(
        request.keepServings * SERVING_G[request.amount.serving] * (1 + solution.absorbedG / dryG),
      ),
    },
    keeps: {
      warm_minutes: roundTo(keeps.warmMin, 0),
      dry_minutes: roundTo(Math.min(keeps.dryMin, MAX_KEPT_MIN), 0),
      dries_percent_per_hour: roundTo(keeps.driesPercentPerHour, 2),
    },
    loosen,
    ...(spread
      ? {
          spread: {
            area_cm2: roundTo(spread.areaCm2, 0),
            tray_long_cm: spread.tray.longCm,
            tray_wide_cm: spread.tray.wideCm,
          },
        }
      : {}),
    ...(dressing
      ? {
          dressing: {
            vinegar_g: gram(dressing.vinegarG),
            vinegar_ml: gram(dressing.vinegarMl),
            sugar_g: gram(dressing.sugarG),
            salt_g: roundTo(dressing.saltG, 2),
            salt_last_g: roundTo(dressing.saltLastG, 2),
            liquid_g: gram(dressing.liquidG),
            liquid_ml: gram(dressing.liquidMl),
            ml_per_240_ml_dry: gram(240 * (dressing.liquidMl / volume)),
          },
        }
      : {}),
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
      shortG,
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
        clarity: clarity ?? expectedClarity(washes),
        uptakeOfSoft: solution.absorbedG / dryG / blend.uptake.soft,
        stirred: request.stirAtBoil,
      }),
      2,
    ),
    seasoning: {
      stock_g: gram(seasoning.stockG),
      water_g: gram(seasoning.waterG),
      salt_wanted_g: roundTo(seasoning.saltWantedG, 2),
      salt_in_stock_g: roundTo(seasoning.saltInStockG, 2),
      salt_in_add_ins_g: roundTo(seasoning.saltInAddInsG, 2),
      salt_to_add_g: roundTo(seasoning.saltToAddG, 2),
      add_ins: seasoning.addIns.map((a) => ({
        name: a.name,
        grams: gram(a.grams),
        water_g: gram(a.waterG),
        salt_g: roundTo(a.saltG, 2),
        when: a.when,
        out: a.out,
      })),
    },
    ...(boilerDish ? { boiler_dish: boilerDish } : {}),
    ...(timed.addAfter === undefined ? {} : { add_after_minutes: timed.addAfter }),
  }
}

/** Beyond this nobody asks, minutes. */
const MAX_KEPT_MIN = 600
/** A toasted layer is about this thick, mm; no more than a quarter of what is cooked. */
const CRUST_MM = 4
const crustShare = (swollenMm: number): number => Math.min(0.25, CRUST_MM / Math.max(1, swollenMm))

/** Proportions by style, or as strong as so much liquid to a measure of dry grain makes them.  @param mlPerGram of the dry grain */
const proportionsOf = (
  { style, mlPer240 }: NonNullable<PlanRequest['dressing']>,
  mlPerGram: number,
): Proportions =>
  mlPer240 === null ? DRESSINGS[style] : fromLiquidPerVolume(mlPer240 / 240, DRESSINGS[style], 1 / mlPerGram)

/** What a dish under the basket gives for the steam, and what has to be put into it first. */
function boilerDishOf(
  { boilerDish }: PlanRequest,
  { boilerG, pourG, course }: Solution,
): Plan['boiler_dish'] {
  if (!boilerDish) return undefined
  const held = boilerG ?? pourG
  return {
    name: boilerDish.name,
    liquid_g: roundTo(boilerDish.liquidG, 1),
    top_up_g: roundTo(Math.max(0, held - boilerDish.liquidG), 1),
    steams_off_g: roundTo(held - course.boilerG, 1),
  }
}

/** What of the pour lies in the pot at the start: stock goes in a ladle at a time. */
const inPot = (method: Method, pourG: number): number =>
  method.water === 'stock' && !method.basket ? pourG / LADLES : pourG

const totalOf = (stages: Stage[]): Window => ({
  low: roundTo(lengthOf(stages, 'low'), 1),
  expected: roundTo(lengthOf(stages, 'expected'), 1),
  high: roundTo(lengthOf(stages, 'high'), 1),
})

/** Counts back from the table: the first stage starts as late as the expected times allow. */
function withStarts(stages: Stage[], serveAtMs: number | null): Stage[] {
  if (serveAtMs === null) return stages
  const times = timelineOf(stages)
  const startMs = serveAtMs - lengthOf(stages) * 60_000
  return stages.map((stage) => ({
    ...stage,
    starts_at: new Date(Math.round(startMs + times.get(stage.id)!.start * 60_000)).toISOString(),
  }))
}
