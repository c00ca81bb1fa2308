import { blendOf, bulkVolume, slowedBlend } from '#core/grain/blend'
import { uptakeAt } from '#core/grain/texture'
import { boilingPointAt, pressureAt } from '#core/heat/boiling-point'
import { methodOf } from '#core/method/index'
import type { Kitchen } from '#core/method/method'
import { fillPot, heatCapacityOf, REDUCED } from '#core/pot/pot'
import { grams, metres, millilitres } from '#core/quantity/units'
import { roundTo } from '#core/quantity/rounding'
import { FROTH, gaugesOf } from '#core/vessel/gauges'
import { levelOf } from '#core/vessel/shape'
import { clingOf } from '#core/water/cling'
import { dryMassOf, SERVING_G } from './amount'
import { cautionsOf } from './cautions/index'
import { potSetupOf } from './pot-setup'
import type { PlanRequest } from './request'
import type { Plan, Stage, Window } from './result'
import { solvePour, tryPour, type Problem } from './solve'
import { stagesOf } from './stages'
import { lengthOf, timelineOf } from './timeline'
import { windowsOf } from './windows'

/** Nothing eats drier than this, whatever was learned, g/g. */
const DRIEST_UPTAKE = 0.3

/** What one pot needs, from the request to the table, in the order the cook works.
 *  Pure: the same request gives the same plan, in the browser and on the server. */
export function plan(request: PlanRequest): Plan {
  // Choose
  const blend = slowedBlend(blendOf(request.grains), request.minutesFactor)
  const published = uptakeAt(blend.uptake, request.texture)
  const uptake = Math.min(blend.uptake.most, Math.max(DRIEST_UPTAKE, published + request.uptakeDelta))
  const dryG = dryMassOf(request.amount, blend, uptake)
  const boilC = boilingPointAt(metres(request.elevationM))

  // Rinse and soak
  const wetted = request.rinse.washes > 0 || request.soak?.water === 'drain'
  const clingingG = clingOf(blend, wetted, request.rinse.drain) * dryG

  // Heat in stages, and the water that balances them
  const method = methodOf(request.method)
  const kitchen: Kitchen = { ...request, blend, dryG, boilC, ambientPa: pressureAt(metres(request.elevationM)) }
  const hot = method.stages(kitchen)
  const { vessel, kitchenC, soak } = request
  // No kettle up here is hotter than its own boil.
  const waterC = Math.min(request.waterC, boilC)
  const problem: Problem = { blend, dryG, vessel, boilC, kitchenC, waterC, stages: hot, soak, clingingG, uptake }
  const solved = solvePour(problem)
  const solution = request.pourOverrideG === null ? solved : tryPour(problem, solved, request.pourOverrideG)

  // Measure: one water in many gauges
  const poured = soak?.water === 'drain' ? solution.soakedIn : 0
  const inPotG = solution.pourG + clingingG
  const calm = request.rinse.washes > 0 || request.lidUntilBoil !== 'on'
  const gauges = gaugesOf({
    shape: vessel,
    blend,
    dry: grams(dryG),
    freeWater: inPotG,
    soaked: poured,
    uptake: solution.absorbedG / dryG,
    frothFactor: calm ? FROTH.calm : FROTH.starchyCovered,
  })

  // The clock
  const setup = potSetupOf({ blend, dryG, vessel, boilC, kitchenC, waterC, freeWaterG: inPotG, soaked: [] })
  const filled = fillPot(setup, REDUCED)
  const windows = windowsOf(hot, solution.course, solution.window, setup, heatCapacityOf(filled), filled.bulkC)
  const washHow = blend.parts.map((p) => p.variety).find((v) => v.washes > 0)?.washHow ?? 'in the bowl'
  const stages = withStarts(stagesOf(request, dryG, washHow, method.beforeHeat, hot, windows), request.serveAtMs)

  const firm = Math.max(DRIEST_UPTAKE, blend.uptake.firm + request.uptakeDelta)
  const soft = Math.min(blend.uptake.most, blend.uptake.soft + request.uptakeDelta)
  const shortG = request.pourOverrideG === null ? 0 : Math.max(0, firm * dryG - solution.absorbedG)
  const cookedG = dryG + solution.absorbedG
  const firmPourG = Math.max(0, solved.pourG + (firm - uptake) * dryG)
  const softPourG = Math.max(0, solved.pourG + (soft - uptake) * dryG)
  const levelForPour = (pourG: number) => levelOf(vessel, millilitres(gauges.fillLine + pourG - solution.pourG))
  const gram = (value: number) => roundTo(value, 1)
  const soakedG = poured * dryG
  // Absorbed closes the ledger at the last decimal, so that the printed terms add up.
  const [pour, evaporated, carried, left] = [
    gram(solution.pourG), gram(solution.evaporatedG), gram(clingingG + soakedG), gram(solution.leftG),
  ]
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
      absorbed_g: gram(pour - evaporated - left + carried),
      evaporated_g: evaporated,
      carried_in_g: carried,
      drained_off_g: 0,
      left_in_pot_g: left,
      short_g: gram(shortG),
      uptake_target: roundTo(uptake, 3),
      clinging_g: gram(clingingG),
      soaked_in_g: gram(soakedG),
      firm_pour_g: gram(firmPourG),
      soft_pour_g: gram(softPourG),
      evaporated_by_stage: Object.fromEntries(hot.map((stage, i) => [stage.id, gram(solution.course.steam[i] ?? 0)])),
    },
    gauges: {
      bed_depth_mm: roundTo(gauges.bedDepth, 1),
      water_above_bed_mm: roundTo(gauges.waterAboveBed, 1),
      fill_line_ml: roundTo(gauges.fillLine, 1),
      fill_level_mm: roundTo(gauges.fillLevel, 1),
      swollen_level_mm: roundTo(gauges.swollenLevel, 1),
      froth_level_mm: roundTo(gauges.frothLevel, 1),
      firm_level_mm: roundTo(levelForPour(firmPourG), 1),
      soft_level_mm: roundTo(levelForPour(softPourG), 1),
    },
    yield: {
      cooked_mass_g: gram(cookedG),
      cooked_volume_ml: gram(cookedG / blend.cookedDensity),
      left_behind_g: 0,
      servings: roundTo(dryG / SERVING_G[request.amount.serving], 1),
    },
    stages,
    total_minutes: totalOf(stages),
    hands_on_minutes: roundTo(stages.filter((s) => s.hands_on).reduce((sum, s) => sum + s.minutes.expected, 0), 1),
    boil_c: roundTo(boilC, 2),
    cautions: cautionsOf({ request, blend, dryG, uptake, boilC, gauges, solution, stages, clingingG, shortG }),
  }
}

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
