import { SPOON_DENSITY } from '#core/units/measures'
import { CRYSTALS, type CrystalId } from './salt'

/** How much of a spoon's mL weighs, g/mL: of salt by its crystal. */
export const spoonDensity = (what: 'salt' | 'sugar' | 'vinegar', crystal: CrystalId): number =>
  what === 'salt' ? CRYSTALS[crystal].density : SPOON_DENSITY[what]
