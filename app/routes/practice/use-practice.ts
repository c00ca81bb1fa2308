import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { newId } from '../../ui/new-id'
import { identityOf, type CookEvent, type EventKind } from '#core/cook/events'
import { replay, type CookView, type RunningCook } from '#core/cook/replay'
import { lengthOf } from '#core/plan/timeline'
import { runActions, type Handled } from '#core/practice/run-actions'
import { playerActionsOf, type Act, type PlayerActions } from '#core/practice/player-actions'
import { signsOf, type Signs } from '#core/practice/signs'
import type { PracticeConditions } from '#core/practice/situation'
import type { PressMore } from '../../offline/outbox'

/** How many minutes go by in one: held, as in a kitchen, and two that do not make one wait. */
export const SPEEDS = [0, 1, 10, 60] as const
export type Speed = (typeof SPEEDS)[number]

const TICK_MS = 250
const MINUTE = 60_000
/** The made-up evening begins at five. */
const EVENING_MS = Date.UTC(2026, 2, 5, 17, 0)

interface SavedPractice {
  events: CookEvent[]
  acts: Act[]
  atMs: number
  pourG: number
}
const FRESH: SavedPractice = { events: [], acts: [], atMs: EVENING_MS, pourG: 0 }
const keyOf = (id: string) => `omsel.practice.${id}`

function stored(id: string): SavedPractice {
  try {
    const saved: unknown = JSON.parse(sessionStorage.getItem(keyOf(id)) ?? 'null')
    return typeof saved === 'object' && saved !== null && 'events' in saved ? (saved as SavedPractice) : FRESH
  } catch {
    return FRESH
  }
}

export interface Practice {
  now: number
  speed: Speed
  setSpeed: (speed: Speed) => void
  /** Lets minutes go by at once. */
  passBy: (minutes: number) => void
  view: CookView
  running: RunningCook
  press: (kind: EventKind, stage: string, more?: PressMore) => void
  act: (what: Omit<Act, 'id' | 'atMs'>) => void
  pourG: number
  pour: (grams: number) => void
  /** The present heat and lid. */
  acts: readonly Act[]
  doing: PlayerActions | undefined
  handled: Handled | undefined
  signs: Signs | undefined
  again: () => void
}

/** A practice pot under way in this browser: actions and signs on one sped-up clock; a reload continues. */
export function usePractice(
  id: string,
  { card, cardRequest, real, heldMinutes }: PracticeConditions,
): Practice {
  const [saved, setSaved] = useState<SavedPractice>(FRESH)
  const [speed, setSpeedTo] = useState<Speed>(10)
  const [now, setNow] = useState(EVENING_MS)
  const clock = useRef({ baseMs: EVENING_MS, from: 0, speed: 10 as Speed })
  const nowMs = useCallback(
    () => clock.current.baseMs + (performance.now() - clock.current.from) * clock.current.speed,
    [],
  )
  useEffect(() => {
    const was = stored(id)
    clock.current = { ...clock.current, baseMs: was.atMs, from: performance.now() }
    setSaved(was)
    setNow(was.atMs)
    const timer = setInterval(() => setNow(nowMs()), TICK_MS)
    return () => clearInterval(timer)
  }, [id, nowMs])
  const rebase = (baseMs: number, to: Speed) => {
    clock.current = { baseMs, from: performance.now(), speed: to }
    setNow(baseMs)
  }
  const keep = (change: (was: SavedPractice) => SavedPractice) =>
    setSaved((was) => {
      const next = { ...change(was), atMs: nowMs() }
      sessionStorage.setItem(keyOf(id), JSON.stringify(next))
      return next
    })

  const running = useMemo<RunningCook>(
    () => ({
      plan: card,
      plannedMinutes: lengthOf(card.stages),
      startedMs: EVENING_MS,
      pot: {
        lossWK: real.vessel.loss,
        openArea: (Math.PI / 4) * (real.vessel.rimDiameter / 1000) ** 2,
        boilC: card.boil_c,
        kitchenC: cardRequest.kitchenC,
      },
    }),
    [card, cardRequest, real],
  )
  const newest = Math.max(EVENING_MS, ...saved.events.map((e) => e.atMs), ...saved.acts.map((a) => a.atMs))
  const at = Math.max(now, newest)
  const view = replay(running, saved.events, at)
  const ended = view.endedMs ?? at
  const playerActions = playerActionsOf(view, saved.events, saved.acts, ended)
  // The pot is a function of the actions; it is simulated again at every tick, in a few milliseconds.
  const asked = JSON.stringify(playerActions)
  const handled = useMemo(
    () =>
      asked === undefined ? undefined : runActions(real, JSON.parse(asked) as PlayerActions, heldMinutes),
    [asked, real, heldMinutes],
  )

  return {
    now: at,
    speed,
    view,
    running,
    doing: playerActions,
    handled,
    signs: handled && playerActions && signsOf(handled, playerActions.serveMin),
    acts: saved.acts,
    pourG: saved.pourG,
    pour: (grams) => keep((was) => ({ ...was, pourG: Math.max(0, Math.min(5000, Math.round(grams))) })),
    setSpeed: (to) => {
      rebase(nowMs(), to)
      setSpeedTo(to)
    },
    passBy: (minutes) => {
      rebase(nowMs() + minutes * MINUTE, clock.current.speed)
      keep((was) => was)
    },
    press: (kind, stage, more = {}) => {
      const event: CookEvent = { id: newId(), kind, stage, atMs: Math.max(nowMs(), newest + 1), ...more }
      // A second press of what can be said once is the same press.
      keep((was) => {
        const identity = identityOf(event, was.events)
        const known =
          identity !== undefined &&
          was.events.some((e, i) => identityOf(e, was.events.slice(0, i)) === identity)
        return known ? was : { ...was, events: [...was.events, event] }
      })
    },
    act: (what) => {
      const act: Act = { ...what, id: newId(), atMs: Math.max(nowMs(), newest + 1) }
      keep((was) => ({ ...was, acts: [...was.acts, act] }))
    },
    again: () => {
      sessionStorage.removeItem(keyOf(id))
      setSaved(FRESH)
      rebase(EVENING_MS, clock.current.speed)
    },
  }
}
