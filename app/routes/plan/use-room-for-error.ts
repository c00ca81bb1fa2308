import { useEffect, useState } from 'react'
import type { PlanRequestJson } from '#core/contract/plan-request'
import type { RoomForError } from '../../workers/simulator'

/** The plan is still for so long before many kitchens are cooked in. */
const STILL_MS = 1200
const KITCHENS = 200

/**
 * How far the water may be off, found in a worker once nothing changes any more. Undefined until it is in;
 * another request throws it away.
 */
export function useRoomForError(request: PlanRequestJson): RoomForError | undefined {
  // The hour at the table and the clock change nothing in the pot.
  const { serve_at: _hour, ...pot } = request
  const asked = JSON.stringify(pot)
  const [found, setFound] = useState<{ of: string; roomForError: RoomForError }>()
  useEffect(() => {
    let end = () => {}
    let current = true
    const timer = setTimeout(() => {
      void (async () => {
        // The worker's door is fetched only when it is needed, after the plan stands.
        const { startSimulator } = await import('../../workers/start-simulator')
        if (!current) return
        const running = startSimulator()
        end = running.end
        const roomForError = await running.remote.slack(JSON.parse(asked) as PlanRequestJson, {
          seed: 1,
          runs: KITCHENS,
        })
        if (current) setFound({ of: asked, roomForError })
        running.end()
      })()
    }, STILL_MS)
    return () => {
      current = false
      clearTimeout(timer)
      end()
    }
  }, [asked])
  return found?.of === asked ? found.roomForError : undefined
}
