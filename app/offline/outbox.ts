import { useCallback, useEffect, useRef, useState } from 'react'
import { newId } from '../ui/new-id'
import { localStart, sendStarts } from './local-starts'
import { send as sendNow, waitingIn } from './send'
import type { CookEvent, EventKind } from '#core/cook/events'
import type { Remedy } from '#core/cook/remedy'

/** What a press may carry besides its kind and stage. */
export interface PressMore {
  seconds?: number
  clarity?: number
  amount?: number
  remedy?: Remedy
  target?: string
  /** How long ago it was, where it is put right afterwards; left out: now. */
  minutesAgo?: number
  /** Of a meal: which of its dishes it is about. */
  dish?: string
}

/** A press that no server has confirmed yet. */
interface Waiting<K extends string> extends PressMore {
  id: string
  kind: K
  stage: string
  pressed_ms: number
  ahead_ms: number
  /** The page it was pressed on, and that page's own steady clock then: a device's clock may be set in between. */
  page: string
  steady_ms: number
}

const PAGE = typeof window === 'undefined' ? '' : newId()
/** When it is sent, by the clock it was pressed by; the steady clock of the same page knows best how long that is. */
const sentMs = ({ page, pressed_ms, steady_ms }: Waiting<string>): number =>
  page === PAGE ? pressed_ms + (performance.now() - steady_ms) : Date.now()

const RETRY_MS = 2500
/** Presses the server has, kept until the page has loaded them; it drops them by their ids. */
const MAX_TAKEN = 40
const keyOf = (cookId: string) => `omsel.outbox.${cookId}`

const stored = <K extends string>(cookId: string): Waiting<K>[] => waitingIn<Waiting<K>>(keyOf(cookId))

/** A press as an event, by the server's clock. */
export type Pressed<K extends string> = Omit<CookEvent, 'kind'> & Pick<PressMore, 'dish'> & { kind: K }

export interface Outbox<K extends string> {
  /** Presses not confirmed yet. */
  waiting: Pressed<K>[]
  /** Presses the server has taken; the same events come back from it by their ids. */
  taken: Pressed<K>[]
  /** Whether the last try to send failed. */
  cutOff: boolean
  /** What the server refused last, in its words. */
  refused: string | undefined
  /**
   * @param afterMs the latest that the screen had shown by the server's clock: who presses has seen it, so
   * the press comes after it
   */
  press: (kind: K, stage: string, more?: PressMore, afterMs?: number) => void
}

/**
 * When a press was made, by the device's clock and how far the server's is ahead. What a device knows of the
 * server's clock moves by the delay of every answer, so two presses close together could change places; their
 * order is kept.
 * @param deviceMs the device's clock
 * @param aheadMs the server's clock minus it
 * @param before the device's press before this one
 * @param afterMs the latest event on the screen, by the server's clock
 */
export function pressedAt(
  deviceMs: number,
  aheadMs: number,
  before: { pressed_ms: number; ahead_ms: number } | undefined,
  afterMs = -Infinity,
): { pressed_ms: number; ahead_ms: number } {
  const pressed = Math.max(deviceMs, (before?.pressed_ms ?? -Infinity) + 1)
  const latest = Math.max(afterMs, before ? before.pressed_ms + before.ahead_ms : -Infinity)
  return { pressed_ms: pressed, ahead_ms: Math.max(Math.round(aheadMs), Math.floor(latest) + 1 - pressed) }
}

/**
 * Keeps presses on the device until the server has them: through a lost connection, a reload, a restarted
 * server.
 * @param address where they go; left out: the cook's own
 * @param aheadMs the server's clock minus this device's
 * @param onSent after the server has taken something
 */
export function useOutbox<K extends string = EventKind>(
  cookId: string,
  aheadMs: number,
  onSent: () => void,
  address = `/cooks/${cookId}/events`,
): Outbox<K> {
  const [waiting, setWaiting] = useState<Waiting<K>[]>([])
  const [cutOff, setCutOff] = useState(false)
  const [refused, setRefused] = useState<string>()
  // What the server has taken stays here until the page has loaded it: a pressed sign must not reappear
  // for a blink.
  const [taken, setTaken] = useState<Waiting<K>[]>([])
  const sending = useRef(false)
  const sent = useRef(onSent)
  useEffect(() => {
    sent.current = onSent
  })

  const keep = useCallback(
    (change: (list: Waiting<K>[]) => Waiting<K>[]) => {
      const list = change(stored<K>(cookId))
      localStorage.setItem(keyOf(cookId), JSON.stringify(list))
      setWaiting(list)
    },
    [cookId],
  )

  const send = useCallback(async () => {
    if (sending.current) return
    sending.current = true
    try {
      // What belongs to a batch the household has not heard of waits for it.
      if (localStart(cookId)) {
        await sendStarts()
        const start = localStart(cookId)
        if (start) {
          setRefused(start.refused)
          throw new Error('the batch is not sent yet')
        }
        sent.current()
      }
      for (let next = stored<K>(cookId)[0]; next; next = stored<K>(cookId)[0]) {
        const { page: _page, steady_ms: _steady, ...press } = next
        const { id } = press
        // What the server refuses for good would block the rest for ever; what it cannot take now, or not
        // from a device that is not let in, stays.
        const answer = await sendNow(address, { ...press, sent_ms: sentMs(next) })
        setRefused(answer.ok ? undefined : answer.refused)
        const isNew = answer.ok && (answer.said as { isNew: boolean }).isNew
        if (isNew) setTaken((list) => [...list.slice(-MAX_TAKEN), next])
        keep((list) => list.filter((press) => press.id !== id))
        sent.current()
      }
      setCutOff(false)
    } catch {
      setCutOff(true)
    } finally {
      sending.current = false
    }
  }, [address, cookId, keep])

  useEffect(() => {
    setWaiting(stored(cookId))
    void send()
    const again = () => void ((stored(cookId).length > 0 || localStart(cookId)) && send())
    const timer = setInterval(again, RETRY_MS)
    window.addEventListener('online', again)
    return () => {
      clearInterval(timer)
      window.removeEventListener('online', again)
    }
  }, [cookId, send])

  const press: Outbox<K>['press'] = (kind, stage, { minutesAgo = 0, ...more } = {}, afterMs) => {
    const agoMs = Math.max(0, minutesAgo) * 60_000
    const at = pressedAt(Date.now() - agoMs, aheadMs, stored(cookId).at(-1), afterMs)
    keep((list) => [
      ...list,
      { id: newId(), kind, stage, ...at, page: PAGE, steady_ms: performance.now() - agoMs, ...more },
    ])
    void send()
  }
  const eventOf = ({
    pressed_ms,
    ahead_ms,
    page: _page,
    steady_ms: _steady,
    ...event
  }: Waiting<K>): Pressed<K> => ({ ...event, atMs: pressed_ms + ahead_ms })
  return {
    waiting: waiting.map(eventOf),
    taken: taken.map(eventOf),
    cutOff,
    refused,
    press,
  }
}
