import type { PlanningData } from '../../app/planning/plan-state'
import { FIRST_KITCHEN } from '../../server/commands/begin-household'

/** The household a new household begins with, as the plan sees it. */
export const firstKitchen = (): PlanningData => ({
  vessels: FIRST_KITCHEN.vessels,
  heats: FIRST_KITCHEN.heats,
  measures: [],
  bags: [],
  bottles: [],
  marks: [],
  programmes: [],
  units: 'grams',
  system: 'metric',
  cup: 'metric',
  known: {},
  guidance: 'stricter',
  crystal: 'table',
  leftovers: [],
  eaters: [],
  elevation_m: 0,
  kitchen_c: 20,
  zone: 'UTC',
})
