import { amountIn, altitudeIn, unitsOf } from '#core/units/system'
import { capital } from '#core/units/capital'
import { localPlan } from '#core/plan/local-plan'
import { planFrom } from '#core/contract/plan'
import { varietyOf } from '#core/grain/varieties'
import type { Plan } from '#core/plan/result'
import { dayIn, nowMs } from '#server/clock'
import { kitchen } from '#server/kitchen'
import type { Named } from '#server/transfer/recipe'
import { fromSearch } from '../../planning/plan-address'
import { firstPlan, heatOfState, requestOf, vesselOfState } from '../../planning/plan-state'
import { loadPlanningData } from '../../planning/planning-data.server'
import { amountWord, grainWord } from '../../planning/plan-words'
import { bowlPicture } from './picture.server'

const lower = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1)

/**
 * The plan of an address, with what a recipe says of it.
 * @returns also the id of its events in a calendar, and when it begins
 * @throws a Response of 422 where it cannot be planned
 */
export async function recipeOf(search: URLSearchParams): Promise<{
  plan: Plan
  named: Named
  uid: string
  startMs: number
}> {
  const { household, settings } = loadPlanningData(kitchen())
  const now = nowMs()
  const state = fromSearch(search, firstPlan(household), household)
  const asked = requestOf(state, household, now)
  const read = planFrom(asked)
  if (!read.ok) throw new Response(read.errors.map((e) => e.message).join('; '), { status: 422 })
  const units = unitsOf(settings, '.')
  const plan = localPlan(read.value, units)
  const vessel = vesselOfState(state, household)
  const heat = vessel.own_rated_w === null ? heatOfState(state, household).name : undefined
  const startMs = asked.serve_at ? Date.parse(asked.serve_at) - plan.total_minutes.expected * 60_000 : now
  return {
    plan,
    startMs,
    uid: `plan-${state.grain}-${Math.round(startMs / 60_000)}`,
    named: {
      title: capital(`${grainWord(state, household)}, ${lower(amountWord(state, household))}`),
      where: `In ${vessel.name}${heat === undefined ? '' : ` on the ${heat}`}, at ${altitudeIn(settings.elevation_m, settings.system)}`,
      grains: plan.grain.parts.map((part) => ({
        name: varietyOf(part.variety).name,
        amount: amountIn(units, part.mass_g, part.volume_ml),
      })),
      units,
      household: settings.name,
      day: dayIn(now, settings.zone),
      tools: [vessel.name, ...(heat === undefined ? [] : [heat])],
      picture: await bowlPicture(state.grain),
    },
  }
}
