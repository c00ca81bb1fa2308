import { CUPS } from './cups'
import { readFromField, shownInField, type FieldKind } from './field-units'
import { SPOONS } from './measures'
import { parseQuantity } from './parse-quantity'
import { roundTo } from './rounding'
import type { UnitSystem } from './system'

/** A number as a field shows it, whichever way its decimals are written. */
const asShown = (text: string) => text.replace(',', '.')

/** What a typed unit must count for a field of this kind. */
const BASE_UNITS = { altitude: 'm', length: 'mm', capacity: 'ml', volume: 'ml', mass: 'g' } as const

/** No number with its unit is longer; what is, is refused as it was typed. */
const MAX_TYPED = 40

/** A typed number of this kind in its base unit; undefined where it is none, or has another kind's unit. */
function typedInBase(kind: FieldKind, text: string, system: UnitSystem): number | undefined {
  if (kind === 'temperature') {
    const [, number, unit = system === 'us' ? 'f' : 'c'] =
      /^([+−-]?\d+(?:[.,]\d+)?)\s*°?\s*([cf])?$/i.exec(text) ?? []
    return number === undefined
      ? undefined
      : readFromField(
          kind,
          Number(number.replace(',', '.').replace('−', '-')),
          unit.toLowerCase() === 'f' ? 'us' : 'metric',
        )
  }
  const sign = /^[−-]/.test(text) ? -1 : 1
  const read = parseQuantity(text.replace(/^[+−-]/, ''))
  if (!read.ok || read.rest.trim() !== '') return undefined
  const { value, unit } = read.quantity
  if (unit === undefined) return readFromField(kind, sign * value, system)
  if (BASE_UNITS[kind] === 'ml' && (unit === 'cup' || unit === 'us-cup'))
    return sign * value * CUPS['us-customary'].ml
  if (BASE_UNITS[kind] === 'ml' && unit === 'tbsp') return sign * value * SPOONS.us.tbsp
  return unit === BASE_UNITS[kind] ? sign * value : undefined
}

/**
 * A field's text in the base unit, as text: "9 in" is "228.6", and "9" is too in a kitchen of inches. What is
 * not a number with a known unit is handed on as it was typed, for the form to refuse.
 * @param stored what the field showed before: text that still shows it changes nothing
 */
export function fieldInBase(kind: FieldKind, typed: string, system: UnitSystem, stored?: number): string {
  const text = typed.trim()
  if (text.length > MAX_TYPED) return typed
  if (stored !== undefined && asShown(text) === String(shownInField(kind, stored, system)))
    return String(stored)
  // A plain number of a metric kitchen is handed on as it is.
  if (system === 'metric' && /^[+−-]?\d+([.,]\d+)?$/.test(text)) return typed
  const base = typedInBase(kind, text, system)
  return base === undefined ? typed : String(roundTo(base, 3))
}
