import { useEffect, useRef, useState } from 'react'
import { whatChanged, type Seen } from '#core/explain/what-changed'

/** For so long a change is spoken of, and the last value stands beside the new one, ms. */
const SHOWN_MS = 6000

/** What the last change did, in words, and the water as it was before it. */
export function useWhatChanged({ vesselId, rimMm, grainG, pourG, steamG }: Seen): {
  says?: string
  wasPourG?: number
} {
  const [shown, setShown] = useState<{ says?: string; wasPourG?: number }>({})
  const last = useRef<Seen>({ vesselId, rimMm, grainG, pourG, steamG })
  const was = useRef<number | undefined>(undefined)
  useEffect(() => {
    const now = { vesselId, rimMm, grainG, pourG, steamG }
    const before = last.current
    last.current = now
    if (before.vesselId === vesselId && before.grainG === grainG && before.pourG === pourG) return
    // A water drawn over many frames is one change: what it was when the hand took it.
    was.current ??= before.pourG
    const says = whatChanged(before, now)
    const wasPourG = was.current
    setShown((s) => ({
      wasPourG,
      ...(says !== undefined ? { says } : s.says !== undefined ? { says: s.says } : {}),
    }))
    const timer = setTimeout(() => {
      was.current = undefined
      setShown({})
    }, SHOWN_MS)
    return () => clearTimeout(timer)
  }, [vesselId, rimMm, grainG, pourG, steamG])
  return shown
}
