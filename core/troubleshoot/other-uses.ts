import type { Complaint } from '#core/cook/remedy'
import type { Variety } from '#core/grain/varieties'
import type { Rating } from '#core/learn/rating'

type Family = Variety['family']
/** What a pot that went wrong can still become. */
interface Use {
  dish: string
  notOf?: readonly Family[]
}
/** Pulses make no sweet dish. */
const SAVOURY: readonly Family[] = ['pulse']

const SOUP = { dish: 'soup, simmered in stock' }
const BECOMES: Record<Complaint, readonly Use[]> = {
  'still-wet': [{ dish: 'a thick soup' }, { dish: 'a baked pudding', notOf: SAVOURY }],
  'dry-firm': [{ dish: 'frying in a wide pan' }, { dish: 'soup, where it absorbs the rest' }],
  'hard-wet': [{ dish: 'porridge, simmered on', notOf: SAVOURY }, { dish: 'soup, simmered on' }],
  chalky: [SOUP],
  'dry-early': [SOUP],
  scorched: [{ dish: 'frying, from the clean part' }],
  'boiled-over': [],
  opened: [],
  mush: [
    { dish: 'soup, thickened by it' },
    { dish: 'a sweet pudding with milk', notOf: SAVOURY },
    { dish: 'patties, bound with an egg and fried' },
    { dish: 'porridge for the morning', notOf: SAVOURY },
  ],
}

/** Dishes that fit the trouble and every grain in the pot. */
export const becomes = (complaint: Complaint, grains: readonly Pick<Variety, 'family'>[]): string[] =>
  BECOMES[complaint]
    .filter(({ notOf }) => !grains.some(({ family }) => notOf?.includes(family)))
    .map(({ dish }) => dish)

/** The same for a pot that was judged at the table. */
export function becomesOf(
  { wetDry, hardness, bottom }: Pick<Rating, 'wetDry' | 'hardness' | 'bottom'>,
  grains: readonly Pick<Variety, 'family'>[],
): string[] {
  if (bottom === 'scorched') return becomes('scorched', grains)
  if (hardness >= 2) return becomes('mush', grains)
  if (hardness < 0) return becomes(wetDry > 0 ? 'hard-wet' : 'dry-firm', grains)
  return wetDry > 0 ? becomes('still-wet', grains) : wetDry < 0 ? becomes('dry-firm', grains) : []
}
