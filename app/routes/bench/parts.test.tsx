import type { Settings } from '#core/contract/kitchen'
import { VARIETIES, varietyOf } from '#core/grain/varieties'
import { CUPS } from '#core/quantity/cups'
import { FIRST_KITCHEN } from '#server/kitchen/begin-household'
import { htmlOf, planOf, textOf } from '../../../tests/render'
import { firstBench, type BenchState, type House } from './bench-state'
import { Before } from './before'
import { Cautions } from './cautions'
import { Measure } from './measure'
import { StagesUpright } from './stages-upright'
import { WaterBeam } from './water-beam'

const NOW = Date.UTC(2026, 2, 5, 17, 0)
const settings: Settings = { ...FIRST_KITCHEN.settings, zone: 'Europe/Berlin', crease_mm: 25 }
const house: House = { ...FIRST_KITCHEN, measures: [], bags: [], marks: [], units: 'grams', cup: 'metric', corrections: {}, elevation_m: 0, kitchen_c: 20, zone: 'Europe/Berlin' }
const still = () => {}

describe('measure', () => {
  const words = (over: Partial<Parameters<typeof Measure>[0]> = {}) =>
    textOf(<Measure plan={planOf()} settings={settings} learned={undefined} now={NOW} variety={varietyOf('short-white')} finger={false} onFinger={still} {...over} />)

  test('by the scale: grams first, cups under them', () => {
    const plan = planOf()
    const text = words({ plan })
    expect(text).toMatch(/Grain, dry 300 g/)
    expect(text).toContain(`Pour ${Math.round(plan.water.pour_g)} g`)
    expect(text).toContain(`firm at ${Math.round(plan.water.firm_pour_g)}`)
  })

  test('by cups: the nearest scoops there are, and what is still missing or over', () => {
    // 300 g of short white fill 355 mL: one metric cup and two fifths.
    expect(words({ settings: { ...settings, units: 'cups' } })).toMatch(/Grain, dry 1½ cups less 20 mL; 300 g/)
    expect(words({ settings: { ...settings, units: 'cups', cup: 'scoop' } })).toMatch(/Grain, dry 2 scoops level; 300 g|Grain, dry 2 scoops less 5 mL; 300 g/)
  })

  test.each(Object.keys(CUPS) as (keyof typeof CUPS)[])('what %s leaves over or short is under half the smallest scoop', (cup) => {
    for (let grams = 60; grams < 900; grams += 37) {
      const text = words({ settings: { ...settings, cup }, plan: planOf({ amount: { basis: 'dry-mass', value: grams } }) })
      for (const [, off] of text.matchAll(/(?:less|and) (\d+) mL/g)) expect(Number(off)).toBeLessThanOrEqual(CUPS[cup].ml / 8 + 1)
    }
  })

  test('the finger is the cook\'s own', () => {
    const plan = planOf({ amount: { basis: 'dry-mass', value: 600 } })
    const over = Math.round(plan.gauges.water_above_bed_mm)
    expect(words({ plan })).toContain(`${over} mm over the grain, ${Math.abs(over - 25)} ${over < 25 ? 'short of' : 'past'} your crease`)
  })

  test('what was learned is said with how sure it is', () => {
    const learned = { uptakeDelta: -0.062, minutesFactor: 1.08, uptakeSd: 0.07, cooks: 3, lastMs: Date.UTC(2026, 2, 1, 18, 0) }
    expect(words({ learned })).toContain('3 cooks in this pot: 6 g less water per 100 g, 8 % longer since Sunday (± 7 g)')
    expect(words({ learned: { ...learned, cooks: 1, uptakeDelta: 0.021, minutesFactor: 1 } })).toContain('One cook in this pot: 2 g more water per 100 g since Sunday')
    expect(words()).not.toContain('in this pot:')
  })
})

describe('the water beam', () => {
  test('both sides are the same length: what goes in is what comes', () => {
    for (const request of [{}, { soak: { minutes: 480, celsius: 5, water: 'drain' } }, { rinse: { washes: 0 } }, { pour_override_g: 900 }] as const) {
      const html = htmlOf(<WaterBeam water={planOf(request).water} />)
      const sums = html.split('class="bar"').map((side) => [...side.matchAll(/flex-grow:([\d.e-]+)/g)].reduce((sum, m) => sum + Number(m[1]), 0))
      expect(sums[0]).toBeCloseTo(1, 2)
      expect(sums[1]).toBeCloseTo(sums[0]!, 2)
    }
  })
  test('a term that is nothing is not there', () => {
    const dry = textOf(<WaterBeam water={planOf({ rinse: { washes: 0 } }).water} />)
    expect(dry).not.toContain('clinging')
    expect(dry).not.toContain('soaked')
    expect(dry).toMatch(/\d+ soaks in \d+ boils off \d+ pour/)
  })
})

describe('cautions', () => {
  const state: BenchState = { ...firstBench(house), amount: { basis: 'dry-mass', value: 900 } }
  const list = (request: Parameters<typeof planOf>[0], more: Partial<BenchState> = {}) => {
    const { cautions } = planOf({ amount: { basis: 'dry-mass', value: 1100 }, vessel: 'heavy-2.5', ...request })
    return { cautions, html: htmlOf(<Cautions cautions={cautions} state={{ ...state, ...more }} change={still} house={house} now={NOW} />) }
  }
  test('two are shown, the gravest first, and the rest a press away', () => {
    const { cautions, html } = list({})
    expect(cautions.length).toBeGreaterThan(2)
    expect([...html.matchAll(/data-severity="(\w+)"/g)].map((m) => m[1])).toEqual(cautions.slice(0, 2).map((c) => c.severity))
    expect(cautions[0]!.severity).toBe('stop')
    expect(html).toContain(`${cautions.length - 2} more`)
  })
  test('severity is a word for those who see no colour', () => {
    const { html } = list({})
    expect(html).toContain('aria-label="Stop"')
  })
})

test.each(VARIETIES.map((v) => [v.id, v] as const))('%s can be set up before the heat', (_, variety) => {
  const text = textOf(<Before state={{ ...firstBench(house), grain: variety.id }} change={still} variety={variety} kind="pot" />)
  expect(text).toContain('Ends as usual beside a dish')
  expect(text).toMatch(/firm standard soft/)
  if (variety.washes === 0) expect(text).toContain('nothing clings')
})

test('the upright ribbon tells every stage, its hour, and the cue that ends it', () => {
  const { stages } = planOf({ method: 'pressure-electric' })
  const text = textOf(<StagesUpright stages={stages} times={stages.map((_, i) => ({ start: i, end: i + 1 }))} clockAt={(m) => `h${m}`} />)
  for (const [i, stage] of stages.entries()) expect(text).toContain(`h${i} ${stage.title}`)
  expect(text).toContain('until the pin rises and seals')
  expect(text).toContain('On the table')
})
