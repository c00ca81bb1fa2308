import { localText } from '#core/units/local-text'
import { LIMITS } from '#core/contract/plan-request'
import { measureOf } from '#core/units/measures'
import { parseQuantity, type Quantity, type QuantityUnit } from '#core/units/parse-quantity'
import { measureChoices, measureNamed, volumeOf, type MeasureChoice } from './household-measures'
import type { PlanningData, PlanState } from './plan-state'

type DryAmount = Exclude<PlanState['amount'], { basis: 'servings' }>
type Household = Pick<PlanningData, 'cup' | 'measures' | 'units' | 'system'>

export type ReadDryAmount =
  { ok: true; amount: DryAmount | { basis: 'servings'; value: number } } | { ok: false; message: string }

const EXAMPLE = 'Enter an amount, for example 1½ cups or 300 g.'

/**
 * Reads dry grain as a cook types it.
 * @param counted what a bare number counts: "g" or the id of a measure
 */
export function readDryAmount(text: string, counted: string, household: Household): ReadDryAmount {
  const read = parseQuantity(
    text,
    household.measures.map((m) => m.name),
  )
  if (!read.ok)
    return {
      ok: false,
      message: read.why === 'range' ? 'Enter one amount, for example 2 cups.' : EXAMPLE,
    }
  if (read.rest !== '') return { ok: false, message: `“${read.rest}” is not a measure of yours.` }
  return inLimits(amountOf(read.quantity, counted, household), household)
}

/** What a quantity amounts to, where it can be an amount of grain. */
export function amountOf(
  quantity: Quantity,
  counted: string,
  household: Household,
): PlanState['amount'] | undefined {
  const { value, unit } = quantity
  switch (unit) {
    case undefined:
      return counted === 'g' ? { basis: 'dry-mass', value } : { basis: 'measure', value, measure: counted }
    case 'g':
      return { basis: 'dry-mass', value: Math.round(value * 10) / 10 }
    case 'portion':
      return { basis: 'servings', value }
    case 'ml':
    case 'tbsp':
    case 'tsp': {
      const { ml } = measureOf(measureChoices(household)[0]!.measure)
      return { basis: 'measure', value: volumeOf(quantity, household)! / ml, measure: 'cup' }
    }
    default: {
      const choice = choiceFor(quantity, measureChoices(household))
      return choice && { basis: 'measure', value, measure: choice.id }
    }
  }
}

function inLimits(amount: PlanState['amount'] | undefined, household: Household): ReadDryAmount {
  if (!amount) return { ok: false, message: EXAMPLE }
  if (amount.basis === 'servings') {
    const [min, max] = LIMITS.amount.servings
    return amount.value >= min && amount.value <= max
      ? { ok: true, amount: { basis: 'servings', value: amount.value } }
      : { ok: false, message: `From ${min} to ${max} portions.` }
  }
  if (amount.basis === 'dry-mass') {
    const [min, max] = LIMITS.amount['dry-mass']
    return amount.value >= min && amount.value <= max
      ? { ok: true, amount }
      : { ok: false, message: localText(`From ${min} to ${max.toLocaleString('en-GB')} g.`, household) }
  }
  const [min, max] = LIMITS.amount['dry-volume']
  const { ml } = measureOf(measureNamed('measure' in amount ? amount.measure : 'cup', household))
  return amount.value * ml >= min && amount.value * ml <= max
    ? { ok: true, amount }
    : { ok: false, message: localText(`From ${min} mL to ${max / 1000} L.`, household) }
}

/** Which choice a typed unit means. */
function choiceFor(
  { unit, own }: { unit: QuantityUnit | undefined; own?: string },
  choices: readonly MeasureChoice[],
): MeasureChoice | undefined {
  if (unit === 'own')
    return choices.find((c) => typeof c.measure !== 'string' && c.measure.name === own && c.id !== 'cup')
  if (unit === 'cup') return choices[0]
  return choices.find((c) => c.id === unit || c.measure === unit)
}
