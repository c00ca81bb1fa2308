import { hasBasket } from '#core/vessel/vessel'
import { varietyOf } from '#core/grain/varieties'
import { measureOf } from '#core/units/measures'
import { readSentence, type NamedKind, type Sentence } from '#core/sentence/read-sentence'
import { measureChoices } from './household-measures'
import { toSearch } from './plan-address'
import { firstPlan, MAX_OTHERS, type PlanningData, type PlanState } from './plan-state'
import { amountWord, grainWord, PURPOSE_WORDS } from './plan-words'
import { amountOf } from './read-dry-amount'

/** A sentence as a plan: what it says, what of it was not understood, and the address that plans it. */
export interface Order {
  label: string
  more: string
  search: string
  state: PlanState
  unread: readonly string[]
}

/**
 * Reads a sentence that orders a pot. What it does not say is as in the first plan of this kitchen.
 * @returns undefined where it names no grain, or nothing but a grain
 */
export function orderFrom(text: string, household: PlanningData): Order | undefined {
  const sentence = readSentence(text, {
    vessels: household.vessels,
    measures: household.measures.map((m) => m.name),
    bags: household.bags,
  })
  if (sentence.grains.length === 0 || !saysMore(sentence)) return undefined
  const first = firstPlan(household)
  const state = stateOf(sentence, first, household)
  const not = [...sentence.unread.map((word) => `“${word}”`)]
  return {
    state,
    unread: sentence.unread,
    label: `Plan ${words(state, household)}`,
    more: [
      ...(not.length > 0 ? [`not understood: ${not.join(', ')}`] : []),
      ...sentence.notes,
      ...(sentence.servings !== undefined && state.amount.basis !== 'servings'
        ? [`the amounts count, not “for ${sentence.servings}”`]
        : []),
      ...(not.length === 0 && sentence.notes.length === 0 ? ['as read from your words'] : []),
    ].join('; '),
    search: toSearch(state, first).toString(),
  }
}

const saysMore = ({ grains, notes, ...rest }: Sentence): boolean =>
  grains.length > 1 ||
  grains.some((g) => g.quantity !== undefined) ||
  notes.length > 0 ||
  Object.entries(rest).some(([key, value]) => key !== 'unread' && value !== undefined)

function words(state: PlanState, household: PlanningData): string {
  const vessel = household.vessels.find((v) => v.id === state.vesselId)
  return [
    `${grainWord(state, household)}, ${amountWord(state, household).replace(/^For/, 'for')}`,
    ...(state.purpose === 'side' ? [] : [PURPOSE_WORDS[state.purpose]]),
    ...(vessel ? [vessel.name] : []),
    ...(state.texture === null
      ? []
      : [state.texture < 0.4 ? 'firm' : state.texture > 0.6 ? 'soft' : 'standard']),
    ...(state.at === null ? [] : [`at ${state.at}`]),
  ].join(', ')
}

/** A sentence as a plan; what it does not say is as in `first`. */
export function stateOf(sentence: Sentence, first: PlanState, household: PlanningData): PlanState {
  const [main, ...others] = sentence.grains
  const { variety } = main!
  return {
    ...first,
    grain: variety,
    bagId: main!.bagId ?? null,
    ...amountsOf(sentence, first, household),
    others: others.slice(0, MAX_OTHERS).map((g) => ({
      variety: g.variety,
      share: shareOf(sentence, g, household),
    })),
    vesselId: sentence.vesselId ?? vesselOfKind(sentence.vesselKind, household) ?? first.vesselId,
    ...(sentence.method === undefined ? {} : { method: sentence.method }),
    ...(sentence.purpose === undefined ? {} : { purpose: sentence.purpose }),
    ...(sentence.texture === undefined ? {} : { texture: sentence.texture }),
    ...(sentence.at === undefined ? {} : { at: sentence.at }),
    ...(sentence.washes === undefined ? {} : { washes: sentence.washes }),
    ...(typeof sentence.soakMinutes === 'number'
      ? {
          soak: {
            minutes: sentence.soakMinutes,
            celsius: sentence.soakMinutes > LONG_SOAK_MIN ? FRIDGE_SOAK_C : household.kitchen_c,
            water: 'drain' as const,
          },
        }
      : {}),
  }
}

/** A soak longer than this is planned in the fridge, minutes. */
const LONG_SOAK_MIN = 240
const FRIDGE_SOAK_C = 5

const massOf = (grain: Sentence['grains'][number], household: PlanningData): number | undefined => {
  const amount = grain.quantity && amountOf(grain.quantity, 'cup', household)
  if (!amount || amount.basis === 'servings') return undefined
  if (!('measure' in amount)) return amount.value
  const choices = measureChoices(household)
  const { ml } = measureOf((choices.find((c) => c.id === amount.measure) ?? choices[0]!).measure)
  return amount.value * ml * varietyOf(grain.variety).bulkDensity
}

/** A member's mass against 1 of the first; alike where no amounts were told. */
function shareOf({ grains }: Sentence, grain: Sentence['grains'][number], household: PlanningData): number {
  const [first, own] = [massOf(grains[0]!, household), massOf(grain, household)]
  const share = first && own ? own / first : 1
  return Math.min(20, Math.max(0.05, Math.round(share * 1000) / 1000))
}

/** The whole amount: told for the whole, or as the sum of its members. */
function amountsOf(
  { grains, amount, servings }: Sentence,
  first: PlanState,
  household: PlanningData,
): Pick<PlanState, 'amount'> {
  const told = grains.map((g) => g.quantity && amountOf(g.quantity, 'cup', household))
  const [main] = told
  if (grains.length > 1 && main && told.every((a) => a !== undefined && a.basis !== 'servings')) {
    const sameMeasure =
      'measure' in main && told.every((a) => a && 'measure' in a && a.measure === main.measure)
    if (sameMeasure) return { amount: { ...main, value: told.reduce((sum, a) => sum + a!.value, 0) } }
    const grams = grains.reduce((sum, g) => sum + (massOf(g, household) ?? 0), 0)
    return { amount: { basis: 'dry-mass', value: Math.round(grams * 10) / 10 } }
  }
  const whole = main ?? (amount && amountOf(amount, 'cup', household))
  if (whole) return { amount: whole }
  return { amount: servings === undefined ? first.amount : { basis: 'servings', value: servings } }
}

function vesselOfKind(kind: NamedKind | undefined, { vessels }: PlanningData): string | undefined {
  if (kind === undefined) return undefined
  return vessels.find((v) => {
    switch (kind) {
      case 'pressure':
        return v.kind.startsWith('pressure')
      case 'basket':
        return hasBasket(v)
      case 'pot':
        return v.kind === 'pot' && !hasBasket(v)
      default:
        return v.kind === kind
    }
  })?.id
}
