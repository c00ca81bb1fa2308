import fc from 'fast-check'
import { cupMeasure } from '#core/units/system'
import { containerState, canTell, happenedAt, type LeftoverEvent } from './container-state'
import { guidanceOf } from './guidance'
import { ledgerOf } from './ledger'
import { portionsTaken } from './taking'

const full = { portions: 4, grams: 600, densityGMl: 0.75 } // 800 mL
const taken = (text: string, cup: 'metric' | 'us-customary' = 'metric') => {
  const read = portionsTaken(text, full, cupMeasure(cup), [{ name: 'blue bowl', ml: 400 }])
  return read.ok ? read.portions : read.says
}

describe('what is taken out of a container', () => {
  test.each([
    ['half', 2],
    ['½', 2],
    ['a quarter', 1],
    ['half of it', 2],
    ['all', 4],
    ['the rest', 4],
    ['1', 1],
    ['1½ portions', 1.5],
    ['150 g', 1],
    ['150', '600 g'],
    ['200 ml', 1],
    ['1 cup', 1.25],
    ['half a cup', 0.625],
    ['2 tbsp', 0.15],
    ['1 blue bowl', 2],
    ['a blue bowl and a half', 3],
  ])('%s', (text, portions) => {
    if (typeof portions === 'number') expect(taken(text)).toBeCloseTo(portions, 9)
    else expect(taken(text)).toContain(portions)
  })

  test('a cup is the cup of the kitchen: 237 mL in the US', () => {
    expect(taken('1 cup', 'us-customary')).toBeCloseTo((4 * 236.588 * 0.75) / 600, 3)
  })

  test('refuses what is no amount or more than there is, with an example', () => {
    expect(taken('some')).toContain('"half"')
    expect(taken('1-2 cups')).toContain('one amount')
    expect(taken('3 inches')).toContain('amount of grain')
    expect(taken('1 cup for Ada')).toContain('"for Ada" was not understood')
    expect(taken('5 portions')).toContain('more than there is: 4 portions, 600 g')
    expect(taken('-1 cup')).toContain('must be an amount')
  })

  test('never more than there is, never nothing; crumbs are not left', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.1, max: 612, noNaN: true }), (grams) => {
        const read = taken(`${grams.toFixed(2)} g`)
        expect(read).toBeGreaterThan(0)
        expect(read).toBeLessThanOrEqual(4)
      }),
    )
    expect(taken('599 g')).toBe(4)
    expect(taken('590 g')).toBeCloseTo((4 * 590) / 600, 9)
  })
})

const HOUR = 3_600_000
const uk = guidanceOf('uk')
const PACKED = Date.UTC(2026, 10, 20, 18)
const on = (place: 'counter' | 'freezer' | 'ice-bath') => ({
  cookedMs: PACKED,
  packedMs: PACKED,
  place,
  portions: 4,
  grams: 600,
})
const event = (kind: LeftoverEvent['kind'], hours: number, more: Partial<LeftoverEvent> = {}) => ({
  id: `${kind} ${hours}`,
  kind,
  atMs: PACKED + hours * HOUR,
  ...more,
})
const at = (hours: number, place: 'counter' | 'freezer' | 'ice-bath', events: LeftoverEvent[] = []) =>
  containerState(on(place), events, uk, PACKED + hours * HOUR)

describe('a container that is still out', () => {
  test('is good for two hours and not a minute longer', () => {
    expect(at(1, 'counter').useByMs).toBe(PACKED + 2 * HOUR)
    expect(at(2, 'counter').pastMs).toBe(0)
    expect(at(2 + 1 / 60, 'counter').pastMs).toBeGreaterThan(0)
    expect(at(2 + 1 / 60, 'ice-bath').pastMs).toBeGreaterThan(0)
    expect(canTell(at(2 + 1 / 60, 'counter'), 'eaten', uk)).toContain('throw it away')
  })

  test('and for its day once it is in the fridge', () => {
    expect(at(3, 'counter', [event('to-fridge', 1)])).toMatchObject({
      useByMs: PACKED + 24 * HOUR,
      outByMs: null,
      pastMs: 0,
    })
  })

  test('that it went in in time can be said later, and holds for the last moment it could', () => {
    const late = at(9, 'counter')
    expect(late.pastOut).toBe(true)
    expect(canTell(late, 'to-fridge', uk)).toBeUndefined()
    expect(happenedAt(late, 'to-fridge', PACKED + 9 * HOUR)).toBe(PACKED + 2 * HOUR)
    expect(happenedAt(at(1, 'counter'), 'to-fridge', PACKED + HOUR)).toBe(PACKED + HOUR)
    expect(canTell(at(24.1, 'counter'), 'to-fridge', uk)).toContain('throw it away')
  })
})

test('half of a frozen container is taken; the rest stays frozen and as good as it was', () => {
  const before = at(100, 'freezer')
  expect(canTell(before, 'eaten', uk)).toBeUndefined()
  const after = at(101, 'freezer', [event('eaten', 100, { portions: 2 })])
  expect(after).toMatchObject({
    place: 'freezer',
    portions: 2,
    grams: 300,
    useByMs: null,
    leftH: before.leftH,
  })
})

test('the ledger counts each batch down, for whom and until when', () => {
  const item = (of: Partial<Parameters<typeof ledgerOf>[0][number]>) => ({
    title: 'jasmine',
    batch: 'b',
    forWhom: '',
    portionsAtFirst: 4,
    state: at(3, 'counter', [event('to-fridge', 1), event('eaten', 2, { portions: 1 })]),
    ...of,
  })
  const frozen = item({ state: at(3, 'freezer') })
  const past = item({ state: at(30, 'counter') })
  const gone = item({ state: at(3, 'counter', [event('eaten', 1)]) })
  expect(ledgerOf([item({}), frozen, past, gone])).toEqual([
    {
      title: 'jasmine',
      forWhom: '',
      portions: 7,
      portionsAtFirst: 16,
      cold: { portions: 3, untilMs: PACKED + 24 * HOUR },
      frozen: 4,
    },
  ])
  expect(
    ledgerOf([frozen, item({ forWhom: 'Ada' })]).map(({ forWhom, portions }) => [forWhom, portions]),
  ).toEqual([
    ['Ada', 3],
    ['', 4],
  ])
  expect(ledgerOf([past, gone])).toEqual([])
})
