import { parseBagForm, parseHeatForm, parseMeasureForm, parseVesselForm } from './equipment'

const vessel = {
  name: 'the new one',
  kind: 'pot',
  capacity_ml: '2500',
  rim_diameter_mm: '190',
  base_diameter_mm: '',
  height_mm: '',
  lid: 'tight',
  lining: 'enamel',
  material: 'iron',
  empty_g: '3200',
  own_rated_w: '',
  marks: '',
}
const errorsOf = (read: { ok: boolean; errors?: { path: string; message: string }[] }) =>
  'errors' in read ? read.errors! : []

test('a pot in the words of a form', () => {
  expect(parseVesselForm(vessel)).toEqual({
    ok: true,
    value: {
      name: 'the new one',
      kind: 'pot',
      capacity_ml: 2500,
      rim_diameter_mm: 190,
      base_diameter_mm: null,
      height_mm: null,
      lid: 'tight',
      lining: 'enamel',
      material: 'iron',
      empty_g: 3200,
      sticks_g: null,
      own_rated_w: null,
      printed: null,
      marks: null,
    },
  })
})

test('a field that was not shown counts as left empty', () => {
  const { own_rated_w: _, empty_g: __, ...shown } = vessel
  expect(parseVesselForm(shown)).toMatchObject({ ok: true, value: { own_rated_w: null, empty_g: null } })
})

test.each([
  [{ rim_diameter_mm: '-4' }, 'rim_diameter_mm', '40 to 800 mm'],
  [{ rim_diameter_mm: '0' }, 'rim_diameter_mm', 'got 0'],
  [{ capacity_ml: '1,5,0' }, 'capacity_ml', 'must be a number'],
  [{ capacity_ml: '' }, 'capacity_ml', 'is empty'],
  [{ capacity_ml: '1e9' }, 'capacity_ml', 'must be a number'],
  [{ height_mm: 'tall' }, 'height_mm', 'must be a number'],
  [{ name: '   ' }, 'name', 'is empty'],
  [{ name: 'x'.repeat(61) }, 'name', 'at most 60'],
  [{ kind: 'bucket' }, 'kind', 'must be one of'],
  [{ empty_g: '1' }, 'empty_g', '50 to 30000'],
  [{ marks: 'up to here' }, 'marks', 'line 1 must be like'],
  [{ marks: '20 mm = 500 mL\n10 mm = 900 mL' }, 'marks', 'mark 2 must be higher'],
])('%j is refused beside its field', (change, path, words) => {
  const errors = errorsOf(parseVesselForm({ ...vessel, ...change }))
  expect(errors).toHaveLength(1)
  expect(errors[0]).toMatchObject({ path, message: expect.stringContaining(words) })
})

test('marks as a cook writes them, with commas and without units', () => {
  const read = parseVesselForm({ ...vessel, marks: ' 20 mm = 500 mL \n\n40: 1050,5' })
  expect(read.ok && read.value.marks).toEqual([
    { level_mm: 20, volume_ml: 500 },
    { level_mm: 40, volume_ml: 1050.5 },
  ])
})

test('places of a knob', () => {
  const knob = (text: string) => parseHeatForm({ name: 'big gas', kind: 'gas', rated_w: '2700', knob: text })
  const read = knob('low = 25 %\n3: 40')
  expect(read.ok && read.value.knob).toEqual([
    { name: 'low', share: 0.25 },
    { name: '3', share: 0.4 },
  ])
  expect(errorsOf(knob('low = 0 %'))[0]).toMatchObject({
    path: 'knob',
    message: expect.stringContaining('line 1'),
  })
  expect(errorsOf(knob('low = 140 %'))).toHaveLength(1)
})

test('a measure by its print, by two weights or by counting', () => {
  expect(parseMeasureForm({ how: 'known', name: 'mug', ml: '312' })).toMatchObject({ ok: true })
  expect(parseMeasureForm({ how: 'weighed', name: 'mug', empty_g: '300', full_g: '612' })).toMatchObject({
    ok: true,
  })
  expect(parseMeasureForm({ how: 'counted', name: 'glass', known_ml: '1000', times: '4,9' })).toMatchObject({
    ok: true,
    value: { times: 4.9 },
  })
  expect(errorsOf(parseMeasureForm({ how: 'guessed', name: 'mug' }))).toHaveLength(1)
  expect(errorsOf(parseMeasureForm({ how: 'known', name: 'mug', ml: '2' }))[0]!.path).toBe('ml')
})

test('a bag: what is not said is not known, and a day is a day', () => {
  const bag = {
    variety: 'quinoa',
    name: 'quinoa',
    label: '',
    label_ratio: '',
    bought_on: '',
    opened_on: '2026-02-28',
    left_g: '',
  }
  expect(parseBagForm(bag)).toMatchObject({
    ok: true,
    value: {
      label_ratio: null,
      bought_on: null,
      opened_on: '2026-02-28',
      new_crop: 0,
      enriched: 0,
      left_g: null,
    },
  })
  expect(parseBagForm({ ...bag, new_crop: '1', left_g: '0' })).toMatchObject({
    ok: true,
    value: { new_crop: 1, left_g: 0 },
  })
  for (const [change, path] of [
    [{ opened_on: '2026-13-45' }, 'opened_on'],
    [{ variety: 'toString' }, 'variety'],
    [{ left_g: '-3' }, 'left_g'],
    [{ label_ratio: '99' }, 'label_ratio'],
  ] as const)
    expect(errorsOf(parseBagForm({ ...bag, ...change })).map((e) => e.path)).toEqual([path])
})
