/** A task that needs a cook. Times in any one unit. */
export interface HandTask {
  dish: string
  start: number
  end: number
}

/**
 * Which cook does what: a cook keeps a dish where possible, and has it where it was assigned; a task no cook
 * is free for goes to its assigned cook.
 * @param given which pair has a dish, by its number from 0
 * @returns a number for each task, in the order of the tasks
 */
export function assignHands(
  tasks: readonly HandTask[],
  cooks: number,
  given: ReadonlyMap<string, number> = new Map(),
): number[] {
  const until = Array<number>(cooks).fill(-Infinity)
  const load = Array<number>(cooks).fill(0)
  const keeper = new Map<string, number>(given)
  const assignCooks = Array<number>(tasks.length).fill(0)
  const order = tasks
    .map((_, i) => i)
    .sort((a, b) => tasks[a]!.start - tasks[b]!.start || tasks[a]!.end - tasks[b]!.end)
  for (const i of order) {
    const { dish, start, end } = tasks[i]!
    const free = until.flatMap((busy, n) => (busy <= start + 1e-6 ? [n] : []))
    const wanted = keeper.get(dish)
    // Who had it before has it again; else whoever has done the least so far.
    const hand =
      wanted !== undefined && wanted < cooks && (free.length === 0 || free.includes(wanted))
        ? wanted
        : (free.sort((a, b) => load[a]! - load[b]! || a - b)[0] ?? 0)
    assignCooks[i] = hand
    if (!keeper.has(dish)) keeper.set(dish, hand)
    until[hand] = Math.max(until[hand]!, end)
    load[hand]! += end - start
  }
  return assignCooks
}
