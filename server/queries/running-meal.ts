import { runningCookOf } from '#core/contract/running-cook'
import { notUndone } from '#core/event-log'
import { replay, type CookView, type RunningCook } from '#core/cook/replay'
import type { StoredCook } from '#server/store/cooks'
import type { MealEvent, MealRow } from '#server/store/meals'
import type { Kitchen } from '#server/store/open-household'

export interface PotUnderWay extends StoredCook {
  running: RunningCook & ReturnType<typeof runningCookOf>
  view: CookView
  /** The burner or appliance it is on. */
  at: string
}
export interface TaskUnderWay {
  beginMs: number
  doneMs?: number
  resource?: string
  eventId: string
}

/** What has happened of a meal so far. */
export interface UnderWay {
  begun: boolean
  lateMinutes: number
  pots: Map<string, PotUnderWay>
  /** By dish and task. */
  tasks: Map<string, TaskUnderWay>
  /** Which cook has a dish. */
  hands: Map<string, number>
  /** What can be taken back, the newest. */
  last: MealEvent | undefined
}
const MINUTE = 60_000
export const taskKey = (dish: string, task: string): string => `${dish} ${task}`

export function underWayIn({ meals, cooks }: Kitchen, meal: MealRow, nowMs: number): UnderWay {
  const events = notUndone(meals.events(meal.id)).filter((e) => e.at_ms <= nowMs)
  const pots: UnderWay['pots'] = new Map()
  const tasks: UnderWay['tasks'] = new Map()
  const hands: UnderWay['hands'] = new Map()
  let lateMinutes = 0
  for (const e of events) {
    if (e.kind === 'late') lateMinutes += e.amount ?? 0
    if (e.kind === 'hand') hands.set(e.dish_id!, e.amount ?? 0)
    if (e.kind === 'begin' && e.cook_id !== null) {
      const cook = cooks.find(e.cook_id)
      if (!cook) continue
      const cookEvents = cooks.events(cook.id)
      const running = runningCookOf(cook, cookEvents)
      const view = replay(running, cookEvents, nowMs)
      // A pot that was set aside has not been begun.
      if (view.outcome === 'stopped') pots.delete(e.dish_id!)
      else pots.set(e.dish_id!, { ...cook, running, view, at: cook.heatId ?? cook.vesselId })
    } else if (e.kind === 'begin')
      tasks.set(taskKey(e.dish_id!, e.task_id!), {
        beginMs: e.at_ms,
        eventId: e.id,
        ...(e.resource === null ? {} : { resource: e.resource }),
      })
    if (e.kind === 'done') {
      const key = taskKey(e.dish_id!, e.task_id!)
      // Done without having been begun here: it was short.
      tasks.set(key, { beginMs: e.at_ms - MINUTE, eventId: e.id, ...tasks.get(key), doneMs: e.at_ms })
    }
  }
  return {
    begun: events.some((e) => e.kind === 'begin' || e.kind === 'done'),
    lateMinutes,
    pots,
    tasks,
    hands,
    last: events.findLast((e) => e.cook_id === null),
  }
}
