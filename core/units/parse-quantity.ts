/**
 * Amounts as people type them: "1½", "1 1/2 cups", "2,5 dl", "300 g", "half a cup", "a bowl and a half",
 * "5280 ft". Ranges ("1-2 cups") are refused: the cook says which.
 */

/** What a number counts, and how much one of it is in the base unit of its kind. */
const UNITS: readonly { names: readonly string[]; unit: QuantityUnit; factor: number }[] = [
  { unit: 'g', factor: 1, names: ['g', 'gr', 'gram', 'grams', 'gramme', 'grammes'] },
  { unit: 'g', factor: 1000, names: ['kg', 'kilo', 'kilos', 'kilogram', 'kilograms'] },
  { unit: 'g', factor: 28.3495, names: ['oz', 'ounce', 'ounces'] },
  { unit: 'g', factor: 453.592, names: ['lb', 'lbs', 'pound', 'pounds'] },
  { unit: 'ml', factor: 1, names: ['ml', 'milliliter', 'milliliters', 'millilitre', 'millilitres'] },
  { unit: 'ml', factor: 10, names: ['cl'] },
  { unit: 'ml', factor: 100, names: ['dl', 'decilitre', 'decilitres', 'deciliter', 'deciliters'] },
  { unit: 'ml', factor: 1000, names: ['l', 'liter', 'liters', 'litre', 'litres'] },
  { unit: 'ml', factor: 29.5735, names: ['fl oz', 'fluid ounce', 'fluid ounces', 'floz'] },
  { unit: 'ml', factor: 473.176, names: ['pint', 'pints', 'pt'] },
  { unit: 'ml', factor: 946.353, names: ['quart', 'quarts', 'qt'] },
  { unit: 'tbsp', factor: 1, names: ['tbsp', 'tbs', 'tablespoon', 'tablespoons'] },
  { unit: 'tsp', factor: 1, names: ['tsp', 'teaspoon', 'teaspoons'] },
  {
    unit: 'rice-cooker-cup',
    factor: 1,
    names: [
      'rice-cooker cup',
      'rice-cooker cups',
      'rice cooker cup',
      'rice cooker cups',
      'cooker cup',
      'cooker cups',
      'scoop',
      'scoops',
      'go',
      'gou',
    ],
  },
  { unit: 'us-cup', factor: 1, names: ['us cup', 'us cups', 'american cup', 'american cups'] },
  { unit: 'metric-cup', factor: 1, names: ['metric cup', 'metric cups'] },
  { unit: 'cup', factor: 1, names: ['c', 'cup', 'cups'] },
  {
    unit: 'portion',
    factor: 1,
    names: ['portion', 'portions', 'serving', 'servings', 'people', 'persons', 'person', 'guests', 'eaters'],
  },
  { unit: 'm', factor: 1, names: ['m', 'metre', 'metres', 'meter', 'meters'] },
  { unit: 'm', factor: 0.3048, names: ['ft', 'foot', 'feet', '’', "'"] },
  { unit: 'mm', factor: 1, names: ['mm'] },
  { unit: 'mm', factor: 10, names: ['cm'] },
  { unit: 'mm', factor: 25.4, names: ['in', 'inch', 'inches', '"', '”'] },
  { unit: 'min', factor: 1, names: ['min', 'mins', 'minute', 'minutes'] },
  { unit: 'min', factor: 60, names: ['h', 'hr', 'hrs', 'hour', 'hours'] },
]

export type QuantityUnit =
  | 'g'
  | 'ml'
  | 'tbsp'
  | 'tsp'
  | 'cup'
  | 'us-cup'
  | 'metric-cup'
  | 'rice-cooker-cup'
  | 'portion'
  | 'm'
  | 'mm'
  | 'min'
  | 'own'

export interface Quantity {
  value: number
  /** Undefined for a bare number. */
  unit: QuantityUnit | undefined
  /** Which of the cook's own measures, for "own". */
  own?: string
}

export type ReadQuantity =
  { ok: true; quantity: Quantity; rest: string } | { ok: false; why: 'no-number' | 'range' | 'not-positive' }

const VULGAR: Readonly<Record<string, number>> = {
  '¼': 1 / 4,
  '½': 1 / 2,
  '¾': 3 / 4,
  '⅓': 1 / 3,
  '⅔': 2 / 3,
  '⅛': 1 / 8,
  '⅜': 3 / 8,
  '⅝': 5 / 8,
  '⅞': 7 / 8,
  '⅕': 1 / 5,
}
const VULGAR_CLASS = `[${Object.keys(VULGAR).join('')}]`
const WORDS: Readonly<Record<string, number>> = {
  a: 1,
  an: 1,
  one: 1,
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  seven: 7,
  eight: 8,
  nine: 9,
  ten: 10,
  eleven: 11,
  twelve: 12,
  'a couple of': 2,
  'a dozen': 12,
}
const PARTS: Readonly<Record<string, number>> = {
  half: 1 / 2,
  'a half': 1 / 2,
  'one half': 1 / 2,
  third: 1 / 3,
  'a third': 1 / 3,
  'one third': 1 / 3,
  'two thirds': 2 / 3,
  quarter: 1 / 4,
  'a quarter': 1 / 4,
  'one quarter': 1 / 4,
  'three quarters': 3 / 4,
}
const alternatives = (words: Iterable<string>): string =>
  [...words]
    .sort((a, b) => b.length - a.length)
    .map((w) => w.replace(/[.*+?^${}()|[\]\\]/g, '\\$&').replace(/ /g, '\\s+'))
    .join('|')

