import ical, { ICalAlarmType } from 'ical-generator'
import { nowMs } from '#server/clock'
import { kitchen } from '#server/kitchen'
import { originFor } from '#server/http/auth/origin'
import { lastChangeOf, scheduleIn } from '#server/queries/meal-schedule'
import { oneLine } from '#server/transfer/one-line'
import type { Route } from './+types/calendar'

/** A calendar that has the address and not the file asks again so often, s: the evening may have moved. */
const SUBSCRIBED_S = 300

/**
 * The evening's steps for a calendar: every hands-on step, each with its alarm. Moments are instants, so no
 * zone and no clock change moves them.
 */
export function loader({ params, request }: Route.LoaderArgs) {
  const open = kitchen()
  const meal = open.meals.find(params.meal)
  if (!meal) throw new Response('Meal not found.', { status: 404 })
  const schedule = scheduleIn(open, meal, nowMs())
  const title = oneLine(meal.title)
  const calendar = ical({
    name: title,
    prodId: { company: 'omsel', product: 'meal', language: 'EN' },
    ttl: SUBSCRIBED_S,
  })
  const url = `${originFor(request.url)}/meal/${meal.id}`
  // A calendar takes a moved step for the newer one by these.
  const changed = new Date(lastChangeOf(open, meal))
  const changes = {
    stamp: changed,
    lastModified: changed,
    created: new Date(meal.made_ms),
    sequence: Math.max(0, Math.floor((changed.getTime() - meal.made_ms) / 1000)),
  }
  for (const dish of schedule?.dishes ?? [])
    for (const task of dish.tasks) {
      if (!task.hands_on && task.resource === undefined) continue
      const event = calendar.createEvent({
        id: `${meal.id}-${dish.id}-${task.id}`,
        start: new Date(task.starts_at),
        end: new Date(task.ends_at),
        summary: oneLine(`${dish.title}: ${task.title}`),
        url,
        ...changes,
      })
      // Half a minute before it begins.
      event.createAlarm({ type: ICalAlarmType.display, triggerBefore: 30, description: oneLine(task.title) })
    }
  const tableMs = schedule ? Date.parse(schedule.table_at) : meal.serve_ms
  calendar.createEvent({
    id: `${meal.id}-table`,
    start: new Date(tableMs),
    end: new Date(tableMs + 60_000),
    summary: `${title}: serve`,
    url,
    ...changes,
  })
  return new Response(`${calendar.toString().trimEnd()}\r\n`, {
    headers: {
      'Content-Type': 'text/calendar; charset=utf-8',
      'Content-Disposition': `inline; filename="${meal.id}.ics"`,
    },
  })
}
