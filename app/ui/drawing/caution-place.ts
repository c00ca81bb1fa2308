import type { Caution } from '#core/plan/result'
import type { MarkPlace } from './pot-section'

/** Where in a pot a caution happens; what happens nowhere in it, or everywhere, has no place. */
const PLACES: Partial<Record<string, MarkPlace>> = {
  'boils-over': 'rim',
  'swells-too-high': 'rim',
  'pressure-over-full': 'rim',
  'no-room-over-water': 'rim',
  'short-rest': 'lid',
  'venting-steam': 'lid',
  'steamer-vent': 'lid',
  'quick-release-texture': 'lid',
  'bed-too-deep': 'bed',
  'bed-too-thin': 'bed',
  'blend-times-apart': 'bed',
  'too-little-water': 'bed',
  'soak-fragile': 'bed',
  avoided: 'bed',
  'never-done': 'bed',
  'not-enough-warmth': 'bed',
  'steamed-dry': 'bed',
  scorches: 'base',
  'slow-to-boil': 'base',
  'never-boils': 'base',
  'not-on-induction': 'base',
  'dish-runs-dry': 'base',
  'dish-thickens': 'base',
  'under-least-liquid': 'base',
}

export const cautionPlace = ({ code }: Pick<Caution, 'code'>): MarkPlace | undefined => PLACES[code]
export const PLACED_CAUTIONS = Object.keys(PLACES)
