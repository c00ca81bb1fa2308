import { containerState, packedOf, type ContainerState } from '#core/leftovers/container-state'
import type { LeftoverWithEvents } from '#server/store/leftovers'
import { guidanceIn } from './guidance'
import type { Kitchen } from '#server/store/open-household'

export interface CurrentLeftover {
  row: LeftoverWithEvents
  view: ContainerState
}

/** What is cooling, in the fridge and in the freezer, the to eat first first; what has no date is last. */
export function currentLeftovers(
  kitchen: Pick<Kitchen, 'leftovers' | 'household'>,
  nowMs: number,
): CurrentLeftover[] {
  const guidance = guidanceIn(kitchen as Kitchen)
  return kitchen.leftovers
    .all(nowMs)
    .map((row) => ({ row, view: containerState(packedOf(row), row.events, guidance, nowMs) }))
    .filter(({ view }) => view.place !== 'gone')
    .sort(
      (a, b) =>
        (a.view.useByMs ?? Infinity) - (b.view.useByMs ?? Infinity) || a.row.packed_ms - b.row.packed_ms,
    )
}
