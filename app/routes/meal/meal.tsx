import { Button, Group, NativeSelect, NumberInput, Textarea, TextInput, UnstyledButton } from '@mantine/core'
import { IconAlertTriangle } from '@tabler/icons-react'
import { data, Form, Link, redirect, useNavigation, useSubmit } from 'react-router'
import { useEffect } from 'react'
import { nowMs } from '#server/clock'
import { kitchen } from '#server/kitchen'
import { settingsOf } from '#server/store/open-household'
import { addDish, dropDish, fixDish, saveMeal } from '#server/commands/meals'
import { scheduleIn } from '#server/queries/meal-schedule'
import { boardOf } from '#server/queries/meal-board'
import { acknowledgeAll, acknowledgeDish } from '#server/commands/acknowledge-changes'
import { useUnits } from '../../ui/units/units'
import { formOf } from '../../ui/forms/read-form'
import { dishLetter, MealBoard, type BoardTask } from '../../ui/drawing/meal-board'
import { orCached, useLastKnown } from '../../offline/cached-loader'
import { SignInLink } from '../../layout/sign-in-link'
import { useKitchenStream, type Line } from '../../layout/use-kitchen-stream'
import { useRefresh } from '../../layout/use-refresh'
import { useServerClock } from '../../ui/time/use-server-clock'
import { useOutbox, type Outbox } from '../../offline/outbox'
import { errorAt, typedOf, type Refused } from '../../ui/forms/errors'
import { clockTime, dayOf, dayWord, hourOf, wallMs } from '../../ui/time/clock-hour'
import { PrintKey } from '../recipe-card/print-key'
import { Acts } from './next-actions'
import { Changes } from './timetable-changes'
import { Hands } from './cook-select'
import type { Route } from './+types/meal'
import classes from './meal.module.css'

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: loaderData ? `${loaderData.meal.title} · Meal · Omsel` : 'Meal · Omsel' },
]

export function loader({ params }: Route.LoaderArgs) {
  const open = kitchen()
  const meal = open.meals.find(params.meal)
  if (!meal) throw new Response('Meal not found.', { status: 404 })
  const schedule = scheduleIn(open, meal, nowMs()) ?? null
  return {
    meal,
    schedule,
    board: schedule && schedule.start_at !== '' ? boardOf(open, meal, schedule, nowMs()) : null,
    tracks: [
      ...open.equipment.heats().map(({ id, name }) => ({ id, name })),
      ...(meal.oven > 0 ? [{ id: 'oven', name: 'oven' }] : []),
      ...open.equipment
        .vessels()
        .filter((row) => row.own_rated_w !== null && row.kind !== 'oven-dish')
        .map(({ id, name }) => ({ id, name })),
    ],
    burners: open.equipment.heats().map(({ id }) => id),
    settings: settingsOf(open),
    nowMs: nowMs(),
  }
}

export const clientLoader = ({ serverLoader, params }: Route.ClientLoaderArgs) =>
  orCached(`meal ${params.meal}`, serverLoader)

export async function action({ request, params }: Route.ActionArgs) {
  const typed = typedOf(await formOf(request))
  const open = kitchen()
  const refuse = (errors: Refused['errors'], status = 422) =>
    data({ errors, typed } satisfies Refused, { status: errors[0]!.path === 'meal' ? 404 : status })
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
    case 'seen': {
      acknowledgeAll(open, params.meal, nowMs())
      return { done: 'seen' as const }
    }
    case 'remove':
      open.meals.drop(params.meal)
      return redirect('/meal')
    default:
      return refuse(
        [
          {
            path: 'intent',
            message: `intent must be an action of this page, got "${typed.intent ?? ''}"`,
            code: 'not-an-option',
          },
        ],
        400,
      )
  }
}

type Loaded = Route.ComponentProps['loaderData']
type Meal = Loaded['meal']
type Schedule = Loaded['schedule']
type Board = Loaded['board']
type Settings = Loaded['settings']
type Step = BoardTask & { dishTitle: string }

/** What is pressed here: a dish's own, and a pot's sign and end, which are passed on. */
type MealPress = 'begin' | 'done' | 'late' | 'hand' | 'take-back' | 'cue' | 'finish'

