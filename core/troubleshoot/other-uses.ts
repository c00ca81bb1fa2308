import type { Complaint } from '#core/cook/remedy'
import type { Rating } from '#core/learn/rating'

/** What a pot that went wrong can still become, by what went wrong. */
const BECOMES: Record<Complaint, readonly string[]> = {
  'still-wet': ['a thick soup', 'a baked pudding'],
  'dry-firm': ['frying in a wide pan', 'soup, where it absorbs the rest'],
  'hard-wet': ['porridge, simmered on'],
  chalky: ['soup, simmered in stock'],
  'dry-early': ['soup, simmered in stock'],
  scorched: ['fried rice, from the clean part'],
  'boiled-over': [],
  opened: [],
  mush: [
    'soup, thickened by it',
    'a sweet pudding with milk',
    'patties, bound with an egg and fried',
    'porridge for the morning',
  ],
}

export const becomes = (complaint: Complaint): readonly string[] => BECOMES[complaint]

/** The same for a pot that was rated at the table. */
export function becomesOf({
  wetDry,
  hardness,
  bottom,
}: Pick<Rating, 'wetDry' | 'hardness' | 'bottom'>): readonly string[] {
  if (bottom === 'scorched') return becomes('scorched')
  if (hardness >= 2) return becomes('mush')
  if (hardness < 0) return becomes(wetDry > 0 ? 'hard-wet' : 'dry-firm')
  return wetDry > 0 ? becomes('still-wet') : wetDry < 0 ? becomes('dry-firm') : []
}
