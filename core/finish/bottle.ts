import { DRESSINGS, type DressingId, type Proportions } from './dressing'

/** Dressing made ahead, as it is stored. */
export interface StoredBottle {
  name: string
  style: DressingId
  /** The cook's own, g per 100 g of dry grain; all null: by the style. */
  vinegar: number | null
  sugar: number | null
  salt: number | null
}

/** What a bottle is called: by its name, or by its style. */
export const bottleName = ({ name, style }: Pick<StoredBottle, 'name' | 'style'>): string =>
  name === '' ? DRESSINGS[style].name : name

/** The cook's own proportions; undefined where it was made by a style. */
export const ownProportions = ({
  vinegar,
  sugar,
  salt,
}: StoredBottle): Omit<Proportions, 'saltLast'> | undefined =>
  vinegar === null || sugar === null || salt === null ? undefined : { vinegar, sugar, salt }

/** Proportions of a bottle, g per 100 g of dry grain. */
export function proportionsIn(bottle: StoredBottle): Proportions {
  const own = ownProportions(bottle)
  return own ? { ...own, saltLast: DRESSINGS[bottle.style].saltLast } : DRESSINGS[bottle.style]
}
