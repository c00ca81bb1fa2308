import { inMeasure } from '#core/units/measures'
import { cupMeasure, massIn, type KitchenUnits } from '#core/units/system'

/**
 * An amount as this kitchen says it: "1½ cups" where it measures by cups, else "300 g" or "10.6 oz".
 * @param ml what it fills
 */
export const amountIn = ({ units, cup, system }: KitchenUnits, grams: number, ml: number): string =>
  units === 'cups'
    ? inMeasure(Math.max(0, ml), cupMeasure(cup)).text
    : massIn(system === 'us' ? grams : Math.round(grams), system)

/** Water as this kitchen says it; a gram of it fills a millilitre. */
export const waterIn = (by: KitchenUnits, grams: number): string => amountIn(by, grams, grams)
