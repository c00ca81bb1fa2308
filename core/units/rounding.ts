/** Rounds half away from zero to so many decimals; −0 becomes 0 so that nobody reads "-0". */
export function roundTo(value: number, decimals: number): number {
  const scale = 10 ** decimals
  const rounded = (Math.sign(value) * Math.round(Math.abs(value) * scale)) / scale
  return rounded === 0 ? 0 : rounded
}

/** Nearest multiple of step.  @example toStep(413, 5) // 415 */
export const toStep = (value: number, step: number) => Math.round(value / step) * step
