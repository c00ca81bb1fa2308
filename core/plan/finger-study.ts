import { blendOf } from '#core/grain/blend'
import { PACKED_IN_POT, SWOLLEN_SHARE } from '#core/vessel/fill-limits'
import { pourAsDeepAgain, pourForDepth, type PourContext } from '#core/vessel/pour-gauges'
import { plan } from './plan'
import { prepare } from './prepare'
import type { PlanRequest } from './request'

/** One batch of the study: what a fixed habit of pouring puts into the grain. Uptakes in g/g. */
export interface HabitPoint {
  dryG: number
  crease: number
  deepAgain: number
}

export interface FingerStudy {
  points: HabitPoint[]
  firm: number
  standard: number
  soft: number
  /** Batches between which a crease lands from firm to soft, g; undefined where none does. */
  safe?: { from: number; to: number }
  /** The batch at which the crease is exactly right, g. */
  rightAt?: number
}

const POINTS = 14

/**
 * Where a fixed depth over the grain lands between dry and soggy, from a handful to the pot's limit. What
 * boils off is planned for each batch; the rest is the geometry of this pot.
 * @param creaseMm from fingertip to the first crease
 */
export function fingerStudy(request: PlanRequest, creaseMm: number): FingerStudy {
  const blend = blendOf(request.grains)
  const { firm, standard, soft } = blend.uptake
  const most =
    (SWOLLEN_SHARE * request.vessel.capacity * PACKED_IN_POT * blend.cookedDensity) / (1 + standard)
  const least = Math.min(60, most / 4)
  const points = Array.from({ length: POINTS }, (_, i): HabitPoint => {
    const dryG = least + ((most - least) * i) / (POINTS - 1)
    const asked: PlanRequest = {
      ...request,
      amount: { basis: 'dry-mass', value: dryG, serving: request.amount.serving },
      pourOverrideG: null,
    }
    const { soaked, retainedSoakC } = prepare(asked)
    const made = plan(asked)
    const context: PourContext = {
      shape: request.vessel,
      blend,
      dryG,
      clingingG: soaked.clingingG,
      soakedG: retainedSoakC === null ? soaked.uptake * dryG : 0,
    }
    const uptakeOf = (pourG: number) =>
      (Math.max(0, pourG) + made.water.carried_in_g - made.water.evaporated_g) / dryG
    return {
      dryG,
      crease: uptakeOf(pourForDepth(context, creaseMm)),
      deepAgain: uptakeOf(pourAsDeepAgain(context)),
    }
  })
  // A crease gives less and less a gram as the batch grows, so each limit is crossed once.
  const crossing = (level: number): number | undefined => {
    for (let i = 1; i < points.length; i++) {
      const [a, b] = [points[i - 1]!, points[i]!]
      if (a.crease >= level && b.crease < level)
        return a.dryG + ((a.crease - level) / (a.crease - b.crease)) * (b.dryG - a.dryG)
    }
    return undefined
  }
  const [from, to, rightAt] = [crossing(soft), crossing(firm), crossing(standard)]
  const [first, last] = [points[0]!, points[points.length - 1]!]
  const safeFrom = from ?? (first.crease <= soft ? first.dryG : undefined)
  const safeTo = to ?? (last.crease >= firm ? last.dryG : undefined)
  return {
    points,
    firm,
    standard,
    soft,
    ...(safeFrom !== undefined && safeTo !== undefined && safeFrom < safeTo
      ? { safe: { from: safeFrom, to: safeTo } }
      : {}),
    ...(rightAt === undefined ? {} : { rightAt }),
  }
}
