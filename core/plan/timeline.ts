import type { Stage, Window } from './result'

/**
 * When each stage starts and ends, minutes from the first, following the graph: a stage waits for all it
 * comes after.
 */
export function timelineOf(
  stages: readonly Pick<Stage, 'id' | 'after' | 'minutes' | 'lag_minutes'>[],
  which: keyof Window = 'expected',
): Map<string, { start: number; end: number }> {
  const times = new Map<string, { start: number; end: number }>()
  for (const stage of stages) {
    const ready = stage.after.reduce((latest, id) => {
      const before = times.get(id)
      if (!before)
        throw new RangeError(`timelineOf: stage "${stage.id}" comes after "${id}", which is not before it`)
      return Math.max(latest, before.end)
    }, 0)
    const start = ready + (stage.lag_minutes ?? 0)
    times.set(stage.id, { start, end: start + stage.minutes[which] })
  }
  return times
}

/** Minutes from the first stage to serving along the longest path. */
export const lengthOf = (stages: readonly Stage[], which: keyof Window = 'expected'): number =>
  Math.max(0, ...[...timelineOf(stages, which).values()].map((t) => t.end))
