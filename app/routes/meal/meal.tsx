import { data, redirect, useNavigation, Link } from 'react-router'
import { useEffect } from 'react'
import type { Result } from '#core/contract/plan-request'
import { makeCalendarKey, revokeCalendarKey } from '#server/commands/calendar-key'
import { originFor } from '#server/http/auth/origin'
import { kitchen } from '#server/kitchen'
import { scheduleIn } from '#server/queries/meal-schedule'
import { nowMs } from '#server/clock'
import { boardOf } from '#server/queries/meal-board'
import { settingsOf } from '#server/store/open-household'
import { saveMeal, addDish, dropDish, fixDish } from '#server/commands/meals'
import { acknowledgeDish, acknowledgeAll } from '#server/commands/acknowledge-changes'
import { orCached, useLastKnown } from '../../offline/cached-loader'
import { typedOf, type Refused, unknownIntent } from '../../ui/forms/errors'
import { formOf } from '../../ui/forms/read-form'
import { clockTime } from '../../ui/time/clock-hour'
import { wallMs } from '../../ui/time/wall-time'
import { useRefresh } from '../../layout/use-refresh'
import { useServerClock } from '../../ui/time/use-server-clock'
import { useKitchenStream } from '../../layout/use-kitchen-stream'
import { useOutbox } from '../../offline/outbox'
import { useUnits } from '../../ui/units/units'
import type { Route } from './+types/meal'
import { type Meal, type MealPress, MINUTE } from './meal-data'
import { tasksOf, stepsOf, useMove, Timetable, StepList } from './timetable'
import classes from './meal.module.css'
import { MealWaysOut, MealLead, MealOdds, Sending, Conflicts } from './meal-head'
import { Changes } from './timetable-changes'
import { NowAndNext } from './now-and-next'
import { DishList, OtherDishForm } from './dishes'
import { TimeAndHelpers } from './time-and-helpers'

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: loaderData ? `${loaderData.meal.title} · Meal · Omsel` : 'Meal · Omsel' },
]

export function loader({ params, request }: Route.LoaderArgs) {
  const open = kitchen()
  const meal = open.meals.find(params.meal)
  if (!meal) throw new Response('Meal not found.', { status: 404 })
  const schedule = scheduleIn(open, meal, nowMs()) ?? null
  return {
    meal,
    schedule,
    board: schedule && schedule.start_at !== '' ? boardOf(open, meal, schedule, nowMs()) : null,
    tracks: [
      ...open.equipment.heats().map(({ id, name }) => ({ id, name, kind: 'burner' as const })),
      ...(meal.oven > 0 ? [{ id: 'oven', name: 'oven', kind: 'oven' as const }] : []),
      ...open.equipment
        .vessels()
        .filter((row) => row.own_rated_w !== null && row.kind !== 'oven-dish')
        .map(({ id, name }) => ({ id, name, kind: 'appliance' as const })),
    ],
    burners: open.equipment.heats().map(({ id }) => id),
    companions: open.companions.all(),
    settings: settingsOf(open),
    calendar: calendarAddress(open.meals.calendarKey(meal.id), meal.id, request.url),
    nowMs: nowMs(),
  }
}

const calendarAddress = (key: string | undefined, meal: string, requestUrl: string): string | null =>
  key === undefined ? null : `${originFor(requestUrl)}/meal/${meal}/calendar.ics?key=${key}`

export const clientLoader = ({ serverLoader, params }: Route.ClientLoaderArgs) =>
  orCached(`meal ${params.meal}`, serverLoader)

const DONE: Result<null> = { ok: true, value: null }

/** What cannot be wrong: changes that were seen, the calendar's address made or revoked, a saved dish dropped. */
function simpleAct(
  open: ReturnType<typeof kitchen>,
  typed: Readonly<Record<string, string>>,
  meal: string,
): Result<unknown> | undefined {
  switch (typed.intent) {
    case 'seen':
      acknowledgeAll(open, meal, nowMs())
      return DONE
    case 'make-calendar':
      return makeCalendarKey(open, meal)
    case 'drop-companion':
      open.companions.drop(typed.companion ?? '')
      return DONE
    case 'revoke-calendar':
      revokeCalendarKey(open, meal)
      return DONE
    default:
      return undefined
  }
}

export async function action({ request, params }: Route.ActionArgs) {
  const typed = typedOf(await formOf(request))
  const open = kitchen()
  const refuse = (errors: Refused['errors'], status = 422) =>
    data({ errors, typed } satisfies Refused, { status: errors[0]!.path === 'meal' ? 404 : status })
  const done = simpleAct(open, typed, params.meal)
  if (done) return done.ok ? { done: 'seen' as const } : refuse(done.errors)
  switch (typed.intent) {
    case 'save': {
      const serve = wallMs(typed.day ?? '', typed.hour ?? '', settingsOf(open).zone)
      if (serve === undefined)
        return refuse([
          {
            path: 'hour',
            message: `hour must be a day and a time, got "${typed.day ?? ''} ${typed.hour ?? ''}"`,
            code: 'wrong-format',
          },
        ])
      const saved = saveMeal(open, { ...typed, id: params.meal, serve_ms: String(serve) }, nowMs())
      return saved.ok ? { done: 'save' as const } : refuse(saved.errors)
    }
    case 'add': {
      const added = addDish(open, params.meal, typed)
      if (!added.ok) return refuse(added.errors)
      // The plan page sends a dish here.
      return typed.kind === 'plan' ? redirect(`/meal/${params.meal}`) : { done: 'add' as const, at: nowMs() }
    }
    case 'drop': {
      const dropped = dropDish(open, params.meal, typed.dish)
      return dropped.ok ? { done: 'drop' as const } : refuse(dropped.errors)
    }
    case 'fix': {
      const fixed = fixDish(open, params.meal, typed)
      if (!fixed.ok) return refuse(fixed.errors)
      acknowledgeDish(open, params.meal, typed.dish!, nowMs())
      return { done: 'fix' as const }
    }
    case 'remove':
      open.meals.drop(params.meal)
      return redirect('/meal')
    default:
      return refuse([unknownIntent(typed.intent)], 400)
  }
}

