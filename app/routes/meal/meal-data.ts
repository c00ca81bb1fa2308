import type { BoardTask } from '../../ui/drawing/meal-board'
import type { Route } from './+types/meal'

export type Loaded = Route.ComponentProps['loaderData']

export type Meal = Loaded['meal']

export type Schedule = Loaded['schedule']

export type Board = Loaded['board']

export type Settings = Loaded['settings']

export type Step = BoardTask & { dishTitle: string }

/** What is pressed here: a dish's own, and a pot's sign and end, which are passed on. */
export type MealPress = 'begin' | 'done' | 'late' | 'hand' | 'take-back' | 'cue' | 'finish'

export const MINUTE = 60_000
