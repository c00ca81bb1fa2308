import type { CookEvent } from './events'
import { estimatePot, type PotEstimate } from './estimate-pot'
import type { CookView } from './replay'
import type { PlanRequest } from '#core/plan/request'
import type { Plan } from '#core/plan/result'
import { randomOf } from '#core/random'
import { luckOf } from '#core/simulate/sweep'
import type { Luck } from '#core/simulate/simulate'

/** A pot as it truly is, which the household does not know: another burner, another lid, another bag. */
export type Truth = Pick<Luck, 'burner' | 'steam' | 'minutes'>

/** A truth for a name, the same for the same one, spread as kitchens are. */
export function truthOf(name: string): Truth {
  const random = randomOf(seedOf(name))
  const { burner, steam, minutes } = luckOf(random)
  return { burner, steam, minutes }
}

/** A number for a name (FNV-1a). */
export function seedOf(name: string): number {
  let hash = 0x811c9dc5
  for (let i = 0; i < name.length; i++) hash = Math.imul(hash ^ name.charCodeAt(i), 0x01000193)
  return hash >>> 0
}

/**
 * The true pot by what was done to it: the same stages, on what is true instead of what is believed.
 * @returns undefined before anything is warm
 */
export function truePot(
  {
    plan,
    request,
    view,
    events,
    nowMs,
  }: { plan: Plan; request: PlanRequest; view: CookView; events: readonly CookEvent[]; nowMs: number },
  truth: Truth,
): PotEstimate | undefined {
  const { vessel, source, minutesFactor } = request
  const real: PlanRequest = {
    ...request,
    source: { ...source, ratedW: source.ratedW * truth.burner },
    vessel: { ...vessel, steamFactor: vessel.steamFactor * truth.steam },
    minutesFactor: minutesFactor * truth.minutes,
  }
  return estimatePot({ plan, request: real, view, events, nowMs, burner: 1 })
}
