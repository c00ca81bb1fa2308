import { data, redirect } from 'react-router'
import { nowMs } from '#server/clock'
import { saveGauge, savePourMark } from '#server/commands/plan'
import { SCHEDULE_LIMITS } from '#core/schedule/limits'
import { kitchen } from '#server/kitchen'
import type { Kitchen } from '#server/store/open-household'
import { startCook } from '#server/commands/start-cook'
import { lastBatches, lastChoices } from '../../planning/last-batches.server'
import { unknownIntent } from '../../ui/forms/errors'
import { formOf } from '../../ui/forms/read-form'
import { isAnswer, orCached } from '../../offline/cached-loader'
import { skipRevalidation } from '../../layout/skip-revalidation'
import { loadPlanningData } from '../../planning/planning-data.server'
import type { Route } from './+types/plan'
import { answersWhenUsed } from '../../layout/answers-when-used'
import classes from './plan.module.css'

/** Meals to come that a pot can be put on, the soonest first. */
const MAX_MEALS = 3

export const meta: Route.MetaFunction = () => [{ title: 'Plan · Omsel' }]

export function loader({ request }: Route.LoaderArgs) {
  const open = kitchen()
  // A new household is asked its first things; an address that names a pot is someone's own.
  if (!open.household.welcomed() && new URL(request.url).search === '') throw redirect('/welcome')
  const planning = loadPlanningData(open)
  const { searchParams } = new URL(request.url)
  // A meal sends its cook here for a pot: it goes back to that meal, and to no other.
  const forMeal = searchParams.get('meal')
  const opened = [...searchParams.keys()].every((key) => key === 'meal')
  return {
    nowMs: nowMs(),
    ...planning,
    // An address that says nothing is where a kitchen begins its evening.
    again: opened ? lastBatches(open, planning.household, 3) : [],
    running: open.cooks
      .running()
      .map(({ id, title, vesselId, vesselName, heatId }) => ({ id, title, vesselId, vesselName, heatId })),
    lastChoices: opened ? lastChoices(open, planning.household) : '',
    gauge: open.household.gauge(),
    meals: mealsToCome(open, forMeal),
  }
}

/** Meals a pot can be added to, the soonest first; only the one that was asked for, where it is among them. */
function mealsToCome({ meals }: Kitchen, forMeal: string | null): { id: string; title: string }[] {
  const coming = meals
    .all()
    .filter((s) => s.serve_ms > nowMs() && s.dishes.length < SCHEDULE_LIMITS.dishes)
    .sort((a, b) => a.serve_ms - b.serve_ms)
  const asked = coming.filter(({ id }) => id === forMeal)
  return (asked.length > 0 ? asked : coming.slice(0, MAX_MEALS)).map(({ id, title }) => ({ id, title }))
}

/** Starts a cook: what the cook saw is planned once more here, and frozen. */
export async function action({ request }: Route.ActionArgs) {
  const form = await formOf(request)
  const intent = form.get('intent')
  if (intent === 'gauge' || intent === 'keep-mark') {
    const fields = Object.fromEntries(form)
    const saved = intent === 'gauge' ? saveGauge(kitchen(), fields) : savePourMark(kitchen(), fields, nowMs())
    return saved.ok ? { saved: true as const } : data({ errors: saved.errors }, { status: 422 })
  }
  if (intent !== 'start') return data({ errors: [unknownIntent(intent)] }, { status: 400 })
  let start: unknown
  try {
    start = JSON.parse(String(form.get('cook') ?? ''))
  } catch {
    return data(
      { errors: [{ path: 'cook', message: 'cook must be JSON', code: 'not-json' }] },
      { status: 400 },
    )
  }
  const started = startCook(kitchen(), start, nowMs())
  if (!started.ok) return data({ errors: started.errors }, { status: 422 })
  return redirect(`/stove/${started.value}`)
}

/** The plan answers by itself. */
export const shouldRevalidate = skipRevalidation

// Its styles come with the answer (vite.config.ts), its scripts when it is used.
const { Page, load } = answersWhenUsed(
  () => import('./plan-page'),
  <main className={classes.bench} aria-busy />,
)

/** The first page is there already; one that is gone to brings what it needs with its data. */
export async function clientLoader({ serverLoader }: Route.ClientLoaderArgs) {
  const [planning] = await Promise.all([orCached('plan', serverLoader), load()])
  return planning
}

/** What cannot be sent now: a batch is started on this device and sent later. */
export async function clientAction({ request, serverAction }: Route.ClientActionArgs) {
  const sent = request.clone()
  try {
    return await serverAction()
  } catch (error) {
    if (isAnswer(error)) throw error
    const here = await import('../../offline/start-here').catch(() => undefined)
    if (!here) throw error
    return here.startHere(await sent.formData(), error)
  }
}

export default function PlanRoute(props: Route.ComponentProps) {
  return <Page {...props} />
}
