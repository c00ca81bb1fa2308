import { Button, TextInput } from '@mantine/core'
import { useState } from 'react'
import { clockTime, hourOf, isClockHour, nextAt, type HouseholdClock } from '../../ui/time/clock-hour'
import classes from './advice.module.css'

const DAY_MS = 86_400_000

/** A pot long past its hour: is it still cooking, or when was it served? */
export function StillCooking({
  sinceMs,
  now,
  clock,
  onServed,
}: {
  /** When it should have been served, UTC milliseconds. */
  sinceMs: number
  now: number
  clock: HouseholdClock
  onServed: (minutesAgo: number) => void
}) {
  const [answered, setAnswered] = useState(false)
  const [hour, setHour] = useState(() => hourOf(sinceMs, clock.zone))
  if (answered) return null
  return (
    <section className={classes.advice} aria-label="Still cooking?" data-advice>
      <p className={classes.says}>Still cooking? It was due at {clockTime(sinceMs, clock)}</p>
      <div className={classes.answers}>
        <TextInput
          type="time"
          label="Served at"
          value={hour}
          onChange={(event) => setHour(event.currentTarget.value)}
        />
        <Button
          variant="default"
          disabled={!isClockHour(hour)}
          onClick={() => onServed((now - nextAt(hour, clock.zone, now - DAY_MS)) / 60_000)}
        >
          Save
        </Button>
        <Button variant="default" onClick={() => setAnswered(true)}>
          Still cooking
        </Button>
      </div>
    </section>
  )
}
