import { randomOf } from '#core/random'
import { better, place, type Lock, type Placement, type PlaceOptions } from './place'
import type { Block, Dish, KitchenPlaces } from './task'

export interface SearchInput extends Pick<PlaceOptions, 'fixed' | 'nowBefore'> {
  dishes: readonly Dish[]
  kitchen: KitchenPlaces
  locks?: ReadonlyMap<string, Lock>
  seed?: number
  /** Most timetables that are built. */
  tries?: number
  /** Up to so many ways, all of them are tried. */
  mostExact?: number
}

/** Meals up to this many ways of ordering and placing are tried in all of them. */
const MAX_EXACT = 3000
const TRIES = 500

/**
 * The best timetable: all orders of a small meal, so that it is the best there is; for a large one good
 * orders, and changes to the best of them, within a count of tries.
 */
export function search({
  dishes,
  kitchen,
  locks,
  fixed,
  nowBefore,
  seed = 1,
  tries = TRIES,
  mostExact = MAX_EXACT,
}: SearchInput): Placement & { exact: boolean; tried: number } {
  const blocks = dishes.flatMap((d) => d.blocks)
  const wanting = blocks.filter((b) => b.needs.some((n) => n.place === 'burner') && !locks?.get(b.id)?.at)
  const options = {
    ...(locks ? { locks } : {}),
    ...(fixed ? { fixed } : {}),
    ...(nowBefore === undefined ? {} : { nowBefore }),
  }
  let best: Placement | undefined
  let tried = 0
  const look = (order: readonly Block[], burnerOf?: ReadonlyMap<string, string>) => {
    tried++
    const got = place(order, dishes, kitchen, { ...options, ...(burnerOf ? { burnerOf } : {}) })
    if (better(got, best)) best = got
    return got
  }
  const orders = countOrders(blocks, mostExact)
  const ways = orders * kitchen.burners.length ** wanting.length
  if (ways <= mostExact) {
    for (const order of allOrders(blocks))
      for (const burnerOf of assignments(
        wanting,
        kitchen.burners.map((b) => b.id),
      ))
        look(order, burnerOf)
    return { ...(best ?? place(blocks, dishes, kitchen, options)), exact: true, tried }
  }
  // Long dishes first, hands first, burners first: the orders people would try.
  const weight: ((block: Block) => number)[] = [
    (b) => -chainOf(b, blocks),
    (b) => -b.minutes,
    (b) => -b.needs.filter((n) => n.hands).reduce((s, n) => s + n.minutes, 0),
    (b) => -b.needs.filter((n) => n.place === 'burner').reduce((s, n) => s + n.minutes, 0),
    () => 0,
  ]
  let order = blocks
  for (const by of weight) {
    const next = backwards(blocks, by)
    const before = best
    look(next)
    if (best !== before) order = next
  }
  const random = randomOf(seed)
  const keys = new Map(order.map((b, i) => [b.id, i]))
  for (let i = 0; tried < tries; i++) {
    // A little of the best order is shuffled; the further on, the less.
    const spread = blocks.length * (i % 7 === 0 ? 1 : 0.35)
    const next = backwards(blocks, (b) => keys.get(b.id)! + spread * (random() - 0.5))
    const burnerOf =
      i % 3 === 0 && wanting.length > 0
        ? new Map([
            [
              wanting[Math.floor(random() * wanting.length)]!.id,
              kitchen.burners[Math.floor(random() * kitchen.burners.length)]!.id,
            ],
          ])
        : undefined
    const before = best
    look(next, burnerOf)
    if (best !== before) next.forEach((b, at) => keys.set(b.id, at))
  }
  return { ...best!, exact: false, tried }
}

/**
 * What follows a block, for orders that go backwards from serving: a block comes once all that follow it have
 * come.
 */
function followersOf(blocks: readonly Block[]): Map<string, string[]> {
  const followers = new Map<string, string[]>(blocks.map((b) => [b.id, []]))
  for (const block of blocks) for (const { id } of block.after) followers.get(id)?.push(block.id)
  return followers
}

/** One order backwards from serving, by a weight: the least first among those that may come. */
function backwards(blocks: readonly Block[], weight: (block: Block) => number): Block[] {
  const followers = followersOf(blocks)
  const weights = new Map(blocks.map((b) => [b.id, weight(b)]))
  const waiting = new Map([...followers].map(([id, list]) => [id, list.length]))
  const byId = new Map(blocks.map((b) => [b.id, b]))
  const ready = blocks.filter((b) => waiting.get(b.id) === 0)
  const order: Block[] = []
  while (ready.length > 0) {
    let at = 0
    for (let i = 1; i < ready.length; i++)
      if (weights.get(ready[i]!.id)! < weights.get(ready[at]!.id)!) at = i
    const [block] = ready.splice(at, 1)
    order.push(block!)
    for (const { id } of block!.after) {
      const left = waiting.get(id)! - 1
      waiting.set(id, left)
      if (left === 0) ready.push(byId.get(id)!)
    }
  }
  return order
}

function* allOrders(blocks: readonly Block[]): Generator<Block[]> {
  const followers = followersOf(blocks)
  const waiting = new Map([...followers].map(([id, list]) => [id, list.length]))
  const byId = new Map(blocks.map((b) => [b.id, b]))
  const order: Block[] = []
  const ready = new Set(blocks.filter((b) => waiting.get(b.id) === 0).map((b) => b.id))
  function* go(): Generator<Block[]> {
    if (order.length === blocks.length) {
      yield [...order]
      return
    }
    for (const id of [...ready]) {
      const block = byId.get(id)!
      ready.delete(id)
      order.push(block)
      const freed: string[] = []
      for (const { id: before } of block.after) {
        waiting.set(before, waiting.get(before)! - 1)
        if (waiting.get(before) === 0) {
          ready.add(before)
          freed.push(before)
        }
      }
      yield* go()
      for (const before of freed) ready.delete(before)
      for (const { id: before } of block.after) waiting.set(before, waiting.get(before)! + 1)
      order.pop()
      ready.add(id)
    }
  }
  yield* go()
}

/** How many orders there are, counted no further than a limit. */
function countOrders(blocks: readonly Block[], limit: number): number {
  if (blocks.length > 12) return limit + 1
  let count = 0
  for (const _ of allOrders(blocks)) if (++count > limit) return count
  return count
}

function* assignments(wanting: readonly Block[], burners: readonly string[]): Generator<Map<string, string>> {
  const total = burners.length ** wanting.length
  for (let n = 0; n < total; n++) {
    const map = new Map<string, string>()
    for (let i = 0, rest = n; i < wanting.length; i++, rest = Math.floor(rest / burners.length))
      map.set(wanting[i]!.id, burners[rest % burners.length]!)
    yield map
  }
}

/** Least minutes from a block's start to serving. */
function chainOf(block: Block, blocks: readonly Block[]): number {
  const next = blocks.filter((b) => b.after.some(({ id }) => id === block.id))
  return block.minutes + Math.max(0, ...next.map((b) => chainOf(b, blocks)))
}
