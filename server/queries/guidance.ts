import { guidanceOf, type Guidance } from '#core/leftovers/guidance'
import type { Kitchen } from '#server/store/open-household'

/** The food-safety figures in force. */
export function guidanceIn({ household }: Kitchen): Guidance {
  const { guidance, own } = household.guidance()
  return guidanceOf(guidance, own)
}
