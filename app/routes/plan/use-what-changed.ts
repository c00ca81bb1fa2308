import { useEffect, useRef, useState } from 'react'
import type { PotAndPour } from '#core/explain/what-changed'

/** For so long a change is spoken of, and the last value stands beside the new one, ms. */
const SHOWN_MS = 6000

/** The words are not needed before something changes, and are there by then. */
const words = () => import('#core/explain/what-changed')

/** What the last change did, in words, and the water as it was before it. */
export function useWhatChanged({ vesselId, rimMm, grainG, pourG, steamG }: PotAndPour): {
  says?: string
  wasPourG?: number
} {
  const [shown, setShown] = useState<{ says?: string; wasPourG?: number }>({})
  const last = useRef<PotAndPour>({ vesselId, rimMm, grainG, pourG, steamG })
  const was = useRef<number | undefined>(undefined)
  useEffect(() => void words(), [])
  useEffect(() => {
    const now = { vesselId, rimMm, grainG, pourG, steamG }
    const before = last.current
    last.current = now
    if (before.vesselId === vesselId && before.grainG === grainG && before.pourG === pourG) return
    // A water drawn over many frames is one change: what it was when the hand took it.
    was.current ??= before.pourG
    const wasPourG = was.current
    setShown((s) => ({ ...s, wasPourG }))
    let gone = false
    void words().then(({ whatChanged }) => {
      const says = whatChanged(before, now)
      if (!gone && says !== undefined) setShown((s) => ({ ...s, says }))
    })
    const timer = setTimeout(() => {
      was.current = undefined
      setShown({})
    }, SHOWN_MS)
    return () => {
      gone = true
      clearTimeout(timer)
    }
  }, [vesselId, rimMm, grainG, pourG, steamG])
  return shown
}
