import { faults, kitchen } from '../../tests/helpers/schedules'
import { companionOf } from './dish-blocks'
import { place } from './place'
import { search } from './search'
import type { Block, Dish, FixedBlock } from './task'

test('twelve tasks in four dishes', () => {
  const meal = ['a', 'b', 'c', 'd'].map((id, n) =>
    companionOf({
      id,
      title: id,
      holdMost: 30,
      tasks: [
        { id: 'cut', title: 'cut', minutes: 2, handsOn: true, needs: 'none' },
        {
          id: 'cook',
          title: 'cook',
          minutes: 3 + n,
          handsOn: false,
          needs: n % 2 === 0 ? 'burner' : 'oven',
        },
        { id: 'turn', title: 'turn', minutes: 1, handsOn: true, needs: 'none' },
      ],
    }),
  )
  const k = kitchen(1)
  const got = search({ dishes: meal, kitchen: k })
  expect(faults(got.placed, meal, k)).toEqual([])
  // One pair of hands serves four dishes one after another: 0, 1, 2 and 3 minutes of holding, and no
  // timetable has less.
  expect(got.cost).toMatchObject({ undone: 0, held: 6 })
})

describe('what cannot be', () => {
  const hot = (id: string, holdMost: number) =>
    companionOf({
      id,
      title: id,
      holdMost,
      tasks: [{ id: 'cook', title: 'cook', minutes: 20, handsOn: false, needs: 'burner' }],
    })
  test('two pots on one burner that both must be eaten at once', () => {
    const meal = [hot('a', 0), hot('b', 0)]
    const got = search({ dishes: meal, kitchen: kitchen(1) })
    expect(got.cost.undone).toBe(1)
    expect(got.undone[0]!.why).toBe('waits-too-long')
    expect(search({ dishes: meal, kitchen: kitchen(2) }).cost).toEqual({ undone: 0, held: 0, span: 20 })
    expect(search({ dishes: [hot('a', 0), hot('b', 20)], kitchen: kitchen(1) }).cost).toEqual({
      undone: 0,
      held: 20,
      span: 40,
    })
  })
  test('no burner at all', () => {
    expect(search({ dishes: [hot('a', 10)], kitchen: kitchen(0) }).undone.map((u) => u.why)).toEqual([
      'never',
    ])
  })
  test('what is locked stays, and the rest goes round it', () => {
    const meal = [hot('a', 60), hot('b', 60)]
    const got = search({
      dishes: meal,
      kitchen: kitchen(2),
      locks: new Map([['a cook', { start: 35, at: 'b2' }]]),
    })
    expect(got.placed.get('a cook')).toMatchObject({ start: -35, end: -15, at: 'b2' })
    expect(faults(got.placed, meal, kitchen(2))).toEqual([])
  })
  test('tasks in a circle, or after none of their own, are refused', () => {
    const task = (id: string, after: string[]) => ({
      id,
      title: id,
      minutes: 1,
      handsOn: false,
      needs: 'none' as const,
      after,
    })
    expect(() => companionOf({ id: 'x', title: 'x', tasks: [task('a', ['b']), task('b', ['a'])] })).toThrow(
      'depend on each other',
    )
    expect(() => companionOf({ id: 'x', title: 'x', tasks: [task('a', ['z'])] })).toThrow('none of this dish')
  })
})

test('an order that lets something wait too long pulls what follows it earlier', () => {
  // a: 10 min on the burner, then within 2 min a turn by hand; b has the burner to the end.
  const a: Dish = {
    id: 'a',
    title: 'a',
    holdMost: 60,
    blocks: [
      {
        id: 'a cook',
        dish: 'a',
        minutes: 10,
        needs: [{ from: 0, minutes: 10, hands: false, place: 'burner' }],
        after: [],
        tasks: [],
      },
      {
        id: 'a turn',
        dish: 'a',
        minutes: 1,
        needs: [{ from: 0, minutes: 1, hands: true, place: null }],
        after: [{ id: 'a cook', mostWait: 2 }],
        tasks: [],
      },
    ],
  }
  const b: Dish = {
    id: 'b',
    title: 'b',
    holdMost: 0,
    blocks: [
      {
        id: 'b cook',
        dish: 'b',
        minutes: 15,
        needs: [{ from: 0, minutes: 15, hands: false, place: 'burner' }],
        after: [],
        tasks: [],
      },
    ],
  }
  const order = [b.blocks[0]!, a.blocks[1]!, a.blocks[0]!]
  const got = place(order, [a, b], kitchen(1))
  expect(got.undone).toEqual([])
  expect(faults(got.placed, [a, b], kitchen(1))).toEqual([])
  expect(got.placed.get('a turn')!.start).toBe(-13)
})

