import { planFrom } from '#core/contract/plan'
import type { PlanRequestJson } from '#core/contract/plan-request'
import { varietyOf, type VarietyId } from '#core/grain/varieties'
import type { Plan } from '#core/plan/result'
import { celsius } from '#core/units/units'
import { soakCurve } from '#core/water/soak-curve'

/** A home batch, mL of dry grain: a cup and a half. */
const BATCH_ML = 360
const OVERNIGHT = { minutes: 600, celsius: 20, water: 'drain' } as const
const HALF_HOUR = { minutes: 30, celsius: 20, water: 'drain' } as const

function planned(variety: VarietyId, more: Partial<PlanRequestJson>): Plan {
  const read = planFrom({
    grains: [{ variety }],
    amount: { basis: 'dry-volume', value: BATCH_ML },
    soak: null,
    ...more,
  })
  if (!read.ok) throw new Error(read.errors[0]!.message)
  return read.value
}
const minutesOf = (plan: Plan, ids: readonly string[]): number =>
  plan.stages
    .filter((stage) => ids.includes(stage.id))
    .reduce((sum, stage) => sum + stage.minutes.expected, 0)

const covered = (variety: VarietyId, more: Partial<PlanRequestJson> = {}): number =>
  minutesOf(planned(variety, { method: 'covered-simmer', ...more }), ['simmer'])

/**
 * What the planner says where an observation was made. covered-minutes: simmer of a covered pot.
 * drained-minutes: boil in plenty. pressure-minutes: held at high pressure. steamed-minutes: over full steam,
 * soaked eight hours. stood-minutes: covered, with boiling water poured over. soaked-*-share: covered minutes
 * after that soak over those without. height-share-M: covered minutes at M m over those at sea level.
 * cold-soak-M: uptake after M minutes at 20 °C, g/g.
 * @throws {RangeError} for an unknown kind
 */
export function predict(variety: VarietyId, kind: string): number {
  switch (kind) {
    case 'covered-minutes':
      return covered(variety)
    case 'drained-minutes':
      return minutesOf(planned(variety, { method: 'boil-and-drain' }), ['boil'])
    case 'stood-minutes':
      return minutesOf(planned(variety, { method: 'poured-over' }), ['rest'])
    case 'steamed-minutes':
      return minutesOf(
        planned(variety, { method: 'steam', soak: { minutes: 480, celsius: 5, water: 'drain' } }),
        ['steam'],
      )
    case 'pressure-minutes':
      return minutesOf(planned(variety, { method: 'pressure-electric' }), ['pressure'])
    case 'soaked-overnight-share':
      return covered(variety, { soak: OVERNIGHT }) / covered(variety)
    case 'soaked-half-hour-share':
      return covered(variety, { soak: HALF_HOUR }) / covered(variety)
  }
  const [, what, figure] = /^(height-share|cold-soak)-(\d+)$/.exec(kind) ?? []
  if (what === 'height-share') return covered(variety, { elevation_m: Number(figure) }) / covered(variety)
  if (what === 'cold-soak') {
    const row = varietyOf(variety)
    return soakCurve({ ...row, most: row.uptake.most }, celsius(20), [Number(figure)])[0]!
  }
  throw new RangeError(`predict knows no observation "${kind}"`)
}