const MINUTE = 60_000
const EXAMPLE = 'Peel and cut the roots; 15; hands\nRoast them; 45; oven; look every 20'

/** How often the timetable is loaded again while the meal is cooked, ms. */
const AGAIN_MS = 20_000
const LATE_MINUTES = [5, 15, 30]

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

/** The tasks of every dish as they are drawn; `at` gives minutes before (negative) or after serving. */
const tasksOf = (board: Board, at: (time: string | number) => number): BoardTask[] =>
  (board?.dishes ?? []).flatMap((dish, i) =>
    dish.tasks.map((t) => {
      const hand = board!.hands[`${dish.id} ${t.id}`]
      return {
        dish: i,
        title: t.title,
        start: at(t.startMs),
        end: at(t.endMs),
        hands: t.hands,
        track: t.at ?? null,
        state: t.state,
        ...(hand === undefined ? {} : { hand }),
      }
    }),
  )

/** What is still to do, in order of time. */
const stepsOf = (tasks: readonly BoardTask[], schedule: Schedule): Step[] =>
  tasks
    .map((t) => ({ ...t, dishTitle: schedule!.dishes[t.dish]!.title }))
    .filter((t) => t.state !== 'done')
    .sort((a, b) => a.start - b.start || a.end - b.end)

/** Moves a dish that has not begun: to another burner, or so many minutes earlier or later. */
function useMove({ meal, board, burners }: Loaded, started: ReadonlySet<string>) {
  const submit = useSubmit()
  return (dishAt: number, minutes: number, track: string | undefined) => {
    const dish = meal.dishes[dishAt]
    if (!dish || started.has(dish.id)) return
    const burner = track !== undefined && burners.includes(track) ? track : (dish.burner ?? '')
    const held = dish.ready_before_minutes ?? Math.round(board?.dishes[dishAt]?.heldMinutes ?? 0)
    const early =
      minutes === 0
        ? String(dish.ready_before_minutes ?? '')
        : String(Math.min(480, Math.max(0, held - minutes)))
    void submit(
      { intent: 'fix', dish: dish.id, burner, ready_before_minutes: early },
      { method: 'post', preventScrollReset: true },
    )
  }
}

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
        <MealWaysOut id={meal.id} />
      </div>
      <MealLead
        tableMs={tableMs}
        now={now}
        settings={settings}
        meal={meal}
        begun={begun}
        schedule={schedule}
      />
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
            Grains come from the <Link to="/">Plan</Link>: plan it, then press “add to meal”.
          </p>
          <OtherDishForm
            key={actionData && 'at' in actionData ? actionData.at : 'first'}
            adding={adding}
            busy={busy}
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

const MealWaysOut = ({ id }: { id: string }) => (
  <div className={classes.acts}>
    <a href={`/meal/${id}/calendar.ics`}>calendar</a>
    <PrintKey />
  </div>
)

function Timetable({
  board,
  schedule,
  tracks,
  tasks,
  names,
  tableMs,
  settings,
  begun,
  at,
  now,
  move,
}: {
  board: Board
  schedule: Schedule
  tracks: { id: string; name: string }[]
  tasks: BoardTask[]
  names: string[]
  tableMs: number
  settings: Settings
  begun: boolean
  at: (text: string | number) => number
  now: number
  move: (dishAt: number, minutes: number, track: string | undefined) => void
}) {
  return (
    <>
      {board && schedule && schedule.dishes.length > 0 && (
        <section className={`${classes.board} basin`} aria-label="Timetable">
          <MealBoard
            tracks={tracks}
            tasks={tasks}
            hands={names}
            dishes={schedule.dishes.map((d) => ({ title: d.title, ready: -d.held_minutes }))}
            clockAt={(minute) => clockTime(tableMs + minute * MINUTE, settings)}
            {...(begun ? { now: at(now) } : {})}
            onMove={move}
          />
        </section>
      )}
    </>
  )
}

