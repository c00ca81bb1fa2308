import { NumberInput, type NumberInputProps } from '@mantine/core'
import { createContext, use, type ReactNode } from 'react'
import { localLabel, localText } from '#core/units/local-text'
import {
  altitudeIn,
  capacityIn,
  fieldUnit,
  lengthIn,
  liquidIn,
  massIn,
  readFromField,
  shownInField,
  temperatureIn,
  type FieldKind,
  type KitchenUnits,
} from '#core/units/system'

const METRIC: KitchenUnits = { units: 'grams', cup: 'metric', system: 'metric' }

const Units = createContext<KitchenUnits>(METRIC)

/** The units of the kitchen that is shown inside. */
export const UnitsProvider = ({
  units = METRIC,
  children,
}: {
  units: KitchenUnits | undefined
  children: ReactNode
}) => <Units value={units}>{children}</Units>

/** How this kitchen says figures, and reads them in fields. */
export function useUnits() {
  const kitchen = use(Units)
  const { system } = kitchen
  return {
    ...kitchen,
    /** A text written with metric figures. */
    say: (text: string) => localText(text, kitchen),
    kitchen,
    /** A field's label that ends in a metric unit: "Altitude, m". */
    label: (text: string) => localLabel(text, system),
    temperature: (celsius: number, decimals?: number) => temperatureIn(celsius, system, decimals),
    altitude: (metres: number) => altitudeIn(metres, system),
    length: (mm: number) => lengthIn(mm, system),
    capacity: (ml: number) => capacityIn(ml, system),
    mass: (grams: number) => massIn(grams, system),
    waterIn: (grams: number) => liquidIn(grams, kitchen),
    unit: (kind: FieldKind) => fieldUnit(kind, system),
    /** A stored figure as a field shows it, and back. */
    shown: (kind: FieldKind, base: number) => shownInField(kind, base, system),
    read: (kind: FieldKind, shown: number) => readFromField(kind, shown, system),
  }
}

/** Words and figures written in metric units, said in this kitchen's own. Elements inside are left as they are. */
export function Say({ children }: { children: ReactNode }) {
  const { say } = useUnits()
  const parts: ReactNode[] = []
  let text = ''
  const flush = () => {
    if (text !== '') parts.push(say(text))
    text = ''
  }
  for (const child of [children].flat(Infinity) as ReactNode[]) {
    if (typeof child === 'string' || typeof child === 'number') text += String(child)
    else if (child !== null && child !== undefined && typeof child !== 'boolean') {
      flush()
      parts.push(child)
    }
  }
  flush()
  return <>{parts.map((part, i) => (typeof part === 'string' ? part : <span key={i}>{part}</span>))}</>
}

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
