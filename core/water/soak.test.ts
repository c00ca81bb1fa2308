import { planFrom } from '#core/contract/plan'
import type { PlanRequestJson } from '#core/contract/plan-request'
import { VARIETIES, varietyOf, type VarietyId } from '#core/grain/varieties'
import { celsius } from '#core/units/units'
import { soakCurve } from './soak-curve'
import { soakKernel } from './soak'
import { longestSoakMinutes, sameInFridge, soakVerdict, soakWindow } from './soak-window'

const given = (id: VarietyId) => ({ ...varietyOf(id), most: varietyOf(id).uptake.most })

// Published soak figures at 20 °C, g/g by minutes.
test.each([
  [
    'short-white',
    [
      [5, 0.1],
      [10, 0.134],
      [30, 0.21],
      [60, 0.255],
    ],
  ],
  [
    'basmati',
    [
      [20, 0.24],
      [30, 0.27],
    ],
  ],
  [
    'brown-short',
    [
      [30, 0.1],
      [120, 0.22],
      [480, 0.29],
      [720, 0.3],
    ],
  ],
] as const)('%s drinks as measured, within a tenth', (id, points) => {
  const curve = soakCurve(
    given(id),
    celsius(20),
    points.map(([minutes]) => minutes),
  )
  points.forEach(([, uptake], i) => expect(Math.abs(curve[i]! / uptake - 1)).toBeLessThan(0.1))
})

test('glutinous is full after about two hours', () => {
  expect(soakCurve(given('glutinous'), celsius(20), [120])[0]! / 0.42).toBeGreaterThan(0.9)
})

test('at 5 °C a soak takes between 1 / 0.6 and 1 / 0.5 times as long to the same uptake', () => {
  for (const id of ['short-white', 'brown-short', 'basmati'] as const) {
    const [warm] = soakCurve(given(id), celsius(20), [20])
    const minutes = Array.from({ length: 40 }, (_, i) => 20 + i)
    const reached = minutes[soakCurve(given(id), celsius(5), minutes).findIndex((u) => u >= warm!)]!
    expect(20 / reached).toBeGreaterThan(0.5)
    expect(20 / reached).toBeLessThan(0.6)
  }
})

test('one pass through a curve gives what single soaks give, and it only rises', () => {
  for (const row of VARIETIES) {
    const minutes = [0, 5, 20, 60, 240, 720]
    const curve = soakCurve(given(row.id), celsius(15), minutes)
    minutes.forEach((m, i) =>
      expect(curve[i]!).toBeCloseTo(soakKernel(given(row.id), m, celsius(15)).uptake, 2),
    )
    for (let i = 1; i < curve.length; i++) expect(curve[i]!).toBeGreaterThanOrEqual(curve[i - 1]! - 1e-9)
    expect(curve[5]!).toBeLessThanOrEqual(row.soakLimit + 1e-9)
  }
  expect(() => soakCurve(given('quinoa'), celsius(20), [30, 10])).toThrow(RangeError)
})

describe('the window', () => {
  test('white grain: worth it within the half hour, fragile after hours, sour after four at 20 °C', () => {
    const window = soakWindow(varietyOf('short-white'), celsius(20))
    expect(window.from).toBeGreaterThan(15)
    expect(window.from).toBeLessThan(45)
    expect([10, 40, 235, 300].map((m) => soakVerdict(window, m))).toEqual([
      'too-short',
      'right',
      expect.stringMatching(/right|fragile/),
      'souring',
    ])
  })
  test('grain in its skin wants hours, and a warm kitchen ends them early', () => {
    const mild = soakWindow(varietyOf('barley-hulled'), celsius(20))
    expect(mild.from).toBeGreaterThan(60)
    expect(soakWindow(varietyOf('barley-hulled'), celsius(27)).souringFrom).toBe(120)
    expect(soakWindow(varietyOf('barley-hulled'), celsius(4)).souringFrom).toBe(1440)
  })
  test('in the fridge the same soak takes longer', () => {
    const cold = sameInFridge(varietyOf('brown-short'), 120, celsius(20))
    expect(cold).toBeGreaterThan(180)
    expect(cold).toBeLessThan(260)
  })
})