function DishList({
  meal,
  schedule,
  names,
  handAt,
  outbox,
  started,
  burners,
  tasks,
}: {
  meal: Meal
  schedule: Schedule
  names: string[]
  handAt: (dish: string, task: string) => number | undefined
  outbox: Outbox<MealPress>
  started: Set<string>
  burners: { id: string; name: string }[]
  tasks: BoardTask[]
}) {
  return (
    <ul className={classes.dishes}>
      {meal.dishes.map((dish, i) => {
        const told = schedule?.dishes.find((d) => d.id === dish.id)
        return (
          <DishRow
            key={dish.id}
            dish={dish}
            i={i}
            told={told}
            meal={meal}
            names={names}
            handAt={handAt}
            outbox={outbox}
            started={started}
            burners={burners}
            tasks={tasks}
          />
        )
      })}
    </ul>
  )
}

function Sending({ line, outbox }: { line: Line; outbox: Outbox<MealPress> }) {
  return (
    <>
      {(line !== 'open' || outbox.cutOff) && (
        <p role="status" className={classes.changes}>
          Offline: your taps are saved{outbox.waiting.length > 0 && `: ${outbox.waiting.length} so far`}.
          <SignInLink line={line} />
        </p>
      )}
      {outbox.refused && (
        <p role="alert" className={classes.changes}>
          Not saved: {outbox.refused}.
        </p>
      )}
    </>
  )
}

function MealLead({
  tableMs,
  now,
  settings,
  meal,
  begun,
  schedule,
}: {
  tableMs: number
  now: number
  settings: Settings
  meal: Meal
  begun: boolean
  schedule: Schedule
}) {
  return (
    <p className="place-lead">
      {dayWord(tableMs, now, settings.zone)}, serving at {clockTime(tableMs, settings)}
      {tableMs - meal.serve_ms >= MINUTE && ` (asked for at ${clockTime(meal.serve_ms, settings)})`}
      {!begun &&
        schedule &&
        schedule.start_at !== '' &&
        `; first task ${dayWord(Date.parse(schedule.start_at), now, settings.zone)} at ${clockTime(Date.parse(schedule.start_at), settings)}`}
    </p>
  )
}

function Conflicts({ schedule, settings }: { schedule: Schedule; settings: Settings }) {
  return (
    <>
      {schedule && !schedule.feasible && (
        <div className={classes.conflicts} role="alert">
          <IconAlertTriangle size={22} aria-hidden />
          <ul>
            {schedule.conflicts.map((c) => (
              <li key={c}>{c}</li>
            ))}
            {schedule.ready_by && (
              <li>Earliest serving time: {clockTime(Date.parse(schedule.ready_by), settings)}.</li>
            )}
            {schedule.nearest.map((n) => (
              <li key={n}>{n}</li>
            ))}
          </ul>
        </div>
      )}
    </>
  )
}

function NowAndNext({
  board,
  begun,
  outbox,
  now,
  settings,
  placeOf,
  meal,
  names,
  handAt,
}: {
  board: Board
  begun: boolean
  outbox: Outbox<MealPress>
  now: number
  settings: Settings
  placeOf: (id: string) => string
  meal: Meal
  names: string[]
  handAt: (dish: string, task: string) => number | undefined
}) {
  return (
    <>
      {board && board.acts.length > 0 && (
        <section className={`${classes.nowPart} basin`} aria-label="Now">
          <div className={classes.nowHead}>
            <h2 className="place-part">Now and next</h2>
            {begun && (
              <>
                <span className="quiet">guests late by</span>
                {LATE_MINUTES.map((minutes) => (
                  <UnstyledButton
                    key={minutes}
                    className="chip"
                    aria-label={`Guests ${minutes} minutes late`}
                    onClick={() => outbox.press('late', '', { amount: minutes })}
                  >
                    +{minutes}
                  </UnstyledButton>
                ))}
              </>
            )}
            {board.last && (
              <UnstyledButton
                className="link"
                onClick={() => outbox.press('take-back', '', { target: board.last!.id })}
              >
                Undo “{lastWord(board.last, board.dishes)}”
              </UnstyledButton>
            )}
          </div>
          <Acts
            acts={board.acts}
            dishes={board.dishes}
            now={now}
            clock={settings}
            placeOf={placeOf}
            handOf={(act) => (meal.cooks > 1 ? names[handAt(act.dish, act.task) ?? 0] : undefined)}
            sent={new Set(outbox.waiting.map((e) => e.dish ?? ''))}
            press={(kind, act) => outbox.press(kind, act.task, { dish: act.dish })}
          />
        </section>
      )}
    </>
  )
}