/** One block of a dish on a burner, by hand or nowhere. */
const block = (id: string, minutes: number, more: Partial<Block> = {}): Block => ({
  id,
  dish: id.split(' ')[0]!,
  minutes,
  needs: [{ from: 0, minutes, hands: false, place: 'burner' }],
  after: [],
  tasks: [],
  ...more,
})
const dishOf = (id: string, holdMost: number, ...blocks: Block[]): Dish => ({
  id,
  title: id,
  holdMost,
  blocks,
})
const byHand = (id: string, minutes: number, more: Partial<Block> = {}): Block =>
  block(id, minutes, { needs: [{ from: 0, minutes, hands: true, place: null }], ...more })
const starts = ({ placed }: ReturnType<typeof place>) =>
  Object.fromEntries([...placed].map(([id, { start, at }]) => [id, at === undefined ? start : [start, at]]))
const reasons = ({ undone }: ReturnType<typeof place>) => undone.map(({ block: { id }, why }) => [id, why])

describe('limits, just inside and just outside', () => {
  test('a dish is held for as long as it keeps, and no minute longer', () => {
    const [a, b] = [block('a x', 20), block('b x', 20)]
    const meal = (holdMost: number) => [dishOf('a', 0, a), dishOf('b', holdMost, b)]
    expect(starts(place([a, b], meal(20), kitchen(1)))).toEqual({ 'a x': [-20, 'b1'], 'b x': [-40, 'b1'] })
    expect(reasons(place([a, b], meal(19), kitchen(1)))).toEqual([['b x', 'waits-too-long']])
  })

  test('nothing begins before now', () => {
    const a = block('a x', 20)
    const at = (nowBefore: number) => place([a], [dishOf('a', 0, a)], kitchen(1), { nowBefore })
    expect(starts(at(20))).toEqual({ 'a x': [-20, 'b1'] })
    expect(reasons(at(19))).toEqual([['a x', 'too-soon']])
  })

  test('a step waits for what follows it for as long as it may', () => {
    const trout = block('trout x', 12)
    const serve = byHand('soup serve', 2, { after: [{ id: 'soup x', mostWait: 10 }] })
    const soup = (mostWait: number) => {
      const turn = { ...serve, after: [{ id: 'soup x', mostWait }] }
      const simmer = block('soup x', 8)
      // The burner is taken for the last twelve minutes; the serving stays where it is locked.
      return place(
        [trout, turn, simmer],
        [dishOf('trout', 0, trout), dishOf('soup', 0, turn, simmer)],
        kitchen(1),
        {
          locks: new Map([['soup serve', { start: 2 }]]),
        },
      )
    }
    expect(starts(soup(10))).toMatchObject({ 'soup x': [-20, 'b1'], 'soup serve': -2 })
    expect(reasons(soup(9))).toEqual([['soup x', 'waits-too-long']])
  })

  test('three days before serving, and no more', () => {
    const soak = (minutes: number) => {
      const a = block('a soak', minutes, { needs: [] })
      return place([a], [dishOf('a', 0, a)], kitchen(1))
    }
    expect(starts(soak(4320))).toEqual({ 'a soak': -4320 })
    expect(reasons(soak(4321))).toEqual([['a soak', 'never']])
  })

  test('what comes before something that found no place is left out with it', () => {
    const [cook, serve] = [
      block('a x', 10),
      byHand('a serve', 2, {
        needs: [{ from: 0, minutes: 2, hands: true, place: 'oven' }],
        after: [{ id: 'a x', mostWait: 5 }],
      }),
    ]
    const got = place([serve, cook], [dishOf('a', 30, cook, serve)], kitchen(1, 1, 0))
    expect(reasons(got)).toEqual([
      ['a serve', 'never'],
      ['a x', 'after-undone'],
    ])
    expect(got.cost.undone).toBe(2)
  })

  test('the oven takes as many dishes as there is room for', () => {
    const inOven = (id: string) =>
      block(id, 10, { needs: [{ from: 0, minutes: 10, hands: false, place: 'oven' }] })
    const [a, b] = [inOven('a x'), inOven('b x')]
    const meal = [dishOf('a', 30, a), dishOf('b', 30, b)]
    expect(starts(place([a, b], meal, kitchen(1, 1, 2)))).toEqual({ 'a x': -10, 'b x': -10 })
    expect(starts(place([a, b], meal, kitchen(1, 1, 1)))).toEqual({ 'a x': -10, 'b x': -20 })
  })

  test('one cook does one thing at a time, in the part of a block that needs hands only', () => {
    // Two minutes by hand at the beginning of ten.
    const stirred = (id: string) =>
      block(id, 10, {
        needs: [
          { from: 0, minutes: 10, hands: false, place: 'burner' },
          { from: 0, minutes: 2, hands: true, place: null },
        ],
      })
    const [a, b] = [stirred('a x'), stirred('b x')]
    const meal = [dishOf('a', 30, a), dishOf('b', 30, b)]
    expect(starts(place([a, b], meal, kitchen(2, 1)))).toEqual({ 'a x': [-10, 'b1'], 'b x': [-12, 'b2'] })
    expect(starts(place([a, b], meal, kitchen(2, 2)))).toEqual({ 'a x': [-10, 'b1'], 'b x': [-10, 'b2'] })
  })
})

