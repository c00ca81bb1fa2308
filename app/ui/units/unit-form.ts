import type { FieldError } from '#core/contract/fields'
import { withDecimalMark } from '#core/units/decimal-mark'
import { localText } from '#core/units/local-text'
import type { KitchenUnits, UnitSystem } from '#core/units/system'
import { shownInField, type FieldKind } from '#core/units/field-units'
import { fieldInBase } from '#core/units/typed-field'

/** What a field holds, by the unit its name ends in; undefined for one without. */
export function kindOfField(name: string): FieldKind | undefined {
  if (name === 'capacity_ml') return 'capacity'
  if (name === 'ml') return 'volume'
  if (name === 'grams') return 'mass'
  const unit = /_(mm|ml|g|m|c)$/.exec(name)?.[1]
  return unit === undefined ? undefined : UNIT_KINDS[unit]
}

const UNIT_KINDS: Readonly<Record<string, FieldKind>> = {
  mm: 'length',
  ml: 'volume',
  g: 'mass',
  m: 'altitude',
  c: 'temperature',
}

/** A stored figure as a form's field shows it. */
export function shownField(
  name: string,
  value: unknown,
  { system, decimal }: Pick<KitchenUnits, 'system' | 'decimal'>,
): string {
  const kind = kindOfField(name)
  return typeof value === 'number'
    ? withDecimalMark(String(kind ? shownInField(kind, value, system) : value), decimal)
    : String(value ?? '')
}

/** Lines of marks ("¾ in = 17 fl oz") and of printed lines ("3 = 1⅝ in") in mm and mL. */
function linesInBase(name: string, text: string, system: UnitSystem): string {
  if (system === 'metric' || (name !== 'marks' && name !== 'printed')) return text
  return text
    .split('\n')
    .map((line) => {
      const [left, right] = line.split(/\s*[=:]\s*/)
      if (left === undefined || right === undefined) return line
      return name === 'marks'
        ? `${fieldInBase('length', left, system)} = ${fieldInBase('volume', right, system)}`
        : `${left} = ${fieldInBase('length', right, system)}`
    })
    .join('\n')
}

/**
 * A form's fields in the units they are stored in.
 * @param stored what was shown: a field that still shows it changes nothing
 */
export const inBaseUnits = <T extends Record<string, string>>(
  typed: T,
  { system }: Pick<KitchenUnits, 'system'>,
  stored: object = {},
): T =>
  Object.fromEntries(
    Object.entries(typed).map(([name, text]) => {
      const kind = kindOfField(name)
      const before = (stored as Record<string, unknown>)[name]
      return [
        name,
        kind === undefined
          ? linesInBase(name, text, system)
          : fieldInBase(kind, text, system, typeof before === 'number' ? before : undefined),
      ]
    }),
  ) as T

/** What was refused, in the kitchen's units and quoting what was typed. */
export const inKitchenUnits = (
  errors: readonly FieldError[],
  typed: Readonly<Record<string, string>>,
  kitchen: KitchenUnits,
): FieldError[] =>
  kitchen.system === 'metric'
    ? [...errors]
    : errors.map((error) => ({
        ...error,
        message: localText(
          kindOfField(error.path) === undefined
            ? error.message
            : error.message.replace(
                /got ("?)[\d.,−-]+\1/,
                (_all: string, mark: string) => `got ${mark}${typed[error.path] ?? ''}${mark}`,
              ),
          kitchen,
        ),
      }))
