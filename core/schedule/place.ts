import { Timetable, type PotStretch } from './timetable'
import {
  costlier,
  WASH_MIN,
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

/** No meal starts earlier than this before serving, minutes. */
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
        (sum, b) =>
          sum +
          (b.pot ? WASH_MIN : 0) +
          Math.max(b.minutes, ...Object.values(b.onBurner ?? {}).map((o) => o.minutes)),
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

/**
 * Puts blocks into the timetable one after another, each as late as it may, in the order they come (a serial
 * schedule built backwards from the table). Over all orders this reaches every timetable that cannot be
 * bettered by moving one block later.
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
  /** Blocks that are fixed; the rest is placed around them. Starts count from serving. */
  fixed?: readonly FixedBlock[]
  /** Now, in minutes before serving: nothing else begins earlier. */
  nowBefore?: number
}
const MAX_AGAIN = 24

/** A placing under way: what has its place, and what follows what. */
interface Placing {
  table: Timetable
  placed: Map<string, Placed>
  followers: ReadonlyMap<string, { block: Block; mostWait: number }[]>
  /** Blocks that were placed before this began. */
  fixedIds: ReadonlySet<string>
  notLater: ReadonlyMap<string, number>
  nowBefore: number
}

/** Between which minutes before serving a block may start and must end. */
interface Bounds {
  latestEnd: number
  /** The end may not be earlier than this, or what follows waits too long. */
  mostEnd: number
  leastStart: number
  mostStart: number
}

interface Spot {
  at: string | undefined
  start: number
  minutes: number
}

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
  const placing: Placing = {
    table: new Timetable(kitchen, horizon),
    placed: new Map(),
    followers: followersOf(order),
    fixedIds: new Set(fixed.map(({ block }) => block.id)),
    notLater,
    nowBefore,
  }
  const { table, placed } = placing
  for (const { block, start, at } of fixed)
    putAt(placing, block, { at, start: -start, minutes: needsOn(block, at).minutes })
  const undone: Placement['undone'] = []
  const holdMost = new Map(dishes.map((d) => [d.id, d.holdMost]))
  for (const block of order) {
    const next = placing.followers.get(block.id) ?? []
    if (next.some(({ block: later }) => !placed.has(later.id))) {
      undone.push({ block, why: 'after-undone' })
      continue
    }
    const bounds = boundsOf(block, placing, holdMost.get(block.dish) ?? Infinity)
    const lock = locks?.get(block.id)
    const best = latestSpot(
      table,
      block,
      spotsFor(
        block,
        {
          locked: lock?.at ?? (block.underBlock === undefined ? undefined : placed.get(block.underBlock)?.at),
          tried: burnerOf?.get(block.id),
        },
        kitchen,
      ),
      {
        lockedStart: lock?.start,
        bounds,
        potAt: (start, minutes) => potStretch(block, placing, start, minutes),
      },
    )
    const why = whyNot(best, bounds)
    if (!why) putAt(placing, block, best!)
    else {
      undone.push({ block, why })
      if (why === 'waits-too-long') pull ??= pulledBy(best!, next, placed, locks)
    }
  }
  return {
    placement: { placed, undone, cost: costOf(placing, dishes, fixed, undone.length) },
    ...(pull ? { pull } : {}),
  }
}

/** For how long a block that starts then has its pot; undefined where it has none. */
function potStretch(
  { id, dish, after, pot }: Block,
  { placed, followers, fixedIds }: Placing,
  start: number,
  minutes: number,
): PotStretch | undefined {
  if (!pot) return undefined
  // It goes on in what follows it in the same pot; what is fixed before it has left it full.
  const next = (followers.get(id) ?? []).filter(({ block }) => block.dish === dish && block.pot)
  const full = after
    .filter((a) => fixedIds.has(a.id))
    .map((a) => placed.get(a.id)!)
    .filter(({ block }) => block.pot && block.pot.emptyBeforeEnd === undefined)
  const starts = next.flatMap(({ block }) => placed.get(block.id)?.start ?? [])
  // What has begun is placed before what follows it in its pot.
  const goesOn = fixedIds.has(id) && pot.emptyBeforeEnd === undefined
  return {
    pot: pot.id,
    first: Math.max(start - pot.from, ...full.map((p) => -p.end)),
    last:
      pot.emptyBeforeEnd === undefined && starts.length > 0
        ? Math.min(...starts.map((s) => -s))
        : start - minutes + (pot.emptyBeforeEnd ?? 0) - (goesOn ? 0 : WASH_MIN),
  }
}

function putAt(placing: Placing, block: Block, { at, start, minutes }: Spot): void {
  const { table, placed } = placing
  table.take(needsOn(block, at).needs, at, start)
  const stretch = potStretch(block, placing, start, minutes)
  if (stretch) table.takePot(stretch)
  placed.set(block.id, {
    block,
    start: -start,
    end: -(start - minutes),
    ...(at === undefined ? {} : { at }),
  })
}