describe('burners', () => {
  const needs = (minutes: number) => ({
    minutes,
    needs: [{ from: 0, minutes, hands: false, place: 'burner' as const }],
  })
  const pot = block('a x', 30, { onBurner: { b1: needs(30), b2: needs(20) } })
  const meal = [dishOf('a', 30, pot)]

  test('it stands where it is quickest, unless it is put elsewhere; not where it cannot be heated', () => {
    expect(starts(place([pot], meal, kitchen(3)))).toEqual({ 'a x': [-20, 'b2'] })
    const tried = (burner: string) =>
      starts(place([pot], meal, kitchen(3), { burnerOf: new Map([['a x', burner]]) }))
    expect(tried('b1')).toEqual({ 'a x': [-30, 'b1'] })
    expect(tried('b3')).toEqual({ 'a x': [-20, 'b2'] })
  })

  test('where the cook wants it, it stands; a locked hour that is taken cannot be', () => {
    const locked = (lock: { start?: number; at?: string }) =>
      place([pot], meal, kitchen(2), { locks: new Map([['a x', lock]]) })
    expect(starts(locked({ at: 'b1' }))).toEqual({ 'a x': [-30, 'b1'] })
    expect(starts(locked({ start: 45, at: 'b2' }))).toEqual({ 'a x': [-45, 'b2'] })
    const fixed: FixedBlock[] = [{ block: block('b x', 10), start: -40, at: 'b2' }]
    const neighbour = (start: number) =>
      reasons(place([pot], meal, kitchen(2), { fixed, locks: new Map([['a x', { start, at: 'b2' }]]) }))
    expect(neighbour(30)).toEqual([])
    expect(neighbour(31)).toEqual([['a x', 'never']])
  })

  test('a boiler stands on the burner of what it steams', () => {
    const grain = block('grain x', 10)
    const stew = block('stew x', 30, { underBlock: 'grain x', after: [] })
    const follows = { ...grain, after: [{ id: 'stew x', mostWait: 5 }] }
    const got = place([follows, stew], [dishOf('grain', 0, follows), dishOf('stew', 30, stew)], kitchen(2), {
      burnerOf: new Map([['grain x', 'b2']]),
    })
    expect(starts(got)).toEqual({ 'grain x': [-10, 'b2'], 'stew x': [-40, 'b2'] })
  })

  test('an appliance is used by one block at a time, and by no other place', () => {
    const inCooker = (id: string) =>
      block(id, 10, {
        appliance: 'cooker',
        needs: [{ from: 0, minutes: 10, hands: false, place: 'appliance' }],
      })
    const [a, b] = [inCooker('a x'), inCooker('b x')]
    expect(starts(place([a, b], [dishOf('a', 30, a), dishOf('b', 30, b)], kitchen(0)))).toEqual({
      'a x': [-10, 'cooker'],
      'b x': [-20, 'cooker'],
    })
  })
})

