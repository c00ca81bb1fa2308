import fc from 'fast-check'
import { companionOf } from '#core/schedule/dish-blocks'
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
  for (const dish of dishes)
    for (const block of dish.blocks.filter(
      (b) => !dish.blocks.some((o) => o.after.some((a) => a.id === b.id)),
    )) {
      const p = placed.get(block.id)
      if (p && -p.end > dish.holdMost + 1e-9) found.push(`${dish.id} is held ${-p.end} of ${dish.holdMost}`)
    }
  return found
}

export const kitchen = (burners: number, cooks = 1, oven = 1): KitchenPlaces => ({
  burners: Array.from({ length: burners }, (_, i) => ({ id: `b${i + 1}` })),
  oven,
  appliances: ['cooker'],
  cooks,
})

const anyTask = fc.record({
  minutes: fc.integer({ min: 1, max: 40 }),
  handsOn: fc.boolean(),
  needs: fc.constantFrom('burner' as const, 'oven' as const, 'none' as const),
  lookInEveryMin: fc.option(fc.integer({ min: 5, max: 15 }), { nil: undefined }),
})
const anyDish = (id: string, most: number) =>
  fc
    .record({
      tasks: fc.array(anyTask, { minLength: 1, maxLength: most }),
      holdMost: fc.integer({ min: 0, max: 90 }),
    })
    .map(({ tasks, holdMost }) =>
      companionOf({
        id,
        title: id,
        holdMost,
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
