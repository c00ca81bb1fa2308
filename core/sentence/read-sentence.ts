import { countFrom } from '#core/eaters/count-words'
import type { VarietyId } from '#core/grain/varieties'
import type { Purpose } from '#core/methods/definition'
import type { MethodId } from '#core/methods/index'
import { parseQuantity, type Quantity } from '#core/units/parse-quantity'
import { GRAIN_NAMES, NOT_PLANNED } from './everyday-names'

/** The kitchen's own names, which go before everybody's. */
export interface Vocabulary {
  vessels: readonly { id: string; name: string }[]
  /** Measures of the cook's own: "mug", "blue bowl". */
  measures: readonly string[]
  /** Grain bags by their names. */
  bags: readonly { id: string; name: string; variety: VarietyId }[]
}

/** A kind of vessel that was named without one of the kitchen's own names. */
export type NamedKind = 'cooker' | 'pressure' | 'basket' | 'oven-dish' | 'pot'

/** What a sentence says of a pot; what it does not say is left out. */
export interface Sentence {
  grains: { variety: VarietyId; bagId?: string; quantity?: Quantity }[]
  /** An amount of a grain that was not named. */
  amount?: Quantity
  servings?: number
  vesselId?: string
  vesselKind?: NamedKind
  method?: MethodId
  purpose?: Purpose
  /** 0 firm … 1 soft. */
  texture?: number
  /** Serving time, "19:00". */
  at?: string
  /** Null: not soaked. */
  soakMinutes?: number | null
  washes?: number
  /** Rice, rinsed or not, was said without a number. */
  rinse?: boolean
  /** What was said that this cannot read, word by word. */
  unread: string[]
  /** What is known and not planned: "minute rice is precooked: follow its package". */
  notes: string[]
}

const KIND_NAMES: Readonly<Record<string, NamedKind>> = {
  'rice cooker': 'cooker',
  'pressure cooker': 'pressure',
  'electric pressure cooker': 'pressure',
  'multi cooker': 'pressure',
  multicooker: 'pressure',
  steamer: 'basket',
  'steamer basket': 'basket',
  oven: 'oven-dish',
  pot: 'pot',
  saucepan: 'pot',
  pan: 'pot',
}

const METHOD_NAMES: Readonly<Record<string, MethodId>> = {
  absorption: 'covered-simmer',
  'by absorption': 'covered-simmer',
  'absorption method': 'covered-simmer',
  steamed: 'steam',
  steam: 'steam',
  'boiled like pasta': 'boil-and-drain',
  'boil and drain': 'boil-and-drain',
  'boiled and drained': 'boil-and-drain',
  'like pasta': 'boil-and-drain',
  drained: 'boil-and-drain',
  baked: 'oven',
  'oven baked': 'oven',
  porridge: 'porridge',
  congee: 'porridge',
  uncovered: 'uncovered',
}

const PURPOSE_NAMES: Readonly<Record<string, Purpose>> = {
  'for sushi': 'dressed',
  'for fried rice': 'frying',
  'to fry': 'frying',
  'for frying': 'frying',
  'for salad': 'salad',
  'for a salad': 'salad',
  'for the week': 'batch',
  'for meal prep': 'batch',
}

const TEXTURE_NAMES: Readonly<Record<string, number>> = {
  firm: 0,
  'al dente': 0,
  'a bit firm': 0.25,
  'a little firm': 0.25,
  standard: 0.5,
  normal: 0.5,
  soft: 1,
  softer: 0.75,
  'a bit soft': 0.75,
  'a little soft': 0.75,
  'very soft': 1,
}

const FILLERS = new Set([
  'and',
  'with',
  'plus',
  'in',
  'using',
  'the',
  'my',
  'our',
  'a',
  'an',
  'of',
  'on',
  'by',
  'please',
  'cook',
  'make',
  'plan',
  'dry',
  'uncooked',
  'some',
  'i',
  'want',
  'tonight',
  'today',
])

const clean = (text: string): string =>
  text
    .toLowerCase()
    .replace(/[-,;.!]+(?=\s|$)/g, ' , ')
    .trim()
const plainName = (name: string): string =>
  name.toLowerCase().replace(/[-,]/g, ' ').replace(/\s+/g, ' ').trim()

/**
 * Reads a sentence that orders a pot: "2 cups basmati and half a cup of quinoa for six, rice cooker, at 7".
 * Nothing is guessed in silence: what cannot be read is in `unread`.
 * @param vocabulary the kitchen's own names
 */
