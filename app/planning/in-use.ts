import { heatOfState, vesselOfState, type PlanningData, type PlanState } from './plan-state'

/** A batch under way, and what it stands on. */
export interface RunningBatch {
  id: string
  title: string
  vesselId: string
  vesselName: string
  /** Null for an appliance with its own heat. */
  heatId: string | null
}

/** The batch that has this plan's pot, or else its burner, and words for it; undefined where both are free. */
export function inUse(
  running: readonly RunningBatch[],
  state: PlanState,
  household: Pick<PlanningData, 'vessels' | 'heats'>,
): { id: string; words: string } | undefined {
  const vessel = vesselOfState(state, household)
  const inPot = running.find((batch) => batch.vesselId === vessel.id)
  if (inPot) return { id: inPot.id, words: `${vessel.name} is in use: ${inPot.title}` }
  if (vessel.own_rated_w !== null) return undefined
  const heat = heatOfState(state, household)
  const onBurner = running.find((batch) => batch.heatId === heat.id)
  return onBurner && { id: onBurner.id, words: `${heat.name} is in use: ${onBurner.vesselName}` }
}