function DishRow({
  dish,
  i,
  told,
  meal,
  names,
  handAt,
  outbox,
  started,
  burners,
  tasks,
}: {
  dish: Meal['dishes'][number]
  i: number
  told: NonNullable<Schedule>['dishes'][number] | undefined
  meal: Meal
  names: string[]
  handAt: (dish: string, task: string) => number | undefined
  outbox: Outbox<MealPress>
  started: Set<string>
  burners: { id: string; name: string }[]
  tasks: BoardTask[]
}) {
  return (
    <li>
      <b className="figure">{dishLetter(i)}</b>
      <span>
        {dish.title}
        <span className="quiet small">
          {' '}
          {told && told.tasks.length > 0
            ? told.held_minutes < 1
              ? 'ready on time'
              : `ready ${Math.round(told.held_minutes)} min before`
            : ''}
        </span>
      </span>
      {dish.kind === 'plan' && <Link to={`/?${dish.search}`}>Plan</Link>}
      <span className={classes.controls}>
        {meal.cooks > 1 && (
          <Hands
            title={dish.title}
            names={names}
            hand={told?.tasks.map((t) => handAt(dish.id, t.id)).find((h) => h !== undefined)}
            onGive={(hand) => outbox.press('hand', '', { dish: dish.id, amount: hand })}
          />
        )}
        {!started.has(dish.id) && (
          <Fix
            dish={dish}
            burners={burners}
            heated={tasks.some((t) => t.dish === i && burners.some((b) => b.id === t.track))}
            held={Math.round(told?.held_minutes ?? 0)}
          />
        )}
        <Form method="post">
          <input type="hidden" name="dish" value={dish.id} />
          <Button
            type="submit"
            size="compact-sm"
            variant="subtle"
            name="intent"
            value="drop"
            aria-label={`Remove ${dish.title}`}
          >
            take it off
          </Button>
        </Form>
      </span>
    </li>
  )
}

function OtherDishForm({ adding, busy }: { adding: Refused | undefined; busy: boolean }) {
  return (
    <Form method="post" noValidate className={classes.screen}>
      <input type="hidden" name="kind" value="companion" />
      <TextInput
        label="Other dish"
        name="title"
        placeholder="roast roots"
        defaultValue={adding?.typed.title ?? ''}
        error={errorAt(adding, 'title')}
      />
      <Textarea
        label="Steps, one per line"
        description="what; minutes; and hands, burner, oven, look every 20"
        name="tasks"
        autosize
        minRows={3}
        placeholder={EXAMPLE}
        defaultValue={adding?.typed.tasks ?? ''}
        error={errorAt(adding, 'tasks')}
      />
      <Group align="flex-end" mt="xs">
        <TextInput
          label="Can wait, min"
          name="hold_max_minutes"
          inputMode="numeric"
          w={150}
          defaultValue={adding?.typed.hold_max_minutes ?? ''}
          error={errorAt(adding, 'hold_max_minutes')}
        />
        <Button type="submit" variant="default" name="intent" value="add" loading={busy}>
          Add dish
        </Button>
      </Group>
    </Form>
  )
}

function TimeAndHelpers({
  edit,
  meal,
  settings,
  busy,
}: {
  edit: Refused | undefined
  meal: Meal
  settings: Settings
  busy: boolean
}) {
  return (
    <Form method="post" noValidate className={classes.screen}>
      <h2 className="place-part">Time and helpers</h2>
      <Group align="flex-end" gap="sm">
        <TextInput
          name="title"
          label="What it is"
          defaultValue={edit?.typed.title ?? meal.title}
          error={errorAt(edit, 'title')}
        />
        <TextInput
          type="date"
          name="day"
          label="Day"
          defaultValue={edit?.typed.day ?? dayOf(meal.serve_ms, settings.zone)}
          error={errorAt(edit, 'hour')}
        />
        <TextInput
          type="time"
          name="hour"
          label="Serve at"
          defaultValue={edit?.typed.hour ?? hourOf(meal.serve_ms, settings.zone)}
        />
        <TextInput
          name="names"
          label="Who does it"
          placeholder="names, with commas"
          w={160}
          defaultValue={edit?.typed.names ?? meal.names.join(', ')}
          error={errorAt(edit, 'names')}
        />
        <NumberInput
          name="cooks"
          label="People cooking"
          defaultValue={Number(edit?.typed.cooks ?? meal.cooks)}
          min={1}
          max={4}
          w={80}
          error={errorAt(edit, 'cooks')}
        />
        <Button type="submit" name="intent" value="save" loading={busy}>
          Save
        </Button>
        <Button type="submit" variant="subtle" name="intent" value="remove">
          Delete this meal
        </Button>
      </Group>
    </Form>
  )
}

