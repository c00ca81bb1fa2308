import { useMemo } from 'react'
import type { CookAtTheStove } from '#core/contract/running-cook'
import { hintFor, type Hint } from '#core/cook/advice'
import type { CookEvent } from '#core/cook/events'
import { reckon, type Reckoned } from '#core/cook/estimate-pot'
import { replay } from '#core/cook/replay'
import { holdingOf, type Holding } from '#core/leftovers/simulate-hold-time'
import { glimpseOf, steamNow } from '#core/pot/readout'
import type { Moment } from '../../ui/drawing/pot-inside'

/** What the stove knows of the inside of the pot. */
export interface AtTheStove {
  reckoned: Reckoned
  moment: Moment
  hint: Hint | undefined
  /** How long it keeps, once it is off the heat for good. */
  holding: Holding | undefined
}

/** The pot is reckoned this often; nothing in it moves faster. */
const EVERY_MS = 3000

export function useReckoned(
  cook: CookAtTheStove,
  events: readonly CookEvent[],
  now: number,
): AtTheStove | undefined {
  const atMs = Math.floor(now / EVERY_MS) * EVERY_MS
  return useMemo(() => {
    const view = replay(cook, events, atMs)
    const reckoned = reckon({ plan: cook.plan, request: cook.request, view, events, nowMs: atMs })
    if (!reckoned) return undefined
    const { pot, prepared, ahead } = reckoned
    const moment: Moment = {
      ...glimpseOf(pot),
      steam: ahead[0] ? steamNow(pot, ahead[0].phase.powerW, ahead[0].phase.lid) : 0,
    }
    const offHeat = !ahead.some(({ phase, minutes }) => phase.powerW > 0 && minutes > 0)
    return {
      reckoned,
      moment,
      hint: hintFor(reckoned, cook.plan, events),
      holding:
        offHeat && ahead.every(({ minutes }) => minutes === 0)
          ? holdingOf(pot, prepared.blend.uptake.soft)
          : undefined,
    }
  }, [cook, events, atMs])
}
