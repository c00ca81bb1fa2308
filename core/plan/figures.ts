import { bulkVolume } from '#core/grain/blend'
import type { Dressing } from '#core/finish/dressing'
import type { Spread } from '#core/finish/spread'
import type { HoldTime } from '#core/leftovers/hold-time'
import { LADLES } from '#core/methods/ladled'
import type { Method } from '#core/methods/definition'
import type { Seasoning } from '#core/seasoning/seasoning'
import { inMeasure } from '#core/units/measures'
import { roundTo } from '#core/units/rounding'
import { grams, millilitres } from '#core/units/units'
import type { Gauges } from '#core/vessel/gauges'
import { levelOf } from '#core/vessel/shape'
import { SERVING_G } from './amount'
import { DRIEST_UPTAKE, type PreparedPlan } from './prepare'
import type { PlanRequest } from './request'
import type { Plan } from './result'
import type { Solution } from './solve-pour'

/** A solved pot, from which every printed figure of its plan follows. */
export interface SolvedPlan {
  request: PlanRequest
  prepared: PreparedPlan
  /** The water the plan found by itself, whatever the cook asked for. */
  solved: Solution
  /** What happens with the water that is poured. */
  solution: Solution
  gauges: Gauges
  /** Water the grain took up in a soak that was poured off, g. */
  soakedG: number
}

const gram = (value: number): number => roundTo(value, 1)

/** What of the pour is in the pot at the start, g: stock goes in a ladle at a time. */
export const inPot = (method: Method, pourG: number): number =>
  method.water === 'stock' && !method.basket ? pourG / LADLES : pourG

/** Whether more water makes softer grain; in plenty of water the minutes decide. */
const pourSetsTexture = (method: Method): boolean =>
  method.pourSetsTexture === true || method.water === 'stock'

/** g of water short of firm, with water of the cook's own. */
export const shortOf = ({ request, prepared, solution }: SolvedPlan): number =>
  request.pourOverrideG === null || !pourSetsTexture(prepared.method)
    ? 0
    : Math.max(0, firmUptake(request, prepared) * prepared.dryG - solution.absorbedG)

const firmUptake = (request: PlanRequest, { blend }: PreparedPlan): number =>
  Math.max(DRIEST_UPTAKE, blend.uptake.firm + request.uptakeDelta)

/** The pours that end firm, standard and soft, g. */
function texturePours({ request, prepared, solved }: SolvedPlan) {
  const { method, blend, uptake, dryG } = prepared
  const pourAt = (wanted: number) =>
    pourSetsTexture(method) ? Math.max(0, solved.pourG + (wanted - uptake) * dryG) : solved.pourG
  return {
    firmG: pourAt(firmUptake(request, prepared)),
    standardG: pourAt(blend.uptake.standard + request.uptakeDelta),
    softG: pourAt(Math.min(blend.uptake.most, blend.uptake.soft + request.uptakeDelta)),
  }
}

export function grainFigures({ measures }: PlanRequest, { dryG, blend }: PreparedPlan): Plan['grain'] {
  return {
    mass_g: gram(dryG),
    volume_ml: gram(bulkVolume(blend, grams(dryG))),
    parts: blend.parts.map(({ variety, share }) => ({
      variety: variety.id,
      mass_g: gram(dryG * share),
      volume_ml: gram((dryG * share) / variety.bulkDensity),
      measures: measures.map((measure) => inMeasure((dryG * share) / variety.bulkDensity, measure)),
    })),
  }
}

export function waterFigures(plan: SolvedPlan): Plan['water'] {
  const { prepared, solution, soakedG } = plan
  const { blend, dryG, soaked, addInWaterG } = prepared
  const pours = texturePours(plan)
  // Absorbed closes the ledger at the last decimal, so that the printed terms add up.
  const [pour, evaporated, carriedIn, left] = [
    gram(solution.pourG),
    gram(solution.evaporatedG),
    gram(soaked.clingingG + soakedG + addInWaterG + solution.steamInG),
    gram(solution.leftG),
  ]
  const drained = gram(solution.drainedG)
  return {
    pour_g: pour,
    ratio_by_volume: roundTo(pour / bulkVolume(blend, grams(dryG)), 3),
    ratio_by_mass: roundTo(pour / dryG, 3),
    absorbed_g: gram(pour - evaporated - drained - left + carriedIn),
    evaporated_g: evaporated,
    carried_in_g: carriedIn,
    drained_off_g: drained,
    left_in_pot_g: left,
    short_g: gram(shortOf(plan)),
    uptake_target: roundTo(prepared.uptake + prepared.sauce, 3),
    clinging_g: gram(soaked.clingingG),
    add_in_water_g: gram(addInWaterG),
    soaked_in_g: gram(soakedG),
    steam_in_g: gram(solution.steamInG),
    ...(solution.boilerG === undefined ? {} : { boiler_g: gram(solution.boilerG) }),
    firm_pour_g: gram(pours.firmG),
    standard_pour_g: gram(pours.standardG),
    soft_pour_g: gram(pours.softG),
    evaporated_by_stage: Object.fromEntries(
      prepared.timed.stages.map((stage, i) => [stage.id, gram(solution.course.steam[i] ?? 0)]),
    ),
  }
}

