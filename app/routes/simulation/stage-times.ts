import type { Stage } from '#core/plan/result'
import type { Cooked } from '../../workers/simulator'

/** A stage of a cooked pot with when it was, minutes from the first heat. */
export interface CookedStage {
  stage: Stage
  start: number
  end: number
  /** What it waited for did not come. */
  never: boolean
}

const NEVER = 'never '

/** The stages a run went through, by when each ended. */
export function stageTimes({ events, plan }: Pick<Cooked, 'events' | 'plan'>): CookedStage[] {
  let start = 0
  return events.flatMap(({ tMin, kind }) => {
    const never = kind.startsWith(NEVER)
    const stage = plan.stages.find((s) => s.id === (never ? kind.slice(NEVER.length) : kind))
    if (!stage) return []
    const from = start
    start = tMin
    return [{ stage, start: from, end: tMin, never }]
  })
}

/** The stage at a minute; undefined after the last. */
export const stageAt = (stages: readonly CookedStage[], minute: number): CookedStage | undefined =>
  stages.find(({ end }) => minute <= end + 1e-6)
