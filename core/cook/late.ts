import type { Plan } from '#core/plan/result'
import type { CookView } from './replay'

/** Where a wait for late guests costs texture least. */
export interface Wait {
  stage: string
  where: 'soak' | 'before-heat' | 'rest' | 'end'
}

/**
 * Water that has not been heated waits for nothing; a covered pot off the heat waits well; a pot on the heat
 * does not wait.
 * @param soakRoomMinutes how much longer the grain may still soak before it grows fragile or sours
 */
export function whereToWait(plan: Plan, view: CookView, minutes: number, soakRoomMinutes = 0): Wait {
  const state = new Map(view.stages.map((s) => [s.id, s.state]))
  const firstHot = plan.stages.findIndex((s) => s.power_w > 0)
  const cold = firstHot >= 0 && state.get(plan.stages[firstHot]!.id) === 'next'
  if (cold) {
    const soak = plan.stages.find((s) => s.kind === 'soak' && state.get(s.id) !== 'done')
    if (soak && minutes <= soakRoomMinutes) return { stage: soak.id, where: 'soak' }
    // The last hands-on step before the heat is delayed.
    const before = plan.stages.slice(0, firstHot).findLast((s) => state.get(s.id) !== 'done')
    if (before) return { stage: before.id, where: 'before-heat' }
  }
  const rest = plan.stages.findLast((s) => s.kind === 'rest' && state.get(s.id) !== 'done')
  if (rest) return { stage: rest.id, where: 'rest' }
  return { stage: plan.stages.at(-1)!.id, where: 'end' }
}
