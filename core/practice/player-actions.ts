import type { CookEvent } from '#core/cook/events'
import { activeEvents } from '#core/cook/events'
import { USUAL_LIFT_S } from '#core/cook/lid-lift'
import type { CookView } from '#core/cook/replay'
import type { HeatLevel } from '#core/heat/sources'
import type { LidPosition } from '#core/heat/lid'

/** Settings of a knob; the switch of an appliance has the first and the last. */
export const LEVELS = ['off', 'lowest', 'low', 'medium', 'high'] as const satisfies readonly HeatLevel[]
export const LIDS = ['on', 'ajar', 'off'] as const satisfies readonly LidPosition[]

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

/** All that was done to a pot, in minutes from the pour. It is all the outcome comes from. */
export interface PlayerActions {
  washes: number
  soakMinutes: number
  pourG: number
  heats: readonly { atMin: number; level: HeatLevel }[]
  lids: readonly { atMin: number; lid: LidPosition }[]
  /** When the grain that was kept aside went in; null: never. */
  putInMin: number | null
  /** When the pressure was let out by hand; null: never. */
  ventMin: number | null
  /** When it was served. */
  serveMin: number
}

const MINUTE = 60_000

/**
 * Reads the deed out of what was pressed: up to the wash and the soak what is told is what is done; from the
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
