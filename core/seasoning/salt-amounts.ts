import { CRYSTALS, type CrystalId } from './salt'

/** Salt in so much of a level spoon or cup, g. */
export const saltGrams = (ml: number, crystal: CrystalId): number => ml * CRYSTALS[crystal].density

/**
 * Salt to be added, as a share of the cooked mass with what stock and add-ins bring, %.
 * @param alreadyG salt in stock and add-ins, g
 */
export const saltPercentFor = (addG: number, alreadyG: number, cookedG: number): number =>
  ((addG + alreadyG) / cookedG) * 100
