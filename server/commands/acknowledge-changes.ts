import type { Schedule } from '#core/contract/schedule'
import type { PublishedTask } from '#server/store/meals'
import type { Kitchen } from '#server/store/open-household'
import { scheduleIn } from '#server/queries/meal-schedule'

/** Start and place of every task, as published. */
export const publishedTasks = (schedule: Schedule): PublishedTask[] =>
  schedule.dishes.flatMap((d) =>
    d.tasks.map((t) => ({
      dish: d.id,
      id: t.id,
      starts_at: t.starts_at,
      ...(t.resource === undefined ? {} : { resource: t.resource }),
    })),
  )

/** The changes were seen: from now on changes are shown against this timetable. */
export function acknowledgeAll(kitchen: Kitchen, mealId: string, nowMs: number): void {
  const meal = kitchen.meals.find(mealId)
  const schedule = meal?.published && scheduleIn(kitchen, meal, nowMs)
  if (meal && schedule) kitchen.meals.save({ ...meal, published: publishedTasks(schedule) })
}

/** Who moves a ribbon knows that it moved: only what else it pushed is news. */
export function acknowledgeDish(kitchen: Kitchen, mealId: string, dishId: string, nowMs: number): void {
  const meal = kitchen.meals.find(mealId)
  const schedule = meal?.published && scheduleIn(kitchen, meal, nowMs)
  if (meal?.published && schedule)
    kitchen.meals.save({
      ...meal,
      published: [
        ...meal.published.filter((t) => t.dish !== dishId),
        ...publishedTasks(schedule).filter((t) => t.dish === dishId),
      ],
    })
}