export function gaugeFigures(plan: SolvedPlan): Plan['gauges'] {
  const { request, prepared, solution, gauges } = plan
  const pours = texturePours(plan)
  const levelForPour = (pourG: number) => {
    const more = inPot(prepared.method, pourG) - inPot(prepared.method, solution.pourG)
    return levelOf(request.vessel, millilitres(Math.max(0, gauges.fillLine + more)))
  }
  return {
    bed_depth_mm: roundTo(gauges.bedDepth, 1),
    water_above_bed_mm: roundTo(gauges.waterAboveBed, 1),
    fill_line_ml: roundTo(gauges.fillLine, 1),
    fill_level_mm: roundTo(gauges.fillLevel, 1),
    swollen_level_mm: roundTo(gauges.swollenLevel, 1),
    froth_level_mm: roundTo(gauges.frothLevel, 1),
    ...(gauges.basketLevel === undefined ? {} : { basket_level_mm: roundTo(gauges.basketLevel, 1) }),
    firm_level_mm: roundTo(levelForPour(pours.firmG), 1),
    standard_level_mm: roundTo(levelForPour(pours.standardG), 1),
    soft_level_mm: roundTo(levelForPour(pours.softG), 1),
  }
}

/** A toasted layer is about this thick, mm; no more than a quarter of what is cooked. */
const CRUST_MM = 4
const crustShare = (swollenMm: number): number => Math.min(0.25, CRUST_MM / Math.max(1, swollenMm))

export function yieldFigures({ request, prepared, solution, gauges }: SolvedPlan): Plan['yield'] {
  const { dryG, uptake, blend } = prepared
  const cookedG = dryG + solution.absorbedG
  const servingG = SERVING_G[request.amount.serving]
  return {
    cooked_mass_g: gram(cookedG),
    cooked_volume_ml: gram(cookedG / blend.cookedDensity),
    left_behind_g: gram(request.stuckG + (request.toasted ? cookedG * crustShare(gauges.swollenLevel) : 0)),
    servings: roundTo((dryG - request.stuckG / (1 + uptake)) / servingG, 1),
    to_keep_g: gram(request.keepServings * servingG * (1 + solution.absorbedG / dryG)),
  }
}

/** Beyond this nobody asks, minutes. */
const MAX_KEPT_MIN = 600

export const holdFigures = (keeps: HoldTime): Plan['keeps'] => ({
  warm_minutes: roundTo(keeps.warmMin, 0),
  dry_minutes: roundTo(Math.min(keeps.dryMin, MAX_KEPT_MIN), 0),
  dries_percent_per_hour: roundTo(keeps.driesPercentPerHour, 2),
})

export const spreadFigures = (spread: Spread): NonNullable<Plan['spread']> => ({
  area_cm2: roundTo(spread.areaCm2, 0),
  tray_long_cm: spread.tray.longCm,
  tray_wide_cm: spread.tray.wideCm,
})

/** @param volumeMl of the dry grain */
export const dressingFigures = (dressing: Dressing, volumeMl: number): NonNullable<Plan['dressing']> => ({
  vinegar_g: gram(dressing.vinegarG),
  vinegar_ml: gram(dressing.vinegarMl),
  sugar_g: gram(dressing.sugarG),
  salt_g: roundTo(dressing.saltG, 2),
  salt_last_g: roundTo(dressing.saltLastG, 2),
  liquid_g: gram(dressing.liquidG),
  liquid_ml: gram(dressing.liquidMl),
  ml_per_240_ml_dry: gram(240 * (dressing.liquidMl / volumeMl)),
})

export const seasoningFigures = (seasoning: Seasoning): Plan['seasoning'] => ({
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
})

/** What a dish under the basket gives for the steam, and what has to be put into it first. */
export function boilerDishFigures(
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