export function readSentence(text: string, vocabulary: Vocabulary): Sentence {
  const sentence: Sentence = { grains: [], unread: [], notes: [] }
  let rest = clean(text)
  while (rest !== '') {
    const next = READERS.reduce<string | undefined>(
      (found, reader) => found ?? reader(rest, sentence, vocabulary),
      undefined,
    )
    if (next !== undefined) {
      rest = next.trimStart()
      continue
    }
    const [word = ''] = rest.split(/\s+/, 1)
    if (word !== ',' && !FILLERS.has(word)) sentence.unread.push(word)
    rest = rest.slice(word.length).trimStart()
  }
  return sentence
}

/** Takes what it understands from the front.  @returns what is left, undefined where it understood nothing */
type Reader = (rest: string, sentence: Sentence, vocabulary: Vocabulary) => string | undefined

/** The longest of the names that a text begins with, hyphens as spaces. */
function nameAt<T>(
  rest: string,
  names: Iterable<readonly [string, T]>,
): { value: T; left: string } | undefined {
  let best: { value: T; left: string; length: number } | undefined
  for (const [name, value] of names) {
    if (best && name.length <= best.length) continue
    const pattern = new RegExp(
      `^${name.replace(/[.*+?^${}()|[\]\\]/g, '\\$&').replace(/ /g, '[\\s-]+')}(?=[\\s,]|$)`,
    )
    const found = pattern.exec(rest)
    if (found) best = { value, left: rest.slice(found[0].length), length: name.length }
  }
  return best
}

const inKitchen = (rest: string): string =>
  rest.replace(/^(?:(?:in|with|using|on)\s+)?(?:(?:the|my|our|a)\s+)?/, '')

const readPurpose: Reader = (rest, sentence) => {
  const found = nameAt(rest, Object.entries(PURPOSE_NAMES))
  if (!found) return undefined
  sentence.purpose = found.value
  return found.left
}

/** "for six", "for 4 people", "4 portions". */
const readServings: Reader = (rest, sentence) => {
  const word =
    /^for\s+([\p{L}\d.,½¼¾]+)(?:\s+(?:people|persons|portions|servings|of us|guests))?(?=[\s,]|$)/u.exec(rest)
  if (word) {
    const count = countFrom(word[1]!) ?? countOf(word[1]!)
    if (count !== undefined) {
      sentence.servings = count
      return rest.slice(word[0].length)
    }
  }
  const read = parseQuantity(rest)
  if (!read.ok || read.quantity.unit !== 'portion') return undefined
  sentence.servings = read.quantity.value
  return read.rest
}

function countOf(text: string): number | undefined {
  const read = parseQuantity(text)
  return read.ok && read.quantity.unit === undefined && read.rest === '' ? read.quantity.value : undefined
}

/** "at 7", "at 19:30", "by 6:45 pm"; an hour from 1 to 11 without am or pm is in the evening. */
const readHour: Reader = (rest, sentence) => {
  const found =
    /^(?:at|by|for|ready\s+(?:at|by))\s+(\d{1,2})(?:[:.](\d{2}))?\s*(am|pm|a\.m\.|p\.m\.|o'?clock|h)?(?=[\s,]|$)/.exec(
      rest,
    )
  const noon = /^(?:at|by|for)\s+(noon|midday)(?=[\s,]|$)/.exec(rest)
  if (noon) {
    sentence.at = '12:00'
    return rest.slice(noon[0].length)
  }
  if (!found) return undefined
  const [all, hours, minutes = '00', half] = found
  const asksForCount = /^for\s/.test(all) && minutes === '00' && half === undefined
  if (asksForCount) return undefined
  let hour = Number(hours)
  if (hour > 24 || Number(minutes) > 59) return undefined
  if (half?.startsWith('p') && hour < 12) hour += 12
  else if (half?.startsWith('a') && hour === 12) hour = 0
  else if (half === undefined && hour >= 1 && hour <= 11) hour += 12
  sentence.at = `${String(hour % 24).padStart(2, '0')}:${minutes}`
  return rest.slice(all.length)
}

