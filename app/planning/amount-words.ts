import type { CupId } from '#core/units/cups'
import { inMeasure, measureOf } from '#core/units/measures'
import { householdMeasure } from './household-measures'

/** What a kitchen measures by. */
export interface MeasuresBy {
  units: 'grams' | 'cups'
  cup: CupId
}

/** An amount as this kitchen says it: "1½ cups" where it measures by cups, else "300 g".  @param ml what it fills */
export const amountIn = ({ units, cup }: MeasuresBy, grams: number, ml: number): string =>
  units === 'cups'
    ? inMeasure(Math.max(0, ml), measureOf(householdMeasure(cup))).text
    : `${Math.round(grams)} g`

/** Water as this kitchen says it; a gram of it fills a millilitre. */
export const waterIn = (by: MeasuresBy, grams: number): string => amountIn(by, grams, grams)
