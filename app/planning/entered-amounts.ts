import { LIMITS } from '#core/contract/plan-request'
import type { EnteredAddIn } from '#core/seasoning/read-add-in'
import { saltGrams, saltPercentFor } from '#core/seasoning/salt-amounts'
import type { Plan } from '#core/plan/result'
import type { Quantity } from '#core/units/parse-quantity'
import { volumeOf } from './household-measures'
import type { PlanningData, PlanState } from './plan-state'

/** Something cooked along, entered for one batch, as a plan keeps it: by its share of the dry grain. */
export const addInPlanned = (
  { grams, waterShare, saltShare, ...rest }: EnteredAddIn,
  dryG: number,
): PlanState['addIns'][number] => ({
  ...rest,
  name: rest.name.slice(0, LIMITS.name),
  grams: Math.round((grams / dryG) * 100 * 10_000) / 10_000,
  water: waterShare,
  salt: saltShare,
})

/** Salt as it was entered, g: by weight, or by the spoon of the household's own crystal; undefined for neither. */
export const saltEntered = (
  quantity: Quantity,
  household: Pick<PlanningData, 'crystal' | 'cup' | 'measures'>,
): number | undefined => {
  if (quantity.unit === 'g') return quantity.value
  const ml = volumeOf(quantity, household)
  return ml === undefined ? undefined : saltGrams(ml, household.crystal)
}

/** Salt of a batch as its share of the cooked mass, with what stock and things cooked along bring, %. */
export const saltPlanned = (
  grams: number,
  { seasoning, yield: { cooked_mass_g } }: Pick<Plan, 'seasoning' | 'yield'>,
): number =>
  Math.round(
    saltPercentFor(grams, seasoning.salt_in_stock_g + seasoning.salt_in_add_ins_g, cooked_mass_g) * 1000,
  ) / 1000

/** Water as it was entered, g, in whole tenths; undefined for what counts no water. */
export function waterGrams(quantity: Quantity, household: PlanningData): number | undefined {
  const { value, unit } = quantity
  const grams = unit === undefined || unit === 'g' ? value : volumeOf(quantity, household)
  return grams === undefined ? undefined : Math.round(grams * 10) / 10
}
