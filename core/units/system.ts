import { CUPS, type CupId } from './cups'
import { withDecimalMark, type DecimalMark } from './decimal-mark'
import { inMeasure, measureOf, type Measure, type OwnMeasure, type StandardMeasureId } from './measures'
import { roundTo } from './rounding'

/** Metric, or US customary: cups, ounces, degrees Fahrenheit, feet, inches, quarts. */
export const UNIT_SYSTEMS = ['metric', 'us'] as const
export type UnitSystem = (typeof UNIT_SYSTEMS)[number]

/** What a kitchen measures by, and in which units it says everything else. */
export interface KitchenUnits {
  units: 'grams' | 'cups'
  cup: CupId
  system: UnitSystem
  /** As the language of the reader writes numbers; a point where nothing is said. */
  decimal?: DecimalMark
}

/** The units among a household's settings, and the decimal mark of who reads them. */
export const unitsOf = ({ units, cup, system }: KitchenUnits, decimal: DecimalMark): KitchenUnits => ({
  units,
  cup,
  system,
  decimal,
})

/**
 * The conversion factors, exact by definition.
 * @see NIST Special Publication 811, appendix B
 */
export const G_PER_OZ = 28.349523125
const OZ_PER_LB = 16
export const ML_PER_FL_OZ = 29.5735295625
export const ML_PER_QT = 946.352946
export const MM_PER_IN = 25.4
export const M_PER_FT = 0.3048

/** Fewer ounces than this are said with two decimals; more than that in pounds. */
const FEW_OZ = 1
const MANY_OZ = 48
/** A vessel of less than this is said in fluid ounces, quarts. */
const LEAST_QT = 0.95

const grouped = (n: number) => n.toLocaleString('en-US')

/** @example temperatureIn(82, 'us') // "180 °F" */
export const temperatureIn = (celsius: number, system: UnitSystem, decimals = 0): string =>
  system === 'us' ? `${roundTo(fahrenheit(celsius), decimals)} °F` : `${roundTo(celsius, decimals)} °C`

/** @example altitudeIn(1120, 'us') // "3,670 ft" */
export const altitudeIn = (metres: number, system: UnitSystem): string =>
  system === 'us' ? `${grouped(Math.round(metres / M_PER_FT / 10) * 10)} ft` : `${Math.round(metres)} m`

/** A length in the kitchen, to the mark on its ruler.  @example lengthIn(35, 'us') // "1⅜ in" */
export const lengthIn = (mm: number, system: UnitSystem): string =>
  system === 'us' ? `${inches(mm)} in` : `${Math.round(mm)} mm`

/** What a vessel holds.  @example capacityIn(3500, 'us') // "3.7 qt" */
export function capacityIn(ml: number, system: UnitSystem): string {
  if (system === 'metric') return ml >= 1000 ? `${(ml / 1000).toFixed(1)} L` : `${Math.round(ml)} mL`
  const quarts = ml / ML_PER_QT
  return quarts >= LEAST_QT
    ? `${roundTo(quarts, 1)} qt`
    : `${roundTo(ml / ML_PER_FL_OZ, ml < 300 ? 1 : 0)} fl oz`
}

/** A mass on the scale.  @example massIn(300, 'us') // "10.6 oz" */
export function massIn(grams: number, system: UnitSystem): string {
  if (system === 'metric') return `${Math.abs(grams) < 10 ? roundTo(grams, 1) : Math.round(grams)} g`
  const oz = grams / G_PER_OZ
  if (Math.abs(oz) >= MANY_OZ) return `${roundTo(oz / OZ_PER_LB, 1)} lb`
  return `${roundTo(oz, Math.abs(oz) < FEW_OZ ? 2 : 1)} oz`
}

/**
 * An amount as this kitchen says it: "1½ cups" where it measures by cups, else "300 g" or "10.6 oz".
 * @param ml what it fills
 */
export const amountIn = ({ units, cup, system, decimal }: KitchenUnits, grams: number, ml: number): string =>
  withDecimalMark(
    units === 'cups'
      ? inMeasure(Math.max(0, ml), cupMeasure(cup)).text
      : massIn(system === 'us' ? grams : Math.round(grams), system),
    decimal,
  )

/** Water as this kitchen says it; a gram of it fills a millilitre. */
export const waterIn = (kitchen: KitchenUnits, grams: number): string => amountIn(kitchen, grams, grams)

/** Whether this kitchen's texts keep the units they are written with: metric, by the scale. */
export const keepsUnits = ({ units, system }: KitchenUnits): boolean =>
  system === 'metric' && units === 'grams'

/** Whether this kitchen reads texts just as they are written. */
export const readsAsWritten = (kitchen: KitchenUnits): boolean =>
  keepsUnits(kitchen) && kitchen.decimal !== ','

/** The contract's name of a household's cup; a size that has none goes by its millilitres. */
export const measureOfCup = (cup: CupId): StandardMeasureId | OwnMeasure =>
  ({
    'us-customary': 'us-cup' as const,
    metric: 'metric-cup' as const,
    scoop: 'rice-cooker-cup' as const,
    'us-legal': { name: 'cup', ml: CUPS['us-legal'].ml },
  })[cup]

/** The cup of a kitchen, called just "cup": which one it is was said in Settings. */
export const cupMeasure = (cup: CupId): Measure => ({
  ...measureOf(measureOfCup(cup)),
  one: 'cup',
  many: 'cups',
})

export const fahrenheit = (celsius: number) => celsius * 1.8 + 32

const EIGHTHS = ['', '⅛', '¼', '⅜', '½', '⅝', '¾', '⅞'] as const
/** An eighth of an inch is said where it is off by no more than this, mm. */
const NEAR_EIGHTH_MM = 0.85
/** Larger things are said in eighths, mm. */
const EIGHTHS_FROM_MM = 100

/** Inches to an eighth, or to a sixteenth where an eighth is too coarse. */
function inches(mm: number): string {
  const eighths = Math.round((mm / MM_PER_IN) * 8)
  if (Math.abs((eighths / 8) * MM_PER_IN - mm) <= NEAR_EIGHTH_MM || mm > EIGHTHS_FROM_MM)
    return `${Math.floor(eighths / 8) || (eighths % 8 ? '' : '0')}${EIGHTHS[eighths % 8]!}`
  const sixteenths = Math.round((mm / MM_PER_IN) * 16)
  const whole = Math.floor(sixteenths / 16)
  return `${whole || ''}${whole ? ' ' : ''}${sixteenths % 16}/16`
}
