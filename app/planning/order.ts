import { NIGHT_SOAK_MINUTES } from '#core/constants'
import { hasBasket } from '#core/vessel/vessel'
import { inWords, varietyOf } from '#core/grain/varieties'
import { measureOf } from '#core/units/measures'
import { readSentence, type NamedKind, type Sentence } from '#core/sentence/read-sentence'
import { LIMITS } from '#core/contract/plan-request'
import { readAddIn } from '#core/seasoning/read-add-in'
import { amountWords, liquidAmount } from '#core/plan/stage-amounts'
import { addInPlanned, saltEntered, saltPlanned, waterGrams } from './entered-amounts'
import { minutesTillMorning } from '../ui/time/clock-hour'
import { measureChoices, volumeOf } from './household-measures'
import { toSearch } from './plan-address'
import { firstPlan, MAX_OTHERS, requestOf, speakingOf, type PlanningData, type PlanState } from './plan-state'
import { amountWord, grainWord, PURPOSE_WORDS } from './plan-words'
import { amountOf } from './read-dry-amount'
import { rememberedPlan } from './remembered-plan'

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
export function orderFrom(text: string, household: PlanningData, nowMs = Date.now()): Order | undefined {
  const said = readSentence(text, {
    vessels: household.vessels,
    measures: household.measures.map((m) => m.name),
    bags: household.bags,
  })
  // By day a night is taken as eight hours.
  const sentence: Sentence = {
    ...said,
    grains: said.grains.slice(0, MAX_OTHERS + 1),
    ...(said.soakTillMorning
      ? { soakMinutes: minutesTillMorning(nowMs, household.zone) ?? NIGHT_SOAK_MINUTES }
      : {}),
  }
  if (sentence.grains.length === 0 || !saysMore(sentence)) return undefined
  const first = firstPlan(household)
  const planned = stateOf(sentence, first, household)
  const { state, left } = withSeasoning(planned, sentence, household)
  const not = [
    ...sentence.unread,
    ...said.grains.slice(MAX_OTHERS + 1).map((g) => inWords(varietyOf(g.variety))),
    ...otherVessel(sentence, state, household),
    ...ownOf(sentence, household).left,
    ...left,
    ...unsettable(sentence, state, household),
  ].map((word) => `“${word}”`)
  return {
    state,
    unread: sentence.unread,
    label: `Plan ${words(state, household)}`,
    more: [
      ...(not.length > 0 ? [`not understood: ${not.join(', ')}`] : []),
      ...sentence.notes,
      ...(sentence.servings !== undefined && !sentence.perPerson && state.amount.basis !== 'servings'
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
    ...(state.poured === null ? [] : [waterWords(state.poured, state, household)]),
    ...(state.minutes === null ? [] : [`${state.minutes} min`]),
    ...(state.rest === null ? [] : [`rest ${state.rest} min`]),
    ...(state.addIns.length === 0 ? [] : [`with ${state.addIns.map((a) => a.name).join(', ')}`]),
    ...(state.at === null ? [] : [`at ${state.at}`]),
  ].join(', ')
}

/** Water in the measure of the batch. */
function waterWords(grams: number, state: PlanState, household: PlanningData): string {
  const speaking = speakingOf(state, household)
  return amountWords(liquidAmount('water', grams, speaking), speaking)
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
    others: others.map((g) => ({
      variety: g.variety,
      share: shareOf(sentence, g, household),
    })),
    vesselId: sentence.vesselId ?? vesselOfKind(sentence.vesselKind, household) ?? first.vesselId,
    ...(sentence.method === undefined ? {} : { method: sentence.method }),
    ...(sentence.purpose === undefined ? {} : { purpose: sentence.purpose }),
    ...(sentence.texture === undefined ? {} : { texture: sentence.texture }),
    ...(sentence.at === undefined ? {} : { at: sentence.at }),
    ...(sentence.washes === undefined ? {} : { washes: sentence.washes }),
    ...ownOf(sentence, household).taken,
    ...(sentence.pressure === undefined ? {} : { pressure: sentence.pressure }),
    ...(sentence.release === undefined ? {} : { release: sentence.release }),
    ...(sentence.releaseMinutes === undefined ? {} : { releaseMinutes: sentence.releaseMinutes }),
    ...(sentence.salt === null ? { salt: 0 } : {}),
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

/** A figure that was said, where a plan takes it. */
const within = (n: number | undefined, [least, most]: readonly [number, number]): n is number =>
  n !== undefined && n >= least && n <= most

/** Water and minutes of the cook's own; beyond what a plan takes they are not understood. */
function ownOf({ water, minutes, restMinutes }: Sentence, household: PlanningData) {
  const grams = water && waterGrams(water, household)
  const taken: Partial<PlanState> = {
    ...(within(grams, LIMITS.pour_override_g) ? { poured: grams } : {}),
    ...(within(minutes, LIMITS.own_minutes) ? { minutes } : {}),
    ...(within(restMinutes, LIMITS.rest_minutes) ? { rest: restMinutes } : {}),
  }
  const left = [
    ...(water && taken.poured === undefined ? ['water'] : []),
    ...(minutes !== undefined && taken.minutes === undefined ? [`${minutes} min`] : []),
    ...(restMinutes !== undefined && taken.rest === undefined ? [`rest ${restMinutes} min`] : []),
  ]
  return { taken, left }
}

/** What only a pressure cooker is set to, said of another pot. Low heat is how the others are planned. */
function unsettable({ pressure, release }: Sentence, state: PlanState, { vessels }: PlanningData): string[] {
  const kind = vessels.find((v) => v.id === state.vesselId)?.kind ?? ''
  if (kind.startsWith('pressure')) return []
  return [...(pressure === 'high' ? ['high'] : []), ...(release ? [`${release} release`] : [])]
}

/** A plan with the salt and the things cooked along that were said for the batch; what a plan does not take is left. */
function withSeasoning(
  state: PlanState,
  { salt, addIns = [] }: Sentence,
  household: PlanningData,
): { state: PlanState; left: string[] } {
  if (!salt && addIns.length === 0) return { state, left: [] }
  const read = rememberedPlan(requestOf({ ...state, at: null }, household, 0))
  if (!read.ok) return { state, left: addIns }
  const left: string[] = []
  const own = household.measures.map((m) => m.name)
  const along = addIns.flatMap((text) => {
    const parsed = readAddIn(text, own, (quantity) => volumeOf(quantity, household))
    const planned = parsed.ok ? addInPlanned(parsed.addIn, read.value.grain.mass_g) : undefined
    if (planned && planned.grams <= LIMITS.add_in_g[1]) return [planned]
    left.push(text)
    return []
  })
  const grams = salt ? saltEntered(salt, household) : undefined
  const percent = grams === undefined ? undefined : saltPlanned(grams, read.value)
  const salted = percent !== undefined && percent <= LIMITS.salt_percent[1]
  if (salt && !salted) left.push('salt')
  return { state: { ...state, addIns: along, ...(salted ? { salt: percent } : {}) }, left }
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

/** A member's mass against 1 of the first; alike where no amounts were stated. */
function shareOf({ grains }: Sentence, grain: Sentence['grains'][number], household: PlanningData): number {
  const [first, own] = [massOf(grains[0]!, household), massOf(grain, household)]
  const share = first && own ? own / first : 1
  return Math.min(20, Math.max(0.05, Math.round(share * 1000) / 1000))
}

/** The whole amount: stated for the whole, or as the sum of its members. */
function amountsOf(
  { grains, amount, servings }: Sentence,
  first: PlanState,
  household: PlanningData,
): Pick<PlanState, 'amount'> {
  const amounts = grains.map((g) => g.quantity && amountOf(g.quantity, 'cup', household))
  const [main] = amounts
  if (grains.length > 1 && main && amounts.every((a) => a !== undefined && a.basis !== 'servings')) {
    const sameMeasure =
      'measure' in main && amounts.every((a) => a && 'measure' in a && a.measure === main.measure)
    if (sameMeasure) return { amount: { ...main, value: amounts.reduce((sum, a) => sum + a!.value, 0) } }
    const grams = grains.reduce((sum, g) => sum + (massOf(g, household) ?? 0), 0)
    return { amount: { basis: 'dry-mass', value: Math.round(grams * 10) / 10 } }
  }
  const whole = main ?? (amount && amountOf(amount, 'cup', household))
  if (whole) return { amount: whole }
  return { amount: servings === undefined ? first.amount : { basis: 'servings', value: servings } }
}

function isOfKind(vessel: PlanningData['vessels'][number], kind: NamedKind): boolean {
  switch (kind) {
    case 'pressure':
      return vessel.kind.startsWith('pressure')
    case 'basket':
      return hasBasket(vessel)
    case 'pot':
      return vessel.kind === 'pot' && !hasBasket(vessel)
    default:
      return vessel.kind === kind
  }
}

const vesselOfKind = (kind: NamedKind | undefined, { vessels }: PlanningData): string | undefined =>
  kind && vessels.find((v) => isOfKind(v, kind))?.id

const KIND_WORDS: Readonly<Record<Exclude<NamedKind, 'pot'>, string>> = {
  cooker: 'rice cooker',
  pressure: 'pressure cooker',
  basket: 'steamer',
  'oven-dish': 'oven',
}

/** A kind of vessel that was said and is not the one planned: the kitchen has none, or another was named. */
function otherVessel({ vesselKind }: Sentence, state: PlanState, { vessels }: PlanningData): string[] {
  if (vesselKind === undefined || vesselKind === 'pot') return []
  const planned = vessels.find((v) => v.id === state.vesselId)
  return planned && isOfKind(planned, vesselKind) ? [] : [KIND_WORDS[vesselKind]]
}
