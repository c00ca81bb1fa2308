import { roundTo } from '#core/units/rounding'
import type { Spreads } from '#core/spreads'
import type { Applied } from './evidence'
import { figureName, priorSd } from './figures'

/**
 * What Omsel has learned, applied to what a household says of its equipment: once, for the pages, the meal
 * and the API. Learned figures are natural logarithms of factors, as beliefs keep them.
 */

const clamp = (value: number, [least, most]: readonly [number, number]): number =>
  Math.min(most, Math.max(least, value))
/** Outside these no burner, lid or grain is. */
const RATED_W = [50, 20_000] as const
const STEAM_FACTOR = [0.1, 5] as const
const MINUTES_FACTOR = [0.3, 3] as const

/** Rated power of a burner as measured and as learned, W. */
export const correctedPower = (
  { ratedW, powerFactor = 1 }: { ratedW: number; powerFactor?: number },
  learnedPower = 0,
): number => clamp(ratedW * powerFactor * Math.exp(learnedPower), RATED_W)

/** Steam multiplier of a pot as measured and as learned. */
export const correctedSteam = (steamFactor: number, learnedSteam = 0): number =>
  clamp(steamFactor * Math.exp(learnedSteam), STEAM_FACTOR)

/** How much longer than published a grain takes in this pot. */
export const correctedMinutes = (learnedTime = 0): number => clamp(Math.exp(learnedTime), MINUTES_FACTOR)

/** What a plan is made with. */
export interface PlanFor {
  grainKey: string
  bagId: string | null
  vesselId: string
  heatId: string
}

/** A figure as a page or a plan takes it. */
export interface Known {
  mean: number
  sd: number
  cooks: number
  lastMs: number
  pinned: boolean
  /**
   * Covariances with other known figures, by their names: what was tasted of a batch speaks of grain, bag and
   * steam together. Left out where there is none.
   */
  covaries?: Readonly<Record<string, number>>
}
export type KnownFigures = Readonly<Record<string, Known>>

/** What a plan takes from all of it: the corrections, how sure the water is, and from how many cooks. */
export interface Correction extends Applied {
  /** One standard deviation of the water in the grain, g/g. */
  uptakeSd: number
  /** What is still uncertain of this kitchen, as shares; what nothing was seen of is left out. */
  spreads: Partial<Omit<Spreads, 'measuring'>> & { water_with_steam?: number }
  cooks: number
  lastMs: number
}

/** A weaker correlation changes no odds. */
const LEAST_CORRELATION = 0.02

/** What grain holds when it is eaten, for turning g/g into a share. */
const USUAL_UPTAKE = 1.7

/** @returns undefined where nothing has been learned that bears on this plan */
export function correctionFrom(
  known: KnownFigures,
  { grainKey, bagId, vesselId, heatId }: PlanFor,
): Correction | undefined {
  const water = [figureName('grain', grainKey), ...(bagId === null ? [] : [figureName('bag', bagId)])]
  const others = [figureName('steam', vesselId), figureName('power', heatId), figureName('time', vesselId)]
  const learned = [...water, ...others].map((figure) => known[figure]).filter((k) => k !== undefined)
  if (learned.length === 0) return undefined
  const sdOf = (figure: string) => known[figure]?.sd ?? priorSd(figure)
  const covariance = (a: string, b: string) => known[a]?.covaries?.[b] ?? known[b]?.covaries?.[a] ?? 0
  const [grain, bag] = water as [string, string?]
  const uptakeSd = Math.sqrt(
    Math.max(0, sdOf(grain) ** 2 + (bag === undefined ? 0 : sdOf(bag) ** 2 + 2 * covariance(grain, bag))),
  )
  const steamSd = sdOf(others[0]!)
  const withSteam =
    uptakeSd > 0 && steamSd > 0
      ? clamp(water.reduce((sum, f) => sum + covariance(f, others[0]!), 0) / (uptakeSd * steamSd), [-1, 1])
      : 0
  const [steam, power, time] = others.map((figure) => known[figure]?.mean ?? 0) as [number, number, number]
  return {
    uptake: water.reduce((sum, figure) => sum + (known[figure]?.mean ?? 0), 0),
    steam,
    power,
    time,
    uptakeSd,
    spreads: {
      ...(known[grain] ? { water: roundTo(Math.min(1, uptakeSd / USUAL_UPTAKE), 4) } : {}),
      ...(Math.abs(withSteam) >= LEAST_CORRELATION ? { water_with_steam: roundTo(withSteam, 3) } : {}),
      ...Object.fromEntries(
        (['steam', 'burner', 'minutes'] as const).flatMap((spread, i) => {
          const sd = known[others[i]!]?.sd
          return sd === undefined ? [] : [[spread, roundTo(Math.min(1, sd), 4)]]
        }),
      ),
    },
    cooks: known[water[0]!]?.cooks ?? 0,
    lastMs: Math.max(0, ...learned.map((k) => k.lastMs)),
  }
}