describe('what has begun', () => {
  const rest: FixedBlock = { block: block('rice rest', 10, { needs: [] }), start: -25 }
  const fluff = (mostWait: number) => byHand('rice fluff', 2, { after: [{ id: 'rice rest', mostWait }] })
  const withFluff = (mostWait: number, more = {}) => {
    const f = fluff(mostWait)
    return place([f], [dishOf('rice', 60, f)], kitchen(1), { fixed: [rest], ...more })
  }

  test('what follows it comes no sooner than it ends, and no later than it can wait', () => {
    // It ends 15 minutes before serving: a wait of 13 lets the loosening be the last thing.
    expect(starts(withFluff(13))).toMatchObject({ 'rice fluff': -2 })
    expect(starts(withFluff(5))).toMatchObject({ 'rice fluff': -10 })
    expect(starts(withFluff(0))).toMatchObject({ 'rice fluff': -15 })
    const late = (start: number) => reasons(withFluff(60, { locks: new Map([['rice fluff', { start }]]) }))
    expect(late(15)).toEqual([])
    expect(late(16)).toEqual([['rice fluff', 'too-soon']])
    const long = (start: number) => reasons(withFluff(10, { locks: new Map([['rice fluff', { start }]]) }))
    expect(long(5)).toEqual([])
    expect(long(4)).toEqual([['rice fluff', 'waits-too-long']])
  })

  test('it holds its burner, and is no part of how early the rest begins', () => {
    const a = block('a x', 10)
    const got = place([a], [dishOf('a', 35, a)], kitchen(1), {
      fixed: [{ block: block('b x', 30), start: -35, at: 'b1' }],
    })
    // From 35 to 5 minutes before serving the burner is taken; what is left is too short.
    expect(starts(got)).toEqual({ 'b x': [-35, 'b1'], 'a x': [-45, 'b1'] })
    expect(got.cost).toEqual({ undone: 0, held: 35, span: 45 })
  })

  test('minutes of holding are those of the last block of each dish', () => {
    const [a, b] = [block('a x', 10), block('b x', 20)]
    const got = place([a, b], [dishOf('a', 30, a), dishOf('b', 30, b)], kitchen(1))
    expect(got.cost).toEqual({ undone: 0, held: 10, span: 30 })
    const serve = byHand('c serve', 3, { after: [{ id: 'c x', mostWait: 30 }] })
    const c = block('c x', 10)
    expect(place([serve, c], [dishOf('c', 30, serve, c)], kitchen(1)).cost).toEqual({
      undone: 0,
      held: 0,
      span: 13,
    })
  })
})

