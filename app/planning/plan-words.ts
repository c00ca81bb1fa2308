import { massIn } from '#core/units/system'
import { countWord } from '#core/eaters/count-words'
import { inWords, varietyOf } from '#core/grain/varieties'
import { METHOD_IDS, methodOf, type MethodId } from '#core/methods/index'
import { inMeasure, measureOf } from '#core/units/measures'
import { measureNamed } from './household-measures'
import type { PlanState, PlanningData } from './plan-state'

/** A sentence too long for the line is shortened to its first words. */
const shortly = (who: string): string =>
  who.length <= MAX_SHOWN ? who : `${who.split(',')[0]!.slice(0, MAX_SHOWN)} …`
const MAX_SHOWN = 22

/** How much, as it was asked: "For four", "1½ cups", "300 g dry". */
export function amountWord(
  { amount, who, keep, leftoverPortions }: Pick<PlanState, 'amount' | 'who' | 'keep' | 'leftoverPortions'>,
  household: Pick<PlanningData, 'cup' | 'measures' | 'system'>,
): string {
  if (amount.basis === 'dry-mass') return `${massIn(amount.value, household.system)} dry`
  if (amount.basis === 'measure') return measuredWord(amount, household)
  const later = keep > 0 ? ` and ${countWord(keep)} for later` : ''
  const leftovers = leftoverPortions > 0 ? `, ${countWord(leftoverPortions)} from leftovers` : ''
  return `For ${who === null ? countWord(amount.value) : shortly(who)}${later}${leftovers}`
}

/** "1½ cups", "2 mugs": just as it was entered. */
export function measuredWord(
  { value, measure }: { value: number; measure: string },
  household: Pick<PlanningData, 'cup' | 'measures'>,
): string {
  const chosen = measureOf(measureNamed(measure, household))
  return inMeasure(value * chosen.ml, chosen).text
}

/** The grain as it is called here: by its bag, or by its kind, and what is mixed in. */
export function grainWord(
  { grain, bagId, others }: Pick<PlanState, 'grain' | 'bagId' | 'others'>,
  { bags }: Pick<PlanningData, 'bags'>,
): string {
  const bag = bags.find((b) => b.id === bagId && b.variety === grain)
  const main = inWords(varietyOf(grain))
  return [
    bag && bag.name !== main ? `${main} (${bag.name})` : main,
    ...others.map((o) => inWords(varietyOf(o.variety))),
  ].join(' with ')
}

export const PURPOSE_WORDS: Record<PlanState['purpose'], string> = {
  side: 'as a side',
  frying: 'for frying',
  salad: 'for a salad',
  dressed: 'with vinegar dressing',
  porridge: 'as porridge',
  'part-cooked': 'part-cooked',
  batch: 'to store',
}

export const LID_WORDS: Record<PlanState['lidUntilBoil'], string> = {
  on: 'lid on from the start',
  ajar: 'lid ajar until it boils',
  off: 'lid off until it boils',
}

export const STYLE_WORDS: Record<PlanState['heatStyle'], string> = {
  'boil-then-lowest': 'boil, then lowest heat',
  'strong-minute-then-low': 'boil hard 1 min, then lowest',
  'medium-then-full-then-off': 'medium, then full',
  'boil-then-off': 'boil, keep at medium',
}

/** How it is cooked, as the plan line says it. */
export const METHOD_WORDS = Object.fromEntries(METHOD_IDS.map((id) => [id, methodOf(id).words])) as Record<
  MethodId,
  string
>

export const releaseWords = ({
  releaseMinutes,
}: Pick<PlanState, 'releaseMinutes'>): Record<PlanState['release'], string> => ({
  natural: 'natural release',
  timed: `${releaseMinutes} min natural, then quick release`,
  quick: 'quick release',
})

export function soakWord(soak: PlanState['soak']): string {
  if (!soak) return 'none'
  const span = soak.minutes < 90 ? `${soak.minutes} min` : `${Math.round(soak.minutes / 6) / 10} h`
  return `${span}${soak.celsius < 10 ? ' in the fridge' : ''}`
}
