import { useEffect } from 'react'

/** Says on the page that it answers by now, for tests and for style. */
export function useHydrated() {
  useEffect(() => {
    document.documentElement.dataset.alive = 'yes'
  }, [])
}
