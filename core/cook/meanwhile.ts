import type { Purpose } from '#core/methods/definition'
import type { Plan, Stage } from '#core/plan/result'

/** One thing worth doing while the pot needs nothing. */
export interface Meanwhile {
  says: string
  minutes: number
}

/**
 * A splash kept ready for a pot that dries too soon, g per g of dry grain: the middle of what firm, dry grain
 * is given.
 */
const SPLASH_G_G = 0.12
const STEP_G = 10

/**
 * The one task this wait has room for, or nothing: a list is never offered.
 * @param leftMinutes until the wait is over, at the least
 */
export function meanwhile(
  plan: Plan,
  stage: Stage,
  purpose: Purpose,
  leftMinutes: number,
): Meanwhile | undefined {
  if (stage.hands_on) return undefined
  return TASKS.find((task) => task.minutes <= leftMinutes && task.when(plan, stage, purpose))?.of(plan)
}

interface Task {
  minutes: number
  when: (plan: Plan, stage: Stage, purpose: Purpose) => boolean
  of: (plan: Plan) => Meanwhile
}

const task = (minutes: number, says: (plan: Plan) => string, when: Task['when']): Task => ({
  minutes,
  when,
  of: (plan) => ({ says: says(plan), minutes }),
})
const during =
  (...kinds: Stage['kind'][]) =>
  (_: Plan, stage: Stage) =>
    kinds.includes(stage.kind)

/** The more it matters for what comes next, the earlier in the list. */
const TASKS: readonly Task[] = [
  task(
    1,
    () => 'Put the sieve in the sink; keep others away',
    (plan, stage) => plan.water.drained_off_g > 0 && during('boil', 'heat-up')(plan, stage),
  ),
  task(
    2,
    ({ yield: { cooked_volume_ml } }) =>
      `Prepare wide, shallow containers for ${litres(cooked_volume_ml)} and clear fridge space`,
    (plan, stage, purpose) =>
      purpose === 'batch' && during('simmer', 'rest', 'steam', 'bake', 'pressure')(plan, stage),
  ),
  task(
    2,
    () => 'Get a wide tray to spread it on',
    (plan, stage, purpose) => purpose === 'frying' && during('simmer', 'rest')(plan, stage),
  ),
  task(
    3,
    ({ grain: { mass_g } }) =>
      `Boil some water (${Math.max(STEP_G, Math.round((SPLASH_G_G * mass_g) / STEP_G) * STEP_G)} g) in case it dries out`,
    (plan, stage) => plan.water.pour_g > 0 && plan.water.drained_off_g === 0 && during('simmer')(plan, stage),
  ),
  task(2, () => 'Weigh the pot with lid now and again when done', during('soak')),
  task(
    2,
    ({ yield: { servings } }) =>
      `Warm ${servings >= 2 ? `${Math.round(servings)} plates` : 'a plate'}, or the serving bowl`,
    during('rest', 'release'),
  ),
  task(
    1,
    () => 'Have a fork and a cloth ready',
    during('heat-up', 'boil', 'pressure', 'pressure-up', 'bake', 'steam'),
  ),
]

const litres = (ml: number) => `${(Math.round(ml / 100) / 10).toFixed(1)} L`
