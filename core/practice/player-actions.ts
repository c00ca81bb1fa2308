import type { PlayerActions } from '#core/contract/practice'
import type { CookEvent } from '#core/cook/events'
import { activeEvents } from '#core/event-log'
import { USUAL_LIFT_S } from '#core/cook/lid-lift'
import type { CookView } from '#core/cook/replay'
import type { HeatLevel } from '#core/heat/sources'
import type { LidPosition } from '#core/heat/lid'

/** What the player does to the pot, apart from what is reported to the stove. */
export interface Act {
  id: string
  /** UTC milliseconds of the made-up evening. */
  atMs: number
  /**
   * heat: the knob, or the switch. put-in: the grain that was kept aside, or the basket. vent: the steam is
   * let out.
   */
  kind: 'heat' | 'lid' | 'put-in' | 'vent'
  level?: HeatLevel
  lid?: LidPosition
}

export type { PlayerActions }

const MINUTE = 60_000

/**
 * Reads the deed out of what was pressed: up to the wash and the soak what is pressed is what is done; from the
 * pour on hands and words go apart.
 * @returns undefined before the pour
 */
export function playerActionsOf(
  view: CookView,
  events: readonly CookEvent[],
  acts: readonly Act[],
  nowMs: number,
): PlayerActions | undefined {
  const happened = activeEvents(events).filter((e) => e.atMs <= nowMs)
  const pour = happened.find((e) => e.kind === 'cue' && e.stage === 'pour')
  if (!pour) return undefined
  const minute = (atMs: number) => Math.max(0, (atMs - pour.atMs) / MINUTE)
  const done = [...acts].filter((a) => a.atMs <= nowMs).sort((a, b) => a.atMs - b.atMs)
  const soak = view.stages.find((s) => s.id === 'soak')
  const first = (kind: Act['kind']) => done.find((a) => a.kind === kind)
  const [putIn, vent] = [first('put-in'), first('vent')]
  const end = happened.find((e) => e.kind === 'finish' || e.kind === 'stop')
  return {
    washes: happened.filter((e) => e.kind === 'washed').length,
    soakMinutes:
      soak && soak.state !== 'next'
        ? Math.max(0, ((soak.state === 'done' ? soak.endMs : nowMs) - soak.startMs) / MINUTE)
        : 0,
    pourG: pour.amount ?? 0,
    heats: settled(
      done.flatMap((a) => (a.kind === 'heat' && a.level ? [{ atMin: minute(a.atMs), level: a.level }] : [])),
    ),
    lids: [
      ...done.flatMap((a) => (a.kind === 'lid' && a.lid ? [{ atMin: minute(a.atMs), lid: a.lid }] : [])),
      ...happened
        .filter((e) => e.kind === 'lid-lifted')
        .flatMap((e) => look(minute(e.atMs), (e.seconds ?? USUAL_LIFT_S) / 60)),
    ].sort((a, b) => a.atMin - b.atMin),
    putInMin: putIn ? minute(putIn.atMs) : null,
    ventMin: vent ? minute(vent.atMs) : null,
    serveMin: minute(end?.atMs ?? nowMs),
  }
}

/** A knob that is turned on within moments only passed that place. */
const PASSING_MIN = 0.1
const settled = <T extends { atMin: number }>(turns: readonly T[]): T[] =>
  turns.filter((t, i) => !turns[i + 1] || turns[i + 1]!.atMin - t.atMin > PASSING_MIN)

const look = (atMin: number, minutes: number): PlayerActions['lids'] => [
  { atMin, lid: 'off' },
  { atMin: atMin + minutes, lid: 'on' },
]
