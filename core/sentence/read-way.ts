import { parseQuantity, type Quantity } from '#core/units/parse-quantity'
import { readSentence, type Sentence, type Vocabulary } from './read-sentence'
import { phrasesOf, readSteps, type ReadSteps } from './read-steps'

/** A way as it is stated in one text: what goes into the pot, and what is done. */
export interface ReadWay extends ReadSteps {
  /** Grain, amount and pot; without a grain where none was named. */
  sentence: Sentence
  /** The water, as stated; undefined where none was. */
  water?: Quantity
}

/**
 * Reads a way as a packet or a friend tells it: "1 cup long-grain rice, 2 cups water, boil, lid on, low 15 min,
 * off 10 min". Phrases may come in any order.
 * @param text at most a few hundred characters
 */
export function readWay(text: string, vocabulary: Vocabulary): ReadWay {
  let water: Quantity | undefined
  const sentence: Sentence = { grains: [], unread: [], notes: [] }
  const done: string[] = []
  /** "Cook" of "cook 1 cup rice in 2 cups water 20 min", until its minutes come. */
  let verb: string | undefined
  for (const phrase of phrasesOf(text).flatMap(splitAmounts)) {
    const boiled = /^(?:boil|bring|heat)\s+(.*\bwater)(?:\s+to\s+(?:a|the)\s+boil)?$/i.exec(phrase)
    const poured = waterIn(boiled?.[1] ?? phrase, vocabulary)
    if (poured && !water) {
      water = poured
      if (boiled) done.push('boil')
      continue
    }
    const named = withoutVerb(phrase)
    verb = named.verb ?? verb
    const read = readSentence(named.words, vocabulary)
    if (saysWhat(read, water)) {
      const {
        grains,
        notes,
        unread: _unread,
        water: inTheSame,
        minutes: _minutes,
        restMinutes: _rest,
        ...rest
      } = read
      Object.assign(sentence, rest)
      sentence.grains.push(...grains)
      sentence.notes.push(...notes)
      water ??= inTheSame
      done.push(...heatOf(read, /\b(simmer|boil)(?:ed|ing)?\s+(?:for\s+)?(?=\d)/i.exec(phrase)?.[1] ?? verb))
    } else done.push(phrase)
  }
  return { sentence, ...(water ? { water } : {}), ...readSteps(done.join(', ')) }
}

/** Whether a phrase says what goes into which pot, and not only what is done. */
const saysWhat = (
  { grains, vesselId, vesselKind, unread, water }: Sentence,
  waterBefore: Quantity | undefined,
): boolean =>
  grains.some((g) => g.quantity !== undefined) ||
  (water !== undefined && waterBefore === undefined) ||
  (unread.length === 0 && (grains.length > 0 || vesselId !== undefined || vesselKind !== undefined))

/** What was stated of the heat in the same breath. */
function heatOf({ unread, minutes, restMinutes }: Sentence, verb: string | undefined): string[] {
  const left = [...unread, ...(minutes === undefined ? [] : [verb ?? 'cook', `${minutes} min`])]
    .join(' ')
    .trim()
  return [...(left === '' ? [] : [left]), ...(restMinutes === undefined ? [] : [`rest ${restMinutes} min`])]
}

/** "Add 250 g rice", "cook 1 cup rice in 2 cups water": what is stated, and a verb that says its heat. */
function withoutVerb(phrase: string): { words: string; verb?: string } {
  const found =
    /^(add|put in|stir in|pour in|tip in|measure|cook|simmer|boil)\s+(?=\d|[½¼¾⅓⅔]|an?\b|half\b)/i.exec(
      phrase,
    )
  if (!found) return { words: phrase }
  const verb = found[1]!.toLowerCase()
  const words = phrase.slice(found[0].length)
  return /^(cook|simmer|boil)$/.test(verb) ? { words, verb } : { words }
}

/** "1 cup rice to 2 cups water", "300 g rice and 450 g water": the grain and its water. */
function splitAmounts(phrase: string): string[] {
  const found = /^(.*?\S)\s+(?:to|and|with|in|:)\s+((?:\d|[½¼¾⅓⅔]|an?\b|half\b).*\bwater\b.*)$/i.exec(phrase)
  return found ? [found[1]!, found[2]!] : [phrase]
}

/** "2 cups water", "450 ml of cold water", "water: 2 cups". */
function waterIn(phrase: string, { measures }: Vocabulary): Quantity | undefined {
  const words = phrase.toLowerCase().replace(/^(?:with|in|to|and|add|pour in|pour)\s+/, '')
  if (!/\bwater\b/.test(words)) return undefined
  const named = /^water\s*[:=]?\s*(.+)$/.exec(words)?.[1]
  const read = parseQuantity(named ?? words, measures)
  if (!read.ok || read.quantity.unit === 'portion' || read.quantity.unit === 'min') return undefined
  const left = read.rest.replace(/\b(of|cold|hot|warm|boiling|fresh|tap|kettle|water)\b/g, '').trim()
  return left === '' ? read.quantity : undefined
}
