import fc from 'fast-check'
import { anyMeal, faults, joinedMeal, kitchen, potFaults } from '../../tests/helpers/schedules'
import { companionOf } from './dish-blocks'
import { place } from './place'
import { search } from './search'
import { costlier, type Block, type Cost, type Dish, type KitchenPlaces, type Placed } from './task'

/** Where something found no place, what follows it is drawn without it, and the meal is said not to work. */
const isTrue = (undone: number) => (fault: string) => undone === 0 || !fault.endsWith('which is not there')

describe('a timetable', () => {
  test('takes nothing twice, breaks no order and keeps every limit, over thousands of meals', () => {
    let meals = 0
    for (const [dishes, tasks, runs] of [
      [1, 4, 600],
      [2, 3, 900],
      [3, 3, 900],
      [5, 4, 200],
    ] as const)
      fc.assert(
        fc.property(
          anyMeal(dishes, tasks),
          fc.integer({ min: 1, max: 3 }),
          fc.integer({ min: 1, max: 2 }),
          (meal, burners, cooks) => {
            meals++
            const k = kitchen(burners, cooks)
            const { placed } = search({ dishes: meal, kitchen: k, tries: 6, mostExact: 60 })
            expect(faults(placed, meal, k)).toEqual([])
          },
        ),
        { numRuns: runs },
      )
    expect(meals).toBeGreaterThan(2500)
  })

  test('a pot has one dish at a time, and a dish waits for another, over hundreds of evenings', () => {
    let whole = 0
    fc.assert(
      fc.property(joinedMeal(4, 3), fc.integer({ min: 1, max: 3 }), (meal, burners) => {
        const k = kitchen(burners)
        const { placed, undone } = search({ dishes: meal, kitchen: k, tries: 20, mostExact: 60 })
        expect(faults(placed, meal, k).filter(isTrue(undone.length))).toEqual([])
        if (undone.length === 0) whole++
      }),
      { numRuns: 500 },
    )
    expect(whole).toBeGreaterThan(100)
  })

  test('the same meal has the same timetable', () => {
    fc.assert(
      fc.property(anyMeal(4, 4), (meal) => {
        const once = () =>
          [...search({ dishes: meal, kitchen: kitchen(2), tries: 30 }).placed.values()].map((p) => [
            p.block.id,
            p.start,
            p.at,
          ])
        expect(once()).toEqual(once())
      }),
      { numRuns: 40 },
    )
  })
})

/** Minutes of hands and places that a block takes, each with its name. */
const cellsOf = (block: Block, at: string | undefined, start: number): string[] =>
  block.needs.flatMap(({ from, minutes, hands, place: where }) =>
    Array.from({ length: minutes }, (_, m) => start + from + m).flatMap((minute) => [
      ...(hands ? [`hands@${minute}`] : []),
      ...(where === null ? [] : [`${where === 'oven' ? 'oven' : `${where} ${at}`}@${minute}`]),
    ]),
  )
const roomOf = (cell: string, k: KitchenPlaces): number =>
  cell.startsWith('hands') ? k.cooks : cell.startsWith('oven') ? k.oven : 1

/**
 * Every start there is, one minute after another, cut off only where a limit is already broken or the cost is
 * worse: no orders, no rules of thumb.
 */
