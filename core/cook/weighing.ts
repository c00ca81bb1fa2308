import type { Plan, Stage } from '#core/plan/result'

/** Stages that heat water or an add-in before the pot itself is full. */
const BEFORE_THE_POT: ReadonlySet<string> = new Set(['kettle', 'fry-first'])

/**
 * When a pot is weighed to learn its steam: full, in the stage before it is heated, and done, before the grain is
 * loosened.
 * @returns which of the two weights this stage is for; undefined for any other stage
 */
export function weightAskedFor(
  stage: Pick<Stage, 'id'>,
  { stages }: Pick<Plan, 'stages'>,
): 'pot-before' | 'pot-after' | undefined {
  const at = stages.findIndex((s) => s.id === stage.id)
  const heated = stages.findIndex((s) => s.heat !== 'off' && !BEFORE_THE_POT.has(s.id))
  if (heated > 0 && at === heated - 1) return 'pot-before'
  return stage.id === 'fluff' ? 'pot-after' : undefined
}
