import { useMemo } from 'react'
import type { CookAtTheStove } from '#core/contract/running-cook'
import type { CookEvent } from '#core/cook/events'
import { estimatePot, type PotEstimate } from '#core/cook/estimate-pot'
import { replay } from '#core/cook/replay'
import { guidanceOf } from '#core/leftovers/guidance'
import { simulateHoldTime, type Holding } from '#core/leftovers/simulate-hold-time'
import { readoutOf, steamNow } from '#core/pot/readout'
import { hintFor, type Hint } from '#core/troubleshoot/hint'
import type { Moment } from '../../ui/drawing/pot-inside'

/** What the stove knows of the inside of the pot. */
export interface AtTheStove {
  estimate: PotEstimate
  moment: Moment
  hint: Hint | undefined
  /** How long it keeps, once it is off the heat for good. */
  holding: Holding | undefined
}

/** How often the pot is estimated, ms; nothing in it moves faster. */
const EVERY_MS = 3000

export function usePotEstimate(
  cook: CookAtTheStove,
  events: readonly CookEvent[],
  now: number,
): AtTheStove | undefined {
  // What was just pressed counts at once.
  const pressedMs = Math.min(now, events.at(-1)?.atMs ?? 0)
  const atMs = Math.max(Math.floor(now / EVERY_MS) * EVERY_MS, pressedMs)
  return useMemo(() => {
    const view = replay(cook, events, atMs)
    const estimate = estimatePot({ plan: cook.plan, request: cook.request, view, events, nowMs: atMs })
    if (!estimate) return undefined
    const { pot, prepared, ahead } = estimate
    const moment: Moment = {
      ...readoutOf(pot),
      steam: ahead[0] ? steamNow(pot, ahead[0].phase.powerW, ahead[0].phase.lid) : 0,
    }
    const offHeat = !ahead.some(({ phase, minutes }) => phase.powerW > 0 && minutes > 0)
    return {
      estimate,
      moment,
      hint: hintFor(estimate, cook.plan, view, events),
      holding:
        offHeat && ahead.every(({ minutes }) => minutes === 0)
          ? simulateHoldTime(pot, prepared.blend.uptake.soft, {
              holdC: guidanceOf(cook.request.guidance).hold_hot_c.value,
            })
          : undefined,
    }
  }, [cook, events, atMs])
}
