import { useEffect, useRef, useState } from 'react'

const TICK_MS = 250

/** A tick that comes so much later by the wall than by the steady clock: the device slept, or its clock was set, ms. */
const JUMP_MS = 2000

const AHEAD = 'omsel.ahead'
const saveAhead = (ms: number): void => {
  try {
    localStorage.setItem(AHEAD, String(Math.round(ms)))
  } catch {
    // A device that keeps nothing takes its own clock.
  }
}
function storedAhead(): number {
  try {
    const ms = Number(localStorage.getItem(AHEAD) ?? 0)
    return Number.isFinite(ms) ? ms : 0
  } catch {
    return 0
  }
}

/**
 * The server's clock on this device, carried on by the page's steady clock, so that a device whose clock is
 * wrong, or set in mid-cook, counts right all the same. A device that slept asks the server again.
 */
export function useServerClock(serverMs: number, refresh: () => void): { now: number; aheadMs: number } {
  const [clock, setClock] = useState({ now: serverMs, aheadMs: 0 })
  const latest = useRef(refresh)
  useEffect(() => {
    latest.current = refresh
  })
  useEffect(() => {
    const from = performance.now()
    // A page that was kept for a server that is away bears an old hour: this device's own, and what it last
    // knew of the server's, is nearer.
    const { dataset } = document.documentElement
    const saved = dataset.kept !== undefined
    delete dataset.kept
    const begun = saved ? Date.now() + storedAhead() : serverMs
    if (!saved) saveAhead(serverMs - Date.now())
    let gap = Date.now() - from
    const tick = () => {
      const now = begun + (performance.now() - from)
      setClock({ now, aheadMs: now - Date.now() })
      const wall = Date.now() - performance.now()
      if (Math.abs(wall - gap) > JUMP_MS) latest.current()
      gap = wall
    }
    tick()
    const timer = setInterval(tick, TICK_MS)
    return () => clearInterval(timer)
  }, [serverMs])
  return clock
}
