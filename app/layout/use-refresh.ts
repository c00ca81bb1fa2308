import { useCallback, useEffect, useRef } from 'react'
import { useRevalidator } from 'react-router'

/**
 * Asks the server again, one question at a time: what is asked meanwhile is asked once more after it, so that
 * a burst of news neither breaks off an answer on its way nor goes unheard.
 */
export function useRefresh(): () => void {
  const { revalidate } = useRevalidator()
  const ask = useRef(revalidate)
  const asking = useRef(false)
  const again = useRef(false)
  useEffect(() => {
    ask.current = revalidate
  })
  return useCallback(() => {
    const go = async () => {
      if (asking.current) {
        again.current = true
        return
      }
      asking.current = true
      try {
        do {
          again.current = false
          await ask.current()
        } while (again.current)
      } finally {
        asking.current = false
      }
    }
    void go()
  }, [])
}
