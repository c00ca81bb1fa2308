import { randomBytes, timingSafeEqual } from 'node:crypto'
import type { Result } from '#core/contract/plan-request'
import { fieldError } from '#core/contract/field-error'
import type { Kitchen } from '#server/store/open-household'

const KEY_BYTES = 24

/** Makes the secret address from which calendars read a meal, or another one in its place. */
export function makeCalendarKey({ meals }: Kitchen, mealId: string): Result<string> {
  if (!meals.find(mealId)) return fieldError('meal', 'is not a meal of this kitchen', 'not-found')
  const key = randomBytes(KEY_BYTES).toString('base64url')
  meals.setCalendarKey(mealId, key)
  return { ok: true, value: key }
}

/** From now on no calendar reads the meal. */
export function revokeCalendarKey({ meals }: Kitchen, mealId: string): void {
  meals.setCalendarKey(mealId, null)
}

/** Whether a key opens the calendar of a meal. Takes as long for a wrong key as for the right one. */
export function opensCalendar({ meals }: Kitchen, mealId: string, key: string): boolean {
  const own = meals.calendarKey(mealId)
  if (own === undefined) return false
  const [a, b] = [Buffer.from(own), Buffer.from(key)]
  return a.length === b.length && timingSafeEqual(a, b)
}
