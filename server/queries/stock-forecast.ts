import { parsePlanRequest } from '#core/contract/plan-request'
import { grainNeeded } from '#core/plan/prepare'
import { forecast, type Forecast, type Need } from '#core/stock/forecast'
import type { Kitchen } from '#server/store/open-household'

/** How far the grain bags reach: coming meals, soonest first. Pots on the stove have taken theirs already. */
export function stockForecast({ grainBags, meals }: Kitchen, nowMs: number): Forecast {
  const needs = meals
    .all()
    .filter((s) => s.serve_ms > nowMs)
    .flatMap((meal): Need[] => {
      const begun = new Set(
        meals.events(meal.id).flatMap((e) => (e.cook_id !== null && e.dish_id !== null ? [e.dish_id] : [])),
      )
      return meal.dishes.flatMap((dish): Need[] => {
        if (dish.kind !== 'plan' || begun.has(dish.id)) return []
        const read = parsePlanRequest(dish.request)
        return read.ok
          ? grainNeeded(read.value).map((part) => ({ title: meal.title, atMs: meal.serve_ms, ...part }))
          : []
      })
    })
  return forecast(
    grainBags.bags().map((b) => ({ variety: b.variety, leftG: b.left_g })),
    needs,
  )
}
