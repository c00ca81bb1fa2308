import { useEffect, useState } from 'react'
import type { PlanRequestJson } from '#core/contract/plan-request'
import type { ToldStep } from '#core/plan/told-steps'
import { startSimulator } from '../../workers/start-simulator'
import type { JudgedWay } from '../../workers/simulator'

/** The way is still for so long before it is cooked, ms. */
const STILL_MS = 500
const KITCHENS = 100

/** Cooks a way in a worker once nothing changes any more; a change stops what is under way. */
export function useJudgedWay(
  request: PlanRequestJson,
  steps: readonly ToldStep[] | null,
): JudgedWay | undefined {
  const asked = JSON.stringify([request, steps])
  const [found, setFound] = useState<{ of: string; judged: JudgedWay }>()
  useEffect(() => {
    let end = () => {}
    let current = true
    const timer = setTimeout(() => {
      const running = startSimulator()
      end = running.end
      const [json, told] = JSON.parse(asked) as [PlanRequestJson, ToldStep[] | null]
      void running.remote.judgeWay(json, told, { seed: 1, runs: KITCHENS }).then((judged) => {
        if (current) setFound({ of: asked, judged })
        running.end()
      })
    }, STILL_MS)
    return () => {
      current = false
      clearTimeout(timer)
      end()
    }
  }, [asked])
  return found?.of === asked ? found.judged : undefined
}
