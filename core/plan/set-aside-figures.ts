import { sprinkleFor } from '#core/finish/set-aside'
import { spreadOf } from '#core/finish/spread'
import type { Blend } from '#core/grain/blend'
import { uptakeAt } from '#core/grain/texture'
import { roundTo } from '#core/units/rounding'
import type { PlanRequest } from './request'
import type { Plan } from './result'

/** What is set aside for frying tomorrow while the rest is eaten today; undefined for none, and for all of it. */
export function asideFigures(
  { fryTomorrow, texture }: PlanRequest,
  blend: Blend,
  dryG: number,
  cookedG: number,
): Plan['set_aside'] {
  if (!fryTomorrow || fryTomorrow.share === 1) return undefined
  const { share } = fryTomorrow
  const ml = (cookedG * share) / blend.cookedDensity
  const { tray } = spreadOf(ml)
  const uptakes = {
    served: uptakeAt(blend.uptake, fryTomorrow.texture),
    cooked: uptakeAt(blend.uptake, texture),
  }
  return {
    share,
    grams: roundTo(cookedG * share, 1),
    ml: roundTo(ml, 1),
    tray_long_cm: tray.longCm,
    tray_wide_cm: tray.wideCm,
    sprinkle_g: roundTo(sprinkleFor(uptakes, dryG * (1 - share)), 1),
  }
}
