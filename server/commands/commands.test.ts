import type { FieldError } from '#core/contract/fields'
import { minutesToHeat } from '#core/heat/time-to-boil'
import { vesselOf } from '#core/vessel/vessel'
import { openKitchen, settingsOf, type Kitchen } from '#server/store/open-household'
import { beginHousehold, FIRST_KITCHEN } from './begin-household'
import { saveGauge, savePourMark } from './plan'
import {
  calibrateBoil,
  calibrateFull,
  calibrateSimmer,
  dropHeat,
  dropMeasure,
  dropProgramme,
  dropVessel,
  saveHeat,
  saveMeasure,
  saveProgramme,
  saveVessel,
} from './equipment'
import { adoptLabel, dropBag, saveBag } from './grains'

let kitchen: Kitchen
beforeEach(() => {
  kitchen = openKitchen(':memory:')
  beginHousehold(kitchen, FIRST_KITCHEN)
})
afterEach(() => void kitchen.db.close())

const pathOf = (read: { ok: boolean; errors?: { path: string }[] }) => read.errors?.[0]?.path
const pot = {
  name: 'the wide one',
  kind: 'pot',
  capacity_ml: '3000',
  rim_diameter_mm: '280',
  base_diameter_mm: '270',
  height_mm: '',
  lid: 'loose',
  lining: 'coated',
  material: 'aluminium',
  empty_g: '1200',
  own_rated_w: '',
  marks: '',
}
const find = (name: string) => kitchen.equipment.vessels().find((v) => v.name === name)!

describe('pots', () => {
  test('a new one is worked out from what a cook can measure', () => {
    expect(saveVessel(kitchen, pot)).toMatchObject({ ok: true })
    const row = find('the wide one')
    expect(row).toMatchObject({
      heat_capacity_j_k: 1200 * 0.9,
      lining: 'coated',
      own_rated_w: null,
      measured: '',
    })
    // The height of a frustum of 270 and 280 mm that holds 3 L.
    expect(row.height_mm).toBeCloseTo((12 * 3e6) / (Math.PI * (270 ** 2 + 270 * 280 + 280 ** 2)), 0)
  })
  test('changed, it keeps its place and what was learned of it', () => {
    saveVessel(kitchen, pot)
    const { id } = find('the wide one')
    kitchen.equipment.save.vessel({
      ...find('the wide one'),
      steam_factor: 1.4,
      measured: 'simmer weighed: x',
    })
    expect(saveVessel(kitchen, { ...pot, id, name: 'the wide blue', lid: 'tight' })).toMatchObject({
      ok: true,
    })
    expect(find('the wide blue')).toMatchObject({
      id,
      lid: 'tight',
      steam_factor: 1.4,
      measured: 'simmer weighed: x',
    })
  })
  test('measures that cannot be one pot are refused', () => {
    expect(pathOf(saveVessel(kitchen, { ...pot, height_mm: '200' }))).toBe('capacity_ml')
    expect(
      pathOf(
        saveVessel(kitchen, { ...pot, capacity_ml: '60000', rim_diameter_mm: '60', base_diameter_mm: '' }),
      ),
    ).toBe('capacity_ml')
    expect(pathOf(saveVessel(kitchen, { ...pot, id: 'nobody' }))).toBe('id')
    expect(kitchen.equipment.vessels()).toHaveLength(FIRST_KITCHEN.vessels.length)
  })
  test('an appliance has its own power, the usual one when none was entered', () => {
    saveVessel(kitchen, { ...pot, kind: 'cooker', name: 'a cooker' })
    expect(find('a cooker')).toMatchObject({ own_rated_w: 650, own_efficiency: 0.75 })
  })
  test('the last pot, heat or a thing that is not there cannot go', () => {
    for (const { id } of kitchen.equipment.vessels().slice(1))
      expect(dropVessel(kitchen, { id })).toMatchObject({ ok: true })
    expect(pathOf(dropVessel(kitchen, { id: kitchen.equipment.vessels()[0]!.id }))).toBe('id')
    expect(pathOf(dropHeat(kitchen, { id: 'nobody' }))).toBe('id')
    expect(pathOf(dropMeasure(kitchen, {}))).toBe('id')
  })
})

