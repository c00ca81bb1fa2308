import type { PlanRequestJson } from '#core/contract/plan-request'
import { ADVICE_LEFT } from '#core/cook/events'
import { outlookOf } from '#core/cook/outlook'
import type { VarietyId } from '#core/grain/varieties'
import { METHOD_IDS, methodOf } from '#core/methods/index'
import { varietyOf } from '#core/grain/varieties'
import { cookAtTheStove, MINUTE, type Mishap } from '../../tests/helpers/at-the-stove'
import { hintFor } from './hint'

const potOf = (variety: VarietyId, more: object = {}): PlanRequestJson => ({
  grains: [{ variety }],
  amount: { basis: 'dry-mass', value: 300 },
  method: 'covered-simmer',
  vessel: 'heavy-2.5',
  heat: 'gas-medium',
  ...more,
})
const GRAINS = ['long-white', 'brown-short', 'quinoa'] as const
const simmering = (kind: Mishap['kind'], atMinute: number, amount?: number): Mishap => ({
  kind,
  during: 'simmer',
  atMinute,
  ...(amount === undefined ? {} : { amount }),
})

/** Each with what the stove has to speak of; nothing where the plan bears it, or counts on by itself. */
const MISHAPS: readonly [string, readonly Mishap[], 'dry' | 'hard' | 'soft' | null][] = [
  ['the heat was high for 4 min', [simmering('heat-high', 5, 4)], null],
  ['the heat was out for 6 min', [simmering('heat-out', 8, 6)], null],
  ['the heat was too low for 9 min', [simmering('heat-low', 10, 9)], null],
  ['120 g boiled over', [simmering('boiled-over', 1, 120)], 'dry'],
  ['120 g of water too much', [simmering('water-added', 4, 120)], 'soft'],
  ['off the heat after 2 min', [simmering('skip', 2)], 'hard'],
  ['the rest left out', [{ kind: 'skip', during: 'rest', atMinute: 0.5 }], null],
  [
    'opened four times for a minute and a half',
    [3, 5, 7, 9].map((minute) => ({ ...simmering('opened', minute), seconds: 90 })),
    null,
  ],
  ['found dry after 8 min', [simmering('seen-dry', 8)], 'dry'],
  ['found hard after 12 min', [simmering('seen-hard', 12)], null],
  ['water found after 14 min', [simmering('seen-water', 14)], null],
  ['stirred', [simmering('stirred', 6)], null],
  ['found hard in the rest', [{ kind: 'seen-hard', during: 'rest', atMinute: 5 }], null],
]

const ended = ({ end }: ReturnType<typeof cookAtTheStove>) => outlookOf(end.estimate!)

describe.each(GRAINS)('%s', (variety) => {
  test.each(MISHAPS)('%s: said in time, and with what is advised it ends well', (_mishap, mishaps, about) => {
    const run = cookAtTheStove(potOf(variety), mishaps)
    expect(run.left).toEqual([])
    if (about !== null) expect(run.said.map((s) => s.hint.about)).toContain(about)
    const { verdict, outcome } = ended(run)
    expect(outcome.centreMin).toBeGreaterThanOrEqual(0.895)
    expect(verdict).toMatchObject({ scorched: false, soggy: false })
    expect(verdict.texture).not.toBe('dry')
  })
  test('a burner weaker than was thought: the boil comes late, and it ends through', () => {
    const { verdict } = ended(cookAtTheStove(potOf(variety), [], { late: 6 }))
    expect(verdict).toMatchObject({ cookedThrough: 'yes', scorched: false, soggy: false })
  })
  test('a quarter of the water forgotten: so much is asked for, to a tenth of the pour', () => {
    const { plan } = cookAtTheStove(potOf(variety))
    const pour = plan.water.pour_g
    const { said } = cookAtTheStove(potOf(variety), [], { poured: 0.75 * pour })
    expect(said[0]!.hint).toMatchObject({ about: 'dry', act: { kind: 'add' } })
    const { act } = said[0]!.hint
    if (act?.kind !== 'add') throw new Error('no water')
    expect(Math.abs(act.grams - 0.25 * pour)).toBeLessThanOrEqual(0.1 * pour)
  })
})

const QUIET: [string, PlanRequestJson][] = [
  ...METHOD_IDS.flatMap((method) =>
    (['long-white', 'brown-short', 'quinoa', 'glutinous', 'couscous', 'lentils-green'] as const)
      .filter((id) => methodOf(method).suits(varietyOf(id)))
      .map((id): [string, PlanRequestJson] => [
        `${method}, ${id}`,
        { grains: [{ variety: id }], amount: { basis: 'dry-mass', value: 400 }, method, elevation_m: 1120 },
      ]),
  ),
  ['water of the cook’s own, little', potOf('long-white', { own: { pour_g: 390 } })],
  ['water of the cook’s own, much', potOf('long-white', { own: { pour_g: 780 } })],
  ['minutes of the cook’s own that do', potOf('long-white', { own: { minutes: { simmer: 14 } } })],
  ['part-cooked', potOf('long-white', { purpose: 'part-cooked' })],
  ['in a hurry', potOf('long-white', { hurry: true })],
]
test.each(QUIET)('%s, on time: the stove has nothing to say', (_way, request) => {
  expect(cookAtTheStove(request).said).toEqual([])
})

describe('minutes of the cook’s own that leave it hard', () => {
  const request = potOf('brown-long', { own: { minutes: { simmer: 18 } } })
  test('are said while they can be mended, and with one key it ends through', () => {
    const run = cookAtTheStove(request)
    const [first] = run.said
    expect(first!.hint).toMatchObject({ about: 'hard', act: { kind: 'more', stage: 'simmer' } })
    expect(ended(run).outcome.centreMin).toBeGreaterThanOrEqual(0.9)
  })
  test('are said once: left as they are, they are not said again until something happens', () => {
    const alone = cookAtTheStove(request, [], { follow: false })
    const { atMs, stage } = alone.said[0]!
    const { view, cook, estimate } = alone.end
    const events = [...alone.events, { id: 'left', kind: ADVICE_LEFT.hard, stage, atMs: atMs + MINUTE }]
    expect(alone.said.some((s) => s.hint.about === 'hard')).toBe(true)
    expect(hintFor(estimate!, cook.plan, view, events)?.about).not.toBe('hard')
  })
})
