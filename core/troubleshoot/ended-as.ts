import type { Rating } from '#core/learn/rating'
import type { Ending } from '#core/simulate/diagnose'

/** What a rating complains of first; undefined where it was right. */
export function endedAs({
  wetDry,
  hardness,
  bottom,
}: Pick<Rating, 'wetDry' | 'hardness' | 'bottom'>): Ending | undefined {
  if (bottom === 'scorched') return 'scorched'
  if (hardness < 0) return 'hard'
  if (hardness >= 2) return 'mush'
  if (wetDry !== 0) return wetDry > 0 ? 'wet' : 'dry'
  return hardness > 0 ? 'mush' : undefined
}
