import { varietyOf } from '#core/grain/varieties'
import { parsePlanRequest } from '#core/contract/plan-request'
import { fingerStudy } from '#core/plan/finger-study'
import { FIRST_KITCHEN } from '#server/commands/begin-household'
import { htmlOf, planOf, textOf } from '../../../tests/helpers/render'
import { firstPlan, type PlanState, type PlanningData } from '../../planning/plan-state'
import { grainWord, soakWord } from '../../planning/plan-words'
import { plannedWashes, Washes } from '../stove/washes'
import { studyWords } from './finger-chart'
import { PlanLine } from './plan-line'
import { SeasoningPanel } from './seasoning'
import SoakCurve from './soak-curve'
import { TranslateRatio } from './translate-ratio'

const household: PlanningData = {
  ...FIRST_KITCHEN,
  bags: [],
  bottles: [],
  marks: [],
  units: 'grams',
  system: 'metric',
  cup: 'metric',
  known: {},
  guidance: 'stricter' as const,
  crystal: 'table' as const,
  leftovers: [],
  eaters: [],
  elevation_m: 0,
  kitchen_c: 20,
  zone: 'Europe/Berlin',
}
const first = firstPlan(household)
const NOW = Date.UTC(2026, 2, 5, 17, 0) // 18:00 in Berlin
const still = () => {}

describe('the order line', () => {
  const line = (over: Partial<PlanState> = {}) =>
    textOf(
      <PlanLine
        state={{ ...first, ...over }}
        change={still}
        household={household}
        clock={{ zone: 'Europe/Berlin', clock: '24' }}
        now={NOW}
      />,
    )
  test('is one sentence', () => {
    expect(line()).toContain(
      'For four long-grain white as a side heavy pot on medium gas burner lid on from the start as soon as possible',
    )
  })
  test("an hour that has passed is tomorrow's", () => {
    expect(line({ at: '19:00' })).toContain('at 19:00')
    expect(line({ at: '19:00' })).not.toContain('tomorrow')
    expect(line({ at: '17:30' })).toContain('at 17:30 tomorrow')
  })
  test('an appliance brings its own heat, and its own words', () => {
    expect(line({ vesselId: 'cooker' })).toContain('in rice cooker')
    expect(line({ vesselId: 'pressure-pot', release: 'quick' })).toContain('in pressure cooker quick release')
  })
  test('a bag and a blend are called by their names', () => {
    const bag = {
      id: 'x',
      variety: 'long-white' as const,
      name: 'valley shop',
      label: '',
      label_ratio: null,
      adopted_delta: null,
      bought_on: null,
      opened_on: null,
      new_crop: 0 as const,
      enriched: 0 as const,
      left_g: null,
    }
    expect(
      grainWord(
        { grain: 'long-white', bagId: 'x', others: [{ variety: 'wild', share: 0.3 }] },
        { bags: [bag] },
      ),
    ).toBe('long-grain white (valley shop) with wild rice')
    expect(grainWord({ grain: 'quinoa', bagId: 'x', others: [] }, { bags: [bag] })).toBe('quinoa')
  })
})

describe('the soak curve', () => {
  const words = (minutes: number, celsius: number, id: 'short-white' | 'brown-short' = 'short-white') =>
    textOf(
      <SoakCurve variety={varietyOf(id)} soak={{ minutes, celsius, water: 'drain' }} onMinutes={still} />,
    )
  test('says what the grain drank and whether that is right', () => {
    expect(words(30, 20)).toContain('30 min at 20 °C: 21 % of its weight absorbed, right')
    expect(words(5, 20)).toContain('10 % of its weight absorbed, too short to make a difference')
    expect(words(600, 22, 'brown-short')).toContain(
      '10 h at 22 °C: 29 % of its weight absorbed, it would turn sour',
    )
  })
  test('the curve rises from nothing and the mark lies on it', () => {
    const html = htmlOf(
      <SoakCurve
        variety={varietyOf('short-white')}
        soak={{ minutes: 30, celsius: 20, water: 'drain' }}
        onMinutes={still}
      />,
    )
    const points = /<path d="(M[^"]+)" class="curve"/
      .exec(html)![1]!
      .split(/[ML]/)
      .filter(Boolean)
      .map((p) => p.split(' ').map(Number) as [number, number])
    for (let i = 1; i < points.length; i++) expect(points[i]![1]).toBeLessThanOrEqual(points[i - 1]![1])
    const [, cx, cy] = /<circle cx="([\d.]+)" cy="([\d.]+)"/.exec(html)!.map(Number)
    const after = points.findIndex(([x]) => x >= cx!)
    expect(cy!).toBeLessThanOrEqual(points[after - 1]![1] + 0.2)
    expect(cy!).toBeGreaterThanOrEqual(points[after]![1] - 0.2)
  })
})