describe('calibrations', () => {
  const heavy = () => kitchen.equipment.vessels().find((v) => v.id === 'heavy-pot')!
  test('a boil that took as long as a burner of 85 % would makes it that burner', () => {
    const row = heavy()
    const physics = vesselOf({
      capacityMl: row.capacity_ml,
      baseDiameterMm: row.base_diameter_mm,
      rimDiameterMm: row.rim_diameter_mm,
      heightMm: row.height_mm,
      lid: row.lid,
    })
    const minutes = minutesToHeat({
      powerW: 700 * 0.85,
      heatCapacity: 4.18 * 1500 + row.heat_capacity_j_k,
      loss: physics.loss,
      fromC: 14,
      toC: 99.97,
      roomC: 20,
    })
    const said = calibrateBoil(kitchen, {
      vessel_id: 'heavy-pot',
      heat_id: 'middle-burner',
      water_g: '1500',
      from_c: '14',
      minutes: minutes.toFixed(2),
    })
    expect(said).toMatchObject({ ok: true, value: expect.stringMatching(/^700 → (59\d|60\d) W/) })
    const burner = kitchen.equipment.heats().find((h) => h.id === 'middle-burner')!
    expect(burner.power_factor).toBeCloseTo(0.85, 1)
    expect(burner.measured).toContain('boil timed')
  })
  test("a simmer that steams twice the model doubles the pot's steam", () => {
    // The lowest flame of 1.75 kW gives the pot 236 W; what is over its standing loss boils off.
    const row = heavy()
    const { loss } = vesselOf({
      capacityMl: row.capacity_ml,
      baseDiameterMm: row.base_diameter_mm,
      rimDiameterMm: row.rim_diameter_mm,
      heightMm: row.height_mm,
      lid: row.lid,
    })
    const rate = ((0.3 * 1750 * 0.45 - loss * (99.97 - 20)) / 2257) * 60
    const said = calibrateSimmer(kitchen, {
      vessel_id: 'heavy-pot',
      heat_id: 'middle-burner',
      before_g: '3000',
      after_g: String(3000 - 30 * rate),
      minutes: '15',
    })
    expect(said).toMatchObject({
      ok: true,
      value: expect.stringContaining(`${rate.toFixed(1)} → ${(2 * rate).toFixed(1)} g of steam`),
    })
    expect(heavy().steam_factor).toBeCloseTo(2, 1)
  })
  test('weighed full, its capacity is exact, and each kind of measuring is stored once', () => {
    calibrateFull(kitchen, { vessel_id: 'heavy-pot', empty_g: '1900', full_g: '4300' })
    calibrateFull(kitchen, { vessel_id: 'heavy-pot', empty_g: '1900', full_g: '4350' })
    expect(heavy()).toMatchObject({ capacity_ml: 2450, empty_g: 1900 })
    expect(heavy().measured).toBe('weighed full: holds 2400 → 2450 mL')
  })
  test('weighed smaller again and again, it is refused in words before it is no pot any more', () => {
    let error: FieldError | undefined
    for (let times = 0; times < 12 && !error; times++) {
      const halved = Math.ceil(heavy().capacity_ml * 0.55)
      const done = calibrateFull(kitchen, {
        vessel_id: 'heavy-pot',
        empty_g: '1900',
        full_g: String(1900 + halved),
      })
      if (!done.ok) error = done.errors[0]
    }
    expect(error).toMatchObject({ path: 'full_g', code: 'out-of-range' })
    expect(heavy().capacity_ml).toBeGreaterThanOrEqual(100)
  })
  test.each([
    [
      () =>
        calibrateBoil(kitchen, {
          vessel_id: 'heavy-pot',
          heat_id: 'middle-burner',
          water_g: '1500',
          from_c: '14',
          minutes: '0.5',
        }),
      'minutes',
    ],
    [
      () =>
        calibrateBoil(kitchen, {
          vessel_id: 'nobody',
          heat_id: 'middle-burner',
          water_g: '1500',
          from_c: '14',
          minutes: '9',
        }),
      'vessel_id',
    ],
    [
      () =>
        calibrateBoil(kitchen, {
          vessel_id: 'heavy-pot',
          heat_id: '',
          water_g: '1500',
          from_c: '14',
          minutes: '9',
        }),
      'heat_id',
    ],
    [
      () =>
        calibrateBoil(kitchen, {
          vessel_id: 'heavy-pot',
          heat_id: 'middle-burner',
          water_g: '',
          from_c: '14',
          minutes: '9',
        }),
      'water_g',
    ],
    [
      () =>
        calibrateSimmer(kitchen, {
          vessel_id: 'heavy-pot',
          heat_id: 'middle-burner',
          before_g: '2000',
          after_g: '2100',
          minutes: '10',
        }),
      'after_g',
    ],
    [() => calibrateFull(kitchen, { vessel_id: 'heavy-pot', empty_g: '1900', full_g: '1900' }), 'full_g'],
    [() => calibrateFull(kitchen, { vessel_id: 'heavy-pot', empty_g: '100', full_g: '9000' }), 'full_g'],
  ])('a figure that cannot be is refused and changes nothing', (act, path) => {
    const before = { vessels: kitchen.equipment.vessels(), heats: kitchen.equipment.heats() }
    expect(pathOf(act())).toBe(path)
    expect({ vessels: kitchen.equipment.vessels(), heats: kitchen.equipment.heats() }).toEqual(before)
  })
})