function followersOf(order: readonly Block[]): Map<string, { block: Block; mostWait: number }[]> {
  const followers = new Map<string, { block: Block; mostWait: number }[]>()
  for (const block of order)
    for (const { id, mostWait } of block.after)
      followers.set(id, [...(followers.get(id) ?? []), { block, mostWait }])
  return followers
}

/** @param holdMost how long the dish may wait when done, minutes */
function boundsOf(block: Block, placing: Placing, holdMost: number): Bounds {
  const { placed, followers, fixedIds, notLater, nowBefore } = placing
  const next = followers.get(block.id) ?? []
  const startsBefore = (id: string) => -placed.get(id)!.start
  // After what is fixed it begins no sooner than that ends, and no later than that can wait.
  const behind = block.after
    .filter(({ id }) => fixedIds.has(id))
    .map(({ id, mostWait }) => ({ end: -placed.get(id)!.end, mostWait }))
  return {
    // It ends before the earliest of what follows it, and not so long before the earliest-waiting that it spoils.
    latestEnd: next.length === 0 ? 0 : Math.max(...next.map(({ block: later }) => startsBefore(later.id))),
    mostEnd:
      next.length === 0
        ? holdMost
        : Math.min(...next.map(({ block: later, mostWait }) => startsBefore(later.id) + mostWait)),
    mostStart: Math.min(nowBefore, ...behind.map(({ end }) => end)),
    leastStart: Math.max(
      0,
      notLater.get(block.id) ?? 0,
      ...behind.map(({ end, mostWait }) => end - mostWait),
    ),
  }
}

/**
 * Burners or the appliance a block may use.
 * @param locked where the cook wants it
 * @param tried where the search puts it; not where that burner cannot heat it
 */
function spotsFor(
  block: Block,
  { locked, tried }: { locked: string | undefined; tried: string | undefined },
  kitchen: KitchenPlaces,
): readonly (string | undefined)[] {
  if (!block.needs.some((n) => n.place === 'burner')) return [block.appliance]
  if (locked !== undefined) return [locked]
  const fit = kitchen.burners.map(({ id }) => id).filter((id) => !block.onBurner || id in block.onBurner)
  return tried !== undefined && fit.includes(tried) ? [tried] : fit
}

/** The spot at which a block starts latest. */
function latestSpot(
  table: Timetable,
  block: Block,
  spots: readonly (string | undefined)[],
  {
    lockedStart,
    bounds,
    potAt,
  }: {
    lockedStart: number | undefined
    bounds: Bounds
    potAt: (start: number, minutes: number) => PotStretch | undefined
  },
): Spot | undefined {
  let best: Spot | undefined
  for (const at of spots) {
    const { minutes, needs } = needsOn(block, at)
    let start = lockedStart ?? Math.max(bounds.latestEnd + minutes, bounds.leastStart)
    while (start <= table.horizon) {
      const stretch = potAt(start, minutes)
      const move = Math.max(table.clash(needs, at, start), stretch ? table.clashPot(stretch) : 0)
      if (move === 0) {
        if (!best || start < best.start) best = { at, start, minutes }
        break
      }
      if (move === Infinity || lockedStart !== undefined) break
      start += move
    }
  }
  return best
}

function whyNot(
  best: Spot | undefined,
  { mostStart, leastStart, mostEnd }: Bounds,
): Placement['undone'][number]['why'] | undefined {
  if (!best) return 'never'
  if (best.start > mostStart + 1e-9) return 'too-soon'
  // Where a fixed hour puts it, what has begun may wait too long for it.
  return best.start < leastStart - 1e-9 || best.start - best.minutes > mostEnd + 1e-9
    ? 'waits-too-long'
    : undefined
}

/** What would have to start earlier, so that what it follows does not wait too long. */
function pulledBy(
  best: Spot,
  next: readonly { block: Block; mostWait: number }[],
  placed: ReadonlyMap<string, Placed>,
  locks: PlaceOptions['locks'],
): { id: string; start: number } | undefined {
  const end = best.start - best.minutes
  const late = next.find(({ block, mostWait }) => -placed.get(block.id)!.start + mostWait < end)
  if (!late || locks?.get(late.block.id)) return undefined
  return { id: late.block.id, start: end - late.mostWait }
}

function costOf(
  { placed, followers, fixedIds }: Placing,
  dishes: readonly Dish[],
  fixed: readonly FixedBlock[],
  undone: number,
): Cost {
  let [held, span] = [0, 0]
  for (const dish of dishes) {
    const begun = fixed.filter(({ block }) => block.dish === dish.id).map(({ block }) => block)
    for (const block of [...dish.blocks, ...begun]) {
      const end = followers.has(block.id) ? undefined : placed.get(block.id)?.end
      if (end !== undefined) held += -end
    }
  }
  for (const { block, start } of placed.values()) if (!fixedIds.has(block.id)) span = Math.max(span, -start)
  return { undone, held, span }
}

export const better = (a: Placement, b: Placement | undefined): boolean =>
  b === undefined || costlier(a.cost, b.cost) < 0
