import { Timetable } from './timetable'
import {
  costlier,
  type Block,
  type Cost,
  type Dish,
  type FixedBlock,
  type KitchenPlaces,
  type Placed,
} from './task'

export interface Placement {
  placed: Map<string, Placed>
  /** Blocks that found no place, with why. */
  undone: { block: Block; why: 'never' | 'waits-too-long' | 'after-undone' | 'too-soon' }[]
  cost: Cost
}

/** Nobody starts supper earlier than this, minutes. */
const HORIZON_MIN = 3 * 1440
/** All of it one after another, and this much more, minutes. */
const MARGIN_MIN = 90
const horizonFor = (
  order: readonly Block[],
  dishes: readonly Dish[],
  locks: ReadonlyMap<string, Lock> | undefined,
): number =>
  Math.min(
    HORIZON_MIN,
    MARGIN_MIN +
      order.reduce(
        (sum, b) => sum + Math.max(b.minutes, ...Object.values(b.onBurner ?? {}).map((o) => o.minutes)),
        0,
      ) +
      Math.max(0, ...dishes.map((d) => (Number.isFinite(d.holdMost) ? d.holdMost : 0))) +
      Math.max(0, ...[...(locks?.values() ?? [])].map((l) => l.start ?? 0)),
  )

/** Where a locked block has to be. */
export interface Lock {
  start?: number
  at?: string
}

const needsOn = (block: Block, at: string | undefined) =>
  (at !== undefined && block.onBurner?.[at]) || { minutes: block.minutes, needs: block.needs }

/** Puts blocks into the timetable one after another, each as late as it may, in the order they come (a serial
 * schedule built backwards from the
 *  table). Over all orders this reaches every timetable that cannot be bettered by moving one block later.
 * @param order all blocks, every one after those that follow it
 * @param burnerOf which burner a block is to stand on; left out: the one that lets it start latest
 */
export function place(
  order: readonly Block[],
  dishes: readonly Dish[],
  kitchen: KitchenPlaces,
  options: PlaceOptions = {},
): Placement {
  const notLater = new Map<string, number>()
  for (let again = 0; ; again++) {
    const got = placeOnce(order, dishes, kitchen, options, notLater)
    // Where something would wait too long for what follows it, what follows comes earlier instead.
    if (again >= MAX_AGAIN || !got.pull) return got.placement
    notLater.set(got.pull.id, got.pull.start)
  }
}

export interface PlaceOptions {
  burnerOf?: ReadonlyMap<string, string>
  locks?: ReadonlyMap<string, Lock>
  horizon?: number
  /** What lies already; the rest goes round it. Starts count from this table. */
  fixed?: readonly FixedBlock[]
  /** Now, in minutes before the table: nothing else begins earlier. */
  nowBefore?: number
}
const MAX_AGAIN = 24

function placeOnce(
  order: readonly Block[],
  dishes: readonly Dish[],
  kitchen: KitchenPlaces,
  {
    burnerOf,
    locks,
    horizon = horizonFor(order, dishes, locks),
    fixed = [],
    nowBefore = Infinity,
  }: PlaceOptions,
  notLater: ReadonlyMap<string, number>,
): { placement: Placement; pull?: { id: string; start: number } } {
  let pull: { id: string; start: number } | undefined
  const table = new Timetable(kitchen, horizon)
  const placed = new Map<string, Placed>()
  const undone: Placement['undone'] = []
  for (const { block, start, at } of fixed) {
    const { minutes, needs } = needsOn(block, at)
    table.take(needs, at, -start)
    placed.set(block.id, { block, start, end: start + minutes, ...(at === undefined ? {} : { at }) })
  }
  const lies = new Set(fixed.map(({ block }) => block.id))
  const holdMost = new Map(dishes.map((d) => [d.id, d.holdMost]))
  const followers = new Map<string, { block: Block; mostWait: number }[]>()
  for (const block of order)
    for (const { id, mostWait } of block.after)
      followers.set(id, [...(followers.get(id) ?? []), { block, mostWait }])
  for (const block of order) {
    const next = followers.get(block.id) ?? []
    if (next.some(({ block: later }) => !placed.has(later.id))) {
      undone.push({ block, why: 'after-undone' })
      continue
    }
    // It ends before the earliest of what follows it, and not so long before the earliest-waiting that it spoils.
    const latestEnd =
      next.length === 0 ? 0 : Math.max(...next.map(({ block: later }) => -placed.get(later.id)!.start))
    const mostEnd =
      next.length === 0
        ? (holdMost.get(block.dish) ?? Infinity)
        : Math.min(...next.map(({ block: later, mostWait }) => -placed.get(later.id)!.start + mostWait))
    // After what lies already it begins no sooner than that ends, and no later than that can wait.
    const behind = block.after
      .filter(({ id }) => lies.has(id))
      .map(({ id, mostWait }) => ({ end: -placed.get(id)!.end, mostWait }))
    const mostStart = Math.min(nowBefore, ...behind.map(({ end }) => end))
    const leastStart = Math.max(
      0,
      notLater.get(block.id) ?? 0,
      ...behind.map(({ end, mostWait }) => end - mostWait),
    )
    const wants = block.needs.some((n) => n.place === 'burner')
    const lock = locks?.get(block.id)
    const asked = lock?.at ?? burnerOf?.get(block.id)
    const spots: (string | undefined)[] = wants
      ? asked !== undefined
        ? [asked]
        : kitchen.burners.filter(({ id }) => !block.onBurner || id in block.onBurner).map(({ id }) => id)
      : [block.appliance]
    let best: { at: string | undefined; start: number; minutes: number } | undefined
    for (const at of spots) {
      const { minutes, needs } = needsOn(block, at)
      let start = lock?.start ?? Math.max(latestEnd + minutes, leastStart)
      for (;;) {
        if (start > horizon) break
        const move = table.clash(needs, at, start)
        if (move === 0) {
          if (!best || start < best.start) best = { at, start, minutes }
          break
        }
        if (move === Infinity || lock?.start !== undefined) break
        start += move
      }
    }
    if (!best) undone.push({ block, why: 'never' })
    else if (best.start > mostStart + 1e-9) undone.push({ block, why: 'too-soon' })
    else if (best.start - best.minutes > mostEnd + 1e-9) {
      undone.push({ block, why: 'waits-too-long' })
      const end = best.start - best.minutes
      const late = next.filter(({ block: later, mostWait }) => -placed.get(later.id)!.start + mostWait < end)
      if (!pull && late.length > 0 && !locks?.get(late[0]!.block.id))
        pull = { id: late[0]!.block.id, start: end - late[0]!.mostWait }
    } else {
      table.take(needsOn(block, best.at).needs, best.at, best.start)
      placed.set(block.id, {
        block,
        start: -best.start,
        end: -(best.start - best.minutes),
        ...(best.at === undefined ? {} : { at: best.at }),
      })
    }
  }
  let [held, span] = [0, 0]
  for (const dish of dishes) {
    const ends = [
      ...dish.blocks,
      ...fixed.filter(({ block }) => block.dish === dish.id).map(({ block }) => block),
    ]
      .filter((b) => !followers.has(b.id))
      .map((b) => placed.get(b.id)?.end)
    for (const end of ends) if (end !== undefined) held += -end
  }
  for (const { block, start } of placed.values()) if (!lies.has(block.id)) span = Math.max(span, -start)
  return {
    placement: { placed, undone, cost: { undone: undone.length, held, span } },
    ...(pull ? { pull } : {}),
  }
}

export const better = (a: Placement, b: Placement | undefined): boolean =>
  b === undefined || costlier(a.cost, b.cost) < 0