const readVessel: Reader = (rest, sentence, { vessels }) => {
  const named = inKitchen(rest)
  const own = nameAt(
    named,
    vessels.flatMap(({ id, name }) => {
      const plain = plainName(name).replace(/^(the|my|her|his|our) /, '')
      return [[plainName(name), id] as const, [plain, id] as const]
    }),
  )
  if (own) {
    sentence.vesselId = own.value
    return own.left
  }
  const kind = nameAt(named, Object.entries(KIND_NAMES))
  if (!kind) return undefined
  // "2 rice cooker cups" counts cups.
  if (/^\s+cups?\b/.test(kind.left)) return undefined
  sentence.vesselKind = kind.value
  return kind.left
}

const readMethod: Reader = (rest, sentence) => {
  const found = nameAt(rest, Object.entries(METHOD_NAMES))
  if (!found) return undefined
  sentence.method = found.value
  return found.left
}

const readTexture: Reader = (rest, sentence) => {
  const found = nameAt(rest, Object.entries(TEXTURE_NAMES))
  if (!found) return undefined
  sentence.texture = found.value
  return found.left
}

/** "soaked 30 min", "not soaked", "unrinsed", "rinsed 3 times". */
const readBefore: Reader = (rest, sentence) => {
  const not =
    /^(?:(?:not|no|without|un)[\s-]*)(soak(?:ed|ing)?|rins(?:ed|ing|e)|wash(?:ed|ing)?)(?=[\s,]|$)/.exec(rest)
  if (not) {
    if (not[1]!.startsWith('soak')) sentence.soakMinutes = null
    else sentence.washes = 0
    return rest.slice(not[0].length)
  }
  const soaked = /^(?:soak(?:ed)?)\s+(?:for\s+|over\s*)?/.exec(rest)
  if (soaked) {
    const after = rest.slice(soaked[0].length)
    const night = /^night(?=[\s,]|$)/.exec(after)
    if (night) {
      sentence.soakMinutes = 480
      return after.slice(night[0].length)
    }
    const read = parseQuantity(after)
    if (read.ok && read.quantity.unit === 'min') {
      sentence.soakMinutes = Math.round(read.quantity.value)
      return read.rest
    }
  }
  const times = /^(?:rinsed?|washed?)\s+(?:(\d+)\s+times|(once|twice))(?=[\s,]|$)/.exec(rest)
  if (times) {
    sentence.washes = times[1] ? Number(times[1]) : times[2] === 'once' ? 1 : 2
    return rest.slice(times[0].length)
  }
  const rinsed = /^(?:rinsed|washed)(?=[\s,]|$)/.exec(rest)
  if (!rinsed) return undefined
  sentence.rinse = true
  return rest.slice(rinsed[0].length)
}

const readNote: Reader = (rest, sentence) => {
  const found = nameAt(
    rest,
    Object.entries(NOT_PLANNED).map(([name, why]) => [name, `${name} ${why}`] as const),
  )
  if (!found) return undefined
  sentence.notes.push(found.value)
  return found.left
}

/** "2 cups basmati", "half a cup of quinoa", "300 g", "basmati". */
const readGrain: Reader = (rest, sentence, { measures, bags }) => {
  const amount = parseQuantity(rest, measures)
  if (!amount.ok && amount.why === 'range') {
    const range = rest.split(/\s+/, 3)
    sentence.unread.push(range.slice(0, 2).join(' '))
    return rest.slice(range.slice(0, 2).join(' ').length)
  }
  const from = amount.ok ? amount.rest.replace(/^(?:of|dry|uncooked)\s+/, '') : rest
  const quantity = amount.ok ? { quantity: amount.quantity } : {}
  const bag = nameAt(
    from,
    bags.map((b) => [plainName(b.name), b] as const),
  )
  const variety = nameAt(from, GRAIN_NAMES)
  if (bag && (!variety || bag.left.length <= variety.left.length)) {
    sentence.grains.push({ variety: bag.value.variety, bagId: bag.value.id, ...quantity })
    return bag.left
  }
  if (variety) {
    sentence.grains.push({ variety: variety.value, ...quantity })
    return variety.left
  }
  if (!amount.ok || amount.quantity.unit === undefined) return undefined
  // An amount without a grain: of the one that was named, or of the one that is planned.
  const last = sentence.grains.at(-1)
  if (last && !last.quantity) last.quantity = amount.quantity
  else if (!last) sentence.amount = amount.quantity
  else return undefined
  return amount.rest
}

const READERS: readonly Reader[] = [
  readPurpose,
  readNote,
  readHour,
  readServings,
  readBefore,
  readVessel,
  readMethod,
  readTexture,
  readGrain,
]
