import { MantineThemeProvider } from '@mantine/core'
import { createContext, use, type ReactNode } from 'react'
import { localLabel, localText } from '#core/units/local-text'
import { withDecimalMark } from '#core/units/decimal-mark'
import {
  altitudeIn,
  capacityIn,
  lengthIn,
  massIn,
  temperatureIn,
  waterIn,
  type KitchenUnits,
} from '#core/units/system'
import { fieldUnit, readFromField, shownInField, type FieldKind } from '#core/units/field-units'

const METRIC: KitchenUnits = { units: 'grams', cup: 'metric', system: 'metric' }

const Units = createContext<KitchenUnits>(METRIC)

/** Fields of numbers as they are written with a comma; a point is read as one too. */
const COMMA_FIELDS = {
  components: {
    NumberInput: { defaultProps: { decimalSeparator: ',', allowedDecimalSeparators: ['.', ','] } },
  },
}

/** The units of the kitchen that is shown inside. */
export const UnitsProvider = ({
  units = METRIC,
  children,
}: {
  units: KitchenUnits | undefined
  children: ReactNode
}) => (
  <Units value={units}>
    <MantineThemeProvider theme={units.decimal === ',' ? COMMA_FIELDS : undefined}>
      {children}
    </MantineThemeProvider>
  </Units>
)

/** How this kitchen says figures, and reads them in fields. */
export function useUnits() {
  const kitchen = use(Units)
  const { system, decimal } = kitchen
  const marked = (text: string) => withDecimalMark(text, decimal)
  return {
    ...kitchen,
    /** A text written with metric figures. */
    say: (text: string) => localText(text, kitchen),
    kitchen,
    /** A field's label that ends in a metric unit: "Altitude, m". */
    label: (text: string) => localLabel(text, system),
    temperature: (celsius: number, decimals?: number) => marked(temperatureIn(celsius, system, decimals)),
    altitude: (metres: number) => marked(altitudeIn(metres, system)),
    length: (mm: number) => marked(lengthIn(mm, system)),
    capacity: (ml: number) => marked(capacityIn(ml, system)),
    mass: (grams: number) => marked(massIn(grams, system)),
    /** A figure without a unit. */
    number: (n: number, decimals: number) => marked(n.toFixed(decimals)),
    waterIn: (grams: number) => waterIn(kitchen, grams),
    unit: (kind: FieldKind) => fieldUnit(kind, system),
    /** A stored figure as a field shows it, and back. */
    shown: (kind: FieldKind, base: number) => shownInField(kind, base, system),
    read: (kind: FieldKind, shown: number) => readFromField(kind, shown, system),
  }
}
