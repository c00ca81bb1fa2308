/**
 * What a household believes of its grains, pots and burners, as one Gaussian: what two figures share (water
 * of the grain, steam of its pot) is told apart by the cooks that differ in it. Kept as mean and covariance;
 * every figure has a name.
 */
export interface GaussianState {
  names: string[]
  at: Map<string, number>
  mean: number[]
  /** Row after row, as many as there are names. */
  covariance: number[][]
}

/** One thing seen: a weighted sum of figures, as it was measured, and how sure. */
export interface Observation {
  weights: ReadonlyMap<string, number>
  value: number
  sd: number
  /**
   * Where what was seen only bounds the sum: it is this much at the most, or at the least. What is believed
   * within the bound stays; left out: it is this much.
   */
  bound?: 'at-most' | 'at-least'
}

/** What was expected and what was seen. */
export interface Innovation {
  expected: number
  value: number
  /** Standard deviations of both together. */
  z: number
}

export const emptyState = (): GaussianState => ({ names: [], at: new Map(), mean: [], covariance: [] })

/** Takes a figure in, if it is new.  @param sd before anything was seen */
export function addVariable(state: GaussianState, name: string, sd: number, mean = 0): number {
  const known = state.at.get(name)
  if (known !== undefined) return known
  const index = state.names.length
  state.names.push(name)
  state.at.set(name, index)
  state.mean.push(mean)
  for (const row of state.covariance) row.push(0)
  state.covariance.push(Array.from({ length: index + 1 }, (_, i) => (i === index ? sd * sd : 0)))
  return index
}

/** Nothing moves a figure by its own standard deviation or more at once. */
export const MAX_SHIFT = 0.9
/** Outliers are down-weighted: beyond this many standard deviations the measurement noise is inflated. */
const ODD_Z = 3

/**
 * What is believed after something was seen (Kalman's update). Outliers are down-weighted, so that one odd
 * record moves no figure far. A bound that is kept already teaches nothing.
 * @throws {RangeError} for what is no number, or an sd that is not above 0
 */
export function update(state: GaussianState, { weights, value, sd, bound }: Observation): Innovation {
  if (!Number.isFinite(value)) throw new RangeError(`update: value must be a number, got ${value}`)
  if (!(sd > 0)) throw new RangeError(`update: sd must be above 0, got ${sd}`)
  const { mean, covariance } = state
  const n = mean.length
  const parts = [...weights].map(([name, weight]): [number, number] => {
    const i = state.at.get(name)
    if (i === undefined) throw new RangeError(`update: nothing is known by the name "${name}"`)
    return [i, weight]
  })
  let expected = 0
  for (const [i, weight] of parts) expected += weight * mean[i]!
  const reach = new Array<number>(n)
  for (let i = 0; i < n; i++) {
    const row = covariance[i]!
    let sum = 0
    for (const [j, weight] of parts) sum += row[j]! * weight
    reach[i] = sum
  }
  let own = 0
  for (const [i, weight] of parts) own += weight * reach[i]!
  const off = value - expected
  if ((bound === 'at-most' && off >= 0) || (bound === 'at-least' && off <= 0))
    return { expected, value, z: 0 }
  const z = off / Math.sqrt(own + sd * sd)
  let spread = own + sd * sd * Math.max(1, (z / ODD_Z) ** 2)
  for (let i = 0; i < n; i++) {
    const variance = covariance[i]![i]!
    if (variance > 0)
      spread = Math.max(spread, (Math.abs(reach[i]!) * Math.abs(off)) / (MAX_SHIFT * Math.sqrt(variance)))
  }
  for (let i = 0; i < n; i++) {
    if (reach[i] === 0) continue
    const gain = reach[i]! / spread
    mean[i] = mean[i]! + gain * off
    const row = covariance[i]!
    for (let j = 0; j < n; j++) row[j] = row[j]! - gain * reach[j]!
  }
  return { expected, value, z }
}

/** Bags end, pots wear, tongues change: what was known grows a little vaguer with every cook that leans on it. */
export function addProcessNoise(state: GaussianState, name: string, sd: number): void {
  const i = state.at.get(name)
  if (i !== undefined) state.covariance[i]![i]! += sd * sd
}

/** A figure may have changed: it is at least so unsure. What is not known yet stays so. */
export function widenTo(state: GaussianState, name: string, sd: number): void {
  const i = state.at.get(name)
  if (i !== undefined) state.covariance[i]![i] = Math.max(state.covariance[i]![i]!, sd * sd)
}

/** Sets a figure to what someone says it is, cut loose from all others. */
export function fixVariable(state: GaussianState, name: string, mean: number, sd: number): void {
  const i = addVariable(state, name, sd, mean)
  state.mean[i] = mean
  for (let j = 0; j < state.mean.length; j++) {
    state.covariance[i]![j] = 0
    state.covariance[j]![i] = 0
  }
  state.covariance[i]![i] = sd * sd
}

export const meanOf = (state: GaussianState, name: string): number => {
  const i = state.at.get(name)
  return i === undefined ? 0 : state.mean[i]!
}

/** How sure a figure is, one standard deviation.  @param before for one nothing is known of yet */
export const sdIn = (state: GaussianState, name: string, before: number): number => {
  const i = state.at.get(name)
  return i === undefined ? before : Math.sqrt(Math.max(0, state.covariance[i]![i]!))
}

/** How sure a weighted sum of figures is. Figures not known yet count by `before`. */
export function sdOfSum(
  state: GaussianState,
  weights: ReadonlyMap<string, number>,
  before: (name: string) => number,
): number {
  let variance = 0
  for (const [a, wa] of weights)
    for (const [b, wb] of weights) {
      const [i, j] = [state.at.get(a), state.at.get(b)]
      if (i !== undefined && j !== undefined) variance += wa * wb * state.covariance[i]![j]!
      else if (a === b) variance += wa * wb * before(a) ** 2
    }
  return Math.sqrt(Math.max(0, variance))
}

export const copyOf = (state: GaussianState): GaussianState => ({
  names: [...state.names],
  at: new Map(state.at),
  mean: [...state.mean],
  covariance: state.covariance.map((row) => [...row]),
})
