import { parsePlanRequest, type PlanRequestJson } from '#core/contract/plan-request'
import { planFrom } from '#core/contract/plan'
import { boilingPointAt, pressureAt, saturationTemperature } from '#core/heat/boiling-point'
import { metres, pascals } from '#core/units/units'
import { textureOf } from '#core/grain/texture'
import { ELECTRIC } from '#core/methods/pressure-electric'
import { prepare } from '#core/plan/prepare'
import type { PlanRequest } from '#core/plan/request'
import type { Plan } from '#core/plan/result'

/** One way of cooking a pot, beside others. */
export interface Side {
  request: PlanRequest
  plan: Plan
  /** What it draws from the wall or the bottle, W·h. */
  energyWh: number
  /** How much of that ends as warmth in the kitchen, W·h, and how much water as steam, g. */
  kitchenWh: number
  steamG: number
  /** 0 firm, 0.5 standard, 1 soft; outside it is drier or wetter. */
  texture: number
}

/**
 * An oven's mean draw while it is hot, W, and the minutes it heats before the dish goes in: typical of a
 * household oven.
 */
const OVEN_W = 1000
const OVEN_PREHEAT_MINUTES = 12
/** A household kettle gives this share to its water. */
const KETTLE_EFFICIENCY = 0.85
/** Specific heat of cooked grain, J/(g K), and how warm it comes to the table, K over the kitchen. */
const COOKED_HEAT = 3.6
const AT_TABLE_K = 50

export function sideOf(json: PlanRequestJson): Side {
  const [read, made] = [parsePlanRequest(json), planFrom(json)]
  if (!read.ok || !made.ok)
    throw new RangeError(
      `sideOf: ${[...(read.ok ? [] : read.errors), ...(made.ok ? [] : made.errors)].map((e) => e.message).join('; ')}`,
    )
  const [request, plan] = [read.value, made.value]
  const energyWh = energyOf(request, plan)
  const inFoodWh = (plan.yield.cooked_mass_g * COOKED_HEAT * AT_TABLE_K) / 3600
  const { blend } = prepare(request)
  return {
    request,
    plan,
    energyWh,
    kitchenWh: Math.max(0, energyWh - inFoodWh - (plan.water.drained_off_g * 4.18 * 60) / 3600),
    // By stage, because a boiler under a basket steams without being part of the bed's water.
    steamG: Object.values(plan.water.evaporated_by_stage).reduce((sum, g) => sum + g, 0),
    texture: textureOf(blend.uptake, plan.water.absorbed_g / plan.grain.mass_g),
  }
}

/**
 * What a plan's stages draw, W·h: what reaches the pot over the source's efficiency. A vessel held by its
 * thermostat draws what it loses.
 */
function energyOf({ source, vessel, kitchenC, elevationM, pressure }: PlanRequest, plan: Plan): number {
  const gauge = vessel.kind === 'pressure-electric' ? ELECTRIC.gaugeKPa[pressure] : undefined
  const held =
    gauge === undefined
      ? boilingPointAt(metres(elevationM))
      : saturationTemperature(pascals(pressureAt(metres(elevationM)) + gauge * 1000))
  return plan.stages.reduce((sum, stage) => {
    const hours = stage.minutes.expected / 60
    if (stage.kind === 'bake') return sum + OVEN_W * (hours + OVEN_PREHEAT_MINUTES / 60)
    if (stage.id === 'kettle')
      return sum + (plan.water.pour_g * 4.18 * (held - kitchenC)) / 3600 / KETTLE_EFFICIENCY
    const power =
      stage.kind === 'pressure' && gauge !== undefined
        ? Math.min(stage.power_w, vessel.loss * (held - kitchenC))
        : stage.power_w
    return sum + (power / source.efficiency) * hours
  }, 0)
}
