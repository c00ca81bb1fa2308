import { dressingFor, type Proportions } from './dressing'

/** Made ahead in a bottle: for how much dry grain what is left still does, g. */
export const bottleDoes = (leftG: number, of: Proportions): number => {
  const per100 = dressingFor(100, of).liquidG
  return per100 > 0 ? (100 * leftG) / per100 : 0
}
