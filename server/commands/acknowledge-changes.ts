import type { Schedule } from '#core/contract/schedule'
import type { ToldRow } from '#server/store/meals'
import type { Kitchen } from '#server/store/open-household'
import { scheduleIn } from '#server/queries/meal-schedule'

/** Where every task lies, as it is told. */
export const toldRows = (schedule: Schedule): ToldRow[] =>
  schedule.dishes.flatMap((d) =>
    d.tasks.map((t) => ({
      dish: d.id,
      id: t.id,
      starts_at: t.starts_at,
      ...(t.resource === undefined ? {} : { resource: t.resource }),
    })),
  )

/** Somebody has seen what changed: from here on changes are told against this. */
export function tellAll(kitchen: Kitchen, supperId: string, nowMs: number): void {
  const supper = kitchen.suppers.find(supperId)
  const schedule = supper?.told && scheduleIn(kitchen, supper, nowMs)
  if (supper && schedule) kitchen.suppers.save({ ...supper, told: toldRows(schedule) })
}

/** Who moves a ribbon knows that it moved: only what else it pushed is news. */
export function tellDish(kitchen: Kitchen, supperId: string, dishId: string, nowMs: number): void {
  const supper = kitchen.suppers.find(supperId)
  const schedule = supper?.told && scheduleIn(kitchen, supper, nowMs)
  if (supper?.told && schedule)
    kitchen.suppers.save({
      ...supper,
      told: [
        ...supper.told.filter((t) => t.dish !== dishId),
        ...toldRows(schedule).filter((t) => t.dish === dishId),
      ],
    })
}
