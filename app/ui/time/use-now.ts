import { useEffect, useState } from 'react'

const TICK_MS = 15_000

/**
 * Now by the server's clock, at a calm pace; the same on the server's page and on the first one here. Never
 * before what the server last said.
 */
export function useNow(serverMs: number): number {
  const [now, setNow] = useState(serverMs)
  useEffect(() => {
    // A page that was kept on the device heard the server long ago.
    const ahead = document.documentElement.dataset.kept ? 0 : serverMs - Date.now()
    const timer = setInterval(() => setNow(Date.now() + ahead), TICK_MS)
    return () => clearInterval(timer)
  }, [serverMs])
  return Math.max(now, serverMs)
}