test("programmes belong to appliances, under the kitchen's own names", () => {
  const programme = {
    vessel_id: 'pressure-pot',
    name: 'the grain key',
    pressure: 'high',
    minutes: '12,5',
    after_it: 'natural',
    known: 'timed',
  }
  expect(saveProgramme(kitchen, programme)).toMatchObject({ ok: true })
  const { id, ...row } = kitchen.equipment.programmes()[0]!
  expect(row).toEqual({ ...programme, minutes: 12.5 })
  expect(pathOf(saveProgramme(kitchen, { ...programme, vessel_id: 'heavy-pot' }))).toBe('vessel_id')
  expect(pathOf(saveProgramme(kitchen, { ...programme, minutes: '' }))).toBe('minutes')
  expect(pathOf(saveProgramme(kitchen, { ...programme, minutes: '9999' }))).toBe('minutes')
  expect(saveProgramme(kitchen, { ...programme, id, minutes: '', known: 'guessed' })).toMatchObject({
    ok: true,
  })
  expect(kitchen.equipment.programmes()).toMatchObject([{ id, minutes: null }])
  expect(pathOf(dropProgramme(kitchen, { id: 'nobody' }))).toBe('id')
  dropProgramme(kitchen, { id })
  expect(kitchen.equipment.programmes()).toEqual([])
})

test('lines printed in a bowl are read from the bottom up, or refused', () => {
  const cooker = kitchen.equipment.vessels().find((v) => v.kind === 'cooker')!
  const form = {
    id: cooker.id,
    name: 'cooker',
    kind: 'cooker',
    capacity_ml: '3000',
    rim_diameter_mm: '200',
    base_diameter_mm: '190',
    height_mm: '',
    lid: 'loose',
    lining: 'coated',
    material: 'aluminium',
    empty_g: '',
    own_rated_w: '650',
    marks: '',
  }
  expect(saveVessel(kitchen, { ...form, printed: '1 = 14 mm\n2: 25' })).toMatchObject({ ok: true })
  expect(kitchen.equipment.vessels().find((v) => v.id === cooker.id)!.printed).toEqual([
    { name: '1', level_mm: 14 },
    { name: '2', level_mm: 25 },
  ])
  expect(pathOf(saveVessel(kitchen, { ...form, printed: '2 = 25\n1 = 14' }))).toBe('printed')
  expect(pathOf(saveVessel(kitchen, { ...form, printed: 'somewhere' }))).toBe('printed')
})

