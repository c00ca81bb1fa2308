/** Where a task lies, as it is told. */
export interface ToldTask {
  dish: string
  id: string
  startMs: number
  at?: string
}

export interface Change {
  dish: string
  id: string
  fromMs: number
  toMs: number
  /** The place it moves to, where it is another. */
  at?: string
}

/** A move of less than this nobody needs to hear of, ms. */
const WORTH_TELLING_MS = 2 * 60_000

/** What lies elsewhere than was told, the soonest first; what has begun is not told. */
export function changed(
  told: readonly ToldTask[],
  now: readonly (ToldTask & { begun: boolean })[],
): Change[] {
  const before = new Map(told.map((t) => [`${t.dish} ${t.id}`, t]))
  return now
    .flatMap((task): Change[] => {
      const was = before.get(`${task.dish} ${task.id}`)
      if (!was || task.begun) return []
      const moved = task.at !== undefined && was.at !== undefined && task.at !== was.at
      if (!moved && Math.abs(task.startMs - was.startMs) < WORTH_TELLING_MS) return []
      return [
        {
          dish: task.dish,
          id: task.id,
          fromMs: was.startMs,
          toMs: task.startMs,
          ...(moved ? { at: task.at! } : {}),
        },
      ]
    })
    .sort((a, b) => a.toMs - b.toMs)
}
