import { WET_STEP, type Evidence } from './evidence'

/** Ratings looked at, and how many they must be at the least. */
const NEWEST = 8
const LEAST = 5
/**
 * Ratings of one eater scatter by less than this round what their water explains, in steps; of two who differ,
 * by more. Set by the learning study.
 */
const APART_SD = 0.7

/** Ratings of one grain in one pot that its water does not explain. */
export interface Disagreement {
  /** Ratings looked at, and how many of them were too dry and too wet. */
  batches: number
  dry: number
  wet: number
  /** Standard deviation of the ratings round what their water explains, in steps. */
  sd: number
}

/**
 * Whether ratings pull both ways at about the same water, as where two who like it differently rate in turn.
 * @param evidence in the order of the batches
 * @returns undefined where the ratings agree with their water, or are too few
 */
export function disagreementIn(
  evidence: readonly Evidence[],
  { grainKey, vesselId }: Pick<Evidence, 'grainKey' | 'vesselId'>,
): Disagreement | undefined {
  const rated = evidence
    .filter((e) => e.grainKey === grainKey && e.vesselId === vesselId)
    .flatMap(({ judged, extraUptake, steamPerDry, applied }) =>
      judged && extraUptake !== null && Math.abs(judged.wetDry) < 2
        ? [{ wetDry: judged.wetDry, water: (extraUptake + steamPerDry * applied.steam) / WET_STEP }]
        : [],
    )
    .slice(-NEWEST)
  const dry = rated.filter((r) => r.wetDry < 0).length
  const wet = rated.filter((r) => r.wetDry > 0).length
  if (rated.length < LEAST || dry < 2 || wet < 2) return undefined
  const unexplained = rated.map((r) => r.wetDry - r.water)
  const mean = unexplained.reduce((sum, u) => sum + u, 0) / unexplained.length
  const sd = Math.sqrt(unexplained.reduce((sum, u) => sum + (u - mean) ** 2, 0) / (unexplained.length - 1))
  return sd < APART_SD ? undefined : { batches: rated.length, dry, wet, sd }
}
