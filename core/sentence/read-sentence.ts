import { NIGHT_SOAK_MINUTES } from '#core/constants'
import { countFrom } from '#core/eaters/count-words'
import type { VarietyId } from '#core/grain/varieties'
import type { Purpose } from '#core/methods/definition'
import type { MethodId } from '#core/methods/index'
import { parseQuantity, type Quantity, type QuantityUnit } from '#core/units/parse-quantity'
import { KNOWN_ADD_INS } from '#core/seasoning/known-add-ins'
import { withoutStops } from './abbreviations'
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
  /** The amounts were said for each of them, and are given here for all. */
  perPerson?: boolean
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
  /** Soaked till the morning. */
  soakTillMorning?: boolean
  washes?: number
  /** Water of the cook's own. */
  water?: Quantity
  /** Minutes on the heat, or of a programme, and at rest. */
  minutes?: number
  restMinutes?: number
  pressure?: 'low' | 'high'
  release?: 'natural' | 'timed' | 'quick'
  releaseMinutes?: number
  /** Null: none. */
  salt?: Quantity | null
  /** Things cooked along, as they were said: "80 g peas". */
  addIns?: string[]
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
  pressure: 'pressure',
  'pressure cooked': 'pressure',
  'pressure cook': 'pressure',
  'under pressure': 'pressure',
}

const METHOD_NAMES: Readonly<Record<string, MethodId>> = {
  absorption: 'covered-simmer',
  'by absorption': 'covered-simmer',
  'absorption method': 'covered-simmer',
  steamed: 'steam',
  steam: 'steam',
  'over steam': 'steam',
  'over a pot': 'steam',
  'over water': 'steam',
  'steamed over a pot': 'steam',
  'steamed over water': 'steam',
  'steamed over a pot of water': 'steam',
  'boiled like pasta': 'boil-and-drain',
  'boil and drain': 'boil-and-drain',
  'boiled and drained': 'boil-and-drain',
  'like pasta': 'boil-and-drain',
  'in plenty of water': 'boil-and-drain',
  'plenty of water': 'boil-and-drain',
  'in lots of water': 'boil-and-drain',
  'lots of water': 'boil-and-drain',
  drained: 'boil-and-drain',
  baked: 'oven',
  'oven baked': 'oven',
  porridge: 'porridge',
  congee: 'porridge',
  uncovered: 'uncovered',
}

const PURPOSE_NAMES: Readonly<Record<string, Purpose>> = {
  'for sushi': 'dressed',
  'seasoned for sushi': 'dressed',
  dressed: 'dressed',
  'with dressing': 'dressed',
  'for fried rice': 'frying',
  'to fry': 'frying',
  'for frying': 'frying',
  'for salad': 'salad',
  'for a salad': 'salad',
  'for the week': 'batch',
  'for meal prep': 'batch',
  salad: 'salad',
  'as a salad': 'salad',
  'for tabbouleh': 'salad',
  'for tabouli': 'salad',
  'for a rice salad': 'salad',
  'fried rice': 'frying',
  'for freezing': 'batch',
}

/** Dishes that say their grain, and what it is cooked for. */
const DISHES: Readonly<Record<string, Purpose>> = { sushi: 'dressed', tabbouleh: 'salad', tabouli: 'salad' }

const TEXTURE_NAMES: Readonly<Record<string, number>> = {
  firm: 0,
  'very firm': 0,
  'extra firm': 0,
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
  'extra soft': 1,
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
  'each',
  'it',
  'then',
  'to',
  'usual',
  'now',
  'together',
  'mixed',
  'for',
  'need',
  'me',
  'enough',
  'breakfast',
  'lunch',
  'dinner',
  'supper',
])

/** Units that count no grain: for people, lengths and times. */
const NO_GRAIN: ReadonlySet<QuantityUnit> = new Set(['portion', 'min', 'm', 'mm'])

/** "at 7 in the morning": at 7 am. */
const withAmPm = (_all: string, hour: string, part: string): string =>
  `${hour} ${part === 'morning' ? 'am' : 'pm'}`

const clean = (text: string): string =>
  withoutStops(text.toLowerCase())
    .replace(/\b((?:at|by)\s+\d{1,2}(?:[:.]\d{2})?)\s+in\s+the\s+(morning|afternoon|evening)\b/g, withAmPm)
    .replace(/\bbring(?:\s+it)?\s+to\s+(?:a|the)\s+boil\b/g, ',')
    .replace(/[-,;.!]+(?=\s|$)|(?<!water):(?=\s|$)/g, ' , ')
    .trim()
