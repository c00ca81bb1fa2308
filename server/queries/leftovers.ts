import { keptAt, packedOf, type KeptView } from '#core/leftovers/container-state'
import type { KeptWithEvents } from '#server/store/leftovers'
import { guidanceIn } from '#server/commands/leftovers'
import type { Kitchen } from '#server/store/open-household'

export interface KeptNow {
  row: KeptWithEvents
  view: KeptView
}

/** What is cooling, in the fridge and in the freezer, the to eat first first; what has no date is last. */
export function keptNow(kitchen: Pick<Kitchen, 'kept' | 'household'>, nowMs: number): KeptNow[] {
  const guidance = guidanceIn(kitchen as Kitchen)
  return kitchen.kept
    .all(nowMs)
    .map((row) => ({ row, view: keptAt(packedOf(row), row.events, guidance, nowMs) }))
    .filter(({ view }) => view.place !== 'gone')
    .sort(
      (a, b) =>
        (a.view.useByMs ?? Infinity) - (b.view.useByMs ?? Infinity) || a.row.packed_ms - b.row.packed_ms,
    )
}
