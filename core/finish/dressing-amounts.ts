import { spoonDensity } from '#core/seasoning/spoon-density'
import type { CrystalId } from '#core/seasoning/salt'
import type { Measure, OwnMeasure } from '#core/units/measures'
import { parseQuantity } from '#core/units/parse-quantity'
import { volumeOfQuantity } from '#core/units/quantity-volume'
import { DRESSINGS, type Proportions } from './dressing'

export const DRESSING_PARTS = ['vinegar', 'sugar', 'salt'] as const
export type DressingPart = (typeof DRESSING_PARTS)[number]

/** What amounts are stated in. */
export interface KitchenSpoons {
  cup: Pick<Measure, 'ml' | 'tbspMl' | 'tspMl'>
  own: readonly OwnMeasure[]
  crystal: CrystalId
}

/** Vinegar, sugar or salt as a cook says it ("3 tbsp", "45 g", "none"), in g; undefined for what is no amount. */
export function dressingGrams(part: DressingPart, text: string, spoons: KitchenSpoons): number | undefined {
  if (/^\s*(0|none)\s*$/i.test(text)) return 0
  const read = parseQuantity(
    text,
    spoons.own.map(({ name }) => name),
  )
  if (!read.ok || read.rest.replace(part, '').trim() !== '') return undefined
  if (read.quantity.unit === 'g') return read.quantity.value
  const ml = volumeOfQuantity(read.quantity, spoons.cup, spoons.own)
  return ml === undefined ? undefined : ml * spoonDensity(part, spoons.crystal)
}

/**
 * Proportions of a dressing made ahead, g per 100 g of dry grain.
 * @param dryG how much dry grain it is for; left out: as much as its vinegar usually does
 */
export function proportionsOfBottle(
  { vinegar, sugar, salt }: Record<DressingPart, number>,
  dryG = (vinegar / DRESSINGS.usual.vinegar) * 100,
): Omit<Proportions, 'saltLast'> {
  const per = 100 / dryG
  return { vinegar: vinegar * per, sugar: sugar * per, salt: salt * per }
}
