import { celsiusAfter, heatOfCooked, STILL_AIR_H } from '#core/finish/hand-warm'
import { USUAL_SPREAD_MM } from '#core/finish/spread'
import type { CookView } from './replay'
import type { PlanRequest } from '#core/plan/request'
import type { Plan, Stage } from '#core/plan/result'
import { guidanceOf, SHALLOW_MM } from '#core/leftovers/guidance'

/** Where cooked grain lies once it has left its pot. */
export type GrainPlace = 'tray' | 'bowl' | 'containers' | 'sieve' | 'warm-drawer' | 'pan'

/** How it stands with grain that has left its pot. */
export interface AfterPot {
  place: GrainPlace
  /** About how warm, °C. */
  celsius: number
  /**
   * Minutes left to eat it as it lies, and to get it cold if it is kept, by the guidance in force; Infinity
   * where something keeps it hot.
   */
  eatWithinMin: number
  chillWithinMin: number
}

/** How deep it lies, and what the air takes off it: spread, fanned, in shallow containers, rinsed in a sieve. */
const LIES = {
  tray: { depthMm: USUAL_SPREAD_MM, airH: STILL_AIR_H },
  bowl: {},
  containers: { depthMm: SHALLOW_MM, airH: STILL_AIR_H },
  sieve: { depthMm: 40, airH: STILL_AIR_H },
} as const satisfies Record<Exclude<GrainPlace, 'warm-drawer' | 'pan'>, object>

const placeOf = (
  { id, kind }: Pick<Stage, 'id' | 'kind'>,
  { finish, holdIn }: Pick<PlanRequest, 'finish' | 'holdIn'>,
): GrainPlace | undefined => {
  if (id === 'hold') return holdIn === 'warm-drawer' ? 'warm-drawer' : undefined
  if (id === 'spread') return 'tray'
  if (id === 'fry') return 'pan'
  if (id === 'portion' || id === 'cool-batch') return 'containers'
  if (kind === 'cool' && finish === 'cold-rinse' && id === 'cool') return 'sieve'
  return id === 'dress' || id === 'cool' || id === 'set' ? 'bowl' : undefined
}

/**
 * Where the grain is once it has left its pot, how warm it is there and how long it may stay.
 * @returns undefined while it is in the pot
 */
export function afterPot(
  plan: Plan,
  view: CookView,
  request: Pick<PlanRequest, 'guidance' | 'kitchenC' | 'waterC' | 'finish' | 'holdIn'>,
  nowMs: number,
): AfterPot | undefined {
  const left = plan.stages.flatMap((stage, i) => {
    const place = placeOf(stage, request)
    const seen = view.stages[i]!
    return place && seen.state !== 'next' ? [{ place, startMs: seen.startMs }] : []
  })
  const [first] = left
  if (!first) return undefined
  const { place } = left.at(-1)!
  if (place === 'warm-drawer' || place === 'pan')
    return {
      place,
      celsius: guidanceOf(request.guidance)[place === 'pan' ? 'reheat_c' : 'hold_hot_c'].value,
      eatWithinMin: Infinity,
      chillWithinMin: Infinity,
    }
  const minutes = Math.max(0, (nowMs - first.startMs) / 60_000)
  const { cooked_mass_g, cooked_volume_ml } = plan.yield
  const celsius = celsiusAfter(
    {
      heatPerGram: heatOfCooked(Math.min(1, plan.grain.mass_g / cooked_mass_g)),
      densityGMl: cooked_mass_g / cooked_volume_ml,
      kitchenC: request.kitchenC,
      ...(place === 'sieve' ? { fromC: request.waterC } : {}),
      ...LIES[place],
    },
    minutes,
  )
  const { room_min, cool_min } = guidanceOf(request.guidance)
  return {
    place,
    celsius,
    eatWithinMin: Math.max(0, Math.round(room_min.value - minutes)),
    chillWithinMin: Math.max(0, Math.round(cool_min.value - minutes)),
  }
}
