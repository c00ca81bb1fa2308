import { faults, kitchen } from '../../tests/helpers/schedules'
import { joinDishes } from './join-dishes'
import { place } from './place'
import { search } from './search'
import { Timetable } from './timetable'
import { WASH_MIN, type Block, type Dish } from './task'

/** A block of so many minutes without hands or heat, in a pot where one is named. */
const block = (id: string, minutes: number, more: Partial<Block> = {}): Block => ({
  id,
  dish: id.split(' ')[0]!,
  minutes,
  needs: [],
  after: [],
  tasks: [],
  ...more,
})
const dish = (id: string, blocks: Block[], holdMost = 90): Dish => ({ id, title: id, blocks, holdMost })
const BURNER = [{ from: 0, minutes: 10, hands: false, place: 'burner' as const }]
const startOf = (got: ReturnType<typeof place>, id: string) => got.placed.get(id)!.start

describe('the timetable of a pot', () => {
  const table = () => {
    const made = new Timetable(kitchen(1), 100)
    made.takePot({ pot: 'blue', first: 40, last: 20 })
    return made
  }
  test.each([
    // Free after it and before it; minute 20 is the first that is free again.
    [20, 0, 0],
    [60, 40, 0],
    [21, 1, 20],
    [45, 25, 15],
    [41, 21, 19],
    [40, 20, 20],
    [90, 10, 30],
  ])('from %d to %d minutes before serving: moved by %d', (first, last, move) => {
    expect(table().clashPot({ pot: 'blue', first, last })).toBe(move)
    expect(table().clashPot({ pot: 'red', first, last })).toBe(0)
  })
  test('moved until it fits, it lies right before the other, and a minute later it would not fit', () => {
    for (const [first, last] of [
      [21, 1],
      [45, 25],
      [40, 20],
    ] as const) {
      const clash = (by: number) => table().clashPot({ pot: 'blue', first: first + by, last: last + by })
      let by = 0
      while (clash(by) > 0) by += clash(by)
      expect(last + by).toBe(40)
      expect(clash(by - 1)).toBeGreaterThan(0)
    }
  })
  test('beyond the earliest hour there is no room', () => {
    expect(table().clashPot({ pot: 'blue', first: 60, last: 50 })).toBe(0)
    const small = new Timetable(kitchen(1), 30)
    small.takePot({ pot: 'blue', first: 10, last: 0 })
    expect(small.clashPot({ pot: 'blue', first: 31, last: 20 })).toBeGreaterThan(0)
  })
})

