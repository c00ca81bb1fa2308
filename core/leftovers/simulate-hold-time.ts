import { leakOf } from '#core/heat/lid'
import { openSurfaceEvaporation } from '#core/heat/evaporation'
import { celsius } from '#core/units/units'
import { grainWater, type Pot } from '#core/pot/pot'
import { runPhase } from '#core/pot/run'
import { guidanceOf } from './guidance'
import { withRollback } from '#core/pot/snapshot'

/** How long a pot keeps as it is, and what ends that first. */
export interface Holding {
  /** Minutes until it is under the temperature food is held hot at; Infinity where heat holds it. */
  safeMinutes: number
  /** Minutes until the top has lost so much water that it eats dry. */
  dryMinutes: number
  /** Minutes until it has drunk itself softer than soft; Infinity where it has nothing left to drink. */
  softMinutes: number
  endsBy: 'safety' | 'drying' | 'softness'
  minutes: number
}

/** A top layer that has lost this share of its water eats dry: a tenth of the bed, by a fifth. */
const DRY_SHARE = 0.02
/** What hot food is held at where a household follows the strictest figure, °C. */
export const HOLD_HOT_C = guidanceOf('stricter').hold_hot_c.value
const STEP_MIN = 0.5
const MAX_MINUTES = 240

/**
 * Lets the pot stand, lid on. The pot stays as it was.
 * @param soft uptake that is soft, g/g
 * @param powerW what keeps it warm, W; 0 for a pot off the heat
 * @param holdC hot food is held at, °C
 */
export function simulateHoldTime(
  pot: Pot,
  soft: number,
  { powerW = 0, holdC = HOLD_HOT_C }: { powerW?: number; holdC?: number } = {},
): Holding {
  return withRollback(pot, () => {
    const { lid, openArea, steamFactor } = pot.setup
    const water = grainWater(pot)
    let [safe, dry, softAt, lost] = [Infinity, Infinity, Infinity, 0]
    for (let minute = 0; minute < MAX_MINUTES; minute += STEP_MIN) {
      if (pot.bulkC < holdC && safe === Infinity) safe = minute
      if (lost > DRY_SHARE * water && dry === Infinity) dry = minute
      if (grainWater(pot) / pot.dryG > soft && softAt === Infinity) softAt = minute
      if (safe < Infinity && dry < Infinity) break
      lost +=
        openSurfaceEvaporation(celsius(pot.bulkC)) *
        openArea *
        leakOf(lid, 'on') *
        steamFactor *
        STEP_MIN *
        60
      runPhase(pot, { id: 'hold', powerW, lid: 'on', mode: 'open', until: { minutes: STEP_MIN } })
    }
    const minutes = Math.min(safe, dry, softAt)
    return {
      safeMinutes: safe,
      dryMinutes: dry,
      softMinutes: softAt,
      minutes,
      endsBy: minutes === dry ? 'drying' : minutes === softAt ? 'softness' : 'safety',
    }
  })
}