function StepList({
  steps,
  tableMs,
  settings,
  now,
  placeOf,
  meal,
  names,
}: {
  steps: Step[]
  tableMs: number
  settings: Settings
  now: number
  placeOf: (id: string) => string
  meal: Meal
  names: string[]
}) {
  if (steps.length === 0) return <p className="quiet">No dishes yet.</p>
  return (
    <ol className={classes.steps}>
      {steps.map((s, i) => (
        <li key={i} data-hands={s.hands || undefined} data-state={s.state}>
          <span className="figure">
            {clockTime(tableMs + s.start * MINUTE, settings)}
            {dayOf(tableMs + s.start * MINUTE, settings.zone) !== dayOf(tableMs, settings.zone) && (
              <span className="small quiet"> {dayWord(tableMs + s.start * MINUTE, now, settings.zone)}</span>
            )}
          </span>
          <span>
            <b>{dishLetter(s.dish)}</b> {s.title}{' '}
            <span className="quiet small">
              {s.dishTitle}, {Math.round(s.end - s.start)} min{s.track ? `, ${placeOf(s.track)}` : ''}
              {s.hands && s.hand !== undefined && meal.cooks > 1 ? `, ${names[s.hand]}` : ''}
            </span>
          </span>
        </li>
      ))}
    </ol>
  )
}

const EVENT_WORDS: Record<string, string> = {
  begin: 'started',
  done: 'done',
  hand: 'handed over',
  late: 'guests late',
}
const lastWord = (
  { kind, dish }: { kind: string; dish: string | null },
  dishes: readonly { id: string; title: string }[],
): string =>
  `${dish === null ? '' : `${dishes.find((d) => d.id === dish)?.title ?? ''} `}${EVENT_WORDS[kind] ?? kind}`

/** Moves a ribbon: to another burner, or earlier; what is fixed stays, and the rest goes round it. */
function Fix({
  dish,
  burners,
  heated,
  held,
}: {
  dish: { id: string; title: string; burner?: string; ready_before_minutes?: number }
  burners: readonly { id: string; name: string }[]
  heated: boolean
  held: number
}) {
  const submit = useSubmit()
  const fix = (burner: string, early: number | undefined) =>
    void submit(
      {
        intent: 'fix',
        dish: dish.id,
        burner,
        ready_before_minutes: early === undefined ? '' : String(early),
      },
      { method: 'post', preventScrollReset: true },
    )
  const early = dish.ready_before_minutes
  return (
    <span className={classes.fix}>
      {heated && (
        <NativeSelect
          size="xs"
          aria-label={`Burner for ${dish.title}`}
          value={dish.burner ?? ''}
          onChange={(event) => fix(event.currentTarget.value, early)}
          data={[{ value: '', label: 'any burner' }, ...burners.map((b) => ({ value: b.id, label: b.name }))]}
        />
      )}
      <UnstyledButton
        className="chip"
        aria-label={`${dish.title} five minutes earlier`}
        onClick={() => fix(dish.burner ?? '', Math.min(480, (early ?? held) + 5))}
      >
        −5
      </UnstyledButton>
      <UnstyledButton
        className="chip"
        aria-label={`${dish.title} five minutes later`}
        disabled={(early ?? held) < 5}
        onClick={() => fix(dish.burner ?? '', Math.max(0, (early ?? held) - 5))}
      >
        +5
      </UnstyledButton>
      {(early !== undefined || dish.burner !== undefined) && (
        <UnstyledButton
          className="link"
          aria-label={`Release ${dish.title}`}
          onClick={() => fix('', undefined)}
        >
          release
        </UnstyledButton>
      )}
    </span>
  )
}
