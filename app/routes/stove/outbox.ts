import { useCallback, useEffect, useRef, useState } from 'react'
import { v4 as uuid } from 'uuid'
import type { CookEvent, EventKind } from '#core/cook/events'

/** A press that no server has confirmed yet. */
interface Waiting {
  id: string
  kind: EventKind
  stage: string
  pressed_ms: number
  seconds?: number
  clarity?: number
  amount?: number
  target?: string
}

const RETRY_MS = 2500
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
  /** Whether the last try to send failed. */
  cutOff: boolean
  press: (kind: EventKind, stage: string, more?: { seconds?: number; clarity?: number; amount?: number; target?: string }) => void
}

/** Keeps presses on the device until the server has them: through a lost connection, a reload, a restarted server.
 *  @param aheadMs the server's clock minus this device's  @param onSent after the server has taken something */
export function useOutbox(cookId: string, aheadMs: number, onSent: () => void): Outbox {
  const [waiting, setWaiting] = useState<Waiting[]>([])
  const [cutOff, setCutOff] = useState(false)
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
        const { id } = next
        const response = await fetch(`/cooks/${cookId}/events`, {
          method: 'POST',
          headers: { 'Content-Type': 'application/json' },
          body: JSON.stringify({ ...next, sent_ms: Date.now() }),
        })
        // What the server refuses for good would block the rest for ever; what it cannot take now stays.
        if (response.status >= 500) throw new Error(`the server said ${response.status}`)
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
    keep((list) => [...list, { id: uuid(), kind, stage, pressed_ms: Date.now(), ...more }])
    void send()
  }
  return {
    waiting: waiting.map(({ pressed_ms, ...event }) => ({ ...event, atMs: pressed_ms + aheadMs })),
    cutOff,
    press,
  }
}
