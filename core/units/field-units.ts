import { roundTo } from './rounding'
import { fahrenheit, G_PER_OZ, ML_PER_FL_OZ, ML_PER_QT, MM_PER_IN, M_PER_FT, type UnitSystem } from './system'

/** What a field of a form holds, and so its unit. */
export type FieldKind = 'temperature' | 'altitude' | 'length' | 'capacity' | 'volume' | 'mass'

interface FieldUnit {
  unit: string
  /** From the base unit (°C, m, mm, mL, g), and back. */
  show: (base: number) => number
  read: (shown: number) => number
  decimals: number
}

const scaled = (unit: string, factor: number, decimals: number): FieldUnit => ({
  unit,
  show: (base) => base / factor,
  read: (shown) => shown * factor,
  decimals,
})

const FIELD_UNITS: Record<UnitSystem, Record<FieldKind, FieldUnit>> = {
  metric: {
    temperature: scaled('°C', 1, 1),
    altitude: scaled('m', 1, 0),
    length: scaled('mm', 1, 1),
    capacity: scaled('mL', 1, 0),
    volume: scaled('mL', 1, 0),
    mass: scaled('g', 1, 1),
  },
  us: {
    temperature: { unit: '°F', show: fahrenheit, read: (f) => (f - 32) / 1.8, decimals: 0 },
    altitude: scaled('ft', M_PER_FT, 0),
    length: scaled('in', MM_PER_IN, 2),
    capacity: scaled('qt', ML_PER_QT, 2),
    volume: scaled('fl oz', ML_PER_FL_OZ, 1),
    mass: scaled('oz', G_PER_OZ, 2),
  },
}

/** The unit a field of this kind has in this kitchen. */
export const fieldUnit = (kind: FieldKind, system: UnitSystem): string => FIELD_UNITS[system][kind].unit

/** A stored figure (°C, m, mm, mL, g) as a field shows it. */
export function shownInField(kind: FieldKind, base: number, system: UnitSystem): number {
  const { show, decimals } = FIELD_UNITS[system][kind]
  return roundTo(show(base), system === 'metric' ? 6 : decimals)
}

/** What was typed into a field, in the base unit (°C, m, mm, mL, g). */
export const readFromField = (kind: FieldKind, shown: number, system: UnitSystem): number =>
  system === 'metric' ? shown : roundTo(FIELD_UNITS[system][kind].read(shown), 3)
