import type { Remote } from 'comlink'
import { useEffect, useState } from 'react'
import type { Simulator } from './simulator'

/** What a question came to: its answer, or why there is none; neither while it is under way. */
export interface SimulatorAnswer<T> {
  value?: T
  wrong?: string
}

/**
 * Asks the simulator in a worker once nothing changes any more; a change stops what is under way.
 * @param asked the question as JSON
 * @param ask sends it; the same function at every call
 * @param stillMs the question has been the same for so long before it is asked
 */
export function useSimulated<T>(
  asked: string,
  ask: (remote: Remote<Simulator>, asked: string) => Promise<T>,
  stillMs: number,
): SimulatorAnswer<T> {
  const [found, setFound] = useState<{ of: string; answer: SimulatorAnswer<T> }>()
  useEffect(() => {
    let end = () => {}
    let current = true
    const timer = setTimeout(() => {
      void (async () => {
        // What starts the worker is fetched only when it is needed, after the page stands.
        const { startSimulator } = await import('./start-simulator')
        if (!current) return
        const running = startSimulator()
        end = running.end
        const answer = await ask(running.remote, asked).then(
          (value): SimulatorAnswer<T> => ({ value }),
          (error: unknown): SimulatorAnswer<T> => ({
            wrong: error instanceof Error ? error.message : String(error),
          }),
        )
        if (current) setFound({ of: asked, answer })
        running.end()
      })()
    }, stillMs)
    return () => {
      current = false
      clearTimeout(timer)
      end()
    }
  }, [asked, ask, stillMs])
  return found?.of === asked ? found.answer : {}
}
