import { amountIn, altitudeIn, unitsOf } from '#core/units/system'
import { localPlan } from '#core/plan/local-plan'
import { planFrom } from '#core/contract/plan'
import { varietyOf } from '#core/grain/varieties'
import { nowMs } from '#server/clock'
import { kitchen } from '#server/kitchen'
import { recipeCalendar, recipeLd, recipeMarkdown, type Named } from '#server/transfer/recipe'
import { fromSearch } from '../../planning/plan-address'
import { firstPlan, heatOfState, requestOf, vesselOfState } from '../../planning/plan-state'
import { loadPlanningData } from '../../planning/planning-data.server'
import { amountWord, grainWord } from '../../planning/plan-words'
import type { Route } from './+types/recipe'

const FORMS = ['recipe.json', 'recipe.md', 'recipe.ics'] as const

/** A plan as a download: as schema.org's Recipe, as Markdown, as a calendar. */
export function loader({ params, request }: Route.LoaderArgs) {
  const form = FORMS.find((f) => f === params.form)
  if (!form) throw new Response(`There is no such form; one of ${FORMS.join(', ')}.`, { status: 404 })
  const { household, settings } = loadPlanningData(kitchen())
  const now = nowMs()
  const state = fromSearch(new URL(request.url).searchParams, firstPlan(household), household)
  const asked = requestOf(state, household, now)
  const read = planFrom(asked)
  if (!read.ok) throw new Response(read.errors.map((e) => e.message).join('; '), { status: 422 })
  const units = unitsOf(settings, '.')
  const plan = localPlan(read.value, units)
  const vessel = vesselOfState(state, household)
  const named: Named = {
    title: `${grainWord(state, household)}, ${amountWord(state, household)}`,
    where: `In ${vessel.name}${vessel.own_rated_w === null ? ` on the ${heatOfState(state, household).name}` : ''}, at ${altitudeIn(settings.elevation_m, settings.system)}`,
    grains: plan.grain.parts.map((part) => ({
      name: varietyOf(part.variety).name,
      amount: amountIn(units, part.mass_g, part.volume_ml),
    })),
    units,
  }
  const headers = { 'Content-Disposition': `attachment; filename="${form}"`, 'Cache-Control': 'no-store' }
  if (form === 'recipe.json')
    return new Response(JSON.stringify(recipeLd(plan, named), null, 2), {
      headers: { ...headers, 'Content-Type': 'application/ld+json; charset=utf-8' },
    })
  if (form === 'recipe.md')
    return new Response(recipeMarkdown(plan, named), {
      headers: { ...headers, 'Content-Type': 'text/markdown; charset=utf-8' },
    })
  const startMs = asked.serve_at ? Date.parse(asked.serve_at) - plan.total_minutes.expected * 60_000 : now
  return new Response(
    recipeCalendar(plan, named, startMs, `plan-${state.grain}-${Math.round(startMs / 60_000)}`),
    { headers: { ...headers, 'Content-Type': 'text/calendar; charset=utf-8' } },
  )
}
