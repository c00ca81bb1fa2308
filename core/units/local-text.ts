import {
  altitudeIn,
  capacityIn,
  lengthIn,
  massIn,
  keepsUnits,
  temperatureIn,
  waterIn,
  type KitchenUnits,
  type UnitSystem,
} from './system'
import { readNumber, withDecimalMark } from './decimal-mark'
import { fieldUnit, type FieldKind } from './field-units'

/**
 * A sentence written with metric figures ("Add 60 g boiling water", "35 mm deep", "3 to 5 °C") as this kitchen
 * says it. Ratios ("g per gram", "g a mL") have no unit to change. A metric kitchen with a scale reads it as it
 * is written.
 * @param text any text of the product; figures and units as docs/CONTRIBUTING writes them
 */
export const localText = (text: string, kitchen: KitchenUnits): string =>
  withDecimalMark(keepsUnits(kitchen) ? text : inUnits(text, kitchen), kitchen.decimal)

function inUnits(text: string, kitchen: KitchenUnits): string {
  return text.replace(
    QUANTITY,
    (
      whole,
      first: string,
      between: string | undefined,
      second: string | undefined,
      unit: string,
      of: string | undefined,
    ) => {
      const say = formatOf(unit, of !== undefined, kitchen)
      if (!say) return whole
      const decimals = Math.max(decimalsOf(first), decimalsOf(second))
      const last = say(readNumber(second ?? first), decimals)
      if (second === undefined) return `${last}${of ?? ''}`
      return `${withoutUnit(say(readNumber(first), decimals), last)}${between}${last}${of ?? ''}`
    },
  )
}

/** A number or a range of two, its unit, and what it measures where that is a liquid. */
const NUMBER = String.raw`[−-]?\d[\d,\u202F]*(?:\.\d+)?`
const QUANTITY = new RegExp(
  String.raw`(?<![\w.,/×])(${NUMBER})(?:(\s?(?:to|and|–)\s?)(${NUMBER}))?\s(°C|mm|cm|mL|L|kg|g|m)(?![\w²³/])(?! per | a m[lL]| a gram)` +
    String.raw`((?:\s(?:of|too much|too little|more|less|boiling|hot|cold))*\s(?:water|liquid|steam|stock)\b|\s(?:poured|ran over|measured)\b)?`,
  'g',
)

const decimalsOf = (text: string | undefined) =>
  /(?:\.|,(?=\d{1,2}$))(\d+)$/.exec(text ?? '')?.[1]?.length ?? 0
/** "1⅜" of "1⅜ in", where the unit comes once more behind it. */
const withoutUnit = (text: string, next: string) => {
  const unit = / [^\d].*$/.exec(next)?.[0] ?? ''
  return unit !== '' && text.endsWith(unit) ? text.slice(0, -unit.length) : text
}

type Format = (n: number, decimals: number) => string

/** How each unit is said in US units. */
const US_FORMATS: Readonly<Record<string, Format>> = {
  g: (n) => massIn(n, 'us'),
  kg: (n) => massIn(1000 * n, 'us'),
  mL: (n) => capacityIn(n, 'us'),
  L: (n) => capacityIn(1000 * n, 'us'),
  '°C': (n, decimals) => temperatureIn(n, 'us', decimals),
  mm: (n) => lengthIn(n, 'us'),
  cm: (n) => lengthIn(10 * n, 'us'),
  m: (n) => altitudeIn(n, 'us'),
}

/** A liquid is measured with what the kitchen measures by; all else only changes its unit. */
const formatOf = (unit: string, liquid: boolean, kitchen: KitchenUnits): Format | undefined =>
  liquid && kitchen.units === 'cups' && (unit === 'g' || unit === 'mL')
    ? (n) => waterIn(kitchen, n)
    : kitchen.system === 'us'
      ? US_FORMATS[unit]
      : undefined

const LABEL_UNITS: Record<string, FieldKind> = {
  '°C': 'temperature',
  mm: 'length',
  mL: 'volume',
  g: 'mass',
  m: 'altitude',
}

/** A field's label that ends in a metric unit, with the unit this kitchen types: "Altitude, m". */
export const localLabel = (label: string, system: UnitSystem): string =>
  label.replace(
    /, (°C|mm|mL|g|m)(?=$| \(|, | or )/,
    (_, unit: string) => `, ${fieldUnit(LABEL_UNITS[unit]!, system)}`,
  )
