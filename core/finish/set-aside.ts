import type { Purpose } from '#core/methods/definition'

/**
 * Grain that is fried tomorrow is cooked this soft: chilled overnight its starch firms, so that it may hold
 * more water than grain that is fried at once. 0 is firm, 0.5 standard, 1 soft.
 */
export const FRY_TOMORROW_TEXTURE = 0.3
/** Purposes of which a part can be set aside: grain that stays separate. */
export const SET_ASIDE_PURPOSES: readonly Purpose[] = ['side', 'frying', 'salad', 'part-cooked', 'batch']

/** Whether so large a share of a batch can be for tomorrow: all of it only where nothing is fried today. */
export const canSetAside = (share: number, purpose: Purpose, fryAtEnd: boolean): boolean =>
  SET_ASIDE_PURPOSES.includes(purpose) && (share < 1 || (purpose === 'frying' && !fryAtEnd))

/** Water sprinkled over grain that is done is taken up with the lid on within this, minutes. */
export const SPRINKLE_MIN = 6
/** Done grain takes up no more than this of sprinkled water, g per g of dry grain. */
const SPRINKLE_MOST = 0.15

/**
 * How soft a pot is cooked of which a part is set aside for frying tomorrow: as its firmer part wants it.
 * @param texture of what is eaten today
 */
export const textureWithAside = (texture: number): number => Math.min(texture, FRY_TOMORROW_TEXTURE)

/**
 * Boiling water for the softer part once the other has been taken out, g.
 * @param uptakes g/g as served and as the pot was cooked
 * @param dryG of the part that stays
 */
export const sprinkleFor = (uptakes: { served: number; cooked: number }, dryG: number): number =>
  Math.min(SPRINKLE_MOST, Math.max(0, uptakes.served - uptakes.cooked)) * dryG