describe('the search', () => {
  const two = (holdMost = 60) => {
    const [a, b] = [block('a x', 10), block('b x', 25)]
    return [dishOf('a', holdMost, a), dishOf('b', holdMost, b)]
  }

  test('tries every order on every burner where that is few, and says so', () => {
    // Two orders of two blocks, on one burner; on two there are four ways to stand for each.
    expect(search({ dishes: two(), kitchen: kitchen(1) })).toMatchObject({ exact: true, tried: 2 })
    expect(search({ dishes: two(), kitchen: kitchen(2) })).toMatchObject({ exact: true, tried: 8 })
    expect(search({ dishes: two(), kitchen: kitchen(2), mostExact: 8 })).toMatchObject({ exact: true })
    expect(search({ dishes: two(), kitchen: kitchen(2), mostExact: 7, tries: 30 })).toMatchObject({
      exact: false,
      tried: 30,
    })
    // Where the cook has said which burner, that is one way.
    const locks = new Map([['a x', { at: 'b2' }]])
    const locked = search({ dishes: two(), kitchen: kitchen(2), locks })
    expect(locked).toMatchObject({ exact: true, tried: 4 })
    expect(locked.placed.get('a x')!.at).toBe('b2')
  })

  test('orders keep what follows what: of a chain there is one', () => {
    const chain = [
      block('a x', 10),
      byHand('a turn', 1, { after: [{ id: 'a x', mostWait: 5 }] }),
      byHand('a serve', 1, { after: [{ id: 'a turn', mostWait: 5 }] }),
    ]
    expect(search({ dishes: [dishOf('a', 10, ...chain)], kitchen: kitchen(1) })).toMatchObject({
      exact: true,
      tried: 1,
      cost: { undone: 0, held: 0, span: 12 },
    })
    // Two chains of two and three: their ten interleavings.
    const other = [byHand('b cut', 1), byHand('b serve', 1, { after: [{ id: 'b cut', mostWait: 60 }] })]
    expect(
      search({ dishes: [dishOf('a', 10, ...chain), dishOf('b', 10, ...other)], kitchen: kitchen(1) }).tried,
    ).toBe(10)
  })

  test('prefers all done to little holding, and little holding to a late start', () => {
    // The long one last holds ten minutes, the short one last twenty-five.
    expect(search({ dishes: two(), kitchen: kitchen(1) }).cost).toEqual({ undone: 0, held: 10, span: 35 })
    // Only the other order keeps both where the long one keeps better.
    const [a, b] = two()
    const meal = [
      { ...a!, holdMost: 0 },
      { ...b!, holdMost: 60 },
    ]
    expect(search({ dishes: meal, kitchen: kitchen(1) }).cost).toEqual({ undone: 0, held: 10, span: 35 })
    const other = [
      { ...a!, holdMost: 60 },
      { ...b!, holdMost: 0 },
    ]
    expect(search({ dishes: other, kitchen: kitchen(1) }).cost).toEqual({ undone: 0, held: 25, span: 35 })
  })

  test('more than twelve blocks are not counted through; what is found keeps every limit', () => {
    const many = Array.from({ length: 13 }, (_, i) => byHand(`d${i} x`, 2))
    const meal = many.map((one) => dishOf(one.dish, 60, one))
    const got = search({ dishes: meal, kitchen: kitchen(1), tries: 8, mostExact: 1e10 })
    expect(got).toMatchObject({ exact: false, tried: 8 })
    expect(faults(got.placed, meal, kitchen(1))).toEqual([])
    // One pair of hands, two minutes each: 0, 2, ... 24 minutes of holding.
    expect(got.cost).toEqual({ undone: 0, held: 156, span: 26 })
    expect(search({ dishes: meal.slice(1), kitchen: kitchen(1), tries: 8, mostExact: 100 }).exact).toBe(false)
  })

  test('finds the burner that heats a pot quickest for each of many pots', () => {
    const quickOn = (id: string, burner: string) =>
      block(id, 40, {
        onBurner: Object.fromEntries(
          ['b1', 'b2', 'b3'].map((b) => {
            const minutes = b === burner ? 15 : 40
            return [b, { minutes, needs: [{ from: 0, minutes, hands: false, place: 'burner' as const }] }]
          }),
        ),
      })
    const blocks = [quickOn('a x', 'b2'), quickOn('b x', 'b3'), quickOn('c x', 'b1')]
    const meal = blocks.map((one) => dishOf(one.dish, 60, one))
    expect(search({ dishes: meal, kitchen: kitchen(3) })).toMatchObject({
      exact: true,
      tried: 6 * 27,
      cost: { undone: 0, held: 0, span: 15 },
    })
    expect(search({ dishes: meal, kitchen: kitchen(3), mostExact: 10, tries: 40 }).cost.span).toBe(15)
  })
})

test('no dishes are placed at once', () => {
  expect(search({ dishes: [], kitchen: kitchen(1) })).toMatchObject({
    exact: true,
    cost: { undone: 0, held: 0, span: 0 },
  })
})
