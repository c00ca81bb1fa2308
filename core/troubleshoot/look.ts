import { HEATED_STAGE_KINDS } from '#core/plan/request'
import type { Stage } from '#core/plan/result'
import { activeEvents } from '#core/event-log'
import { LOOKS, type CookEvent, type EventKind } from '#core/cook/events'
import { lidCanBeLifted } from '#core/cook/lid-lift'
import type { StageView } from '#core/cook/replay'

/** A look is worth it from here on, as a share of the stage. */
const WORTH_A_LOOK = 0.75
/** So long after a lid was lifted the cook is asked what there was to see, ms. */
const ASKS_FOR_MS = 3 * 60_000

/**
 * Whether the cook is asked what is under the lid: once near the end of the heat where the method allows a
 * look, and after every lid that was lifted.
 */
export function asksForLook(
  stage: Stage,
  seen: StageView,
  events: readonly CookEvent[],
  nowMs: number,
): boolean {
  if (!lidCanBeLifted(stage)) return false
  const mine = activeEvents(events).filter((e) => e.stage === stage.id)
  const look = mine.findLast((e) => LOOKS.has(e.kind))
  const lift = mine.findLast((e) => e.kind === 'lid-lifted' || e.kind === 'opened')
  if (lift && nowMs - lift.atMs < ASKS_FOR_MS && !(look && look.atMs >= lift.atMs)) return true
  const share = (nowMs - seen.startMs) / Math.max(1, seen.endMs - seen.startMs)
  return (
    !look &&
    stage.power_w > 0 &&
    stage.ends_on === 'clock' &&
    stage.kind !== 'bake' &&
    (HEATED_STAGE_KINDS as readonly string[]).includes(stage.kind) &&
    share >= WORTH_A_LOOK
  )
}

/** What a look means where nothing has to be done about it. */
export const GO_ON: Partial<Record<EventKind, string>> = {
  'seen-dry': 'On course: leave the lid',
  'seen-water': 'Leave it: it will absorb that',
  'seen-hard': 'On course: the minutes left will do',
}

/** The last look of this stage, while its answer is worth showing. */
export const freshLook = (stage: Stage, events: readonly CookEvent[], nowMs: number): CookEvent | undefined =>
  activeEvents(events).findLast(
    (e) => e.stage === stage.id && LOOKS.has(e.kind) && nowMs - e.atMs < ASKS_FOR_MS,
  )
