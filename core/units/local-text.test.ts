import fc from 'fast-check'
import { localLabel, localText } from './local-text'
import {
  altitudeIn,
  capacityIn,
  lengthIn,
  massIn,
  temperatureIn,
  UNIT_SYSTEMS,
  type KitchenUnits,
} from './system'
import { shownInField, type FieldKind } from './field-units'
import { fieldInBase } from './typed-field'

const US: KitchenUnits = { units: 'grams', cup: 'us-customary', system: 'us' }
const US_CUPS: KitchenUnits = { ...US, units: 'cups' }
const METRIC: KitchenUnits = { units: 'grams', cup: 'metric', system: 'metric' }
const METRIC_CUPS: KitchenUnits = { ...METRIC, units: 'cups' }

test('published pairs: water boils at 212 °F, a quart is 946 mL, a pound 454 g, a mile 5,280 ft', () => {
  expect(temperatureIn(100, 'us')).toBe('212 °F')
  expect(temperatureIn(0, 'us')).toBe('32 °F')
  expect(temperatureIn(73.9, 'us')).toBe('165 °F')
  expect(capacityIn(946.353, 'us')).toBe('1 qt')
  expect(capacityIn(5678, 'us')).toBe('6 qt')
  expect(capacityIn(236.6, 'us')).toBe('8 fl oz')
  expect(massIn(453.592, 'us')).toBe('16 oz')
  expect(massIn(28.35, 'us')).toBe('1 oz')
  expect(altitudeIn(1609.344, 'us')).toBe('5,280 ft')
  expect(lengthIn(25.4, 'us')).toBe('1 in')
  expect(lengthIn(228.6, 'us')).toBe('9 in')
})

test.each([
  ['35 mm deep', '1⅜ in deep'],
  ['Keep it at 63 °C or more', 'Keep it at 145 °F or more'],
  ['Store at 3 to 5 °C', 'Store at 37 to 41 °F'],
  ['Water boils at 96.3 °C here', 'Water boils at 205.3 °F here'],
  ['must be from -450 to 5,500 m, got 9', 'must be from -1,480 to 18,040 ft, got 9'],
  ['It holds 3.5 L', 'It holds 3.7 qt'],
  ['Cook 300 g at a time', 'Cook 10.6 oz at a time'],
  ['over a 25 × 30 cm² field and 18 min', 'over a 25 × 30 cm² field and 18 min'],
  ['1.30 g per gram', '1.30 g per gram'],
])('a US kitchen reads “%s” as “%s”', (metric, us) => expect(localText(metric, US)).toBe(us))

test('a kitchen of cups measures water by cups and spoons, a kitchen with a scale weighs it', () => {
  expect(localText('Add 60 g boiling water', US_CUPS)).toBe('Add ¼ cup boiling water')
  expect(localText('Add 60 g boiling water', METRIC_CUPS)).toBe('Add 4 tbsp boiling water')
  expect(localText('15 g too little water', METRIC_CUPS)).toBe('1 tbsp too little water')
  expect(localText('Add 60 g boiling water', US)).toBe('Add 2.1 oz boiling water')
  expect(localText('Add 60 g boiling water', METRIC)).toBe('Add 60 g boiling water')
})

test('a US text holds no metric unit, whatever the figures', () => {
  const figure = fc.oneof(fc.integer({ min: 0, max: 9000 }), fc.float({ min: 0, max: 99, noNaN: true }))
  const unit = fc.constantFrom('°C', 'mm', 'cm', 'mL', 'L', 'g', 'kg', 'm')
  fc.assert(
    fc.property(figure, unit, (n, u) => {
      const written = Number.isInteger(n) ? String(n) : n.toFixed(1)
      expect(localText(`about ${written} ${u}, then 5 min`, US)).not.toMatch(/\d (°C|mm|cm|mL|L|g|kg|m)\b/)
    }),
  )
})

test('labels carry the unit that is typed', () => {
  expect(localLabel('Altitude, m', 'us')).toBe('Altitude, ft')
  expect(localLabel('Room temperature, °C', 'us')).toBe('Room temperature, °F')
  expect(localLabel('Empty, g', 'us')).toBe('Empty, oz')
  expect(localLabel('Rest, min', 'us')).toBe('Rest, min')
  expect(localLabel('Empty, g', 'metric')).toBe('Empty, g')
})

const KINDS: FieldKind[] = ['temperature', 'altitude', 'length', 'capacity', 'volume', 'mass']
test('a field that still shows what is stored changes nothing; what is typed is read to its last shown digit', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...KINDS),
      fc.constantFrom(...UNIT_SYSTEMS),
      fc.integer({ min: 1, max: 9000 }).map((n) => n / 2),
      (kind, system, stored) => {
        const shown = String(shownInField(kind, stored, system))
        expect(fieldInBase(kind, shown, system, stored)).toBe(String(stored))
        const read = Number(fieldInBase(kind, shown, system))
        expect(shownInField(kind, read, system)).toBeCloseTo(Number(shown), 2)
      },
    ),
  )
})

test.each([
  ['length', '9 in', 'metric', '228.6'],
  ['length', '9', 'us', '228.6'],
  ['length', '23 cm', 'us', '230'],
  ['capacity', '6 qt', 'metric', '5678.118'],
  ['capacity', '3,5 L', 'us', '3500'],
  ['altitude', '5280 ft', 'metric', '1609.344'],
  ['altitude', '1120 m', 'us', '1120'],
  ['temperature', '68 °F', 'metric', '20'],
  ['temperature', '68', 'us', '20'],
  ['mass', '1 lb', 'metric', '453.592'],
  ['mass', '340', 'metric', '340'],
] as const)('%s “%s” in a %s kitchen is stored as %s', (kind, typed, system, stored) =>
  expect(fieldInBase(kind, typed, system)).toBe(stored),
)

test('what is not a number with a known unit is handed on for the form to refuse', () => {
  expect(fieldInBase('length', 'wide', 'us')).toBe('wide')
  expect(fieldInBase('length', '9 parsecs', 'us')).toBe('9 parsecs')
  expect(fieldInBase('mass', '', 'us')).toBe('')
})
