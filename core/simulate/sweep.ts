import type { Variety } from '#core/grain/varieties'
import type { Resolution } from '#core/pot/pot'
import { normal, randomOf } from '#core/random'
import { SPREADS, type Spreads } from '#core/spreads'
import { spreadsOf } from './spreads-of'
import { cookReady, makeReady, outcomeOf, type Luck, type Simulation } from './simulate'
import { COOKED_THROUGH, textureReached, TEXTURES, verdictOf, type Verdict } from './verdict'

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

/** A factor of mean 1 that never turns negative.  @param z standard normal */
const factor = (spread: number, z: number): number => Math.max(0.2, 1 + spread * z)

/** What differs though the cook did the same.  @param spreads those of a kitchen nothing is known of, when left out */
export function luckOf(random: () => number, spreads: Spreads = SPREADS): Luck {
  const together = spreads.waterWithSteam ?? 0
  const [burner, steam, minutes, water, grain, wants] = Array.from({ length: 6 }, () => normal(random)) as [
    number,
    number,
    number,
    number,
    number,
    number,
  ]
  return {
    burner: factor(spreads.burner, burner),
    steam: factor(spreads.steam, steam),
    minutes: factor(spreads.minutes, minutes),
    water: factor(spreads.measuring, water),
    grain: factor(spreads.measuring, grain),
    wants: factor(spreads.water, together * steam + Math.sqrt(1 - together ** 2) * wants),
  }
}

/** The range of textures of a lot that wants this factor of the table's water. */
export const wantedUptake = (uptake: Variety['uptake'], factor: number): Variety['uptake'] => ({
  firm: uptake.firm * factor,
  standard: uptake.standard * factor,
  soft: uptake.soft * factor,
  most: uptake.most * factor,
})

/** A texture this far from the one asked for is still called right, on the scale 0 firm … 1 soft. */
export const NEAR_ENOUGH = 0.4

/** Good is cooked through and neither soggy, uneven nor scorched, neither dry nor mush. */
export const isGood = (v: Verdict): boolean =>
  v.cookedThrough === 'yes' &&
  !v.soggy &&
  !v.uneven &&
  !v.scorched &&
  v.texture !== 'dry' &&
  v.texture !== 'mushy'

export interface SweepOptions {
  seed: number
  runs: number
  /** Firm to soft is all good: a way of the cook's own ends as they like it. */
  anyTexture?: boolean
}

/**
 * Cooks the same plan in many kitchens. A generator, so that it can be watched and stopped.
 * @yields how many pots are done
 * @returns the chances over all of them
 */
export function* sweep(
  { happenings: interventions, ...of }: Simulation,
  { seed, runs, anyTexture = false }: SweepOptions,
): Generator<number, Chances> {
  const ready = makeReady(of)
  const spreads = spreadsOf(ready.prepared.blend, of.request.spreads)
  const random = randomOf(seed)
  const count = {
    good: 0,
    soggy: 0,
    uneven: 0,
    scorched: 0,
    cookedThrough: Object.fromEntries(COOKED_THROUGH.map((k) => [k, 0])) as Chances['cookedThrough'],
    texture: Object.fromEntries(TEXTURES.map((k) => [k, 0])) as Chances['texture'],
  }
  for (let i = 0; i < runs; i++) {
    const luck = luckOf(random, spreads)
    const { pot } = cookReady(ready, interventions, SWEEP, luck)
    // A lot that wants more water is wet later and dry sooner.
    const { blend, sauce } = ready.prepared
    const [outcome, uptake] = [outcomeOf(pot), wantedUptake(blend.uptake, luck.wants)]
    const verdict = verdictOf(outcome, uptake, sauce)
    const asAsked = sauce > 0 ? 0.5 : of.request.texture
    // Where minutes or steam set the texture, a cook tastes; where the pour does, it can miss what was asked for.
    const missed =
      !anyTexture && (ready.prepared.method.pourSetsTexture === true || sauce > 0)
        ? Math.abs(textureReached(outcome, uptake, sauce) - asAsked)
        : 0
    count.good += Number(isGood(verdict) && missed <= NEAR_ENOUGH)
    count.cookedThrough[verdict.cookedThrough]++
    count.texture[verdict.texture]++
    count.soggy += Number(verdict.soggy)
    count.uneven += Number(verdict.uneven)
    count.scorched += Number(verdict.scorched)
    yield i + 1
  }
  const share = (n: number) => n / runs
  const shares = <T extends string>(of: Record<T, number>) =>
    Object.fromEntries(Object.entries<number>(of).map(([k, n]) => [k, share(n)])) as Record<T, number>
  return {
    runs,
    good: share(count.good),
    soggy: share(count.soggy),
    uneven: share(count.uneven),
    scorched: share(count.scorched),
    cookedThrough: shares(count.cookedThrough),
    texture: shares(count.texture),
  }
}

/** Runs a sweep to its end. */
export function chancesOf(simulation: Simulation, given: SweepOptions): Chances {
  const running = sweep(simulation, given)
  for (;;) {
    const next = running.next()
    if (next.done) return next.value
  }
}