describe('placing', () => {
  const pot = (from = 0, emptyBeforeEnd?: number) => ({
    pot: { id: 'blue', from, ...(emptyBeforeEnd === undefined ? {} : { emptyBeforeEnd }) },
  })
  test('the second is emptied and washed before the first is filled', () => {
    const a = block('a cook', 20, pot(5, 2))
    const b = block('b cook', 10, pot(0, 0))
    const got = place([a, b], [dish('a', [a]), dish('b', [b])], kitchen(1))
    // a starts at −20 and is filled at −15; b ends WASH_MIN before that.
    expect(got.placed.get('b cook')).toMatchObject({ end: -15 - WASH_MIN, start: -25 - WASH_MIN })
  })
  test('emptied before its end, the pot is free that much sooner', () => {
    const a = block('a cook', 20, pot(0, 0))
    const b = block('b cook', 10, pot(0, 4))
    const got = place([a, b], [dish('a', [a]), dish('b', [b])], kitchen(1))
    expect(got.placed.get('b cook')).toMatchObject({ end: -20 - WASH_MIN + 4 })
  })
  test('it stays full between two blocks of a dish, though the second waits', () => {
    const cook = block('a cook', 10, pot(0))
    // The end needs hands that are busy until −8.
    const end = block('a end', 2, { ...pot(0, 0), after: [{ id: 'a cook', mostWait: 30 }] })
    const other = block('b cook', 5, pot(0, 0))
    const got = place([end, cook, other], [dish('a', [cook, end]), dish('b', [other])], kitchen(1), {
      locks: new Map([['a cook', { start: 30 }]]),
    })
    expect(startOf(got, 'a cook')).toBe(-30)
    // Nothing of b between −30 and −2, although a’s blocks lie only at both ends of it.
    expect(startOf(got, 'b cook')).toBe(-35 - WASH_MIN)
  })
  test('what has begun holds its pot until what follows it is over', () => {
    const begun = block('a cook', 10, pot(0))
    const end = block('a end', 2, { ...pot(0, 0), after: [{ id: 'a cook', mostWait: 30 }] })
    const other = block('b cook', 5, pot(0, 0))
    const got = place([end, other], [dish('a', [end]), dish('b', [other])], kitchen(1), {
      fixed: [{ block: begun, start: -30 }],
      nowBefore: 40,
    })
    const free = startOf(got, 'b cook')
    expect(free + 5 + WASH_MIN <= -30 || free >= startOf(got, 'a end') + 2 + WASH_MIN).toBe(true)
    expect(faults(got.placed, [dish('a', [begun, end]), dish('b', [other])], kitchen(1))).toEqual([])
  })
  test('another pot waits for nobody', () => {
    const a = block('a cook', 20, pot(0, 0))
    const b = block('b cook', 10, { pot: { id: 'red', from: 0, emptyBeforeEnd: 0 } })
    expect(place([a, b], [dish('a', [a]), dish('b', [b])], kitchen(1)).cost.held).toBe(0)
  })
})

describe('dishes that are joined', () => {
  test('what comes after a dish comes after all its last blocks, and lets it wait as long as it keeps', () => {
    const [one, two, last] = [
      block('a one', 3),
      block('a two', 4, { after: [{ id: 'a one', mostWait: 9 }] }),
      block('a three', 2),
    ]
    const fold = block('b fold', 1, { afterDishes: ['a'] })
    const [, b] = joinDishes([dish('a', [one, two, last], 12), dish('b', [fold])], [])
    expect(b!.blocks[0]!.after).toEqual([
      { id: 'a two', mostWait: 12 },
      { id: 'a three', mostWait: 12 },
    ])
  })
  test('a dish that is all under way is waited for as it ends', () => {
    const fold = block('b fold', 1, { afterDishes: ['a'] })
    const begun = [block('a one', 3), block('a two', 4)].map((b, i) => ({ block: b, start: -20 + 5 * i }))
    const [, b] = joinDishes([dish('a', []), dish('b', [fold])], begun)
    expect(b!.blocks[0]!.after).toEqual([{ id: 'a two', mostWait: 90 }])
  })
  test('over its boiler: five minutes at the most, on the same burner', () => {
    const stew = dish('stew', [block('stew simmer', 10, { needs: BURNER })])
    const grain = dish('grain', [
      block('grain soak', 10),
      block('grain steam', 10, { needs: BURNER, after: [{ id: 'grain soak', mostWait: 60 }] }),
    ])
    const joined = joinDishes([stew, grain], [], [{ dish: 'grain', over: 'stew' }])
    expect(joined[1]!.blocks[1]!.after).toContainEqual({ id: 'stew simmer', mostWait: 5 })
    expect(joined[0]!.blocks[0]!.underBlock).toBe('grain steam')
    const got = search({ dishes: joined, kitchen: kitchen(3) })
    expect(got.placed.get('stew simmer')!.at).toBe(got.placed.get('grain steam')!.at)
    expect(faults(got.placed, joined, kitchen(3))).toEqual([])
  })
  test('two that wait for each other are refused', () => {
    const wait = (id: string, other: string) => dish(id, [block(`${id} x`, 1, { afterDishes: [other] })])
    expect(() => joinDishes([wait('a', 'b'), wait('b', 'a')], [])).toThrow('depend on each other')
  })
})
