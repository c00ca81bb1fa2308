import type { Settings } from '#core/contract/settings'
import { VARIETIES } from '#core/grain/varieties'
import { CUPS } from '#core/units/cups'
import { vesselPreset } from '#core/vessel/presets'
import { FIRST_KITCHEN } from '#server/commands/begin-household'
import { htmlOf, planOf, textOf } from '../../../tests/helpers/render'
import { firstPlan, type PlanState, type PlanningData } from '../../planning/plan-state'
import { parseAmount } from '../../ui/forms/parse-amount'
import { gaugesFor } from '../../planning/gauges'
import { contextOf } from '../../planning/own-water'
import { PreparationPanel } from './preparation'
import { Cautions } from './cautions'
import { Measure, type MeasureProps } from './measure'
import { StagesUpright } from './stage-list'
import WaterBeam from './water-beam'

const NOW = Date.UTC(2026, 2, 5, 17, 0)
const settings: Settings = { ...FIRST_KITCHEN.settings, zone: 'Europe/Berlin', crease_mm: 25 }
const household: PlanningData = {
  ...FIRST_KITCHEN,
  programmes: [],
  measures: [],
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
const still = () => {}

describe('measure', () => {
  const state = { ...firstPlan(household), grain: 'short-white' as const }
  const words = (over: Partial<MeasureProps> = {}) => {
    const plan = over.plan ?? planOf()
    return textOf(
      <Measure
        plan={plan}
        context={contextOf(plan, state, vesselPreset('heavy-2.5'))}
        settings={settings}
        measures={[]}
        marks={[]}
        printed={null}
        way="pot"
        why={() => Promise.resolve({ terms: [], total: plan.water.pour_g, sure: 0, says: '' })}
        whyGrain={() => Promise.resolve({ terms: [], total: plan.grain.mass_g, sure: 0, says: '' })}
        whyMinutes={() =>
          Promise.resolve({ terms: [], total: plan.total_minutes.expected, sure: 0, says: '' })
        }
        learned={undefined}
        roomForError={undefined}
        now={NOW}
        gauge="scale"
        onGauge={still}
        ownWords={undefined}
        onPoured={still}
        onKeep={still}
        {...over}
      />,
    )
  }

  test('by the scale', () => {
    const plan = planOf()
    const text = words({ plan })
    expect(text).toMatch(/Dry grain why\? 300 g/)
    expect(text).toContain(`Water to add why? ${Math.round(plan.water.pour_g)} g`)
    expect(text).toContain(`Firm ${Math.round(plan.water.firm_pour_g)} g`)
  })

  test('minutes and work stand with grain and water, in that order', () => {
    const plan = planOf()
    const text = words({ plan })
    const at = [/Dry grain/, /Water to add/, /about \d+ min , \d+ min hands-on/, /Firm \d/].map((part) =>
      text.search(part),
    )
    expect(at.every((place, n) => place > (at[n - 1] ?? -1))).toBe(true)
    expect(text).toContain(`about ${Math.round(plan.total_minutes.expected)} min`)
  })

  test('by cups: the nearest scoops there are, and what is still missing or over', () => {
    // 300 g of short white fill 355 mL: one metric cup and two fifths.
    expect(words({ gauge: 'cup' })).toMatch(/Dry grain why\? 1⅓ cups \+ 1 tbsp; 300 g/)
    expect(words({ gauge: 'cup', settings: { ...settings, cup: 'scoop' } })).toMatch(
      /Dry grain why\? 2 cups level; 300 g/,
    )
  })

  test('in a glass of the kitchen, with only the parts it has', () => {
    const glass = { id: 'g', name: 'Teo’s glass', ml: 205, parts: [1], how: 'counted' as const }
    expect(words({ gauge: 'measure:g', measures: [glass] })).toMatch(
      /Dry grain why\? 2 glasses less 3 tbsp \+ 2 tsp; 300 g/,
    )
  })

  test("by the grain's own depth: as deep as the grain is no equal measure", () => {
    const text = words({ gauge: 'as-deep' })
    // Dry short white has 42 % voids, and clinging water is there already.
    const said = Number(/as deep as the grain is (\d\.\d+) by volume here/.exec(text)![1])
    expect(said).toBeGreaterThan(1.2)
    expect(said).toBeLessThan(1.45)
  })

  test('by the printed lines: the nearest one, and how far off it', () => {
    const plan = planOf()
    const at = plan.gauges.fill_level_mm
    const printed = [
      { name: '2', level_mm: at - 3 },
      { name: '3', level_mm: at + 9 },
    ]
    expect(words({ gauge: 'printed', printed, plan })).toContain('3 mm over line 2')
    const gauge = gaugesFor({
      plan,
      context: contextOf(plan, state, vesselPreset('heavy-2.5')),
      settings,
      measures: [],
      printed,
    }).find((g) => g.id === 'printed')!
    // A quarter of the way between the lines is where the water stands.
    expect(gauge.pourOf(2.25)).toBeCloseTo(plan.water.pour_g, -0.5)
    expect(gauge.pourOf(7)).toBeNaN()
  })

  test.each(Object.keys(CUPS) as (keyof typeof CUPS)[])(
    'what %s leaves over or short is under half the smallest scoop',
    (cup) => {
      for (let grams = 60; grams < 900; grams += 37) {
        const text = words({
          gauge: 'cup',
          settings: { ...settings, cup },
          plan: planOf({ amount: { basis: 'dry-mass', value: grams } }),
        })
        for (const [, off] of text.matchAll(/(?:less|and) (\d+) mL/g))
          expect(Number(off)).toBeLessThanOrEqual(CUPS[cup].ml / 8 + 1)
      }
    },
  )

  test("by the depth in the pot, and by the cook's own finger", () => {
    const plan = planOf({ amount: { basis: 'dry-mass', value: 600 } })
    expect(words({ plan, gauge: 'line' })).toContain(
      `Water to add why? ${Math.round(plan.gauges.fill_level_mm)} mm from the bottom with the grain in`,
    )
    const over = Math.round(plan.gauges.water_above_bed_mm)
    expect(words({ plan, gauge: 'finger' })).toContain(
      `over the grain, ${Math.abs(over - 25)} mm ${over < 25 ? 'below' : 'above'} your finger joint`,
    )
  })

  test('what was learned is said as water of this batch', () => {
    const learned = {
      uptake: -0.062,
      steam: Math.log(0.9),
      time: Math.log(1.08),
      power: 0,
      uptakeSd: 0.07,
      spreads: {},
      cooks: 3,
      lastMs: Date.UTC(2026, 2, 1, 18, 0),
    }
    // 0.062 g/g less in 300 g of grain.
    expect(words({ learned })).toContain(
      '19 g less water than usual, from 3 batches, most recently Sunday; this pot loses 10 % less',
    )
    expect(
      words({
        learned: { ...learned, cooks: 0, spreads: {}, uptake: 0, steam: 0, time: 0, power: Math.log(0.9) },
      }),
    ).toContain('this burner gives 10 % less')
    expect(words()).not.toContain('published 1.')
  })

  test('every gauge read back gives its pour again, within its own rounding', () => {
    for (const grams of [120, 300, 640]) {
      const plan = planOf({ amount: { basis: 'dry-mass', value: grams } })
      const context = contextOf(plan, state, vesselPreset('heavy-2.5'))
      for (const gauge of gaugesFor({ plan, context, settings, measures: [] })) {
        const exact = {
          scale: plan.water.pour_g,
          cup: plan.water.pour_g / CUPS[settings.cup].ml,
          line: plan.gauges.fill_level_mm,
          finger: plan.gauges.water_above_bed_mm,
          'as-deep': plan.gauges.water_above_bed_mm / plan.gauges.bed_depth_mm,
        }[gauge.id]!
        expect(Math.abs(gauge.pourOf(exact) - plan.water.pour_g)).toBeLessThan(4)
      }
    }
  })

  test.each([
    ['', 'Enter an amount'],
    ['two', 'Enter a number'],
    ['1,2,3', 'Enter a number'],
    ['-4', 'Enter a number'],
  ])('"%s" is no amount', (text, said) => {
    expect(parseAmount(text)).toEqual({ error: expect.stringContaining(said) as string })
  })
  test('a comma is a point', () => expect(parseAmount(' 2,5 ')).toEqual({ amount: 2.5 }))
})

describe('the water beam', () => {
  test('both sides are the same length: what goes in is what comes', () => {
    for (const request of [
      {},
      { soak: { minutes: 480, celsius: 5, water: 'drain' } },
      { rinse: { washes: 0 } },
      { pour_override_g: 900 },
    ] as const) {
      const html = htmlOf(<WaterBeam water={planOf(request).water} />)
      const sums = html
        .split('class="bar"')
        .map((side) => [...side.matchAll(/flex-grow:([\d.e-]+)/g)].reduce((sum, m) => sum + Number(m[1]), 0))
      expect(sums[0]).toBeCloseTo(1, 2)
      expect(sums[1]).toBeCloseTo(sums[0]!, 2)
    }
  })
  test('a term that is nothing is not there', () => {
    const dry = textOf(<WaterBeam water={planOf({ rinse: { washes: 0 } }).water} />)
    expect(dry).not.toContain('on grain')
    expect(dry).not.toContain('soaked')
    expect(dry).toMatch(/\d+ absorbed \d+ boils off \d+ pour/)
  })
})

describe('cautions', () => {
  const state: PlanState = { ...firstPlan(household), amount: { basis: 'dry-mass', value: 900 } }
  const list = (request: Parameters<typeof planOf>[0], more: Partial<PlanState> = {}) => {
    const { cautions } = planOf({
      amount: { basis: 'dry-mass', value: 1100 },
      vessel: 'heavy-2.5',
      ...request,
    })
    return {
      cautions,
      html: htmlOf(
        <Cautions
          cautions={cautions}
          state={{ ...state, ...more }}
          change={still}
          household={household}
          now={NOW}
        />,
      ),
    }
  }
  test('two are shown, the gravest first, and the rest a press away', () => {
    const { cautions, html } = list({})
    expect(cautions.length).toBeGreaterThan(2)
    expect([...html.matchAll(/data-severity="(\w+)"/g)].map((m) => m[1])).toEqual(
      cautions.slice(0, 2).map((c) => c.severity),
    )
    expect(cautions[0]!.severity).toBe('stop')
    expect(html).toContain(`${cautions.length - 2} more`)
  })
  test('severity is a word for those who see no colour', () => {
    const { html } = list({})
    expect(html).toContain('aria-label="Stop"')
  })
})

test.each(VARIETIES.map((v) => [v.id, v] as const))('%s can be set up before the heat', (_, variety) => {
  const text = textOf(
    <PreparationPanel
      state={{ ...firstPlan(household), grain: variety.id }}
      change={still}
      variety={variety}
      kind="pot"
      plan={planOf()}
      household={household}
      bag={undefined}
      now={0}
    />,
  )
  expect(text).toContain('Texture usual as a side')
  expect(text).toMatch(/firm standard soft/)
  if (variety.washes === 0) expect(text).toContain('no water clings')
})

test('the upright ribbon tells every stage, its hour, and the cue that ends it', () => {
  const { stages } = planOf({ method: 'pressure-electric' })
  const text = textOf(
    <StagesUpright
      scrub={{ minute: undefined, onMinute: () => {}, says: 'the pour' }}
      stages={stages}
      times={stages.map((_, i) => ({ start: i, end: i + 1 }))}
      clockAt={(m) => `h${m}`}
    />,
  )
  for (const [i, stage] of stages.entries()) expect(text).toContain(`h${i} ${stage.title}`)
  expect(text).toContain('until the pressure indicator rises')
  expect(text).toContain('Serve')
})
