import { CUPS } from './cups'
import { inScoops } from './fractions'
import { roundTo } from './rounding'

/** A household measure: what holds it, and how many of it are said. */
export interface Measure {
  /** The contract's name, or the name the cook gave it. */
  id: string
  /** "cup", "cups". */
  one: string
  many: string
  ml: number
  /** The spoons that go with it, mL. */
  tbspMl: number
  tspMl: number
}

/** A measure of the cook's own, as the contract takes it. */
export interface OwnMeasure {
  name: string
  ml: number
}

/**
 * Spoons, mL.
 * @see NIST Handbook 44, appendix C (US); AS 1325 and common metric practice (15 and 5 mL)
 */
export const SPOONS = { us: { tbsp: 14.787, tsp: 4.929 }, metric: { tbsp: 15, tsp: 5 } } as const

const spoons = ({ tbsp, tsp }: { tbsp: number; tsp: number }) => ({ tbspMl: tbsp, tspMl: tsp })

/** The measures everybody knows, by the contract's names. */
export const STANDARD_MEASURES = {
  'us-cup': { id: 'us-cup', one: 'cup', many: 'cups', ml: CUPS['us-customary'].ml, ...spoons(SPOONS.us) },
  'metric-cup': { id: 'metric-cup', one: 'cup', many: 'cups', ml: CUPS.metric.ml, ...spoons(SPOONS.metric) },
  'rice-cooker-cup': {
    id: 'rice-cooker-cup',
    one: 'rice-cooker cup',
    many: 'rice-cooker cups',
    ml: CUPS.scoop.ml,
    ...spoons(SPOONS.metric),
  },
} as const satisfies Record<string, Measure>
export type StandardMeasureId = keyof typeof STANDARD_MEASURES
export const STANDARD_MEASURE_IDS = Object.keys(STANDARD_MEASURES) as StandardMeasureId[]

/** A measure from the contract's name or from the cook's own. */
export const measureOf = (given: StandardMeasureId | OwnMeasure): Measure =>
  typeof given === 'string'
    ? STANDARD_MEASURES[given]
    : {
        id: given.name,
        one: given.name,
        many: `${given.name}${/(s|x|ch|sh)$/i.test(given.name) ? 'es' : 's'}`,
        ml: given.ml,
        ...spoons(SPOONS.metric),
      }

/** An amount in a measure: the exact count, and how a cook says it. */
export interface Measured {
  measure: string
  /** Exact, in whole measures. */
  value: number
  text: string
}

/** A remainder under this share of the amount is not said. */
const WORTH_SAYING = 0.02
/** Less than this of a measure is said in spoons. */
const LEAST_SHARE = 0.24

/**
 * A volume in a measure, with the remainder in spoons where it matters (over 2 %), and only then.
 * @param ml 0 or more
 * @example inMeasure(354.9, STANDARD_MEASURES['us-cup']).text // "1½ cups"
 */
export function inMeasure(ml: number, measure: Measure): Measured {
  const value = ml / measure.ml
  return { measure: measure.id, value: roundTo(value, 3), text: said(ml, measure) }
}

function said(ml: number, measure: Measure): string {
  if (ml < LEAST_SHARE * measure.ml) return inSpoonfuls(ml, measure)
  const near = inScoops(ml / measure.ml)
  if (Math.abs(near.error * measure.ml) <= WORTH_SAYING * ml) return countOf(near.cups, near.text, measure)
  const below = inScoops(wholeQuartersBelow(ml / measure.ml))
  if (below.cups === 0) return inSpoonfuls(ml, measure)
  const rest = ml - below.cups * measure.ml
  return `${countOf(below.cups, below.text, measure)} + ${remainder(rest, WORTH_SAYING * ml, measure)}`
}

const countOf = (count: number, text: string, { one, many }: Measure): string =>
  `${text} ${count > 1 ? many : one}`

/** Quarters or thirds, whichever is nearer from below. */
const wholeQuartersBelow = (count: number): number =>
  Math.max(Math.floor(count * 4 + 1e-9) / 4, Math.floor(count * 3 + 1e-9) / 3)

/** In one spoon where that is near enough, else in both.  @param near mL it may be off */
function remainder(ml: number, near: number, { tbspMl, tspMl }: Measure): string {
  const tbsp = Math.round(ml / tbspMl)
  if (ml >= 0.8 * tbspMl && Math.abs(tbsp * tbspMl - ml) <= near) return `${tbsp} tbsp`
  const tsp = Math.max(0.5, Math.round((2 * ml) / tspMl) / 2)
  if (tsp < 3) return `${half(tsp)} tsp`
  const whole = Math.floor(tsp / 3)
  const over = tsp - 3 * whole
  return over === 0 ? `${whole} tbsp` : `${whole} tbsp + ${half(over)} tsp`
}

const half = (count: number): string =>
  Number.isInteger(count) ? String(count) : `${Math.floor(count) || ''}½`

/** Less than this is a pinch, teaspoons. */
const PINCH_TSP = 1 / 16
/** Parts of a teaspoon that spoons are sold for. */
const TSP_PARTS = [
  [1 / 8, '⅛'],
  [1 / 4, '¼'],
  [1 / 2, '½'],
  [3 / 4, '¾'],
] as const

/**
 * A small volume in spoons: "2 tbsp", "1½ tsp", "a pinch".
 * @param ml 0 or more
 */
export function inSpoonfuls(ml: number, { tbspMl, tspMl }: Pick<Measure, 'tbspMl' | 'tspMl'>): string {
  if (ml >= 0.97 * tbspMl) {
    const tbsp = Math.round((2 * ml) / tbspMl) / 2
    if (Math.abs(tbsp * tbspMl - ml) <= 0.04 * ml) return `${half(tbsp)} tbsp`
    const whole = Math.floor(ml / tbspMl)
    const tsp = Math.round((2 * (ml - whole * tbspMl)) / tspMl) / 2
    return tsp === 0 ? `${whole} tbsp` : tsp === 3 ? `${whole + 1} tbsp` : `${whole} tbsp + ${half(tsp)} tsp`
  }
  const tsp = ml / tspMl
  if (tsp < PINCH_TSP) return 'a pinch'
  const whole = Math.floor(tsp)
  const parts = [[0, ''], ...TSP_PARTS, [1, '']] as const
  const [part, text] = parts.reduce((a, b) =>
    Math.abs(b[0] - (tsp - whole)) < Math.abs(a[0] - (tsp - whole)) ? b : a,
  )
  const count = whole + (part === 1 ? 1 : 0)
  if (count === 3) return '1 tbsp'
  return part === 0 && count === 0 ? '⅛ tsp' : `${count === 0 ? '' : count}${part === 1 ? '' : text} tsp`
}

/**
 * Bulk densities of what is measured by spoon, g/mL.
 * @see USDA FoodData Central portion weights: granulated sugar 4.2 g a US teaspoon, rice vinegar 1.0 g/mL
 */
export const SPOON_DENSITY = { sugar: 0.85, vinegar: 1.01 } as const
