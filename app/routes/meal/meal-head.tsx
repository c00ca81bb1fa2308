import { IconAlertTriangle } from '@tabler/icons-react'
import { UnstyledButton } from '@mantine/core'
import { Form } from 'react-router'
import { clockTime, dayWord } from '../../ui/time/clock-hour'
import type { Line } from '../../layout/use-kitchen-stream'
import type { Outbox } from '../../offline/outbox'
import { SignInLink } from '../../layout/sign-in-link'
import { PrintKey } from '../recipe-card/print-key'
import { CalendarAddress } from './calendar-address'
import classes from './meal.module.css'
import { type Schedule, type Settings, type MealPress, type Meal, MINUTE } from './meal-data'

export const MealWaysOut = ({ id, address }: { id: string; address: string | null }) => (
  <div className={classes.acts}>
    <a href={`/meal/${id}/calendar.ics`}>calendar</a>
    <CalendarAddress address={address} />
    <PrintKey />
  </div>
)

/** What was pressed without a connection, and what the server refused. */
export function Sending({ line, outbox }: { line: Line; outbox: Outbox<MealPress> }) {
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

/** When it is served and when the first task begins. */
export function MealLead({
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

/** How surely all of it is ready on time, and the one margin that helps most. */
export function MealOdds({
  schedule,
  meal,
  started,
  tableMs,
  settings,
}: {
  schedule: Schedule
  meal: Meal
  started: ReadonlySet<string>
  tableMs: number
  settings: Settings
}) {
  const odds = schedule?.odds
  if (!odds) return null
  const margin = odds.margin && !started.has(odds.margin.dish) ? odds.margin : undefined
  const burner = meal.dishes.find(({ id }) => id === margin?.dish)?.burner ?? ''
  return (
    <Form method="post" className={classes.odds}>
      <span>
        All ready by {clockTime(tableMs + odds.within_minutes * MINUTE, settings)} on{' '}
        <b>{Math.round(odds.on_time * 100)} of 100</b> such evenings.
      </span>
      {margin && (
        <>
          <input type="hidden" name="dish" value={margin.dish} />
          <input type="hidden" name="burner" value={burner} />
          <input type="hidden" name="ready_before_minutes" value={margin.ready_before_minutes} />
          <UnstyledButton type="submit" className="link" name="intent" value="fix">
            Have {margin.title} ready {margin.ready_before_minutes} min before:{' '}
            {Math.round(margin.on_time * 100)} of 100
          </UnstyledButton>
        </>
      )}
    </Form>
  )
}

/** Why the meal cannot be ready as asked, and what comes nearest. */
export function Conflicts({ schedule, settings }: { schedule: Schedule; settings: Settings }) {
  return (
    <>
      {schedule?.notes.map((note) => (
        <p key={note} className="quiet">
          {note}
        </p>
      ))}
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
