import { blendOf } from '#core/grain/blend'
import { textureOf } from '#core/grain/texture'
import type { Plan } from '#core/plan/result'
import { varietyOf } from '#core/grain/varieties'
import type { PourContext } from '#core/vessel/pour-gauges'
import type { Vessel } from '#core/vessel/vessel'
import type { PlanState } from './plan-state'

/** The pot as its gauges are read, from a plan. */
export const contextOf = (plan: Plan, state: PlanState, vessel: Vessel): PourContext => ({
  shape: vessel,
  blend: blendOf([{ variety: state.grain, share: 1 }, ...state.others]),
  dryG: plan.grain.mass_g,
  clingingG: plan.water.clinging_g,
  soakedG: plan.water.soaked_in_g,
})

/**
 * The state when the cook sets the water to a pour. Between firm and soft it is a texture, and the plan stays
 * solved; beyond, it is water of the cook's own, and the plan says what it will do.
 */
export function heldAt(pourG: number, plan: Plan, state: PlanState): Pick<PlanState, 'texture' | 'poured'> {
  const { firm_pour_g, soft_pour_g } = plan.water
  if (pourG < firm_pour_g - 0.5 || pourG > soft_pour_g + 0.5) return { texture: state.texture, poured: pourG }
  const { uptake } = blendOf([{ variety: state.grain, share: 1 }, ...state.others])
  const share = (pourG - firm_pour_g) / Math.max(1e-9, soft_pour_g - firm_pour_g)
  const texture = textureOf(uptake, uptake.firm + share * (uptake.soft - uptake.firm))
  return { texture: Math.round(Math.min(1, Math.max(0, texture)) * 1000) / 1000, poured: null }
}

/** What an own pour does, in a few words; nothing when the plan's own water is poured. */
export function ownPourWords(plan: Plan, state: PlanState): string | undefined {
  if (state.poured === null) return undefined
  const { absorbed_g, left_in_pot_g, short_g } = plan.water
  const uptake = absorbed_g / plan.grain.mass_g
  const at = textureOf(varietyOf(state.grain).uptake, uptake)
  const words =
    short_g > 0
      ? `${Math.round(short_g)} g too little water`
      : at < 0.15
        ? 'firm'
        : at < 0.4
          ? 'on the firm side'
          : at <= 0.6
            ? 'standard'
            : at <= 0.9
              ? 'on the soft side'
              : at <= 1.05
                ? 'soft'
                : 'too soft'
  return left_in_pot_g > 0.5 ? `${words}, ${Math.round(left_in_pot_g)} g of water left over` : words
}
