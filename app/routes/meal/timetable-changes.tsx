import { Button } from '@mantine/core'
import { Form } from 'react-router'
import type { Change } from '#core/schedule/timetable-changes'
import { dishLetter } from '../../ui/drawing/meal-board'
import { clockTime, type HouseholdClock } from '../../ui/time/clock-hour'
import classes from './meal.module.css'

interface ChangesProps {
  changes: readonly Change[]
  dishes: readonly { id: string; title: string; tasks: readonly { id: string; title: string }[] }[]
  /** By how much serving moved, minutes. */
  slidMinutes: number
  tableAt: string
  clock: HouseholdClock
  placeOf: (id: string) => string
}

/** Tasks whose time or place changed since it was published. */
export function Changes({ changes, dishes, slidMinutes, tableAt, clock, placeOf }: ChangesProps) {
  if (changes.length === 0) return null
  // A dish that moves as a whole is shown by its first task.
  const first = changes.filter((c, i) => changes.findIndex((o) => o.dish === c.dish) === i)
  return (
    <section className={classes.changes} aria-label="What changed" role="status">
      <div>
        {slidMinutes >= 1 && (
          <p className="figure">
            Serving time: {tableAt} now, {Math.round(slidMinutes)} min later.
          </p>
        )}
        <ul>
          {first.map((c) => {
            const at = dishes.findIndex((d) => d.id === c.dish)
            return (
              <li key={c.dish}>
                <b className="figure">{dishLetter(Math.max(0, at))}</b>{' '}
                {dishes[at]?.tasks.find((t) => t.id === c.id)?.title} at {clockTime(c.toMs, clock)}, not{' '}
                {clockTime(c.fromMs, clock)}
                {c.at !== undefined && `, on the ${placeOf(c.at)}`}
              </li>
            )
          })}
        </ul>
      </div>
      <Form method="post">
        <Button type="submit" variant="default" name="intent" value="seen">
          OK
        </Button>
      </Form>
    </section>
  )
}
