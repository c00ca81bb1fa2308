import { useEffect, useRef, useState } from 'react'

/** For so long a broken line is not spoken of, ms. */
const PATIENCE_MS = 3000

/** The one stream of this kitchen: tells when another screen pressed something anywhere, and whenever this one is looked at again.
 *  @param onReadings what devices say  @returns whether the line is lost */
export function useKitchenStream(onChanged: () => void, onReadings?: (json: string) => void): boolean {
  const latest = useRef({ onChanged, onReadings })
  const [lost, setLost] = useState(false)
  useEffect(() => {
    latest.current = { onChanged, onReadings }
  })
  useEffect(() => {
    const source = new EventSource('/cooks/all/changes')
    let first = true
    // A line that comes back by itself within moments is no news.
    let patience: ReturnType<typeof setTimeout> | undefined
    source.addEventListener('error', () => {
      patience ??= setTimeout(() => setLost(true), PATIENCE_MS)
    })
    source.addEventListener('open', () => {
      clearTimeout(patience)
      patience = undefined
      setLost(false)
    })
    source.addEventListener('changed', () => {
      // The first only says that the line stands; the page has just been loaded.
      if (!first) latest.current.onChanged()
      first = false
    })
    source.addEventListener('readings', (event: MessageEvent<string>) => latest.current.onReadings?.(event.data))
    const seen = () => document.visibilityState === 'visible' && latest.current.onChanged()
    document.addEventListener('visibilitychange', seen)
    return () => {
      source.close()
      clearTimeout(patience)
      document.removeEventListener('visibilitychange', seen)
    }
  }, [])
  return lost
}
