import { useEffect } from 'react'
import { pressEarly } from './early-press'

/** Says on the page that it answers by now, unless a part of it will say so later (answers-when-used.tsx). */
export function useHydrated() {
  useEffect(() => {
    const { dataset } = document.documentElement
    dataset.alive ??= 'yes'
    pressEarly(dataset.alive === 'yes' ? 'page' : 'frame')
  }, [])
}
