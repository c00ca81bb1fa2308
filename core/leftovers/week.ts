import type { VarietyId } from '#core/grain/varieties'
import type { Guidance } from './guidance'
import { suggestContainers, type Container } from './portions'

/** A grain that is eaten on some days of the week. */
export interface WeekWish {
  variety: VarietyId
  /** Portions each time. */
  portions: number
  /** Days after it is cooked, 0 (the same day) to 6. */
  days: readonly number[]
}
export const WEEK_DAYS = 7
/** Limits of a week that is planned. */
export const WEEK_LIMITS = Object.freeze({ wishes: 6, portions: [0.5, 30] } as const)

/** One time it is eaten. */
export interface WeekMeal {
  day: number
  portions: number
  /** Eaten as it is cooked, out of the fridge, or out of the freezer. */
  from: 'pot' | 'fridge' | 'freezer'
  /** Moved from the freezer into the fridge so many hours before it is eaten; null where it is not frozen. */
  thawHoursBefore: number | null
}

export interface WeekBatch {
  variety: VarietyId
  portions: number
  meals: WeekMeal[]
  fridgePortions: number
  freezerPortions: number
}

/** Grain is put away this long after it is done, at the most: its time runs meanwhile, h. */
const STORED_WITHIN_H = 1
/** A container of a few portions thaws in the fridge within this time, h. */
const THAWS_IN_H = 20
/** Later on the day it is cooked it is still from the pot, h. */
const SAME_DAY_H = 2

/**
 * What is cooked on one day for a week: each portion goes where it is still good when it is eaten, by the
 * guidance in force: into the fridge while that is long enough, else into the freezer, thawed in time.
 * @param hours from the end of cooking to the meal of that day, for day 0; a day later 24 more. What would be eaten
 * before it is cooked is left out
 */
export function planWeek(wishes: readonly WeekWish[], guidance: Guidance, hours: number): WeekBatch[] {
  // What is frozen has used up an hour of its time; thawed, the rest of it is left, or less.
  const thawedFor = Math.min(guidance.thawed_h.value, guidance.eat_h.value - STORED_WITHIN_H)
  return wishes.map(({ variety, portions, days }) => {
    const meals = [...new Set(days)]
      .filter((day) => day >= 0 && day < WEEK_DAYS && hours + 24 * day >= 0)
      .sort((a, b) => a - b)
      .map((day): WeekMeal => {
        const after = hours + 24 * day
        const from =
          after <= SAME_DAY_H
            ? 'pot'
            : after <= guidance.eat_h.value
              ? ('fridge' as const)
              : ('freezer' as const)
        return {
          day,
          portions,
          from,
          thawHoursBefore: from === 'freezer' ? Math.min(THAWS_IN_H, thawedFor) : null,
        }
      })
    const of = (place: WeekMeal['from']) => meals.filter((m) => m.from === place).length * portions
    return {
      variety,
      portions: meals.length * portions,
      meals,
      fridgePortions: of('fridge'),
      freezerPortions: of('freezer'),
    }
  })
}

/** What of a batch goes into which containers. */
export interface WeekContainers {
  /** How often each is filled. */
  use: { container: Container; times: number }[]
  /** Portions for which the kitchen has no container left. */
  withoutPortions: number
}

/**
 * Containers for the portions that are stored, of those a kitchen has: so many that each holds what is eaten
 * at one time.
 * @param free how many of each are free, by id; what is taken is counted off
 * @param portionG cooked grain of one portion, g
 */
export function containersFor(
  meals: readonly WeekMeal[],
  { portionG, densityGMl }: { portionG: number; densityGMl: number },
  owned: readonly Container[],
  free: Map<string, number>,
): WeekContainers {
  const use = new Map<string, { container: Container; times: number }>()
  let withoutPortions = 0
  for (const { portions, from } of meals) {
    if (from === 'pot') continue
    const left = owned.filter(({ id }) => (free.get(id) ?? 0) > 0)
    const wanted = suggestContainers(portions * portionG, densityGMl, 1, left)
    const enough = wanted.length > 0 && (free.get(wanted[0]!.id) ?? 0) >= wanted.length
    if (!enough) {
      withoutPortions += portions
      continue
    }
    for (const container of wanted) {
      free.set(container.id, free.get(container.id)! - 1)
      const before = use.get(container.id)
      use.set(container.id, { container, times: (before?.times ?? 0) + 1 })
    }
  }
  return { use: [...use.values()], withoutPortions }
}
