import type { Pot } from './pot'

/** A pot's moment, to come back to: one array, because a plan keeps one for every minute. */
export type Snapshot = Float64Array

const SCALARS = 13

export function snapshotOf(pot: Pot): Snapshot {
  const { uptake, cooked, mean, present } = pot
  const saved = new Float64Array(SCALARS + uptake.length + cooked.length + mean.length + present.length)
  saved[0] = pot.now
  saved[1] = pot.bulkC
  saved[2] = pot.bottomC
  saved[3] = pot.freeG
  saved[4] = pot.evaporatedG
  saved[5] = pot.ventedG
  saved[6] = pot.scorch
  saved[7] = pot.filledHeat
  saved[8] = pot.boilerG
  saved[9] = pot.stockG
  saved[10] = pot.drainedG
  saved[11] = pot.condensedG
  saved[12] = pot.driedG
  saved.set(uptake, SCALARS)
  saved.set(cooked, SCALARS + uptake.length)
  saved.set(mean, SCALARS + uptake.length + cooked.length)
  for (let g = 0; g < present.length; g++) saved[saved.length - present.length + g] = present[g] ? 1 : 0
  return saved
}

export function restore(pot: Pot, saved: Snapshot): void {
  const { uptake, cooked, mean, present } = pot
  pot.now = saved[0]!
  pot.bulkC = saved[1]!
  pot.bottomC = saved[2]!
  pot.freeG = saved[3]!
  pot.evaporatedG = saved[4]!
  pot.ventedG = saved[5]!
  pot.scorch = saved[6]!
  pot.filledHeat = saved[7]!
  pot.boilerG = saved[8]!
  pot.stockG = saved[9]!
  pot.drainedG = saved[10]!
  pot.condensedG = saved[11]!
  pot.driedG = saved[12]!
  let at = SCALARS
  for (const part of [uptake, cooked, mean]) for (let i = 0; i < part.length; i++) part[i] = saved[at++]!
  for (let g = 0; g < present.length; g++) present[g] = saved[at++] === 1
}

/** Does something with the pot and sets it back as it was. */
export function withRollback<T>(pot: Pot, what: () => T): T {
  const before = snapshotOf(pot)
  try {
    return what()
  } finally {
    restore(pot, before)
  }
}
