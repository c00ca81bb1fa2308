/**
 * What the logs of batches, containers and meals have in common: an event is never changed or removed, and an
 * undo is an event of its own that names the one it undoes.
 */
export interface LoggedEvent {
  id: unknown
  kind: unknown
  /** The event an undo undoes. */
  target?: unknown
}

const UNDO = 'take-back'

/** Ids of the events that were undone. */
export const undoneIds = (events: readonly LoggedEvent[]): ReadonlySet<unknown> =>
  new Set(events.filter((e) => e.kind === UNDO).map((e) => e.target))

/** Events that hold, in the order given: an undo removes its target and itself. */
export function notUndone<T extends LoggedEvent>(events: readonly T[]): T[] {
  const undone = undoneIds(events)
  return events.filter((e) => e.kind !== UNDO && !undone.has(e.id))
}

/** Events that hold, oldest first; those of one moment in the order given. */
export const activeEvents = <T extends LoggedEvent & { atMs: number }>(events: readonly T[]): T[] =>
  notUndone(events).sort((a, b) => a.atMs - b.atMs)
