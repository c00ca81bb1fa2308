import { parseQuantity, type Quantity } from '#core/units/parse-quantity'
import { readSentence, type Sentence, type Vocabulary } from './read-sentence'
import { phrasesOf, readSteps, type ReadSteps } from './read-steps'

/** A way as it is told in one text: what goes into the pot, and what is done. */
export interface ReadWay extends ReadSteps {
  /** Grain, amount and pot; without a grain where none was named. */
  sentence: Sentence
  /** The water, as told; undefined where none was. */
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
  for (const phrase of phrasesOf(text).flatMap(splitAmounts)) {
    const poured = waterIn(phrase, vocabulary)
    if (poured && !water) {
      water = poured
      continue
    }
    const read = readSentence(phrase, vocabulary)
    const names = read.grains.length > 0 || read.vesselId !== undefined || read.vesselKind !== undefined
    if (names && read.unread.length === 0) {
      const { grains, notes, unread: _unread, ...rest } = read
      Object.assign(sentence, rest)
      sentence.grains.push(...grains)
      sentence.notes.push(...notes)
    } else done.push(phrase)
  }
  return { sentence, ...(water ? { water } : {}), ...readSteps(done.join(', ')) }
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
