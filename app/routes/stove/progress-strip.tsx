import type { CookView } from '#core/cook/replay'
import type { Plan } from '#core/plan/result'
import { HeatRibbon } from '../../ui/drawing/heat-ribbon'
import { clockTime, type HouseholdClock } from '../../ui/time/clock-hour'
import classes from './stove.module.css'

const MINUTE = 60_000

/** The whole cook as it really goes: what is over at its true length, what is to come as planned, and now. */
export function ProgressStrip({
  plan,
  view,
  now,
  clock,
}: {
  plan: Plan
  view: CookView
  now: number
  clock: HouseholdClock
}) {
  const start = view.stages[0]!.startMs
  const times = view.stages.map((stage) => ({
    start: (stage.startMs - start) / MINUTE,
    end: (stage.endMs - start) / MINUTE,
  }))
  return (
    <section className={classes.strip} aria-label="From start to serving">
      <HeatRibbon
        stages={plan.stages}
        times={times}
        clockAt={(minute) => clockTime(start + minute * MINUTE, clock)}
        nowMinute={(Math.min(now, view.endedMs ?? now) - start) / MINUTE}
        nowAt={1 / 3}
        height={112}
      />
    </section>
  )
}
