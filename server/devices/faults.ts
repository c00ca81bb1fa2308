import { randomOf } from '#core/random'
import { seedOf } from '#core/cook/true-pot'
import type { Faults, Reading } from './device'

/** A device that has dropped out stays out for so long, ms. */
const OUT_MS = 20_000

/**
 * A reading as a faulty device gives it. Dropping out is the same for the same moment, so that nothing
 * flickers.
 * @param sinceMs when it was switched on
 */
export function faulty(
  reading: Reading,
  { driftPerHour, dropOut, lie }: Faults,
  sinceMs: number,
  name: string,
): Reading | undefined {
  if (dropOut > 0 && randomOf(seedOf(`${name} ${Math.floor(reading.atMs / OUT_MS)}`))() < dropOut)
    return undefined
  const off = lie + (driftPerHour * (reading.atMs - sinceMs)) / 3_600_000
  return {
    ...reading,
    ...(reading.grams === undefined ? {} : { grams: Math.max(0, reading.grams + off) }),
    ...(reading.celsius === undefined ? {} : { celsius: reading.celsius + off }),
  }
}
