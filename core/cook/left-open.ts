import type { Plan } from '#core/plan/result'
import { activeEvents } from '#core/event-log'
import type { CookEvent } from './events'
import type { CookView } from './replay'

/** A pot is asked about once it should have been served for so long, and nothing was pressed for as long, ms. */
const ASKS_AFTER_MS = 90 * 60_000

/**
 * Whether a pot was probably forgotten on this screen, and not on the stove: long past its hour, untouched.
 * @returns when it should have been served, UTC milliseconds; undefined where there is nothing to ask
 */
export function leftOpen(
  plan: Pick<Plan, 'stages'>,
  view: CookView,
  events: readonly CookEvent[],
  nowMs: number,
): number | undefined {
  if (view.outcome !== 'cooking' && view.outcome !== 'ready') return undefined
  const touched = activeEvents(events).at(-1)?.atMs ?? -Infinity
  // A long soak or a steeping dressing is waited for.
  const waits = view.stages.some(
    (s, i) => s.state === 'now' && plan.stages[i]!.ends_on === 'clock' && s.endMs > nowMs,
  )
  const last = Math.max(view.plannedTableMs, touched)
  return !waits && nowMs - last >= ASKS_AFTER_MS ? last : undefined
}
