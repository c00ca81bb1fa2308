import { planFrom } from '#core/contract/plan'
import type { DressingId } from '#core/finish/dressing'
import { inWords, type VarietyId, varietyOf } from '#core/grain/varieties'
import type { MethodId } from '#core/methods/index'
import type { Caution, Plan } from '#core/plan/result'
import { methodsOf } from '#core/methods/usual-method'
import { requestOf, vesselOfState, type PlanState, type PlanningData } from './plan-state'
import { METHOD_WORDS } from './plan-words'

/** A caution's action: its label, and the plan state after it. */
export interface Fix {
  text: string
  state: PlanState
}

/**
 * Turns a caution's remedy into this household's own terms: its own roomier pot before a preset, its own
 * words before figures.
 */
export function fixOf(
  caution: Caution,
  state: PlanState,
  household: PlanningData,
  nowMs: number,
): Fix | undefined {
  const { mend: fix } = caution
  if (!fix) return undefined
  if ('vessel' in fix || ('amount' in fix && caution.about === 'fit')) {
    const roomier = roomierPot(caution.code, state, household, nowMs)
    if (roomier) return { text: `Use ${roomier.name}`, state: { ...state, vesselId: roomier.id } }
  }
  if (
    typeof fix.method === 'string' &&
    methodsOf(vesselOfState(state, household).kind).includes(fix.method as MethodId)
  )
    return {
      text: `Cook it ${METHOD_WORDS[fix.method as MethodId]}`,
      state: { ...state, method: fix.method as MethodId, poured: null },
    }
  const amount = fix.amount as { basis: 'dry-mass'; value: number } | undefined
  if (amount) return { text: `Cook ${amount.value} g`, state: { ...state, amount } }
  if (fix.lid_until_boil === 'ajar')
    return { text: 'Lid ajar until it boils', state: { ...state, lidUntilBoil: 'ajar' } }
  const rinse = fix.rinse as { washes: number } | undefined
  if (rinse) return { text: 'Rinse it', state: { ...state, washes: rinse.washes } }
  const soak = fix.blend_timing ? undefined : (fix.soak as PlanState['soak'] | undefined)
  if (soak)
    return { text: soak.celsius < 10 ? 'Soak in the fridge' : 'Soak it first', state: { ...state, soak } }
  if (fix.blend_timing === 'add-later')
    return { text: 'Add the faster grain later', state: { ...state, blendTiming: 'add-later' } }
  if (fix.blend_timing === 'soak-slow')
    return {
      text: 'Soak the slow one',
      state: { ...state, blendTiming: 'soak-slow', soak: fix.soak as PlanState['soak'] },
    }
  if (typeof fix.stock_share === 'number')
    return {
      text: `${Math.round(fix.stock_share * 100)} % stock`,
      state: { ...state, stock: fix.stock_share },
    }
  const grains = fix.grains as { variety: VarietyId; share: number }[] | undefined
  if (grains)
    return {
      text: `Cook ${inWords(varietyOf(grains[0]!.variety))}`,
      state: {
        ...state,
        grain: grains[0]!.variety,
        bagId: null,
        others: grains.slice(1),
        washes: null,
        soak: null,
        poured: null,
      },
    }
  if (fix.start_later_minutes !== undefined)
    return { text: 'Start it later yourself', state: { ...state, byItself: false } }
  if (fix.hold_minutes === 0) return { text: 'Start later, no keeping warm', state: { ...state, hold: 0 } }
  const dressing = fix.dressing as
    | { style: DressingId; infuse_minutes: number; set_minutes: number; ml_per_240_ml_dry: number | null }
    | undefined
  if (dressing)
    return {
      text: `Rest it ${dressing.set_minutes} min`,
      state: {
        ...state,
        dressing: {
          style: dressing.style,
          infuse: dressing.infuse_minutes,
          set: dressing.set_minutes,
          ml: dressing.ml_per_240_ml_dry,
        },
      },
    }
  const dish = fix.boiler_dish as { name: string; liquid_g: number } | undefined
  if (dish)
    return {
      text: `Start it with ${dish.liquid_g} g`,
      state: { ...state, under: { name: dish.name, liquidG: dish.liquid_g } },
    }
  if (fix.pour_override_g === null) return { text: 'Pour as planned', state: { ...state, poured: null } }
  if (fix.release !== undefined)
    return { text: 'Natural release', state: { ...state, release: fix.release as PlanState['release'] } }
  if (fix.rest_minutes !== undefined)
    return { text: `Rest ${fix.rest_minutes} min`, state: { ...state, rest: fix.rest_minutes as number } }
  return undefined
}

/** The smallest other vessel of the household, of the same kind or else any, without the caution. */
function roomierPot(code: string, state: PlanState, household: PlanningData, nowMs: number) {
  const own = vesselOfState(state, household)
  const others = household.vessels
    .filter(
      (v) =>
        v.id !== own.id && (code === 'never-boils' ? v.kind !== own.kind : v.capacity_ml > own.capacity_ml),
    )
    .sort(
      (a, b) => Number(b.kind === own.kind) - Number(a.kind === own.kind) || a.capacity_ml - b.capacity_ml,
    )
  return others.find((vessel) => {
    const read = planFrom(requestOf({ ...state, vesselId: vessel.id }, household, nowMs))
    return read.ok && fits(read.value, code)
  })
}

const fits = (plan: Plan, code: string): boolean =>
  !plan.cautions.some((c) => c.severity === 'stop' || c.code === code)
