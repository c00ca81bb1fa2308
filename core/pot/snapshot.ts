import type { Pot } from './pot'

/** A pot's moment, to come back to: one array, because a plan keeps one for every minute. */
export type Snapshot = Float64Array

const SCALARS = 13

export function snapshotOf(pot: Pot): Snapshot {
  const { uptake, cooked, mean, present } = pot
  const kept = new Float64Array(SCALARS + uptake.length + cooked.length + mean.length + present.length)
  kept[0] = pot.now
  kept[1] = pot.bulkC
  kept[2] = pot.bottomC
  kept[3] = pot.freeG
  kept[4] = pot.evaporatedG
  kept[5] = pot.ventedG
  kept[6] = pot.scorch
  kept[7] = pot.filledHeat
  kept[8] = pot.boilerG
  kept[9] = pot.stockG
  kept[10] = pot.drainedG
  kept[11] = pot.condensedG
  kept[12] = pot.driedG
  kept.set(uptake, SCALARS)
  kept.set(cooked, SCALARS + uptake.length)
  kept.set(mean, SCALARS + uptake.length + cooked.length)
  for (let g = 0; g < present.length; g++) kept[kept.length - present.length + g] = present[g] ? 1 : 0
  return kept
}

export function restore(pot: Pot, kept: Snapshot): void {
  const { uptake, cooked, mean, present } = pot
  pot.now = kept[0]!
  pot.bulkC = kept[1]!
  pot.bottomC = kept[2]!
  pot.freeG = kept[3]!
  pot.evaporatedG = kept[4]!
  pot.ventedG = kept[5]!
  pot.scorch = kept[6]!
  pot.filledHeat = kept[7]!
  pot.boilerG = kept[8]!
  pot.stockG = kept[9]!
  pot.drainedG = kept[10]!
  pot.condensedG = kept[11]!
  pot.driedG = kept[12]!
  let at = SCALARS
  for (const part of [uptake, cooked, mean]) for (let i = 0; i < part.length; i++) part[i] = kept[at++]!
  for (let g = 0; g < present.length; g++) present[g] = kept[at++] === 1
}

/** Does something with the pot and sets it back as it was. */
export function tried<T>(pot: Pot, what: () => T): T {
  const before = snapshotOf(pot)
  try {
    return what()
  } finally {
    restore(pot, before)
  }
}
