import { useSubmit } from 'react-router'
import { type BoardTask, type BoardTrack, dishLetter, MealBoard } from '../../ui/drawing/meal-board'
import { clockTime, dayOf, dayWord } from '../../ui/time/clock-hour'
import {
  type Loaded,
  type Schedule,
  type Step,
  type Board,
  type Settings,
  type Meal,
  MINUTE,
} from './meal-data'
import classes from './meal.module.css'

/** The tasks of every dish as they are drawn; `at` gives minutes before (negative) or after serving. */
export const tasksOf = (board: Board, at: (time: string | number) => number): BoardTask[] =>
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
        ...(t.heat === undefined ? {} : { heat: t.heat }),
        ...(hand === undefined ? {} : { hand }),
      }
    }),
  )

/** What is still to do, in order of time. */
export const stepsOf = (tasks: readonly BoardTask[], schedule: Schedule): Step[] =>
  tasks
    .map((t) => ({ ...t, dishTitle: schedule!.dishes[t.dish]!.title }))
    .filter((t) => t.state !== 'done')
    .sort((a, b) => a.start - b.start || a.end - b.end)

/** Moves a dish that has not begun: to another burner, or so many minutes earlier or later. */
export function useMove({ meal, board, burners }: Loaded, started: ReadonlySet<string>) {
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

/** Every burner and pair of hands until serving. */
export function Timetable({
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
  tracks: readonly BoardTrack[]
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

/** What is still to do, in order of time. */
/** More steps than this are printed smaller, so that the evening stays on one sheet. */
const MANY_STEPS = 46

export function StepList({
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
    <ol className={classes.steps} data-many={steps.length > MANY_STEPS || undefined}>
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
