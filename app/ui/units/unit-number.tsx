import { NumberInput, type NumberInputProps } from '@mantine/core'
import type { FieldKind } from '#core/units/field-units'
import { useUnits } from './units'

/** A number field whose figures are kept in the base unit of their kind and shown in this kitchen's. */
export function UnitNumber({
  kind,
  label,
  value,
  min,
  max,
  step,
  onChange,
  ...rest
}: Omit<NumberInputProps, 'value' | 'onChange' | 'min' | 'max' | 'step'> & {
  kind: FieldKind
  /** Ends in the metric unit: "Cooked, g". */
  label?: string
  /** In the base unit (°C, m, mm, mL, g), as are the limits and what is handed on. */
  value: number | ''
  min?: number
  max?: number
  step?: number
  onChange: (base: number | '') => void
}) {
  const { label: local, shown, read, system } = useUnits()
  const limit = (base: number | undefined, inward: (n: number) => number) =>
    base === undefined ? undefined : system === 'metric' ? base : inward(shown(kind, base) * 10) / 10
  return (
    <NumberInput
      {...rest}
      {...(label === undefined ? {} : { label: local(label) })}
      value={value === '' ? '' : shown(kind, value)}
      min={limit(min, Math.ceil)}
      max={limit(max, Math.floor)}
      {...(step === undefined ? {} : { step: system === 'metric' ? step : US_STEPS[kind] })}
      onChange={(next) => onChange(typeof next === 'number' ? read(kind, next) : '')}
    />
  )
}

/** What one press of an arrow adds, in US units. */
const US_STEPS: Record<FieldKind, number> = {
  temperature: 1,
  altitude: 100,
  length: 0.25,
  capacity: 0.5,
  volume: 1,
  mass: 0.5,
}