const DECIMAL = String.raw`\d+(?:[.,]\d+)?`
const FRACTION = String.raw`\d+\s*[/⁄]\s*\d+`
const NUMBER = new RegExp(
  String.raw`^(?:(?<whole>\d+)(?:\s+|-)(?<mixed>${FRACTION})|(?<fraction>${FRACTION})|(?<decimal>${DECIMAL})\s*(?<tail>${VULGAR_CLASS})?|(?<vulgar>${VULGAR_CLASS})|(?<part>${alternatives(Object.keys(PARTS))})(?=\s|$)(?:\s+(?:of\s+)?an?(?=\s))?|(?<word>${alternatives(Object.keys(WORDS))})(?=\s|$))`,
  'i',
)
const RANGE = new RegExp(
  String.raw`^(?:${DECIMAL}|${VULGAR_CLASS})\s*(?:[-–—]|to\b|or\b)\s*(?:${DECIMAL}|${VULGAR_CLASS})(?!\s*[/⁄])`,
  'i',
)
const AND_A_PART = new RegExp(
  String.raw`^(?:\s+and\s+|\s*\+\s*)(?<part>${alternatives(Object.keys(PARTS))}|${VULGAR_CLASS}|${FRACTION})(?=\s|$)`,
  'i',
)

const fractionOf = (text: string): number => {
  const [a, b] = text.split(/\s*[/⁄]\s*/).map(Number) as [number, number]
  return a / b
}
const keyOf = (text: string): string => text.toLowerCase().replace(/\s+/g, ' ')
const partOf = (text: string): number =>
  VULGAR[text] ?? PARTS[keyOf(text)] ?? (/[/⁄]/.test(text) ? fractionOf(text) : NaN)

/**
 * Reads an amount at the start of a text.
 * @param own names of the cook's own measures: "mug", "blue bowl"
 * @returns the quantity in the base unit of its kind (g, mL, mm, m, min; cups and spoons as counted) and what
 * follows it; why not, where there is none
 * @example parseQuantity('1½ cups basmati') // 1.5 "cup", rest "basmati"
 */
export function parseQuantity(text: string, own: readonly string[] = []): ReadQuantity {
  const from = text.trim()
  if (/^[-−]\s*[\d.,]/.test(from)) return { ok: false, why: 'not-positive' }
  if (RANGE.test(from) && !/^\d+\s*[-–]\s*\d+\s*[/⁄]/.test(from)) return { ok: false, why: 'range' }
  const read = NUMBER.exec(from)
  if (!read) return { ok: false, why: 'no-number' }
  let value = numberOf(read.groups!)
  let rest = from.slice(read[0].length)
  const more = AND_A_PART.exec(rest)
  if (more) {
    value += partOf(more.groups!.part!)
    rest = rest.slice(more[0].length)
  }
  const unit = unitAt(rest.trimStart(), own)
  if (unit) {
    rest = rest.trimStart().slice(unit.length)
    const after = AND_A_PART.exec(rest)
    if (after) {
      value += partOf(after.groups!.part!)
      rest = rest.slice(after[0].length)
    }
  }
  if (!(value > 0) || !Number.isFinite(value)) return { ok: false, why: 'not-positive' }
  rest = rest.trim().replace(/^of\s+/i, '')
  return {
    ok: true,
    quantity: {
      value: value * (unit?.factor ?? 1),
      unit: unit?.unit,
      ...(unit?.own === undefined ? {} : { own: unit.own }),
    },
    rest,
  }
}

function numberOf(groups: Record<string, string | undefined>): number {
  if (groups.mixed) return Number(groups.whole) + fractionOf(groups.mixed)
  if (groups.fraction) return fractionOf(groups.fraction)
  if (groups.decimal)
    return Number(groups.decimal.replace(',', '.')) + (groups.tail ? VULGAR[groups.tail]! : 0)
  if (groups.vulgar) return VULGAR[groups.vulgar]!
  if (groups.part) return PARTS[keyOf(groups.part)]!
  return WORDS[keyOf(groups.word!)]!
}

/** The unit a text begins with; the cook's own names first, then the longest. */
function unitAt(
  text: string,
  own: readonly string[],
): { unit: QuantityUnit; factor: number; length: number; own?: string } | undefined {
  const lower = text.toLowerCase()
  const starts = (name: string) =>
    lower.startsWith(name) && !/^[\p{L}\d]/u.test(lower.slice(name.length)) && name.length > 0
  for (const name of [...own].sort((a, b) => b.length - a.length))
    for (const form of [name.toLowerCase(), `${name.toLowerCase()}s`].reverse())
      if (starts(form)) return { unit: 'own', factor: 1, length: form.length, own: name }
  let best: { unit: QuantityUnit; factor: number; length: number } | undefined
  for (const { unit, factor, names } of UNITS)
    for (const name of names)
      for (const form of [name, `${name}.`])
        if (starts(form) && (!best || form.length > best.length)) best = { unit, factor, length: form.length }
  return best
}
