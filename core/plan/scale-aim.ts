import type { StageAmount } from './stage-amount'
import type { Plan, Stage } from './result'

/**
 * What a scale aims at in a stage, g: its own amount, or the sum where all of it is the same thing. Nothing
 * where several things are measured apart.
 */
export function aimOf(stage: Stage, plan: Pick<Plan, 'grain' | 'water'>): number | undefined {
  if (stage.mends && stage.mends.addG > 0) return stage.mends.addG
  const amounts = stage.amounts ?? amountsBefore(stage, plan)
  const [first] = amounts
  if (!first || amounts.some((a) => a.what !== first.what || a.name !== first.name)) return undefined
  return amounts.reduce((sum, a) => sum + a.grams, 0)
}

/** Amounts of the two stages that had them in plans stored before version 2. */
const amountsBefore = ({ id }: Stage, { grain, water }: Pick<Plan, 'grain' | 'water'>): StageAmount[] =>
  id === 'measure'
    ? [{ what: 'grain', grams: grain.mass_g, measures: [] }]
    : id === 'pour'
      ? [{ what: 'water', grams: water.pour_g, measures: [] }]
      : []
