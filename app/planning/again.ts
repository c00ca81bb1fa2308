import { DEFAULTS, type PlanRequestJson } from '#core/contract/plan-request'
import type { VarietyId } from '#core/grain/varieties'
import { measureOf, type OwnMeasure, type StandardMeasureId } from '#core/units/measures'
import { measureChoices } from './household-measures'
import { fromPer100g, type PlanState, type PlanningData } from './plan-state'

/** A batch as it was started. */
export interface StartedBatch {
  request: PlanRequestJson
  vesselId: string
  heatId: string | null
  bagId: string | null
  /** Dry grain that it came to, g. */
  grainG: number
}

/**
 * The plan of a batch, to be cooked again: everything that was asked for. What belonged to that day is left out:
 * its hour, the weight of its soaked grain, what had been learned by then.
 * @param first the household's first plan, for what the batch does not say
 */
export function planAgain(
  { request, vesselId, heatId, bagId, grainG }: StartedBatch,
  first: PlanState,
  household: Pick<PlanningData, 'cup' | 'measures'>,
): PlanState {
  const [main, ...others] = request.grains as readonly { variety: VarietyId; share?: number }[]
  const { rinse, boiler_dish: under } = request
  return {
    ...first,
    grain: main!.variety,
    bagId,
    others: others.map(({ variety, share = 1 }) => ({ variety, share: share / (main!.share ?? 1) })),
    blendTiming: request.blend_timing ?? first.blendTiming,
    amount: amountAgain(request.amount, grainG, household),
    serving: request.amount?.serving ?? first.serving,
    ...wayAgain(request, first),
    vesselId,
    heatId: heatId ?? first.heatId,
    texture: request.texture ?? null,
    washes: rinse?.washes ?? null,
    drain: rinse && rinse.drain !== 'none' ? (rinse.drain ?? first.drain) : first.drain,
    soak: soakAgain(request.soak),
    wet: null,
    rest: request.rest_minutes ?? null,
    who: request.eating ?? null,
    keep: request.keep_servings ?? 0,
    ...heldAgain(request),
    dressing: dressingAgain(request.dressing),
    under: under ? { name: under.name, liquidG: under.liquid_g } : null,
    salt: request.salt_percent ?? null,
    stock: request.stock_share ?? first.stock,
    addIns: (request.add_ins ?? []).map(addInAgain),
    poured: request.pour_override_g ?? null,
  }
}

/** How long it waited before it was served, and where. */
const heldAgain = ({ hold_minutes, hold_in }: PlanRequestJson) => ({
  hold: hold_minutes ?? 0,
  holdIn: hold_in ?? DEFAULTS.hold_in,
})

/** How it was cooked: what belongs to the method. */
const wayAgain = (request: PlanRequestJson, first: PlanState) => ({
  purpose: request.purpose ?? first.purpose,
  method: request.method ?? null,
  finish: request.finish ?? null,
  cookedShare: request.cooked_share ?? first.cookedShare,
  thickness: request.thickness ?? first.thickness,
  hurry: request.hurry ?? false,
  minutes: request.own?.programme?.minutes ?? null,
  passes: request.passes ?? first.passes,
  ...actsAgain(request),
  foil: typeof request.vessel === 'object' && request.vessel.lid === 'foil',
  lidUntilBoil: request.lid_until_boil ?? first.lidUntilBoil,
  heatStyle: request.heat_style ?? first.heatStyle,
  pressure: request.pressure ?? first.pressure,
  release: request.release ?? first.release,
  releaseMinutes: request.release_minutes ?? first.releaseMinutes,
})

/** Single acts that were chosen. */
const actsAgain = ({
  toasted_bottom,
  stir_at_boil,
  loosen_in_rest,
  fry_at_end,
  fry_tomorrow_share,
}: PlanRequestJson) => ({
  toasted: toasted_bottom ?? false,
  stirred: stir_at_boil ?? false,
  loosenedInRest: loosen_in_rest ?? false,
  friedAtEnd: fry_at_end ?? false,
  fryTomorrow: fry_tomorrow_share ?? 0,
})

const soakAgain = (soak: PlanRequestJson['soak']): PlanState['soak'] =>
  soak
    ? {
        minutes: soak.minutes,
        celsius: soak.celsius ?? DEFAULTS.soak_celsius,
        water: soak.water ?? 'drain',
      }
    : null

/** Left out: the purpose's own; null: none. */
function dressingAgain(dressing: PlanRequestJson['dressing']): PlanState['dressing'] {
  if (dressing === undefined) return null
  if (dressing === null) return { style: 'none', infuse: 0, set: 0, ml: null }
  return {
    style: dressing.style ?? 'usual',
    infuse: dressing.infuse_minutes ?? 0,
    set: dressing.set_minutes ?? 0,
    ml: dressing.ml_per_240_ml_dry ?? null,
    ...(dressing.bottle ? { bottle: dressing.bottle } : {}),
    ...(dressing.per_100g_dry ? { own: fromPer100g(dressing.per_100g_dry) } : {}),
  }
}

const addInAgain = (addIn: NonNullable<PlanRequestJson['add_ins']>[number]): PlanState['addIns'][number] => ({
  name: addIn.name,
  grams: addIn.grams_per_100g_dry,
  water: addIn.water_share ?? 0,
  salt: addIn.salt_share ?? 0,
  when: addIn.when ?? 'with-water',
  out: addIn.out ?? 'stays',
})

/** A measure that is not owned any more, and what only programs ask for, is planned in grams. */
function amountAgain(
  amount: PlanRequestJson['amount'],
  grainG: number,
  household: Pick<PlanningData, 'cup' | 'measures'>,
): PlanState['amount'] {
  const inGrams = { basis: 'dry-mass' as const, value: Math.round(grainG) }
  if (amount?.basis === 'servings' || amount?.basis === 'dry-mass')
    return { basis: amount.basis, value: amount.value }
  if (amount?.basis !== 'measure') return inGrams
  const asked = measureOf(amount.measure as StandardMeasureId | OwnMeasure)
  const choice = measureChoices(household).find(({ measure }) => {
    const { id, ml } = measureOf(measure)
    return id === asked.id && Math.abs(ml - asked.ml) < 0.5
  })
  return choice ? { basis: 'measure', value: amount.value, measure: choice.id } : inGrams
}