test("salt is shown in grams and in spoons of the kitchen's own salt", () => {
  const plan = planOf({ salt_percent: 1 })
  const grams = plan.seasoning.salt_to_add_g
  const words = (crystal: 'table' | 'coarse-light') =>
    textOf(
      <SeasoningPanel
        state={{ ...first, salt: 1 }}
        change={still}
        plan={plan}
        household={{ ...household, crystal }}
      />,
    )
  expect(words('table')).toContain(`${grams.toFixed(1)} g:`)
  expect(words('table')).toMatch(/1¼ tsp table salt/)
  expect(words('coarse-light')).toMatch(/2½ tsp coarse salt, light flakes/)
})

test('what goes along is shown with its grams for this batch', () => {
  const plan = planOf({
    stock_share: 0.5,
    add_ins: [
      { name: 'kelp', grams_per_100g_dry: 2, when: 'on-top' },
      { name: 'bay leaf', grams_per_100g_dry: 0.4 / 3, when: 'with-water' },
    ],
  })
  const words = textOf(
    <SeasoningPanel state={{ ...first, stock: 0.5 }} change={still} plan={plan} household={household} />,
  )
  expect(words).toContain('6 g kelp')
  expect(words).toContain('2 bay leaves')
  expect(words).toMatch(/\d+ g of the water is stock/)
})

test('the finger study in words: a range, too much for any, or too little', () => {
  const study = (vessel: 'heavy-2.5' | 'steel-1.6', crease: number) => {
    const read = parsePlanRequest({
      grains: [{ variety: 'long-white' }],
      amount: { basis: 'servings', value: 4 },
      vessel,
    })
    if (!read.ok) throw new Error('not read')
    return studyWords(fingerStudy(read.value, crease), crease)
  }
  expect(study('heavy-2.5', 18)).toMatch(
    /^Your 18 mm finger joint is right for \d+ g of grain, and stays between firm and soft from \d+ g to \d+ g/,
  )
  expect(study('heavy-2.5', 60)).toContain('too much water for any amount')
})

test('a ratio is translated before anything is known of it', () => {
  const text = textOf(
    <TranslateRatio
      request={{ grains: [{ variety: 'short-white' }], amount: { basis: 'dry-mass', value: 300 } }}
      variety={varietyOf('short-white')}
      change={still}
    />,
  )
  expect(text).toMatch(/That is \d\.\d\d to \d\.\d\d times the grain’s weight in water/)
  expect(text).toContain('does not say whether it was rinsed, in what pot, how much it was')
  expect(text).toMatch(/Here, for the same grain: \d+ g for 300 g/)
})

describe('washes at the stove', () => {
  const washes = (count: number, clarity?: number) =>
    textOf(
      <Washes
        view={{ washes: count, clarity }}
        stage={{ id: 'rinse', kind: 'rinse' }}
        washes={4}
        variety={varietyOf('short-white')}
        onWash={still}
      />,
    )
  test('counts, and says when it is enough', () => {
    expect(washes(0)).toContain('0 of 4 Pour off the first cloudy water')
    expect(washes(1, 0.5)).toContain('Not clear enough yet')
    expect(washes(3, 1)).toContain('Clear enough')
  })
  test('the scale is five drawn bowls, each with its words', () => {
    const html = htmlOf(
      <Washes
        view={{ washes: 0, clarity: undefined }}
        stage={{ id: 'rinse', kind: 'rinse' }}
        washes={4}
        variety={varietyOf('short-white')}
        onWash={still}
      />,
    )
    expect(html.match(/<svg/g)).toHaveLength(5)
    for (const words of ['white as milk', 'you see your hand as a shadow', 'each grain shows'])
      expect(html).toContain(words)
    expect(html.match(/about enough/g)).toHaveLength(1)
  })
  test('reads its plan', () => {
    const titles = [1, 2, 5].map((n) =>
      planOf({ rinse: { washes: n } }).stages.find((s) => s.id === 'rinse')!,
    )
    expect(titles.map(plannedWashes)).toEqual([1, 2, 5])
  })
})

test('soaks in words', () => {
  expect(
    [
      null,
      { minutes: 20, celsius: 20, water: 'drain' as const },
      { minutes: 600, celsius: 5, water: 'keep' as const },
    ].map(soakWord),
  ).toEqual(['none', '20 min', '10 h in the fridge'])
})
