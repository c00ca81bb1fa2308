import { useEffect, useState } from 'react'
import { storedScale } from '#core/units/screen-scale'

const KEY = 'omsel.px-per-mm'

/** The scale of this screen, stored on the device; undefined until it was calibrated with a card. */
export function useScale(): { scale: number | undefined; keep: (scale: number) => void } {
  const [scale, setScale] = useState<number>()
  useEffect(() => {
    try {
      setScale(storedScale(localStorage.getItem(KEY)))
    } catch {
      // A browser without storage asks for the card each time.
    }
  }, [])
  const keep = (next: number) => {
    setScale(next)
    try {
      localStorage.setItem(KEY, String(next))
    } catch {
      // As above.
    }
  }
  return { scale, keep }
}
