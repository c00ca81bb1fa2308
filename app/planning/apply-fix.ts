import { localText } from '#core/units/local-text'
import { planFrom } from '#core/contract/plan'
import { inWords, varietyOf } from '#core/grain/varieties'
import type { Caution, CautionFix, Plan } from '#core/plan/result'
import { methodsOf } from '#core/methods/usual-method'
import { fromPer100g, requestOf, vesselOfState, type PlanState, type PlanningData } from './plan-state'
import { METHOD_WORDS, STYLE_WORDS } from './plan-words'

/** A caution's action: its label, and the plan state after it. */
export interface Fix {
  text: string
  state: PlanState
}

/** How one field of a fix changes the plan's state; undefined where this household cannot do it. */
type Apply<K extends keyof CautionFix> = (
  value: NonNullable<CautionFix[K]> | (null extends CautionFix[K] ? null : never),
  at: { state: PlanState; fix: CautionFix; household: PlanningData },
) => Fix | undefined

/** Set together with another field, never alone. */
const WITH_ANOTHER = () => undefined

/** Every field a caution can set, in the order in which a fix of several fields is named. */
const APPLY: { readonly [K in keyof Required<CautionFix>]: Apply<K> } = {
  method: (method, { state, household }) =>
    methodsOf(vesselOfState(state, household).kind).includes(method)
      ? { text: `Cook it ${METHOD_WORDS[method]}`, state: { ...state, method, poured: null } }
      : undefined,
  amount: (amount, { state }) => ({ text: `Cook ${amount.value} g`, state: { ...state, amount } }),
  lid_until_boil: (lidUntilBoil, { state }) => ({
    text: `Lid ${lidUntilBoil} until it boils`,
    state: { ...state, lidUntilBoil },
  }),
  rinse: ({ washes }, { state }) => ({ text: 'Rinse it', state: { ...state, washes } }),
  blend_timing: (blendTiming, { state, fix: { soak } }) =>
    blendTiming === 'soak-slow'
      ? { text: 'Soak the slow one', state: { ...state, blendTiming, soak: soak ?? state.soak } }
      : { text: 'Add the faster grain later', state: { ...state, blendTiming } },
  soak: (soak, { state }) => ({
    text: soak.celsius < 10 ? 'Soak in the fridge' : 'Soak it first',
    state: { ...state, soak },
  }),
  stock_share: (stock, { state }) => ({
    text: `${Math.round(stock * 100)} % stock`,
    state: { ...state, stock },
  }),
  grains: ([main, ...others], { state }) => ({
    text: `Cook ${inWords(varietyOf(main!.variety))}`,
    state: { ...state, grain: main!.variety, bagId: null, others, washes: null, soak: null, poured: null },
  }),
  heat_style: (heatStyle, { state }) => ({
    text: `Heat: ${STYLE_WORDS[heatStyle]}`,
    state: { ...state, heatStyle },
  }),
  start_later_minutes: (_, { state }) => ({
    text: 'Start it later yourself',
    state: { ...state, byItself: false },
  }),
  hold_minutes: (hold, { state }) => ({ text: 'Start later, no keeping warm', state: { ...state, hold } }),
  dressing: (dressing, { state }) => ({
    text: `Rest it ${dressing.set_minutes} min`,
    state: {
      ...state,
      dressing: {
        style: dressing.style,
        infuse: dressing.infuse_minutes,
        set: dressing.set_minutes,
        ml: dressing.ml_per_240_ml_dry,
        ...(dressing.bottle ? { bottle: dressing.bottle } : {}),
        ...(dressing.per_100g_dry ? { own: fromPer100g(dressing.per_100g_dry) } : {}),
      },
    },
  }),
  boiler_dish: (dish, { state }) => ({
    text: `Start it with ${dish.liquid_g} g of liquid`,
    state: { ...state, under: { name: dish.name, liquidG: dish.liquid_g } },
  }),
  pour_override_g: (poured, { state }) => ({ text: 'Pour as planned', state: { ...state, poured } }),
  release: (release, { state }) => ({
    text: `${RELEASE_FIX[release]} release`,
    state: { ...state, release },
  }),
  rest_minutes: (rest, { state }) => ({ text: `Rest ${rest} min`, state: { ...state, rest } }),
  // A household cooks in its own pots and on its own burners.
  vessel: WITH_ANOTHER,
  heat: WITH_ANOTHER,
  release_minutes: WITH_ANOTHER,
}

const RELEASE_FIX = { natural: 'Natural', timed: 'Timed' } as const

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
  for (const [field, apply] of Object.entries(APPLY) as unknown as [keyof CautionFix, Apply<never>][]) {
    if (!(field in fix)) continue
    const applied = apply(fix[field] as never, { state, fix, household })
    if (applied) return { ...applied, text: localText(applied.text, household) }
  }
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
