import type { Pot } from './pot'

/** A pot's moment, to come back to: one array, because a plan keeps one for every minute. */
export type Snapshot = Float64Array

const SCALARS = 13

export function snapshotOf(pot: Pot): Snapshot {
  const { uptake, cooked, mean, present } = pot
  const leftover = new Float64Array(SCALARS + uptake.length + cooked.length + mean.length + present.length)
  leftover[0] = pot.now
  leftover[1] = pot.bulkC
  leftover[2] = pot.bottomC
  leftover[3] = pot.freeG
  leftover[4] = pot.evaporatedG
  leftover[5] = pot.ventedG
  leftover[6] = pot.scorch
  leftover[7] = pot.filledHeat
  leftover[8] = pot.boilerG
  leftover[9] = pot.stockG
  leftover[10] = pot.drainedG
  leftover[11] = pot.condensedG
  leftover[12] = pot.driedG
  leftover.set(uptake, SCALARS)
  leftover.set(cooked, SCALARS + uptake.length)
  leftover.set(mean, SCALARS + uptake.length + cooked.length)
  for (let g = 0; g < present.length; g++) leftover[leftover.length - present.length + g] = present[g] ? 1 : 0
  return leftover
}

export function restore(pot: Pot, leftover: Snapshot): void {
  const { uptake, cooked, mean, present } = pot
  pot.now = leftover[0]!
  pot.bulkC = leftover[1]!
  pot.bottomC = leftover[2]!
  pot.freeG = leftover[3]!
  pot.evaporatedG = leftover[4]!
  pot.ventedG = leftover[5]!
  pot.scorch = leftover[6]!
  pot.filledHeat = leftover[7]!
  pot.boilerG = leftover[8]!
  pot.stockG = leftover[9]!
  pot.drainedG = leftover[10]!
  pot.condensedG = leftover[11]!
  pot.driedG = leftover[12]!
  let at = SCALARS
  for (const part of [uptake, cooked, mean]) for (let i = 0; i < part.length; i++) part[i] = leftover[at++]!
  for (let g = 0; g < present.length; g++) present[g] = leftover[at++] === 1
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
