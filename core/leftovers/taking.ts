import type { Measure, OwnMeasure } from '#core/units/measures'
import { parseQuantity } from '#core/units/parse-quantity'
import { volumeOfQuantity } from '#core/units/quantity-volume'

/** What is in a container now. */
export interface Contents {
  portions: number
  grams: number
  /** Loose, of the cooked grain, g/mL. */
  densityGMl: number
}

export type Taken = { ok: true; portions: number } | { ok: false; says: string }

/** Less than this of it is left: it is empty. */
const CRUMBS_PORTIONS = 0.02
const EXAMPLES = 'such as "half", "1 cup", "2 tbsp", "1 portion" or "150 g"'

/**
 * How many portions an amount is that someone takes out of a container: a part of it ("half"), portions, cups
 * and spoons of cooked grain, grams. A bare fraction is a part of what is left, a bare number are portions.
 * @param cup the kitchen's cup, and its spoons
 * @returns portions, above 0 and at most all there are; why not, in words
 */
export function portionsTaken(
  text: string,
  { portions, grams, densityGMl }: Contents,
  cup: Measure,
  own: readonly OwnMeasure[] = [],
): Taken {
  const all = /^(?:all|everything|the rest|all of it)$/i
  if (all.test(text.trim())) return { ok: true, portions }
  const read = parseQuantity(
    text,
    own.map(({ name }) => name),
  )
  if (!read.ok)
    return {
      ok: false,
      says: read.why === 'range' ? `must be one amount, ${EXAMPLES}` : `must be an amount, ${EXAMPLES}`,
    }
  if (!/^(?:of it|it|the rest|the (?:box|container)|left)?$/i.test(read.rest))
    return { ok: false, says: `must be an amount, ${EXAMPLES}; "${read.rest}" was not understood` }
  const { value, unit } = read.quantity
  const ml = volumeOfQuantity(read.quantity, cup, own)
  const taken =
    unit === undefined
      ? value < 1
        ? value * portions
        : value
      : unit === 'portion'
        ? value
        : unit === 'g'
          ? (value / grams) * portions
          : ml === undefined
            ? undefined
            : ((ml * densityGMl) / grams) * portions
  if (taken === undefined) return { ok: false, says: `must be an amount of grain, ${EXAMPLES}` }
  if (taken > portions * 1.02)
    return { ok: false, says: `is more than there is: ${round(portions)} portions, ${Math.round(grams)} g` }
  return { ok: true, portions: portions - taken < CRUMBS_PORTIONS ? portions : taken }
}

const round = (n: number): number => Math.round(n * 10) / 10
