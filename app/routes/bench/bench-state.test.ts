import fc from 'fast-check'
import { planFrom } from '#core/contract/plan'
import { VARIETY_IDS } from '#core/grain/varieties'
import { HEAT_STYLES } from '#core/method/method'
import { PURPOSES } from '#core/plan/request'
import { FIRST_KITCHEN } from '#server/kitchen/begin-household'
import { firstBench, fromSearch, requestOf, toSearch, type BenchState, type House } from './bench-state'
import { mendOf } from './mend'
import { amountWord, countWord } from './words'

const house: House = { vessels: FIRST_KITCHEN.vessels, heats: FIRST_KITCHEN.heats, corrections: {}, elevation_m: 1120, kitchen_c: 20, zone: 'Europe/Berlin' }
const first = firstBench(house)
const NOW = Date.UTC(2026, 2, 5, 16, 0)

const anyBench: fc.Arbitrary<BenchState> = fc.record({
  grain: fc.constantFrom(...VARIETY_IDS),
  amount: fc.oneof(
    fc.record({ basis: fc.constant('servings' as const), value: fc.integer({ min: 1, max: 40 }) }),
    fc.record({ basis: fc.constant('dry-mass' as const), value: fc.integer({ min: 30, max: 3000 }) }),
  ),
  serving: fc.constantFrom('side', 'main'),
  purpose: fc.constantFrom(...PURPOSES),
  vesselId: fc.constantFrom(...house.vessels.map((v) => v.id)),
  heatId: fc.constantFrom(...house.heats.map((h) => h.id)),
  texture: fc.option(fc.integer({ min: 0, max: 20 }).map((n) => n / 20)),
  washes: fc.option(fc.integer({ min: 0, max: 8 })),
  drain: fc.constantFrom('tip', 'sieve'),
  soak: fc.option(
    fc.record({ minutes: fc.integer({ min: 5, max: 900 }), celsius: fc.integer({ min: 3, max: 30 }), water: fc.constantFrom('drain', 'keep') }),
  ),
  rest: fc.option(fc.integer({ min: 0, max: 60 })),
  lidUntilBoil: fc.constantFrom('on', 'ajar', 'off'),
  heatStyle: fc.constantFrom(...HEAT_STYLES),
  pressure: fc.constantFrom('low', 'high'),
  release: fc.constantFrom('natural', 'timed', 'quick'),
  at: fc.option(fc.tuple(fc.integer({ min: 0, max: 23 }), fc.integer({ min: 0, max: 59 })).map(([h, m]) => `${String(h).padStart(2, '0')}:${String(m).padStart(2, '0')}`)),
})

test('a bench survives its address', () => {
  fc.assert(fc.property(anyBench, (state) => expect(fromSearch(toSearch(state, first), first, house)).toEqual(state)))
})

test('any bench is a request the planner reads', () => {
  fc.assert(
    fc.property(anyBench, (state) => {
      const read = planFrom(requestOf(state, house, NOW))
      expect(read).toMatchObject({ ok: true })
    }),
    { numRuns: 60 },
  )
})

test.each(['grain=toString&for=-4&at=25:00', 'grams=NaN&texture=9&soak=x', 'for=1e9&pot=bucket&lid=%00'])('an address like "%s" falls back to the first pot', (text) => {
  expect(fromSearch(new URLSearchParams(text), first, house)).toEqual(first)
})

test('what was learned of this grain in this pot goes into its request, and into no other', () => {
  const learned = { uptakeDelta: 0.05, minutesFactor: 1.1, uptakeSd: 0.08, cooks: 2, lastMs: 0 }
  const taught = { ...house, corrections: { 'long-white in heavy-pot': learned } }
  expect(requestOf(first, taught, NOW)).toMatchObject({ uptake_delta_g_g: 0.05, minutes_factor: 1.1 })
  expect(requestOf({ ...first, vesselId: 'thin-pot' }, taught, NOW)).not.toHaveProperty('uptake_delta_g_g')
})

test('a pot too small is mended with the house\'s own larger pot', () => {
  const state: BenchState = { ...first, amount: { basis: 'dry-mass', value: 900 }, vesselId: 'heavy-pot', heatId: 'big-burner' }
  const read = planFrom(requestOf(state, house, NOW))
  if (!read.ok) throw new Error('not read')
  const caution = read.value.cautions.find((c) => c.code === 'swells-too-high')!
  const mend = mendOf(caution, state, house, NOW)!
  expect(mend.state.vesselId).toBe('stock-pot')
  const after = planFrom(requestOf(mend.state, house, NOW))
  expect(after.ok && after.value.cautions.map((c) => c.code)).not.toContain('swells-too-high')
})

test('every mend that is offered can be planned', () => {
  fc.assert(
    fc.property(anyBench, (state) => {
      const read = planFrom(requestOf(state, house, NOW))
      if (!read.ok) throw new Error('not read')
      for (const caution of read.value.cautions) {
        const mend = mendOf(caution, state, house, NOW)
        if (mend) expect(planFrom(requestOf(mend.state, house, NOW))).toMatchObject({ ok: true })
      }
    }),
    { numRuns: 25 },
  )
})

test('words for the order line', () => {
  expect([1, 14, 4.5, 24].map(countWord)).toEqual(['one', 'fourteen', '4.5', '24'])
  expect(amountWord(first)).toBe('For four')
})
