import { useCallback, useEffect, useRef, useState } from 'react'
import { v4 as uuid } from 'uuid'
import type { CookEvent, EventKind } from '#core/cook/events'
import type { Remedy } from '#core/cook/remedy'

/** What a press may carry besides its kind and stage. */
export interface PressMore {
  seconds?: number
  clarity?: number
  amount?: number
  remedy?: Remedy
  target?: string
}

/** A press that no server has confirmed yet. */
interface Waiting extends PressMore {
  id: string
  kind: EventKind
  stage: string
  pressed_ms: number
  ahead_ms: number
  /** The page it was pressed on, and that page's own steady clock then: a device's clock may be set in between. */
  page: string
  steady_ms: number
}

const PAGE = typeof window === 'undefined' ? '' : uuid()
/** When it is sent, by the clock it was pressed by; the steady clock of the same page knows best how long that is. */
const sentMs = ({ page, pressed_ms, steady_ms }: Waiting): number => (page === PAGE ? pressed_ms + (performance.now() - steady_ms) : Date.now())

const RETRY_MS = 2500
/** Presses kept though the server has them; the page drops those it has heard back by their ids. */
const MOST_TAKEN = 40
const keyOf = (cookId: string) => `omsel.outbox.${cookId}`

function stored(cookId: string): Waiting[] {
  try {
    const list: unknown = JSON.parse(localStorage.getItem(keyOf(cookId)) ?? '[]')
    return Array.isArray(list) ? (list as Waiting[]) : []
  } catch {
    return []
  }
}

export interface Outbox {
  /** Presses not confirmed yet, as events by the server's clock. */
  waiting: CookEvent[]
  /** Presses the server has taken; the same events come back from it by their ids. */
  taken: CookEvent[]
  /** Whether the last try to send failed. */
  cutOff: boolean
  press: (kind: EventKind, stage: string, more?: PressMore) => void
}

/** Keeps presses on the device until the server has them: through a lost connection, a reload, a restarted server.
 *  @param aheadMs the server's clock minus this device's  @param onSent after the server has taken something */
export function useOutbox(cookId: string, aheadMs: number, onSent: () => void): Outbox {
  const [waiting, setWaiting] = useState<Waiting[]>([])
  const [cutOff, setCutOff] = useState(false)
  // What the server has taken stays here until the page has heard it back: a pressed cue must not come back for a blink.
  const [taken, setTaken] = useState<Waiting[]>([])
  const sending = useRef(false)
  const sent = useRef(onSent)
  useEffect(() => {
    sent.current = onSent
  })

  const keep = useCallback(
    (change: (list: Waiting[]) => Waiting[]) => {
      const list = change(stored(cookId))
      localStorage.setItem(keyOf(cookId), JSON.stringify(list))
      setWaiting(list)
    },
    [cookId],
  )

  const send = useCallback(async () => {
    if (sending.current) return
    sending.current = true
    try {
      for (let next = stored(cookId)[0]; next; next = stored(cookId)[0]) {
        const { page: _page, steady_ms: _steady, ...press } = next
        const { id } = press
        const response = await fetch(`/cooks/${cookId}/events`, {
          method: 'POST',
          headers: { 'Content-Type': 'application/json' },
          body: JSON.stringify({ ...press, sent_ms: sentMs(next) }),
        })
        // What the server refuses for good would block the rest for ever; what it cannot take now stays.
        if (response.status >= 500) throw new Error(`the server said ${response.status}`)
        const { isNew } = response.ok ? ((await response.json()) as { isNew: boolean }) : { isNew: false }
        if (isNew) setTaken((list) => [...list.slice(-MOST_TAKEN), next])
        keep((list) => list.filter((press) => press.id !== id))
        sent.current()
      }
      setCutOff(false)
    } catch {
      setCutOff(true)
    } finally {
      sending.current = false
    }
  }, [cookId, keep])

  useEffect(() => {
    setWaiting(stored(cookId))
    void send()
    const again = () => void (stored(cookId).length > 0 && send())
    const timer = setInterval(again, RETRY_MS)
    window.addEventListener('online', again)
    return () => {
      clearInterval(timer)
      window.removeEventListener('online', again)
    }
  }, [cookId, send])

  const press: Outbox['press'] = (kind, stage, more = {}) => {
    // Two presses of one moment keep their order.
    const pressedMs = Math.max(Date.now(), (stored(cookId).at(-1)?.pressed_ms ?? 0) + 1)
    keep((list) => [...list, { id: uuid(), kind, stage, pressed_ms: pressedMs, ahead_ms: Math.round(aheadMs), page: PAGE, steady_ms: performance.now(), ...more }])
    void send()
  }
  const eventOf = ({ pressed_ms, ahead_ms, page: _page, steady_ms: _steady, ...event }: Waiting): CookEvent => ({ ...event, atMs: pressed_ms + ahead_ms })
  return {
    waiting: waiting.map(eventOf),
    taken: taken.map(eventOf),
    cutOff,
    press,
  }
}
