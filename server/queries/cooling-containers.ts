import { coolingGivenOf, coolingOf } from '#core/leftovers/cooling'
import { guidanceIn } from './guidance'
import { currentLeftovers } from './leftovers'
import { settingsOf, type Kitchen } from '#server/store/open-household'

/** Containers that are not cold yet, with when each will be. */
export function coolingContainers(kitchen: Kitchen, nowMs: number) {
  const guidance = guidanceIn(kitchen)
  const kitchenC = settingsOf(kitchen).kitchen_c
  return currentLeftovers(kitchen, nowMs).flatMap(({ row, view }) => {
    if (view.place === 'freezer' || view.pastMs > 0) return []
    const { to21Min, to5Min, leavesHotMin, tooSlow } = coolingOf(coolingGivenOf(row, kitchenC), guidance)
    const out = view.place === 'cooling'
    if (!out && nowMs > row.packed_ms + to5Min * 60_000) return []
    return [
      {
        id: row.id,
        title: row.title,
        containerName: row.container_name,
        packedMs: row.packed_ms,
        out,
        next: row.next_place,
        eatenOut: row.dressed === 1 && row.place === 'counter' && row.next_place === null,
        outByMs: view.outByMs,
        cooling: { to21Min, to5Min, leavesHotMin, tooSlow },
        mayMin: guidance.cool_min.value,
      },
    ]
  })
}