describe('weighed wet', () => {
  const plan = (soak: PlanRequestJson['soak']) => {
    const read = planFrom({
      grains: [{ variety: 'brown-short' }],
      amount: { basis: 'dry-mass', value: 300 },
      method: 'covered-simmer',
      soak,
    })
    if (!read.ok) throw new Error(read.errors[0]!.message)
    return read.value
  }
  test('one figure replaces two estimates: all that is over the dry mass is carried in', () => {
    const weighed = plan({ minutes: 480, celsius: 20, wet_mass_g: 410 })
    expect(weighed.water.carried_in_g).toBeCloseTo(110, 1)
    expect(weighed.water.soaked_in_g).toBeCloseTo(80, 1) // 110 less the usual film of 0.10 · 300
    expect(weighed.water.clinging_g).toBeCloseTo(30, 1)
  })
  test('grain holds no more than it can: the rest hangs on it', () => {
    const dripping = plan({ minutes: 480, celsius: 20, wet_mass_g: 500 })
    const { soakLimit } = varietyOf('brown-short')
    expect(dripping.water.soaked_in_g).toBeCloseTo(soakLimit * 300, 1)
    expect(dripping.water.clinging_g).toBeCloseTo(200 - soakLimit * 300, 1)
  })
  test('each gram more on the scale is a gram less to pour, and the steam of the minutes it saves', () => {
    const [a, b] = [
      plan({ minutes: 480, celsius: 20, wet_mass_g: 400 }),
      plan({ minutes: 480, celsius: 20, wet_mass_g: 412 }),
    ]
    expect(
      Math.abs(a.water.pour_g - b.water.pour_g - 12 - (a.water.evaporated_g - b.water.evaporated_g)),
    ).toBeLessThan(1.5)
  })
})

describe('the window is where the curve of the soak says', () => {
  const at = (id: VarietyId, minutes: number, temperature = 20) =>
    soakCurve(given(id), celsius(temperature), [minutes])[0]! / varietyOf(id).soakLimit
  test.each(['short-white', 'basmati', 'brown-short', 'glutinous', 'black'] as const)(
    '%s: worth it at seven tenths of what it holds, and full before it stands',
    (id) => {
      const { from, fragileFrom } = soakWindow(varietyOf(id), celsius(20))
      expect(at(id, from)).toBeCloseTo(0.7, 1.5)
      // A skin holds it together for a day, bare grain for two hours.
      const full = fragileFrom - (varietyOf(id).skin < 0.5 ? 1440 : 120)
      expect(at(id, full)).toBeCloseTo(0.97, 1.8)
    },
  )
  test('no soak is worth it before five minutes: what is full by then is worth it at five', () => {
    const quick = VARIETIES.filter((v) => soakCurve(given(v.id), celsius(20), [5])[0]! >= 0.7 * v.soakLimit)
    expect(quick.length).toBeGreaterThan(0)
    for (const variety of quick) expect(soakWindow(variety, celsius(20)).from).toBe(5)
  })
  test.each([
    [8, 1440],
    [8.1, 240],
    [24.9, 240],
    [25, 120],
  ])('at %d °C it sours after %d minutes', (celsius_, minutes) =>
    expect(longestSoakMinutes(celsius_)).toBe(minutes),
  )
})

test.each(['short-white', 'basmati', 'brown-short'] as const)(
  '%s: the same in the fridge takes just as long as it needs there',
  (id) => {
    const [warm] = soakCurve(given(id), celsius(20), [60])
    const minutes = sameInFridge(varietyOf(id), 60, celsius(20))
    const cold = (of: number) => soakCurve(given(id), celsius(5), [of])[0]!
    expect(minutes % 5).toBe(0)
    expect(cold(minutes)).toBeGreaterThanOrEqual(0.98 * warm!)
    expect(cold(0.75 * minutes)).toBeLessThan(0.99 * warm!)
  },
)

test('what the fridge never reaches is soaked four times as long there, and two days at most', () => {
  const stuck = { ...varietyOf('brown-short'), soakLimit: 0.3 }
  expect(sameInFridge(stuck, 5, celsius(40))).toBeLessThanOrEqual(20)
  expect(sameInFridge(varietyOf('brown-short'), 1440, celsius(35))).toBeLessThanOrEqual(2880)
})

test('no time in water is no water', () => {
  const soaked = soakKernel(given('short-white'), 0, celsius(20))
  expect(soaked.uptake).toBe(0)
  expect([...soaked.shells].every((u) => u === 0)).toBe(true)
})
