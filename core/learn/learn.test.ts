import fc from 'fast-check'
import { beliefOf, observe } from './belief'
import { wordOf, WET_DRY_WORDS } from './judgement'
import { correctionOf, learnedFrom, type JudgedCook } from './learned'

const cook = (over: Partial<JudgedCook> = {}): JudgedCook => ({
  key: 'short-white in blue', endedMs: 1000, uptakeDelta: 0, minutesFactor: 1,
  judgement: { wetDry: 0, hardness: 0, bottom: 'clean' }, ...over,
})
const after = (...cooks: JudgedCook[]) => correctionOf(learnedFrom(cooks).get('short-white in blue')!)

describe('belief', () => {
  test('is the Gaussian posterior: precisions add, means weigh by them', () => {
    const b = observe(observe(beliefOf(0, 2), 3, 1), 5, 0.5)
    expect(b.precision).toBeCloseTo(1 / 4 + 1 + 4, 12)
    expect(b.mean).toBeCloseTo((0 / 4 + 3 + 5 * 4) / (1 / 4 + 1 + 4), 12)
  })
  test('the order of measurements does not matter', () => {
    const measured = fc.array(fc.tuple(fc.double({ min: -2, max: 2, noNaN: true }), fc.double({ min: 0.05, max: 3, noNaN: true })), { maxLength: 8 })
    fc.assert(
      fc.property(measured, (list) => {
        const told = (l: typeof list) => l.reduce((b, [m, sd]) => observe(b, m, sd), beliefOf(0, 1))
        expect(told([...list].reverse()).mean).toBeCloseTo(told(list).mean, 9)
      }),
    )
  })
  test('refuses what is no measurement', () => {
    expect(() => observe(beliefOf(0, 1), NaN, 1)).toThrow(RangeError)
    expect(() => observe(beliefOf(0, 1), 1, 0)).toThrow(RangeError)
  })
})

test('too wet asks for less next time, too dry for more, right for no change, and each makes it surer', () => {
  const wet = after(cook({ judgement: { wetDry: 1, hardness: 0, bottom: 'clean' } }))
  const dry = after(cook({ judgement: { wetDry: -2, hardness: 0, bottom: 'clean' } }))
  const right = after(cook())
  expect(wet.uptakeDelta).toBeLessThan(-0.02)
  expect(dry.uptakeDelta).toBeGreaterThan(0.05)
  expect(right.uptakeDelta).toBeCloseTo(0, 12)
  expect(right.uptakeSd).toBeLessThan(0.12)
})

test('never moves further than the judgement itself says', () => {
  fc.assert(
    fc.property(fc.integer({ min: -2, max: 2 }), fc.double({ min: -0.5, max: 0.5, noNaN: true }), (wetDry, used) => {
      const said = used - 0.12 * wetDry
      const { uptakeDelta } = after(cook({ uptakeDelta: used, judgement: { wetDry, hardness: 0, bottom: 'clean' } }))
      expect(Math.abs(uptakeDelta)).toBeLessThanOrEqual(Math.abs(said) + 1e-12)
      expect(uptakeDelta * said).toBeGreaterThanOrEqual(0)
    }),
  )
})

test('judged again and again, it settles where the pot comes out right', () => {
  // A household that likes 0.2 g/g over the published figure, told in whole steps.
  const wanted = 0.2
  const cooks: JudgedCook[] = []
  for (let i = 0; i < 12; i++) {
    const used = cooks.length > 0 ? after(...cooks).uptakeDelta : 0
    cooks.push(cook({ endedMs: i, uptakeDelta: used, judgement: { wetDry: Math.round((used - wanted) / 0.12), hardness: 0, bottom: 'clean' } }))
  }
  expect(Math.abs(after(...cooks).uptakeDelta - wanted)).toBeLessThan(0.08)
  expect(after(...cooks).uptakeSd).toBeLessThan(0.04)
})

test('hard asks for time, not for water', () => {
  const hard = after(cook({ judgement: { wetDry: 0, hardness: -2, bottom: 'clean' } }))
  expect(hard.minutesFactor).toBeGreaterThan(1.05)
  expect(hard.uptakeDelta).toBeCloseTo(0, 12)
})

test('one grain in one pot teaches nothing about another', () => {
  const known = learnedFrom([cook(), cook({ key: 'quinoa in blue', judgement: { wetDry: 2, hardness: 0, bottom: 'stuck' } })])
  expect(known.get('short-white in blue')!.uptakeDelta.mean).toBeCloseTo(0, 12)
  expect(known.size).toBe(2)
})

test('every step has its word', () => {
  expect([-2, -1, 0, 1, 2].map((s) => wordOf(WET_DRY_WORDS, s))).toEqual([...WET_DRY_WORDS])
})
