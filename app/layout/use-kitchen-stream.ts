import { useEffect, useRef, useState } from 'react'

/** A broken connection is shown only after this long, ms. */
const PATIENCE_MS = 3000

/** shut: this device is no longer let in. */
export type Line = 'open' | 'lost' | 'shut'

/** Why a stream was refused for good. Where nothing is, only signing in answers otherwise. */
const refusedBy = (): Promise<Line> =>
  fetch('/cooks', { method: 'HEAD' }).then(
    (r) => (r.status === 401 ? 'shut' : 'lost'),
    () => 'lost',
  )

/**
 * The event stream of this kitchen: reports presses on other screens, and reloads whenever this page becomes
 * visible again.
 * @param onReadings what devices say
 * @returns how the line is
 */
export function useKitchenStream(onChanged: () => void, onReadings?: (json: string) => void): Line {
  const latest = useRef({ onChanged, onReadings })
  const [line, setLine] = useState<Line>('open')
  useEffect(() => {
    latest.current = { onChanged, onReadings }
  })
  useEffect(() => {
    const source = new EventSource('/cooks/all/changes')
    let first = true
    // A line that comes back by itself within moments is no news.
    let patience: ReturnType<typeof setTimeout> | undefined
    source.addEventListener('error', () => {
      patience ??= setTimeout(() => setLine('lost'), PATIENCE_MS)
      if (source.readyState !== EventSource.CLOSED) return
      // Refused for good is no line that may yet come back.
      clearTimeout(patience)
      void refusedBy().then(setLine)
    })
    source.addEventListener('open', () => {
      clearTimeout(patience)
      patience = undefined
      setLine('open')
    })
    source.addEventListener('changed', () => {
      // The first event only says that the stream is open; the page has just been loaded.
      if (!first) latest.current.onChanged()
      first = false
    })
    source.addEventListener('readings', (event: MessageEvent<string>) =>
      latest.current.onReadings?.(event.data),
    )
    const seen = () => document.visibilityState === 'visible' && latest.current.onChanged()
    document.addEventListener('visibilitychange', seen)
    return () => {
      source.close()
      clearTimeout(patience)
      document.removeEventListener('visibilitychange', seen)
    }
  }, [])
  return line
}
