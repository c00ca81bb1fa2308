import type { Resolution } from '#core/pot/pot'
import { cookReady, makeReady, outcomeOf, type Luck, type Simulation } from './simulate'
import { COOKED_THROUGH, TEXTURES, verdictOf, type Verdict } from './verdict'

/** One standard deviation of what differs though the cook did the same. */
export const SPREAD = { burner: 0.15, lid: 0.3, grain: 0.05, measuring: 0.03 } as const

/** For many pots: three layers and longer steps; sweep.test.ts holds its verdicts to the fine pot's. */
export const SWEEP: Resolution = { layers: 3, shells: 8, step: 3, steadyStep: 6, restStep: 12 }

/** Chances, 0..1, of each part of a verdict, and of a pot that is good in all of them. */
export interface Chances {
  runs: number
  good: number
  cookedThrough: Record<Verdict['cookedThrough'], number>
  texture: Record<Verdict['texture'], number>
  soggy: number
  uneven: number
  scorched: number
}

/** A small generator of even numbers in 0..1, the same for the same seed (mulberry32). */
export function randomOf(seed: number): () => number {
  let state = seed >>> 0
  return () => {
    state = (state + 0x6d2b79f5) >>> 0
    let t = state
    t = Math.imul(t ^ (t >>> 15), t | 1)
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61)
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
}

/** Standard normal, by Box and Muller (1958). */
const normal = (random: () => number): number => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random())
/** A factor of mean 1 that never turns negative. */
const factor = (random: () => number, spread: number): number => Math.max(0.2, 1 + spread * normal(random))

export const luckOf = (random: () => number): Luck => ({
  burner: factor(random, SPREAD.burner),
  steam: factor(random, SPREAD.lid),
  minutes: factor(random, SPREAD.grain),
  water: factor(random, SPREAD.measuring),
  grain: factor(random, SPREAD.measuring),
})

/** Good is cooked through and neither soggy, uneven nor scorched, neither dry nor mush. */
export const isGood = (v: Verdict): boolean => v.cookedThrough === 'yes' && !v.soggy && !v.uneven && !v.scorched && v.texture !== 'dry' && v.texture !== 'mushy'

/** Cooks the same plan in many kitchens. A generator, so that it can be watched and stopped.
 *  @yields how many pots are done  @returns the chances over all of them */
export function* sweep({ happenings, ...of }: Simulation, { seed, runs }: { seed: number; runs: number }): Generator<number, Chances> {
  const ready = makeReady(of)
  const random = randomOf(seed)
  const count = {
    good: 0, soggy: 0, uneven: 0, scorched: 0,
    cookedThrough: Object.fromEntries(COOKED_THROUGH.map((k) => [k, 0])) as Chances['cookedThrough'],
    texture: Object.fromEntries(TEXTURES.map((k) => [k, 0])) as Chances['texture'],
  }
  for (let i = 0; i < runs; i++) {
    const { pot } = cookReady(ready, happenings, SWEEP, luckOf(random))
    const verdict = verdictOf(outcomeOf(pot), ready.prepared.blend.uptake)
    count.good += Number(isGood(verdict))
    count.cookedThrough[verdict.cookedThrough]++
    count.texture[verdict.texture]++
    count.soggy += Number(verdict.soggy)
    count.uneven += Number(verdict.uneven)
    count.scorched += Number(verdict.scorched)
    yield i + 1
  }
  const share = (n: number) => n / runs
  const shares = <T extends string>(of: Record<T, number>) => Object.fromEntries(Object.entries<number>(of).map(([k, n]) => [k, share(n)])) as Record<T, number>
  return {
    runs, good: share(count.good), soggy: share(count.soggy), uneven: share(count.uneven), scorched: share(count.scorched),
    cookedThrough: shares(count.cookedThrough), texture: shares(count.texture),
  }
}

/** Runs a sweep to its end. */
export function chancesOf(simulation: Simulation, given: { seed: number; runs: number }): Chances {
  const running = sweep(simulation, given)
  for (;;) {
    const next = running.next()
    if (next.done) return next.value
  }
}
