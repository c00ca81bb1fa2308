import fc from 'fast-check'
import { companionOf } from '#core/schedule/dish-blocks'
import { joinDishes } from '#core/schedule/join-dishes'
import type { Dish, KitchenPlaces, Placed } from '#core/schedule/task'

/**
 * An independent reading of a timetable: minute by minute, from nothing but where the blocks lie. Knows
 * nothing of how they were put there.
 */
export function faults(
  placed: ReadonlyMap<string, Placed>,
  dishes: readonly Dish[],
  kitchen: KitchenPlaces,
): string[] {
  const found: string[] = []
  const taken = new Map<string, number>()
  for (const { block, start, end, at } of placed.values()) {
    const there = (at !== undefined && block.onBurner?.[at]) || block
    if (end > 1e-9) found.push(`${block.id} ends after the table`)
    if (Math.abs(end - start - there.minutes) > 1e-9) found.push(`${block.id} is torn`)
    for (const { from, minutes, hands, place: where } of there.needs)
      for (let minute = start + from; minute < start + from + minutes; minute++)
        for (const what of [
          hands ? 'hands' : '',
          where === null ? '' : where === 'oven' ? 'oven' : `${where} ${at}`,
        ].filter(Boolean))
          taken.set(`${what}@${minute}`, (taken.get(`${what}@${minute}`) ?? 0) + 1)
    if (block.needs.some((n) => n.place === 'burner') && !kitchen.burners.some((b) => b.id === at))
      found.push(`${block.id} stands on no burner`)
    if (block.appliance !== undefined && at !== block.appliance)
      found.push(`${block.id} is in another appliance`)
    for (const { id, mostWait } of block.after) {
      const before = placed.get(id)
      if (!before) found.push(`${block.id} comes after ${id}, which is not there`)
      else if (before.end > start + 1e-9) found.push(`${block.id} begins before ${id} is over`)
      else if (start - before.end > mostWait + 1e-9) found.push(`${block.id} lets ${id} wait too long`)
    }
  }
  for (const [key, many] of taken) {
    const what = key.split('@')[0]!
    const room = what === 'hands' ? kitchen.cooks : what === 'oven' ? kitchen.oven : 1
    if (many > room) found.push(`${what} is taken ${many} times at ${key.split('@')[1]}`)
  }
  found.push(...potFaults(placed, dishes))
  const all = dishes.flatMap((d) => d.blocks)
  for (const { block, at } of placed.values())
    if (block.underBlock !== undefined && placed.get(block.underBlock)?.at !== at)
      found.push(`${block.id} is not on the burner of what it is under`)
  for (const dish of dishes)
    for (const block of dish.blocks.filter((b) => !all.some((o) => o.after.some((a) => a.id === b.id)))) {
      const p = placed.get(block.id)
      if (p && -p.end > dish.holdMost + 1e-9) found.push(`${dish.id} is held ${-p.end} of ${dish.holdMost}`)
    }
  return found
}

/** Five minutes to empty and wash a pot before the next dish is filled in. */
const WASH = 5

/** A pot has one dish in it at a time, from the dish's first filling to its last emptying. */
export function potFaults(placed: ReadonlyMap<string, Placed>, dishes: readonly Dish[]): string[] {
  const uses = dishes.flatMap(({ id, blocks }) => {
    const inPot = blocks.flatMap((b) => {
      const p = placed.get(b.id)
      return p && b.pot ? [{ ...p, pot: b.pot }] : []
    })
    if (inPot.length === 0) return []
    const first = inPot.reduce((a, b) => (b.start < a.start ? b : a))
    const last = inPot.reduce((a, b) => (b.end > a.end ? b : a))
    return [
      {
        dish: id,
        pot: first.pot.id,
        from: first.start + first.pot.from,
        to: last.end - (last.pot.emptyBeforeEnd ?? 0),
      },
    ]
  })
  return uses.flatMap((a, i) =>
    uses
      .slice(i + 1)
      .filter((b) => b.pot === a.pot && a.from < b.to + WASH && b.from < a.to + WASH)
      .map((b) => `${a.dish} and ${b.dish} are in ${a.pot} at once`),
  )
}

/** The same meal with pots of its own, some of them shared, and some dishes that wait for earlier ones. */
export const joinedMeal = (dishes: number, tasks: number, longest = 40) =>
  fc
    .tuple(
      fc.tuple(
        ...Array.from({ length: dishes }, (_, i) => anyDish(`d${i}`, tasks, { withPot: true, longest })),
      ),
      fc.array(fc.option(fc.nat(dishes - 1), { nil: undefined }), { minLength: dishes, maxLength: dishes }),
    )
    .map(([list, waits]) =>
      joinDishes(
        (list as Dish[]).map((dish, i) => {
          const before = waits[i]
          const [first, ...rest] = dish.blocks
          return before !== undefined && before < i
            ? { ...dish, blocks: [{ ...first!, afterDishes: [`d${before}`] }, ...rest] }
            : dish
        }),
        [],
      ),
    )

export const kitchen = (burners: number, cooks = 1, oven = 1): KitchenPlaces => ({
  burners: Array.from({ length: burners }, (_, i) => ({ id: `b${i + 1}` })),
  oven,
  appliances: ['cooker'],
  cooks,
})

const anyTask = (longest: number) =>
  fc.record({
    minutes: fc.integer({ min: 1, max: longest }),
    handsOn: fc.boolean(),
    needs: fc.constantFrom('burner' as const, 'oven' as const, 'none' as const),
    lookInEveryMin: fc.option(fc.integer({ min: 5, max: 15 }), { nil: undefined }),
  })
const anyDish = (id: string, most: number, { withPot = false, longest = 40 } = {}) =>
  fc
    .record({
      pot: withPot ? fc.constantFrom(undefined, 'p1', 'p1', 'p2') : fc.constant(undefined),
      tasks: fc.array(anyTask(longest), { minLength: 1, maxLength: most }),
      holdMost: fc.integer({ min: 0, max: 90 }),
    })
    .map(({ tasks, holdMost, pot }) =>
      companionOf({
        id,
        title: id,
        holdMost,
        ...(pot === undefined ? {} : { pot }),
        tasks: tasks.map((t, i) => ({
          id: `t${i}`,
          title: `t${i}`,
          minutes: t.minutes,
          handsOn: t.handsOn,
          needs: t.needs,
          ...(t.lookInEveryMin === undefined ? {} : { lookInEveryMin: t.lookInEveryMin }),
        })),
      }),
    )
/** Meals of so many dishes, each with up to so many tasks. */
export const anyMeal = (dishes: number, tasks: number) =>
  fc.tuple(...Array.from({ length: dishes }, (_, i) => anyDish(`d${i}`, tasks))).map((list) => list as Dish[])
