import { newCropDelta, NEW_CROP_MOISTURE } from './new-crop'
import { varietyOf, type VarietyId } from './varieties'

/**
 * What is known of a bag before any pot of it: its label, where the cook took it over, and a new crop's own
 * water, g/g.
 */
export function bagDelta(
  bag: { variety: VarietyId; new_crop: 0 | 1; adopted_delta: number | null } | undefined,
): number {
  if (!bag) return 0
  const crop = bag.new_crop ? newCropDelta(NEW_CROP_MOISTURE, varietyOf(bag.variety).uptake.standard) : 0
  return crop + (bag.adopted_delta ?? 0)
}
