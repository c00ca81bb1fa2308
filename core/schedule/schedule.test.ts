import fc from 'fast-check'
import { anyMeal, faults, joinedMeal, kitchen, potFaults } from '../../tests/helpers/schedules'
import { companionOf } from './dish-blocks'
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
})