const plainName = (name: string): string =>
  name.toLowerCase().replace(/[-,]/g, ' ').replace(/\s+/g, ' ').trim()

/**
 * Reads a sentence that orders a pot: "2 cups basmati and half a cup of quinoa for six, rice cooker, at 7".
 * Nothing is guessed in silence: what cannot be read is in `unread`.
 * @param vocabulary the kitchen's own names
 */
export function readSentence(text: string, kitchen: Vocabulary): Sentence {
  const sentence: Sentence = { grains: [], unread: [], notes: [] }
  const short = shortNames(kitchen.measures)
  const vocabulary = { ...kitchen, measures: [...kitchen.measures, ...short.keys()] }
  let rest = clean(text)
  // Breakfast is in the morning, where nothing else was said.
  if (/\bbreakfast\b/.test(rest))
    rest = rest.replace(/\b((?:at|by)\s+\d{1,2}(?:[:.]\d{2})?)(?!\s*(?:[ap]\.?m|[\d:.]))/g, '$1 am')
  while (rest !== '') {
    const person = PER_PERSON.exec(rest)
    if (person && (sentence.grains.some((g) => g.quantity) || sentence.amount)) {
      sentence.perPerson = true
      rest = rest.slice(person[0].length).trimStart()
      continue
    }
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
  if (sentence.perPerson) timesPeople(sentence)
  for (const quantity of [
    ...sentence.grains.map((g) => g.quantity),
    sentence.amount,
    sentence.water,
    sentence.salt,
  ])
    if (quantity?.own !== undefined) quantity.own = short.get(quantity.own) ?? quantity.own
  return sentence
}

/** After an amount: so much for everyone who eats. */
const PER_PERSON = /^(?:each|per\s+(?:person|head|portion|serving)|a\s+(?:head|person)|pp)(?=[\s,]|$)/

/** "80 g each for four" is 320 g; without the people it is not understood. */
function timesPeople(sentence: Sentence): void {
  const { servings } = sentence
  if (servings === undefined) {
    sentence.unread.push('each')
    return
  }
  for (const quantity of [...sentence.grains.map((g) => g.quantity), sentence.amount])
    if (quantity) quantity.value *= servings
}

/** "bowl" for "blue bowl", where no other measure of this kitchen is called so. */
function shortNames(measures: readonly string[]): Map<string, string> {
  const lastWord = (name: string) => name.toLowerCase().split(/\s+/).at(-1)!
  return new Map(
    measures
      .filter(
        (name) => /\s/.test(name) && measures.filter((m) => lastWord(m) === lastWord(name)).length === 1,
      )
      .map((name) => [lastWord(name), name]),
  )
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

/** Which meal it is for changes nothing: "for lunch", "for dinner". */
const readMealName: Reader = (rest) => {
  const found = /^for\s+(?:lunch|dinner|supper|breakfast|tea|tonight|today)(?=[\s,]|$)/.exec(rest)
  return found ? rest.slice(found[0].length) : undefined
}

/** "for six", "for the three of us", "for 4 people", "4 portions"; "for 2 cups jasmine" is an amount. */
const readServings: Reader = (rest, sentence, { measures }) => {
  const us = /^for\s+(?:the\s+)?([\p{L}\d]+)\s+of\s+us(?=[\s,]|$)/u.exec(rest)
  const ours = us && countFrom(us[1]!)
  if (us && ours) {
    sentence.servings = ours
    return rest.slice(us[0].length)
  }
  const group =
    /^for\s+(?:an?|the|our|my)\s+(?:party|family|table|group|dinner|lunch|household)\s+of\s+([\p{L}\d]+)(?=[\s,]|$)/u.exec(
      rest,
    )
  const grouped = group && countFrom(group[1]!)
  if (group && grouped) {
    sentence.servings = grouped
    return rest.slice(group[0].length)
  }
  const amount = /^for\s/.test(rest) ? parseQuantity(rest.slice(4), measures) : undefined
  if (amount?.ok && amount.quantity.unit !== undefined && !NO_GRAIN.has(amount.quantity.unit))
    return rest.slice(4)
  const word =
    /^for\s+([\p{L}\d.,½¼¾]+)(?:\s+(?:people|persons?|portions?|servings?|of us|guests))?(?=[\s,]|$)/u.exec(
      rest,
    )
  // "for a picnic" says nothing of how many.
  if (word && !/^for\s+an?(?=[\s,]|$)(?!\s+(?:person|portion|serving))/.test(rest)) {
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

/** An hour said without am or pm is in the evening, but for twelve. */
const inTheEvening = (hour: number): number => (hour >= 1 && hour <= 11 ? hour + 12 : hour)

/** "at half past six", "at quarter to seven", "by seven". */
const readHourInWords: Reader = (rest, sentence) => {
  const found = new RegExp(
    String.raw`^(?:at|by|ready\s+(?:at|by))\s+(?:(half|quarter|(?:five|ten|twenty)(?:\s+minutes)?)\s+(past|to)\s+)?([a-z]+|\d{1,2})(?:\s+o['’]?clock)?(?=[\s,]|$)`,
  ).exec(rest)
  if (!found) return undefined
  const [all, part, way, hourWord = ''] = found
  // "at 7" is read below, and "by a …" is no hour.
  if (/^an?$/.test(hourWord) || (part === undefined && /^\d/.test(hourWord))) return undefined
  const said = countFrom(hourWord)
  if (said === undefined || said > 23 || (said > 12 && !/^\d/.test(hourWord))) return undefined
  const hour = inTheEvening(said)
  const away = part ? { half: 30, quarter: 15, five: 5, ten: 10, twenty: 20 }[part.split(/\s/)[0]!]! : 0
  const minutes = hour * 60 + (way === 'to' ? -away : away)
  sentence.at = `${String(Math.floor(minutes / 60) % 24).padStart(2, '0')}:${String(minutes % 60).padStart(2, '0')}`
  return rest.slice(all.length)
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
  else if (half === undefined) hour = inTheEvening(hour)
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

/** "soaked 30 min", "overnight soak", "not soaked", "unrinsed", "rinsed 3 times". */
const readBefore: Reader = (rest, sentence) => {
  const not =
    /^(?:(?:not|no|without|un)[\s-]*)(soak(?:ed|ing)?|rins(?:ed|ing|e)|wash(?:ed|ing)?)(?=[\s,]|$)/.exec(rest)
  if (not) {
    if (not[1]!.startsWith('soak')) sentence.soakMinutes = null
    else sentence.washes = 0
    return rest.slice(not[0].length)
  }
  const morning =
    /^soak(?:ed)?\s+(?:it\s+)?(?:till|until)\s+(?:(?:the\s+)?morning|i\s+am\s+up|i[’']?m\s+up|i\s+get\s+up)(?=[\s,]|$)/.exec(
      rest,
    )
  if (morning) {
    sentence.soakTillMorning = true
    return rest.slice(morning[0].length)
  }
  const first =
    /^(?:(over\s*night)|(\d[\d.,½¼¾/\s]*)[\s-]*(hours?|hrs?|h|minutes?|mins?))[\s-]+soak(?:ed|ing)?(?=[\s,]|$)/.exec(
      rest,
    )
  if (first) {
    const read = first[1] ? undefined : parseQuantity(`${first[2]!.trim()} ${first[3]}`)
    if (first[1] || read?.ok) {
      sentence.soakMinutes = read?.ok ? Math.round(read.quantity.value) : NIGHT_SOAK_MINUTES
      return rest.slice(first[0].length)
    }
  }
  const soaked = /^(?:soak(?:ed)?)\s+(?:it\s+)?(?:for\s+|over\s*)?/.exec(rest)
  if (soaked) {
    const after = rest.slice(soaked[0].length)
    const night = /^night(?=[\s,]|$)/.exec(after)
    if (night) {
      sentence.soakMinutes = NIGHT_SOAK_MINUTES
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

const LEAD = /^(?:(?:with|in|to|and|plus|add|use|using)\s+)*(?:about\s+)?/

/** "2 cups water", "with 450 ml of cold water", "water 2 cups". */
const readWater: Reader = (rest, sentence, { measures }) => {
  const from = rest.replace(LEAD, '')
  const named = /^water\s*:?\s+(?=[\d½¼¾⅓⅔]|an?\s|half\b)/.exec(from)
  const read = parseQuantity(named ? from.slice(named[0].length) : from, measures)
  if (!read.ok || ['portion', 'min'].includes(read.quantity.unit ?? '')) return undefined
  const tail = named
    ? ''
    : /^(?:of\s+)?(?:(?:cold|hot|warm|boiling|fresh|tap)\s+)*water(?=[\s,]|$)/.exec(read.rest)?.[0]
  if (tail === undefined || sentence.water) return undefined
  // "basmati 1 cup water 1½ cups": the amount before the word is the grain's.
  if (!named && sentence.grains.at(-1)?.quantity === undefined && sentence.grains.length > 0) {
    const after = parseQuantity(read.rest.slice(tail.length), measures)
    if (after.ok && after.quantity.unit !== undefined && !NO_GRAIN.has(after.quantity.unit)) return undefined
  }
  sentence.water = read.quantity
  return read.rest.slice(tail.length)
}

/** "natural release", "release naturally", "quick release", "10 min natural then quick". */
const readRelease: Reader = (rest, sentence) => {
  const timed =
    /^(?:(\d{1,3})\s*(?:min|mins|minutes?)\s+(?:of\s+)?natural(?:\s+release)?|natural(?:\s+release)?\s+(?:for\s+)?(\d{1,3})\s*(?:min|mins|minutes?))(?:\s*,?\s*(?:and\s+)?then\s+quick(?:\s+release)?)?(?=[\s,]|$)/.exec(
      rest,
    )
  if (timed) {
    sentence.release = 'timed'
    sentence.releaseMinutes = Number(timed[1] ?? timed[2])
    return rest.slice(timed[0].length)
  }
  const found =
    /^(?:(natural|quick)\s+release|release\s+(naturally|quickly)|(natural|quick)(?=\s*(?:,|$)))(?=[\s,]|$)/.exec(
      rest,
    )
  if (!found) return undefined
  sentence.release = (found[1] ?? found[2] ?? found[3])!.startsWith('natural') ? 'natural' : 'quick'
  return rest.slice(found[0].length)
}

/** "high pressure", "on low"; only a pressure cooker is set to it. */
const readPressure: Reader = (rest, sentence) => {
  const found = /^(?:(?:on|at|under)\s+)?(high|low)(?:\s+pressure)?(?=[\s,]|$)(?!\s+heat)/.exec(rest)
  if (!found) return undefined
  sentence.pressure = found[1] as 'low' | 'high'
  return rest.slice(found[0].length)
}

/** "10 min rest", but not the first half of "15 min rest 10 min". */
const RESTS = /^(?:of\s+)?rest(?:ing)?(?=[\s,]|$)(?!\s+(?:for\s+)?\d)/

/** "in 30 minutes", "in half an hour": when it is wanted, and no length; the hour is to be set. */
const readReadyIn: Reader = (rest, sentence) => {
  const lead = /^(?:ready\s+)?in\s+/.exec(rest)
  const read = lead && parseQuantity(rest.slice(lead[0].length))
  if (!lead || !read?.ok || read.quantity.unit !== 'min') return undefined
  const length = rest.length - read.rest.length
  sentence.unread.push(rest.slice(0, length).trim())
  return rest.slice(length)
}

/** "12 min", "simmer for 20 minutes", "rest 10 min", "45 minutes on the lowest heat". */
const readMinutes: Reader = (rest, sentence) => {
  const lead =
    /^(?:(rest|resting|stand)|simmer(?:ed)?|boil(?:ed)?|cook(?:ed)?|steam(?:ed)?|bake(?:d)?)?\s*(?:for\s+|it\s+|about\s+)*/.exec(
      rest,
    )!
  const read = parseQuantity(rest.slice(lead[0].length))
  const bare = lead[1] !== undefined && read.ok && read.quantity.unit === undefined
  if (!read.ok || (read.quantity.unit !== 'min' && !bare)) return undefined
  const minutes = Math.round(read.quantity.value)
  const rests = lead[1] !== undefined || RESTS.test(read.rest)
  if (rests) sentence.restMinutes = minutes
  else sentence.minutes = minutes
  const method = /^(steam|bake)/.exec(lead[0])
  if (method) sentence.method = METHOD_NAMES[`${method[1] === 'bake' ? 'bak' : 'steam'}ed`]!
  return read.rest
    .replace(rests ? RESTS : /^$/, '')
    .replace(/^\s*(?:on|at|over)\s+(?:the\s+)?low(?:est)?\s+heat(?=[\s,]|$)/, '')
}

/** "unsalted", "no salt", "1 tsp salt". */
const readSalt: Reader = (rest, sentence, { measures }) => {
  const none = /^(?:unsalted|(?:no|without)\s+salt)(?=[\s,]|$)/.exec(rest)
  if (none) {
    sentence.salt = null
    return rest.slice(none[0].length)
  }
  const read = parseQuantity(rest.replace(LEAD, ''), measures)
  const salt = read.ok && read.quantity.unit !== undefined && /^(?:of\s+)?salt(?=[\s,]|$)/.exec(read.rest)
  if (!read.ok || !salt) return undefined
  sentence.salt = read.quantity
  return read.rest.slice(salt[0].length)
}

const ADD_IN_NAMES = KNOWN_ADD_INS.flatMap(({ one, many }) => [one, many]).map(
  (name) => [name, name] as const,
)

/** "80 g peas", "2 bay leaves", "a handful of raisins": what the table of things cooked along knows. */
const readAlong: Reader = (rest, sentence, { measures }) => {
  const from = rest.replace(LEAD, '')
  const read = parseQuantity(from, measures)
  if (!read.ok) return undefined
  const by = /^(?:of\s+|handfuls?\s+(?:of\s+)?|pinch(?:es)?\s+(?:of\s+)?|fried\s+)*/.exec(read.rest)![0]
  const found = nameAt(read.rest.slice(by.length), ADD_IN_NAMES)
  if (!found || nameAt(read.rest.slice(by.length), GRAIN_NAMES)) return undefined
  const left = found.left.replace(/^\s+fried(?:\s+first)?(?=[\s,]|$)/, '')
  sentence.addIns = [...(sentence.addIns ?? []), from.slice(0, from.length - left.length).trim()]
  return left
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

/** "fried rice for 2": rice, cooked to be fried. */
const readFriedRice: Reader = (rest, sentence) => {
  const found = /^fried\s+(?=rice(?:[\s,]|$))/.exec(rest)
  if (!found) return undefined
  sentence.purpose = 'frying'
  return rest.slice(found[0].length)
}

/** "a bowl and a half of jasmine" in a kitchen without such a bowl: the amount is not known, and said so. */
const readUnknownMeasure: Reader = (rest, sentence, { measures }) => {
  const read = parseQuantity(rest, measures)
  const vessel =
    read.ok && read.quantity.unit === undefined
      ? /^(?:big\s+|small\s+)?(?:bowl|mug|glass(?:es)?|jar|tin|can|tub|beaker|teacup|ladle)s?(?:\s+and\s+a\s+(?:half|quarter))?(?=[\s,]|$)/.exec(
          read.rest,
        )
      : null
  if (!read.ok || !vessel) return undefined
  sentence.unread.push(vessel[0].split(/\s/)[0]!)
  return read.rest.slice(vessel[0].length).replace(/^\s+of\s/, ' ')
}

/** "half a cup each of basmati and wild rice": one amount for all that follow. */
const readEach: Reader = (rest, sentence, { measures }) => {
  const amount = parseQuantity(rest, measures)
  if (!amount.ok || amount.quantity.unit === undefined) return undefined
  const each = /^each(?:\s+of)?\s+/.exec(amount.rest)
  if (!each) return undefined
  let left = amount.rest.slice(each[0].length)
  const before = sentence.grains.length
  for (;;) {
    const grain = nameAt(left.replace(/^(?:\s*(?:,|and)\s*)+/, ''), GRAIN_NAMES)
    if (!grain) break
    sentence.grains.push({ variety: grain.value, quantity: amount.quantity })
    left = grain.left
  }
  return sentence.grains.length > before ? left : undefined
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
    const dish = DISHES[from.slice(0, from.length - variety.left.length)]
    if (dish) sentence.purpose = dish
    // Named before without an amount, it is the same grain: "wild rice blend: 1 cup basmati, ¼ cup wild".
    const named = sentence.grains.find((g) => g.variety === variety.value && (dish || !g.quantity))
    if (!named) sentence.grains.push({ variety: variety.value, ...quantity })
    else if (!named.quantity && amount.ok) named.quantity = amount.quantity
    return variety.left
  }
  if (!amount.ok || amount.quantity.unit === undefined) return undefined
  // An amount without a grain: of the one that was named, or of the one that is planned.
  if (NO_GRAIN.has(amount.quantity.unit)) return undefined
  const last = sentence.grains.at(-1)
  if (last && !last.quantity) last.quantity = amount.quantity
  else if (!last) sentence.amount = amount.quantity
  else return undefined
  return amount.rest
}

const READERS: readonly Reader[] = [
  readFriedRice,
  readMealName,
  readWater,
  readSalt,
  readRelease,
  readPurpose,
  readNote,
  readHour,
  readHourInWords,
  readServings,
  readBefore,
  readReadyIn,
  readMinutes,
  readVessel,
  readMethod,
  readTexture,
  readPressure,
  readAlong,
  readUnknownMeasure,
  readEach,
  readGrain,
]