/** How often the timetable is loaded again while the meal is cooked, ms. */
const AGAIN_MS = 20_000

/** Loads the timetable again and again while the meal is cooked. */
function useAgain(refresh: () => void, begun: boolean) {
  useEffect(() => {
    if (!begun) return
    const timer = setInterval(refresh, AGAIN_MS)
    return () => clearInterval(timer)
  }, [begun, refresh])
}

/** What each pair of hands is called: by name where one was given. */
const handNames = (meal: Meal): string[] =>
  meal.cooks === 1
    ? [meal.names[0] ?? 'hands']
    : Array.from({ length: meal.cooks }, (_, i) => meal.names[i] ?? `hands ${i + 1}`)

/**
 * One meal: the table at the right edge, every place and hand as a track, what to do now, and the evening as
 * a list.
 */
export default function MealPage({ loaderData, actionData }: Route.ComponentProps) {
  const { meal, schedule, board, tracks, settings } = loaderData
  useLastKnown(`meal ${meal.id}`, loaderData)
  const refresh = useRefresh()
  const { now, aheadMs } = useServerClock(loaderData.nowMs, refresh)
  const line = useKitchenStream(refresh)
  const outbox = useOutbox<MealPress>(`supper-${meal.id}`, aheadMs, refresh, `/meal/${meal.id}/events`)
  const begun = board?.begun ?? false
  useAgain(refresh, begun)
  const refused = actionData && 'errors' in actionData ? actionData : undefined
  const busy = useNavigation().state !== 'idle'
  const tableMs = schedule ? Date.parse(schedule.table_at) : meal.serve_ms
  const at = (text: string | number) =>
    ((typeof text === 'string' ? Date.parse(text) : text) - tableMs) / MINUTE
  const names = handNames(meal)
  const handAt = (dish: string, task: string) => board?.hands[`${dish} ${task}`]
  const { say } = useUnits()
  const tasks = tasksOf(board, at).map((task) => ({ ...task, title: say(task.title) }))
  const steps = stepsOf(tasks, schedule)
  const nameOf = new Map(tracks.map((t) => [t.id, t.name]))
  const placeOf = (id: string) => nameOf.get(id) ?? id
  const burners = tracks.filter((t) => loaderData.burners.includes(t.id))
  const edit = refused?.typed.intent === 'save' ? refused : undefined
  const adding = refused?.typed.intent === 'add' ? refused : undefined
  const started = new Set(
    board?.dishes.filter((d) => d.tasks.some((t) => t.state !== 'next')).map((d) => d.id),
  )
  const move = useMove(loaderData, started)
  return (
    <main className="place" data-heard={loaderData.nowMs}>
      <p className={classes.bar}>
        <Link to="/meal">Meals</Link>
      </p>
      <div className="place-head">
        <h1 className="figure">{meal.title}</h1>
        <MealWaysOut id={meal.id} address={loaderData.calendar} />
      </div>
      <MealLead {...{ tableMs, now, settings, meal, begun, schedule }} />
      <MealOdds schedule={schedule} meal={meal} started={started} tableMs={tableMs} settings={settings} />
      <Sending line={line} outbox={outbox} />
      {board && (
        <Changes
          changes={board.changes}
          dishes={board.dishes}
          slidMinutes={(tableMs - meal.serve_ms) / MINUTE - board.lateMinutes}
          tableAt={clockTime(tableMs, settings)}
          clock={settings}
          placeOf={placeOf}
        />
      )}
      <Conflicts schedule={schedule} settings={settings} />
      <NowAndNext
        board={board}
        begun={begun}
        outbox={outbox}
        now={now}
        settings={settings}
        placeOf={placeOf}
        meal={meal}
        names={names}
        handAt={handAt}
      />
      <Timetable
        board={board}
        schedule={schedule}
        tracks={tracks}
        tasks={tasks}
        names={names}
        tableMs={tableMs}
        settings={settings}
        begun={begun}
        at={at}
        now={now}
        move={move}
      />
      <div className={classes.columns}>
        <section aria-label="Dishes">
          <h2 className="place-part">Dishes</h2>
          <DishList
            meal={meal}
            schedule={schedule}
            names={names}
            handAt={handAt}
            outbox={outbox}
            started={started}
            burners={burners}
            tasks={tasks}
          />
          <p className={classes.screen}>
            <Link to={`/?meal=${meal.id}`}>Plan a pot for this meal</Link>, then press “add to meal”.
          </p>
          <OtherDishForm
            key={actionData && 'at' in actionData ? actionData.at : 'first'}
            {...{ adding, busy }}
            dishes={meal.dishes}
            companions={loaderData.companions}
          />
          <TimeAndHelpers edit={edit} meal={meal} settings={settings} busy={busy} />
        </section>
        <section aria-label="The evening">
          <h2 className="place-part">Steps</h2>
          <StepList
            steps={steps}
            tableMs={tableMs}
            settings={settings}
            now={now}
            placeOf={placeOf}
            meal={meal}
            names={names}
          />
        </section>
      </div>
    </main>
  )
}
