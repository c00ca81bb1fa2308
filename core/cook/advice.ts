import { textureOf } from '#core/grain/texture'
import type { Plan } from '#core/plan/result'
import { activeEvents, type CookEvent } from './events'
import { outlookOf } from './outlook'
import type { PotEstimate } from './estimate-pot'

/** What the stove says by itself about a pot under way. */
export interface Hint {
  /** Says the same thing again only when it is another thing. */
  id: string
  says: string
  why: string
  /** Boiling water to add, g; 0 where there is only something to expect. */
  addG: number
}

/** How far the texture may slip before it is announced, on the scale of 0 firm … 1 soft. */
const WORTH_TELLING = 0.22
const STEP_G = 5

/** Whether what happened has changed the water, and what to do about it: add some, or know what to expect. */
export function hintFor(estimate: PotEstimate, plan: Plan, events: readonly CookEvent[]): Hint | undefined {
  const { prepared, ahead } = estimate
  const stillHot = ahead.some(({ phase }) => phase.powerW > 0)
  if (prepared.method.water !== 'pot' || !stillHot) return undefined
  const outlook = outlookOf(estimate)
  const wanted = textureOf(prepared.blend.uptake, plan.water.uptake_target)
  const coming = textureOf(prepared.blend.uptake, outlook.outcome.uptakeMean)
  const off = coming - wanted
  const because = reasonFor(estimate, events)
  if ((off < -WORTH_TELLING || outlook.verdict.scorched) && outlook.shortG > STEP_G) {
    const addG = Math.ceil(outlook.shortG / STEP_G) * STEP_G
    return {
      id: `add ${Math.round(addG / 20)}`,
      says: `Add ${addG} g boiling water`,
      why: `At this rate it ends ${outlook.verdict.scorched ? 'dry and scorched' : 'firmer than you wanted'}: ${because}.`,
      addG,
    }
  }
  if (off > WORTH_TELLING || outlook.verdict.soggy)
    return {
      id: `softer ${Math.round(off * 4)}`,
      says: outlook.verdict.soggy ? 'It will be wet' : 'Expect it softer',
      why: `${Math.round(-outlook.shortG)} g too much water: ${because}.`,
      addG: 0,
    }
  return undefined
}

/** What the newest thing was that moved the pot's water. */
function reasonFor({ burner }: PotEstimate, events: readonly CookEvent[]): string {
  const REASONS: Partial<Record<CookEvent['kind'], string>> = {
    'boiled-over': 'of boiling over',
    'water-added': 'of the water you added',
    'heat-high': 'of the minutes on high',
    'heat-low': 'of the minutes on low heat',
    'heat-out': 'of the minutes without heat',
  }
  const told = activeEvents(events).findLast((e) => REASONS[e.kind] !== undefined)
  if (told) return `because ${REASONS[told.kind]}`
  if (Math.abs(burner - 1) > 0.1) return `the burner is ${burner < 1 ? 'less' : 'more'} than assumed`
  return 'from how it cooked so far'
}
