import { useEffect, useRef } from 'react'
import { canListen, listen } from './listen'
import { speak } from './outputs'
import { parseSenses } from './preferences'
import type { SpokenAct } from './spoken-words'

/** What the service worker passes on when a notification's button was pressed. */
const isPressed = (data: unknown): boolean =>
  typeof data === 'object' && data !== null && (data as { omsel?: unknown }).omsel === 'notification-pressed'

/**
 * Runs acts that were spoken, where this device listens, and the main one from a notification's button.
 * @param says what the stove says now, for "say it again"
 */
export function useHandsFree(
  acts: Partial<Record<Exclude<SpokenAct, 'again'>, (() => void) | undefined>>,
  says: string,
): void {
  const latest = useRef({ acts, says })
  useEffect(() => {
    latest.current = { acts, says }
  })
  useEffect(() => {
    let stop = () => {}
    let gone = false
    const onAct = (act: SpokenAct) => {
      if (act === 'again') speak(latest.current.says)
      else latest.current.acts[act]?.()
    }
    if (parseSenses().listen)
      void canListen().then((can) => {
        if (can && !gone) stop = listen(onAct)
      })
    const workers = 'serviceWorker' in navigator ? navigator.serviceWorker : undefined
    const onMessage = ({ data }: MessageEvent) => {
      if (isPressed(data)) onAct('cue')
    }
    workers?.addEventListener('message', onMessage)
    return () => {
      gone = true
      stop()
      workers?.removeEventListener('message', onMessage)
    }
  }, [])
}
