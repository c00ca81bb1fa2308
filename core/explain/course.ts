import { prepare } from '#core/plan/prepare'
import { potForPlan } from '#core/plan/pot-for-plan'
import type { PlanRequest } from '#core/plan/request'
import type { Plan } from '#core/plan/result'
import { timelineOf } from '#core/plan/timeline'
import { readoutOf, steamNow, type Readout } from '#core/pot/readout'
import { runPhase } from '#core/pot/run'
import { SWEEP } from '#core/simulate/sweep'

/** The pot at a minute of its plan. */
export interface CourseMoment extends Readout {
  /** From the plan's start. */
  minute: number
  stage: string
  /** g/min */
  steam: number
}

const EVERY_MIN = 0.5

/**
 * The inside of a planned pot from its first heat to the table, twice a minute: what scrubbing shows. Stages
 * are as long as the plan says, so that a minute of the plan is a minute of the pot.
 */
export function courseOf(request: PlanRequest, plan: Plan): CourseMoment[] {
  const prepared = prepare(request)
  const { timed } = prepared
  const pot = potForPlan(request, prepared, plan.water, SWEEP)
  const times = timelineOf(plan.stages)
  const course: CourseMoment[] = []
  for (const stage of timed.stages) {
    const at = times.get(stage.id)
    if (!at) continue
    const begun = pot.now
    const { until, ...phase } = stage
    const minutes = at.end - at.start
    const ran = until === 'solved' || 'minutes' in until ? { minutes } : { ...until }
    const mine: (Omit<CourseMoment, 'minute'> & { into: number })[] = []
    const look = () =>
      mine.push({
        ...readoutOf(pot),
        stage: stage.id,
        steam: phase.mode === 'open' ? steamNow(pot, phase.powerW, phase.lid) : 0,
        into: (pot.now - begun) / 60,
      })
    look()
    const run = runPhase(
      pot,
      { ...phase, until: ran },
      () => (pot.now - begun) / 60 >= (mine.at(-1)?.into ?? 0) + EVERY_MIN && look(),
    )
    look()
    // A sign that comes a little sooner or later in the pot than in the plan is stretched to the plan's minute.
    const stretch = run.minutes > 0 ? minutes / run.minutes : 0
    course.push(...mine.map(({ into, ...moment }) => ({ ...moment, minute: at.start + into * stretch })))
  }
  return course.sort((a, b) => a.minute - b.minute)
}

/** The pot at a minute; undefined before its first heat. */
export function momentAt(course: readonly CourseMoment[], minute: number): CourseMoment | undefined {
  let [low, high] = [0, course.length]
  while (low < high) {
    const middle = (low + high) >> 1
    if (course[middle]!.minute <= minute) low = middle + 1
    else high = middle
  }
  return course[low - 1]
}
