/** Conductivity, W/(m K), of dry starch (Choi & Okos 1986, carbohydrate), of still air, and of ice at −10 °C. */
export const STARCH_K = 0.22
const AIR_K = 0.027
const ICE_K = 2.3
/** Heat of fusion, J/g of water, and the share of the water in cooked grain that freezes at all. */
const FUSION_J_G = 334
const FREEZES = 0.9
/** Cooked grain begins to freeze a little under the freezing point of water, °C. */
const FREEZES_AT_C = -1
/** Heat to cool a gram of cooked grain from 5 °C to there, and frozen to −10 °C, J/g (3.4 and 2.0 J/(g K)). */
const SENSIBLE_J_G = 3.4 * 6 + 2.0 * 9

/** Conductivity of kernels with air between them, W/(m K) (Maxwell–Eucken). */
export const withAir = (solidK: number, airShare: number): number =>
  (solidK * (2 * solidK + AIR_K - 2 * airShare * (solidK - AIR_K))) /
  (2 * solidK + AIR_K + airShare * (solidK - AIR_K))

/**
 * Minutes until a level layer of cooked grain at 5 °C is frozen through: Plank's equation for a slab, with a
 * front from each face and each face's own heat transfer. Time grows with the square of the depth, so that a
 * stack takes far longer than its containers side by side.
 * @param airC of the freezer, under −1
 * @param topH heat transfer over and under it, W/(m² K)
 */
export function freezingMinutes({
  depthM,
  densityGMl,
  waterShare,
  airShare,
  airC,
  topH,
  bottomH,
}: {
  depthM: number
  densityGMl: number
  waterShare: number
  airShare: number
  airC: number
  topH: number
  bottomH: number
}): number {
  if (!(airC < FREEZES_AT_C)) return Infinity
  const frozenK = withAir(waterShare * ICE_K + (1 - waterShare) * STARCH_K, airShare)
  const heatPerM3 = densityGMl * 1e6 * (waterShare * FREEZES * FUSION_J_G + SENSIBLE_J_G)
  const drive = (FREEZES_AT_C - airC) / heatPerM3
  // How deep a front has come after some seconds: x / h + x² / 2k = drive · t.
  const front = (h: number, seconds: number) =>
    frozenK * (Math.sqrt(1 / h ** 2 + (2 * drive * seconds) / frozenK) - 1 / h)
  let [low, high] = [0, 3600]
  while (front(topH, high) + front(bottomH, high) < depthM) high *= 2
  while (high - low > 1) {
    const middle = (low + high) / 2
    if (front(topH, middle) + front(bottomH, middle) < depthM) low = middle
    else high = middle
  }
  return high / 60
}
