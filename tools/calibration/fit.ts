import { levenbergMarquardt } from 'ml-levenberg-marquardt'
import { inverse, Matrix } from 'ml-matrix'
import { varietyOf, type VarietyId } from '#core/grain/varieties'
import type { Observation } from './observations'
import { predict } from './predict'

/** The figures of a variety that are fitted, in the units of the varieties' table. */
export const FITTED_KEYS = ['minutesAt100', 'skin', 'radiusMm', 'soakLimit'] as const
export type FittedKey = (typeof FITTED_KEYS)[number]
export type Fitted = Record<FittedKey, number>

/**
 * How far a figure may go from where it started, as one standard deviation of its logarithm: kernel sizes are
 * measured, skins are not.
 */
const PRIOR_LOG_SD: Fitted = { minutesAt100: 0.5, skin: 0.35, radiusMm: 0.08, soakLimit: 0.08 }
/** Kernels from this conductance on have no skin to fit. */
const BARE_FROM = 0.8

export interface FitResult {
  variety: VarietyId
  figures: Fitted
  /** Half width of the 90 % interval, as a share of the figure. */
  interval: Fitted
  residuals: { observation: Observation; predicted: number; inSd: number }[]
}

const NORMAL_90 = 1.645

/**
 * Fits one variety to its observations by least squares on the logarithms of its figures, with where they
 * started as prior.
 * @param start the figures fitted around
 * @throws {RangeError} without observations
 */
export function fitVariety(id: VarietyId, observations: readonly Observation[], start: Fitted): FitResult {
  if (observations.length === 0) throw new RangeError(`fitVariety: ${id} has no observations`)
  const keys = FITTED_KEYS.filter(
    (key) => start.skin < BARE_FROM || key === 'minutesAt100' || key === 'radiusMm',
  )
  const figuresOf = (logs: readonly number[]): Fitted =>
    ({
      ...start,
      ...Object.fromEntries(keys.map((key, i) => [key, start[key] * Math.exp(logs[i]!)])),
    }) as Fitted
  const row = varietyOf(id) as Fitted
  // Residuals in standard deviations: the observations first, then the prior of each figure.
  const residualsOf = (logs: readonly number[]): number[] => {
    Object.assign(row, figuresOf(logs))
    return [
      ...observations.map((o) => (predict(id, o.kind) - o.value) / o.sd),
      ...keys.map((key, i) => logs[i]! / PRIOR_LOG_SD[key]),
    ]
  }
  let known: { at: string; residuals: number[] } | undefined
  const cached = (logs: readonly number[]): number[] => {
    const at = logs.join()
    if (known?.at !== at) known = { at, residuals: residualsOf(logs) }
    return known.residuals
  }
  const count = observations.length + keys.length
  const { parameterValues } = levenbergMarquardt(
    { x: Array.from({ length: count }, (_, i) => i), y: new Array<number>(count).fill(0) },
    (logs: number[]) => (i: number) => cached(logs)[i]!,
    {
      initialValues: keys.map(() => 0),
      minValues: keys.map(() => -1.6),
      maxValues: keys.map(() => 1.6),
      gradientDifference: 0.02,
      centralDifference: false,
      damping: 1,
      maxIterations: 7,
      errorTolerance: 1e-2,
    },
  )
  const interval = intervalsOf(residualsOf, parameterValues, keys)
  Object.assign(row, figuresOf(parameterValues))
  return {
    variety: id,
    figures: figuresOf(parameterValues),
    interval: { minutesAt100: 0, skin: 0, radiusMm: 0, soakLimit: 0, ...interval },
    residuals: observations.map((observation) => {
      const predicted = predict(id, observation.kind)
      return { observation, predicted, inSd: (predicted - observation.value) / observation.sd }
    }),
  }
}

/** 90 % intervals from the curvature at the optimum: covariance (JᵀJ)⁻¹, residuals in standard deviations. */
function intervalsOf(
  residualsOf: (logs: readonly number[]) => number[],
  at: readonly number[],
  keys: readonly FittedKey[],
): Partial<Fitted> {
  const STEP = 0.03
  const columns = keys.map((_, k) => {
    const moved = (by: number) => residualsOf(at.map((log, i) => (i === k ? log + by : log)))
    const [up, down] = [moved(STEP), moved(-STEP)]
    return up.map((r, i) => (r - down[i]!) / (2 * STEP))
  })
  const jacobian = new Matrix(columns).transpose()
  const covariance = inverse(jacobian.transpose().mmul(jacobian))
  return Object.fromEntries(keys.map((key, i) => [key, NORMAL_90 * Math.sqrt(covariance.get(i, i))]))
}