function exhaustive(dishes: readonly Dish[], k: KitchenPlaces, horizon: number): Cost | undefined {
  const blocks: Block[] = []
  const all = dishes.flatMap((d) => d.blocks)
  const follow = (block: Block) => all.filter((b) => b.after.some((a) => a.id === block.id))
  // Followers first, so that every start has its end to keep to.
  const left = [...all]
  while (left.length > 0) {
    const i = left.findIndex((b) => follow(b).every((f) => blocks.includes(f)))
    blocks.push(...left.splice(i, 1))
  }
  const taken = new Map<string, number>()
  const starts = new Map<string, Placed>()
  let best: Cost | undefined
  const go = (i: number, held: number, span: number) => {
    if (best && (held > best.held || (held === best.held && span >= best.span))) return
    if (i === blocks.length) {
      best = { undone: 0, held, span }
      return
    }
    const block = blocks[i]!
    const dish = dishes.find((d) => d.id === block.dish)!
    const next = follow(block)
    const latest = Math.min(0, ...next.map((f) => starts.get(f.id)!.start))
    const spots = block.needs.some((n) => n.place === 'burner')
      ? k.burners.map((b) => b.id)
      : [block.appliance]
    for (let end = latest; end >= -horizon; end--) {
      if (next.length === 0 && -end > dish.holdMost) break
      if (next.some((f) => starts.get(f.id)!.start - end > f.after.find((a) => a.id === block.id)!.mostWait))
        break
      const start = end - block.minutes
      const more = next.length === 0 ? held - end : held
      if (best && (more > best.held || (more === best.held && Math.max(span, -start) >= best.span))) break
      for (const at of spots) {
        const cells = cellsOf(block, at, start)
        if (cells.some((cell) => (taken.get(cell) ?? 0) >= roomOf(cell, k))) continue
        for (const cell of cells) taken.set(cell, (taken.get(cell) ?? 0) + 1)
        starts.set(block.id, { block, start, end })
        if (!block.pot || potFaults(starts, dishes).length === 0) go(i + 1, more, Math.max(span, -start))
        starts.delete(block.id)
        for (const cell of cells) taken.set(cell, taken.get(cell)! - 1)
      }
    }
  }
  go(0, 0, 0)
  return best
}

describe('beside looking at every start there is', () => {
  const small = fc.record({
    minutes: fc.integer({ min: 1, max: 5 }),
    handsOn: fc.boolean(),
    needs: fc.constantFrom('burner' as const, 'oven' as const, 'none' as const),
  })
  const dish = (id: string) =>
    fc
      .record({
        tasks: fc.array(small, { minLength: 1, maxLength: 2 }),
        holdMost: fc.integer({ min: 0, max: 9 }),
      })
      .map(({ tasks, holdMost }) =>
        companionOf({
          id,
          title: id,
          holdMost,
          tasks: tasks.map((t, i) => ({ id: `t${i}`, title: '', ...t })),
        }),
      )
  test('no small meal is planned worse', () => {
    fc.assert(
      fc.property(
        fc.tuple(dish('a'), dish('b'), dish('c')),
        fc.integer({ min: 1, max: 2 }),
        fc.integer({ min: 1, max: 2 }),
        (meal, burners, cooks) => {
          const k = kitchen(burners, cooks)
          const got = search({ dishes: meal, kitchen: k })
          const best = exhaustive(meal, k, 26)
          if (!got.exact) return
          if (best) expect([costlier(got.cost, best) <= 0, got.cost, best]).toEqual([true, got.cost, best])
          expect(faults(got.placed, meal, k)).toEqual([])
        },
      ),
      { numRuns: 60 },
    )
  })

  test('nor one with a pot in turn and dishes that wait for others', () => {
    let shared = 0
    fc.assert(
      fc.property(joinedMeal(3, 2, 3), fc.integer({ min: 1, max: 2 }), (meal, burners) => {
        const k = kitchen(burners)
        const got = search({ dishes: meal, kitchen: k })
        if (!got.exact) return
        const best = exhaustive(meal, k, 32)
        if (best) expect([costlier(got.cost, best) <= 0, got.cost, best]).toEqual([true, got.cost, best])
        expect(faults(got.placed, meal, k).filter(isTrue(got.undone.length))).toEqual([])
        if (best && meal.filter((d) => d.blocks.some((b) => b.pot?.id === 'p1')).length > 1) shared++
      }),
      { numRuns: 120, seed: 22 },
    )
    expect(shared).toBeGreaterThan(2)
  })

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
