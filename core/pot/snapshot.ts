import type { Pot } from './pot'

/** A pot's moment, to come back to. */
export interface Snapshot {
  uptake: Float64Array
  cooked: Float64Array
  mean: Float64Array
  scalars: Pick<Pot, 'now' | 'bulkC' | 'bottomC' | 'freeG' | 'evaporatedG' | 'ventedG' | 'scorch'>
}

export function snapshotOf(pot: Pot): Snapshot {
  const { now, bulkC, bottomC, freeG, evaporatedG, ventedG, scorch } = pot
  return {
    uptake: pot.uptake.slice(),
    cooked: pot.cooked.slice(),
    mean: pot.mean.slice(),
    scalars: { now, bulkC, bottomC, freeG, evaporatedG, ventedG, scorch },
  }
}

export function restore(pot: Pot, snapshot: Snapshot): void {
  pot.uptake.set(snapshot.uptake)
  pot.cooked.set(snapshot.cooked)
  pot.mean.set(snapshot.mean)
  Object.assign(pot, snapshot.scalars)
}
