/** Moisture of grain as it is usually bought. */
const USUAL_MOISTURE = 0.125
/** Moisture of a new crop, in the middle of 15–16 %. */
export const NEW_CROP_MOISTURE = 0.155

/**
 * Uptake lost because a bag holds more water already, g per g as bought.
 * @param moisture as bought, 0..0.3
 * @example newCropDelta(0.155, 1.4) // about −0.08
 */
export function newCropDelta(moisture: number, uptake: number): number {
  if (!(moisture >= 0 && moisture <= 0.3))
    throw new RangeError(`newCropDelta: moisture must be 0 to 0.3, got ${moisture}`)
  return (-(moisture - USUAL_MOISTURE) / (1 - USUAL_MOISTURE)) * (1 + uptake)
}
