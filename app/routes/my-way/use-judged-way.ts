import { useEffect, useState } from 'react'
import type { PlanRequestJson } from '#core/contract/plan-request'
import type { ToldStep } from '#core/plan/told-steps'
import { startSimulator } from '../../workers/start-simulator'
import type { JudgedWay } from '../../workers/simulator'

/** The way is still for so long before it is cooked, ms. */
const STILL_MS = 500
const KITCHENS = 100

/** How a way ends, or why it cannot be cooked; neither while it is under way. */
export interface WayAnswer {
  judged?: JudgedWay
  wrong?: string
}

/** Cooks a way in a worker once nothing changes any more; a change stops what is under way. */
export function useJudgedWay(request: PlanRequestJson, steps: readonly ToldStep[] | null): WayAnswer {
  const asked = JSON.stringify([request, steps])
  const [found, setFound] = useState<{ of: string; answer: WayAnswer }>()
  useEffect(() => {
    let end = () => {}
    let current = true
    const timer = setTimeout(() => {
      const running = startSimulator()
      end = running.end
      const [json, told] = JSON.parse(asked) as [PlanRequestJson, ToldStep[] | null]
      void running.remote
        .judgeWay(json, told, { seed: 1, runs: KITCHENS })
        .then(
          (judged): WayAnswer => ({ judged }),
          (error: unknown): WayAnswer => ({ wrong: error instanceof Error ? error.message : String(error) }),
        )
        .then((answer) => {
          if (current) setFound({ of: asked, answer })
          running.end()
        })
    }, STILL_MS)
    return () => {
      current = false
      clearTimeout(timer)
      end()
    }
  }, [asked])
  return found?.of === asked ? found.answer : {}
}
