import { containerState, packedOf, type ContainerState } from '#core/leftovers/container-state'
import type { LeftoverWithEvents } from '#server/store/leftovers'
import { guidanceIn } from './guidance'
import type { Kitchen } from '#server/store/open-household'

export interface CurrentLeftover {
  row: LeftoverWithEvents
  view: ContainerState
}

/**
 * What is cooling, in the fridge and in the freezer, what is to be eaten first coming first; what has no date
 * is last. And of the same batches what has been emptied.
 */
export function leftoversByState(
  kitchen: Pick<Kitchen, 'leftovers' | 'household'>,
  nowMs: number,
): { current: CurrentLeftover[]; emptied: CurrentLeftover[] } {
  const guidance = guidanceIn(kitchen as Kitchen)
  const all = kitchen.leftovers
    .all(nowMs)
    .map((row) => ({ row, view: containerState(packedOf(row), row.events, guidance, nowMs) }))
  const current = all
    .filter(({ view }) => view.place !== 'gone')
    .sort(
      (a, b) =>
        (a.view.useByMs ?? Infinity) - (b.view.useByMs ?? Infinity) || a.row.packed_ms - b.row.packed_ms,
    )
  const batches = new Set(current.flatMap(({ row }) => row.cook_id ?? []))
  return {
    current,
    emptied: all.filter(
      ({ row, view }) => view.place === 'gone' && row.cook_id !== null && batches.has(row.cook_id),
    ),
  }
}

/** What is cooling, in the fridge and in the freezer, what is to be eaten first coming first. */
export const currentLeftovers = (
  kitchen: Pick<Kitchen, 'leftovers' | 'household'>,
  nowMs: number,
): CurrentLeftover[] => leftoversByState(kitchen, nowMs).current
