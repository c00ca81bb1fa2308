import { spoonDensity } from '#core/seasoning/spoon-density'
import type { Dressing } from '#core/finish/dressing'
import type { Blend } from '#core/grain/blend'
import { COUNTED_ALWAYS, countedAddIn } from '#core/seasoning/add-in-amounts'
import type { AddInTime, Seasoning } from '#core/seasoning/seasoning'
import { inMeasure, inSpoonfuls, STANDARD_MEASURES, type Measure } from '#core/units/measures'
import { roundTo } from '#core/units/rounding'
import type { PlanRequest } from './request'
import type { StageAmount } from './stage-amount'

/** Less than this is no measuring, g. */
const LEAST_G = 0.1

/** How a request's amounts are said. */
export type Speaking = Pick<PlanRequest, 'measures' | 'saidIn' | 'saltCrystal'>

/** Water or stock. */
export const liquidAmount = (
  what: 'water' | 'stock',
  grams: number,
  { measures }: Speaking,
): StageAmount => ({
  what,
  grams: roundTo(grams, 1),
  ml: roundTo(grams, 1),
  measures: measures.map((measure) => inMeasure(grams, measure)),
})

/** Each grain of the blend. */
export const grainAmounts = (blend: Blend, dryG: number, { measures }: Speaking): StageAmount[] =>
  blend.parts.map(({ variety, share }) => {
    const grams = dryG * share
    const ml = grams / variety.bulkDensity
    return {
      what: 'grain',
      ...(blend.parts.length > 1 ? { name: variety.name } : {}),
      grams: roundTo(grams, 1),
      ml: roundTo(ml, 1),
      measures: measures.map((measure) => inMeasure(ml, measure)),
    }
  })

/** The spoons of the cook's measure. */
const spoonsOf = ({ measures }: Pick<Speaking, 'measures'>): Measure =>
  measures[0] ?? STANDARD_MEASURES['metric-cup']

/** What is measured by the spoon. */
export function spoonAmount(
  what: 'salt' | 'sugar' | 'vinegar',
  grams: number,
  { measures, saltCrystal }: Pick<Speaking, 'measures' | 'saltCrystal'>,
): StageAmount {
  const ml = grams / spoonDensity(what, saltCrystal)
  const spoons = spoonsOf({ measures })
  return {
    what,
    grams: roundTo(grams, 2),
    ml: roundTo(ml, 2),
    measures: [{ measure: 'tsp', value: roundTo(ml / spoons.tspMl, 2), text: inSpoonfuls(ml, spoons) }],
  }
}

/** Add-ins of a moment, and with the water the salt. */
export const seasoningAmounts = (
  { saltToAddG, addIns }: Seasoning,
  when: AddInTime,
  speaking: Speaking,
): StageAmount[] => [
  ...(when === 'with-water' && saltToAddG > LEAST_G ? [spoonAmount('salt', saltToAddG, speaking)] : []),
  ...addIns.filter((a) => a.when === when).map((a) => addInAmount(a, speaking)),
]

/** An add-in by the piece, the spoon or the cook's measure, where it is known how it is counted. */
export const addInAmount = (
  { name, grams }: Pick<Seasoning['addIns'][number], 'name' | 'grams'>,
  speaking: Pick<Speaking, 'measures'>,
): StageAmount => ({
  what: 'add-in',
  ...countedAddIn(name, grams, spoonsOf(speaking)),
  grams: roundTo(grams, 1),
})

export const mixAmounts = (dressing: Dressing, speaking: Speaking): StageAmount[] => [
  spoonAmount('vinegar', dressing.vinegarG, speaking),
  spoonAmount('sugar', dressing.sugarG, speaking),
  ...(dressing.saltG > LEAST_G ? [spoonAmount('salt', dressing.saltG, speaking)] : []),
]

export const dressAmounts = (dressing: Dressing, speaking: Speaking): StageAmount[] => [
  {
    what: 'dressing',
    grams: roundTo(dressing.liquidG, 1),
    ml: roundTo(dressing.liquidMl, 1),
    measures: speaking.measures.map((measure) => inMeasure(dressing.liquidMl, measure)),
  },
  ...(dressing.saltLastG > LEAST_G ? [spoonAmount('salt', dressing.saltLastG, speaking)] : []),
]

/** Whether an amount is said by its measure: where the batch is, and where it is counted at any scale. */
export const saidByMeasure = (
  { measures }: Pick<StageAmount, 'measures'>,
  { saidIn }: Pick<Speaking, 'saidIn'>,
): boolean => measures.length > 0 && (saidIn === 'measures' || COUNTED_ALWAYS.has(measures[0]!.measure))

/** One amount in a title: in the cook's measure where the batch is said in measures, else in grams. */
export function amountText(
  { grams, measures }: Pick<StageAmount, 'grams' | 'measures'>,
  speaking: Pick<Speaking, 'saidIn'>,
): string {
  if (saidByMeasure({ measures }, speaking)) return measures[0]!.text
  return `${grams < 10 ? roundTo(grams, 1) : Math.round(grams)} g`
}

/** "¾ tsp salt", "2 bay leaves", "80 g peas". */
export const amountWords = (amount: StageAmount, speaking: Pick<Speaking, 'saidIn'>): string =>
  `${amountText(amount, speaking)} ${amount.name ?? amount.what}`
