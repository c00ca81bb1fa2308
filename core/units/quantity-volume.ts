import { STANDARD_MEASURES, type Measure, type OwnMeasure } from './measures'
import type { Quantity } from './parse-quantity'

/**
 * How much an amount in mL, spoons, cups or a measure of one's own holds, mL; undefined for what has no volume.
 * @param cup what just "cup" means, and the spoons that go with it
 */
export function volumeOfQuantity(
  { value, unit, own }: Quantity,
  cup: Pick<Measure, 'ml' | 'tbspMl' | 'tspMl'>,
  ownMeasures: readonly OwnMeasure[] = [],
): number | undefined {
  switch (unit) {
    case 'ml':
      return value
    case 'tbsp':
      return value * cup.tbspMl
    case 'tsp':
      return value * cup.tspMl
    case 'cup':
      return value * cup.ml
    case 'us-cup':
    case 'metric-cup':
    case 'rice-cooker-cup':
      return value * STANDARD_MEASURES[unit].ml
    case 'own': {
      const measure = ownMeasures.find(({ name }) => name === own)
      return measure && value * measure.ml
    }
    default:
      return undefined
  }
}
