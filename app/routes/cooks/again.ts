import { redirect } from 'react-router'
import { kitchen } from '#server/kitchen'
import { againSearch } from '../../planning/last-batches.server'
import { loadPlanningData } from '../../planning/planning-data.server'
import type { Route } from './+types/again'

/** Plans a batch again, as it was asked for and with what was learned since; `water=same` keeps what was poured. */
export function loader({ params, request }: Route.LoaderArgs) {
  const open = kitchen()
  const cook = open.cooks.findFinished(params.cook)
  if (!cook) throw new Response('Batch not found, or still cooking.', { status: 404 })
  const search = new URLSearchParams(againSearch(cook, loadPlanningData(open).household))
  const poured = open.notebook.pouredIn(cook.id) ?? cook.plan.water.pour_g
  if (new URL(request.url).searchParams.get('water') === 'same')
    search.set('poured', String(Math.round(poured)))
  throw redirect(`/?${search.toString()}`)
}
