import { place, type Lock, type Placement } from './place'
import { search } from './search'
import type { Block, Dish, FixedBlock, KitchenPlaces } from './task'

export interface LiveInput {
  /** What has not begun, and what follows what has. */
  dishes: readonly Dish[]
  kitchen: KitchenPlaces
  locks?: ReadonlyMap<string, Lock>
  fixed: readonly FixedBlock[]
  /** Minutes from the hour that was asked for, usually negative. */
  now: number
  /**
   * Start and place of each block as last published, minutes from the asked hour: kept as far as possible, so
   * that changes are not announced without need.
   */
  published?: ReadonlyMap<string, { start: number; at?: string }>
}

/** Serving moves by this much at most, minutes; beyond it something else is wrong. */
const MAX_LATE = 240
/** For less than this the published timetable is not changed, minutes. */
const WORTH_A_CHANGE = 3
/** A task may be due for this long before serving moves for it, minutes. */
const GRACE = 1.5
const QUICK = { tries: 160, mostExact: 400 }

/**
 * The rest of a meal under way: what has begun is fixed, nothing else begins before now, and serving moves
 * only as far as it must.
 * @returns the placement, counted from the new serving time, and by how many minutes that is later than asked
 */
export function placeLive({ dishes, kitchen, locks, fixed, now, published }: LiveInput): LivePlacement {
  const blocks = dishes.flatMap((d) => d.blocks)
  const least = Math.max(0, ...fixed.map(({ block, start }) => start + block.minutes))
  // A dish that has begun is cooked: that it waits too long is reported, but cannot be undone.
  const begun = new Set(fixed.map(({ block }) => block.dish))
  const free = dishes.map((d) => (begun.has(d.id) ? { ...d, holdMost: Infinity } : d))
  const at = (late: number) => ({
    fixed: fixed.map((f) => ({ ...f, start: f.start - late })),
    nowBefore: Math.floor(late - now + GRACE),
  })
  const searched = (late: number, quick?: typeof QUICK) =>
    search({ dishes: free, kitchen, ...(locks ? { locks } : {}), ...at(late), ...quick })

  const saved =
    published && blocks.some((b) => published.has(b.id)) ? previousOrder(blocks, published) : undefined
  if (saved && least < WORTH_A_CHANGE) {
    // Nothing that matters has changed: all of it stays where it was, but what the cook has fixed elsewhere since.
    for (const burner of [undefined, ...kitchen.burners.map((b) => b.id)]) {
      const got = place(saved.order, free, kitchen, {
        locks: wherePublished(blocks, published!, locks, least, burner),
        ...at(least),
      })
      if (got.undone.length === 0) return { ...got, late: least, exact: false }
    }
  }
  const byOrder =
    saved &&
    soonestInOrder(least, (late) =>
      place(saved.order, free, kitchen, {
        burnerOf: saved.burnerOf,
        ...(locks ? { locks } : {}),
        ...at(late),
      }),
    )
  if (byOrder && byOrder.late <= least + WORTH_A_CHANGE) return { ...byOrder, exact: false }

  // With an order that is known to do, a quick search is enough to see whether another is worth the change.
  const first = searched(least, byOrder ? QUICK : undefined)
  if (first.undone.length === 0) return { ...first, late: least }
  const best = soonest(least, byOrder, (late) => searched(late, QUICK))
  if (!best) return { ...first, late: least }
  return byOrder && byOrder.late - best.late <= WORTH_A_CHANGE ? { ...byOrder, exact: false } : best
}

type LivePlacement = Placement & { late: number; exact: boolean }

/** The fewest minutes late at which the published order can be kept. */
function soonestInOrder(
  least: number,
  placeAt: (late: number) => Placement,
): (Placement & { late: number }) | undefined {
  for (let late = least; late <= least + MAX_LATE; late++) {
    const got = placeAt(late)
    if (got.undone.length === 0) return { ...got, late }
    if (!got.undone.some((u) => u.why === 'too-soon')) return undefined
  }
  return undefined
}

/**
 * The fewest minutes late at which everything finds its place, by halving between the soonest that cannot be
 * and the soonest known that can.
 * @returns undefined where even the latest is too soon
 */
function soonest(
  least: number,
  known: (Placement & { late: number }) | undefined,
  searchAt: (late: number) => Placement & { exact: boolean },
): LivePlacement | undefined {
  let [cannot, can] = [least, known?.late ?? least + MAX_LATE]
  let best: LivePlacement | undefined = known && { ...known, exact: false }
  if (!best) {
    const last = searchAt(can)
    if (last.undone.length > 0) return undefined
    best = { ...last, late: can }
  }
  while (can - cannot > 1) {
    const middle = Math.floor((cannot + can) / 2)
    const got = searchAt(middle)
    if (got.undone.length === 0) {
      best = { ...got, late: middle }
      can = middle
    } else cannot = middle
  }
  return best
}

/**
 * Every block where it was published, or where the cook has fixed it since. A fixed hour without a burner
 * stays on the published one, or goes to the one given.
 * @param least minutes by which serving is later than asked
 */
function wherePublished(
  blocks: readonly Block[],
  published: NonNullable<LiveInput['published']>,
  locks: LiveInput['locks'],
  least: number,
  burner: string | undefined,
): Map<string, Lock> {
  return new Map(
    blocks.flatMap((block) => {
      const [was, lock] = [published.get(block.id), locks?.get(block.id)]
      if (!lock)
        return was
          ? [
              [
                block.id,
                { start: least - was.start, ...(was.at === undefined ? {} : { at: was.at }) },
              ] as const,
            ]
          : []
      const onBurner = block.needs.some((n) => n.place === 'burner')
      const spot = lock.at ?? (onBurner ? (burner ?? was?.at) : undefined)
      return [
        [
          block.id,
          {
            ...lock,
            ...(spot === undefined || (block.onBurner && !(spot in block.onBurner)) ? {} : { at: spot }),
          },
        ] as const,
      ]
    }),
  )
}

/**
 * The published order and burners; blocks that were not published yet come last, and are placed around the
 * rest.
 */
function previousOrder(
  blocks: readonly Block[],
  published: NonNullable<LiveInput['published']>,
): { order: Block[]; burnerOf: Map<string, string> } {
  // Built backwards, what ends last was laid first.
  const endOf = (block: Block): number => {
    const was = published.get(block.id)
    return was === undefined
      ? -Infinity
      : was.start + ((was.at !== undefined && block.onBurner?.[was.at]) || block).minutes
  }
  const order = [...blocks].reverse().sort((a, b) => {
    const [one, other] = [endOf(a), endOf(b)]
    return one === other ? (published.get(b.id)?.start ?? 0) - (published.get(a.id)?.start ?? 0) : other - one
  })
  const burnerOf = new Map(
    blocks.flatMap((b) => {
      const spot = published.get(b.id)?.at
      return spot !== undefined && b.needs.some((n) => n.place === 'burner') ? [[b.id, spot] as const] : []
    }),
  )
  return { order, burnerOf }
}