test('heats and measures', () => {
  expect(
    saveHeat(kitchen, { name: 'the stove', kind: 'induction', rated_w: '1800', knob: '2 = 20 %' }, 0),
  ).toMatchObject({ ok: true })
  expect(kitchen.equipment.heats().find((h) => h.name === 'the stove')).toMatchObject({
    efficiency: 0.85,
    knob: [{ name: '2', share: 0.2 }],
    power_factor: 1,
  })
  expect(saveMeasure(kitchen, { how: 'counted', name: 'glass', known_ml: '1000', times: '4' })).toMatchObject(
    { ok: true, value: 'glass: 250 mL' },
  )
  expect(pathOf(saveMeasure(kitchen, { how: 'weighed', name: 'mug', empty_g: '400', full_g: '300' }))).toBe(
    'full_g',
  )
  expect(pathOf(saveMeasure(kitchen, { how: 'counted', name: 'vat', known_ml: '60000', times: '1' }))).toBe(
    'times',
  )
})

describe('bags', () => {
  const bag = {
    variety: 'long-white',
    name: 'valley',
    label: 'one to one and three quarters',
    label_ratio: '1.75',
    bought_on: '',
    opened_on: '',
    left_g: '1000',
  }
  const only = () => kitchen.grainBags.bags()[0]!
  test("the label's word is taken, given back, and goes with the label", () => {
    saveBag(kitchen, bag)
    const { id } = only()
    expect(adoptLabel(kitchen, { id })).toMatchObject({ ok: true })
    expect(only().adopted_delta).toBeGreaterThan(0.1)
    saveBag(kitchen, { ...bag, id, left_g: '800' })
    expect(only().adopted_delta).not.toBeNull()
    saveBag(kitchen, { ...bag, id, label_ratio: '1.5' })
    expect(only().adopted_delta).toBeNull()
    adoptLabel(kitchen, { id })
    adoptLabel(kitchen, { id })
    expect(only().adopted_delta).toBeNull()
  })
  test('cooking takes grain off its bag, and never below nothing', () => {
    saveBag(kitchen, bag)
    const { id } = only()
    kitchen.grainBags.take(id, 300)
    expect(only().left_g).toBe(700)
    kitchen.grainBags.take(id, 3000)
    expect(only().left_g).toBe(0)
  })
  test('what is not in Grains is named', () => {
    expect(pathOf(saveBag(kitchen, { ...bag, id: 'nobody' }))).toBe('id')
    expect(pathOf(dropBag(kitchen, { id: 'nobody' }))).toBe('id')
    expect(pathOf(adoptLabel(kitchen, {}))).toBe('id')
    saveBag(kitchen, { ...bag, label_ratio: '' })
    expect(pathOf(adoptLabel(kitchen, { id: only().id }))).toBe('label_ratio')
    expect(dropBag(kitchen, { id: only().id })).toMatchObject({ ok: true })
  })
})

test('a kitchen that changes to cups reads its plans in cups, and in grams when it changes back', () => {
  const settings = settingsOf(kitchen)
  expect(kitchen.household.gauge()).toBe('scale')
  kitchen.household.save({ ...settings, units: 'cups' })
  expect(kitchen.household.gauge()).toBe('cup')
  kitchen.household.saveGauge('finger')
  kitchen.household.save({ ...settings, units: 'cups', system: 'metric', kitchen_c: 21 })
  expect(kitchen.household.gauge()).toBe('finger')
  kitchen.household.save({ ...settings, units: 'grams' })
  expect(kitchen.household.gauge()).toBe('scale')
})

test('marks and the gauge in use are stored; nonsense is not', () => {
  const mark = { grain_key: 'quinoa', vessel_id: 'heavy-pot', dry_g: '220', pour_g: '369', depth_mm: '-2.5' }
  expect(savePourMark(kitchen, mark, 5)).toMatchObject({ ok: true })
  expect(kitchen.grainBags.marks()[0]).toMatchObject({
    grain_key: 'quinoa',
    pour_g: 369,
    depth_mm: -2.5,
    made_ms: 5,
  })
  expect(pathOf(savePourMark(kitchen, { ...mark, vessel_id: 'bucket' }, 5))).toBe('vessel_id')
  expect(pathOf(savePourMark(kitchen, { ...mark, pour_g: 'lots' }, 5))).toBe('pour_g')
  expect(saveGauge(kitchen, { gauge: 'measure:teo-glass' })).toMatchObject({ ok: true })
  expect(kitchen.household.gauge()).toBe('measure:teo-glass')
  expect(pathOf(saveGauge(kitchen, { gauge: '<b>' }))).toBe('gauge')
})
