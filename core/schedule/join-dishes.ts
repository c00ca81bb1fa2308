import type { Block, Dish, FixedBlock } from './task'

/** Grain whose boiler is another dish goes on within this time of it, minutes. */
const BOILER_WAITS = 5

/** A dish that stands on another as its boiler: its steam cooks it. */
export interface Over {
  dish: string
  over: string
}

const isOnBurner = ({ needs }: Block): boolean => needs.some((n) => n.place === 'burner')

/** The last blocks of a dish: those that nothing of the dish follows. */
const lastOf = (blocks: readonly Block[]): Block[] =>
  blocks.filter((block) => !blocks.some((other) => other.after.some(({ id }) => id === block.id)))

/**
 * Puts what comes after whole dishes after their last blocks, and a dish on the burner of its boiler.
 * @param fixed blocks that have begun
 * @throws {RangeError} for dishes that wait for each other
 */
export function joinDishes(
  dishes: readonly Dish[],
  fixed: readonly FixedBlock[],
  overs: readonly Over[] = [],
): Dish[] {
  const begun = fixed.map(({ block }) => block)
  const endsOf = (dish: string): { id: string; holdMost: number }[] => {
    const found = dishes.find((d) => d.id === dish)
    // Of a dish that is all under way, what ends last.
    const ends =
      found && found.blocks.length > 0 ? lastOf(found.blocks) : begun.filter((b) => b.dish === dish).slice(-1)
    return ends.map(({ id }) => ({ id, holdMost: found?.holdMost ?? Infinity }))
  }
  const joined = dishes.map((dish) => {
    const over = overs.find((o) => o.dish === dish.id)?.over
    const hot = dish.blocks.find(isOnBurner)
    return {
      ...dish,
      blocks: dish.blocks.map((block) => ({
        ...block,
        after: [
          ...block.after,
          ...(block.afterDishes ?? []).flatMap((name) =>
            endsOf(name).map(({ id, holdMost }) => ({ id, mostWait: holdMost })),
          ),
          ...(over !== undefined && block === hot
            ? endsOf(over).map(({ id }) => ({ id, mostWait: BOILER_WAITS }))
            : []),
        ],
      })),
    }
  })
  for (const { dish, over } of overs) {
    const hot = joined.find((d) => d.id === dish)!.blocks.find(isOnBurner)
    const boiler = joined.find((d) => d.id === over)?.blocks.findLast(isOnBurner)
    if (hot && boiler) boiler.underBlock = hot.id
  }
  assertNoCircle(joined.flatMap((d) => d.blocks))
  return joined
}

/** @throws {RangeError} where blocks come after each other in a circle */
export function assertNoCircle(blocks: readonly Block[]): void {
  const left = new Map(blocks.map((b) => [b.id, b.after.map((a) => a.id)]))
  while (left.size > 0) {
    const free = [...left].find(([, after]) => after.every((id) => !left.has(id)))
    if (!free) throw new RangeError(`Steps depend on each other: ${[...left.keys()].join(', ')}`)
    left.delete(free[0])
  }
}
