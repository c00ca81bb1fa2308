import { useEffect } from 'react'

/** Says on the page that it answers by now, unless a part of it will say so later (answers-when-used.tsx). */
export function useHydrated() {
  useEffect(() => {
    document.documentElement.dataset.alive ??= 'yes'
  }, [])
}
