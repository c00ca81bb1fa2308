import { planFrom } from '#core/contract/plan'
import { LIMITS, parsePlanRequest, type PlanRequestJson, type Result } from '#core/contract/plan-request'
import { HEAT_PRESETS, type HeatPresetId } from '#core/heat/sources'
import { methodOf, type MethodId } from '#core/methods/index'
import { methodsOf } from '#core/methods/usual-method'
import type { Plan } from '#core/plan/result'
import { VESSEL_PRESETS, type VesselPresetId } from '#core/vessel/presets'

/** Someone else's kitchen, as far as one knows it beforehand. */
export interface There {
  vessel: VesselPresetId
  heat: HeatPresetId
  elevation_m: number
}

export interface Translated {
  request: PlanRequestJson
  here: Plan
  there: Plan
  /** The method, where their vessel cannot do the one at home. */
  method: { from: MethodId; to: MethodId } | undefined
}

/**
 * A plan that is known to come out well at home, for another pot, hob and height. What belongs to the grain
 * and to who eats goes with it: the water the grain is to hold, its soak, its salt. What belongs to the pot
 * and the burner stays at home: steam, power and time that were learned there. Water of the cook's own is
 * taken as what it made of the grain, not as so many grams.
 */
export function convertRecipe(home: PlanRequestJson, there: There): Result<Translated> {
  const [here, asked] = [planFrom(home), parsePlanRequest(home)]
  if (!here.ok) return here
  if (!asked.ok) return asked
  const kind = VESSEL_PRESETS[there.vessel].given.kind
  const from = asked.value.method
  const to = methodOf(from).vesselKinds.includes(kind) ? from : methodsOf(kind)[0]!
  const held = here.value.water.absorbed_g / here.value.grain.mass_g
  const own = home.pour_override_g !== undefined && home.pour_override_g !== null
  const {
    pour_override_g: _own,
    minutes_factor: _time,
    boiler_dish: _dish,
    heat: _hob,
    start_later_minutes: _later,
    ...rest
  } = home
  // An appliance brings its own heat.
  const onBurner = kind === 'pot' || kind === 'pressure-stovetop'
  const base: PlanRequestJson = {
    ...rest,
    // The same grain in the pot, by mass: their cup is not yours.
    amount: { basis: 'dry-mass', value: here.value.grain.mass_g },
    // Keeping portions and what sticks are counted in the mass already.
    keep_servings: 0,
    stuck_g: 0,
    method: to,
    vessel: there.vessel,
    ...(onBurner ? { heat: there.heat } : {}),
    elevation_m: there.elevation_m,
  }
  const first = planFrom(base)
  if (!first.ok) return first
  // How much more or less the grain at home ended up with than it would have by plan.
  const delta = own
    ? (home.uptake_delta_g_g ?? 0) + held - uptakeByPlan(home, held)
    : (home.uptake_delta_g_g ?? 0)
  const request: PlanRequestJson = { ...base, uptake_delta_g_g: Math.max(-2, Math.min(2, delta)) }
  const made = planFrom(request)
  if (!made.ok) return made
  return {
    ok: true,
    value: { request, here: here.value, there: made.value, method: from === to ? undefined : { from, to } },
  }
}

function uptakeByPlan(home: PlanRequestJson, otherwise: number): number {
  const { pour_override_g: _own, ...planned } = home
  const read = planFrom(planned)
  return read.ok ? read.value.water.absorbed_g / read.value.grain.mass_g : otherwise
}

/** Why the water differs, term by term, g: what is held, what boils off, what clings. */
export function whyElsewhere({ here, there }: Pick<Translated, 'here' | 'there'>): {
  pour: number
  steam: number
  held: number
  clings: number
} {
  const [a, b] = [here.water, there.water]
  return {
    pour: b.pour_g - a.pour_g,
    steam: b.evaporated_g - a.evaporated_g,
    held: b.absorbed_g - a.absorbed_g,
    clings: b.carried_in_g - a.carried_in_g,
  }
}

/** Their kitchen as it is asked about, as far as it makes sense. */
export function parseThere({
  vessel,
  heat,
  elevation_m,
}: {
  vessel: string | null
  heat: string | null
  elevation_m: string | null
}): Partial<There> {
  const height =
    elevation_m === null || elevation_m.trim() === '' ? NaN : Number(elevation_m.replace(',', '.'))
  const [min, max] = LIMITS.elevation_m
  return {
    ...(vessel !== null && Object.hasOwn(VESSEL_PRESETS, vessel) ? { vessel: vessel as VesselPresetId } : {}),
    ...(heat !== null && Object.hasOwn(HEAT_PRESETS, heat) ? { heat: heat as HeatPresetId } : {}),
    ...(height >= min && height <= max ? { elevation_m: height } : {}),
  }
}
