import type { Plan } from '#core/plan/result'
import type { CookView } from './replay'

/** A soak this much longer or shorter than planned changes the water: minutes, and a share of the plan. */
const WORTH_MINUTES = 10
const WORTH_SHARE = 0.1

/**
 * How long the grain really lay in its soaking water, where that differs from the plan: it lies there until it is
 * drained, whatever the clock said.
 * @returns minutes; undefined where there is no soak that is drained, or it was as planned
 */
export function soakedFor(plan: Pick<Plan, 'stages'>, view: CookView, nowMs: number): number | undefined {
  const soak = plan.stages.find((s) => s.kind === 'soak')
  const drain = soak && plan.stages.find((s) => s.id === 'drain' && s.after.includes(soak.id))
  if (!soak || !drain) return undefined
  const minutes = Math.round((nowMs - view.stages.find((s) => s.id === soak.id)!.startMs) / 60_000)
  const planned = soak.minutes.expected
  return Math.abs(minutes - planned) > Math.max(WORTH_MINUTES, WORTH_SHARE * planned) ? minutes : undefined
}
