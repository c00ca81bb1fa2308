/** Start and place of a task, as published. */
export interface TaskTime {
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

/** Moves of less than this are not announced, ms. */
const WORTH_TELLING_MS = 2 * 60_000

/** Tasks whose time or place differs from the published one, the soonest first, without those that have begun. */
export function changed(
  published: readonly TaskTime[],
  now: readonly (TaskTime & { begun: boolean })[],
): Change[] {
  const before = new Map(published.map((t) => [`${t.dish} ${t.id}`, t]))
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
