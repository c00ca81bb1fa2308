import { runningCookOf } from '#core/contract/running-cook'
import { replay } from '#core/cook/replay'
import type { Kitchen } from '#server/store/open-household'

export interface RunningSummary {
  id: string
  title: string
  vesselName: string
  startedMs: number
  tableMs: number
  /** Title of the stage under way; nothing when it is ready. */
  stage: string | undefined
  stageId: string | undefined
}

/** Running batches, the one served first in front. */
export function listRunningCooks({ cooks }: Kitchen, nowMs: number): RunningSummary[] {
  return cooks
    .running()
    .map((cook) => {
      const events = cooks.events(cook.id)
      const view = replay(runningCookOf(cook, events), events, nowMs)
      return {
        id: cook.id,
        title: cook.title,
        vesselName: cook.vesselName,
        startedMs: cook.startedMs,
        tableMs: view.tableMs,
        stage: cook.plan.stages.find((stage) => stage.id === view.now[0]?.id)?.title,
        stageId: view.now[0]?.id,
      }
    })
    .sort((a, b) => a.tableMs - b.tableMs)
}
