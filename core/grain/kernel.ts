/**
 * A grain kernel as an infinite cylinder of concentric shells. Water moves between shells down the gradient
 * of uptake over capacity; capacity grows as the starch gelatinises. Implicit in time, because small grains
 * are unstable at explicit 1 s steps, and exact in mass: what crosses the surface is what the shells gain.
 */
export interface KernelKind {
  shells: number
  /** Share of the kernel's volume in each shell, centre first; sums to 1. */
  volume: Float64Array
  /** 2 r/(a Δ) of the face outside each shell but the last; times D/a² and capacity: a conductance, 1/s. */
  face: Float64Array
  /** The same for the surface, half a shell and the skin in series. */
  surface: number
  /** Share of each shell that lies in the outer eighth of the radius, where layers exchange moisture. */
  outer: Float64Array
  radius: number
  soakLimit: number
  /** Most it takes in excess water, g/g. */
  most: number
  /** 3/N, so that N minutes at 100 °C leave e⁻³ of the starch raw; per second. */
  cookRate: number
}

export interface KernelInput {
  radiusMm: number
  skin: number
  soakLimit: number
  most: number
  minutesAt100: number
  /** Degree of gelatinisation it is sold with, 0..1: meal and cracked grain that was steamed before it was dried. */
  precooked?: number
}

/** How far in from the surface neighbouring layers share moisture, as a share of the radius. */
const OUTER_DEPTH = 1 / 8
/**
 * Below the first uptake a shell is too dry to gelatinise at the boil; from the second its water is no longer
 * the limit. g/g Starch in little water gelatinises only in part and at higher temperatures (Donovan 1979,
 * Biopolymers 18). Both were fitted together with the varieties' table: they are why a soaked kernel is done
 * so much sooner.
 */
const DRIEST_TO_COOK = 0.23
const WET_ENOUGH = 0.42

/**
 * Starch that has gelatinised and swollen holds its water loosely: to raw starch beside it, it is as wet as
 * water once it is filled to one part in so many.
 */
const WET_FROM = 2
/** A shell is raw beside its outer neighbour when it is cooked less by this. */
const RAW_BEHIND = 0.05

/**
 * Most water a shell can hold, g/g.
 * @param alpha how far it is gelatinised, 0..1; to the power 3.5, fitted: starch swells late
 */
export const capacityOf = (
  { soakLimit, most }: Pick<KernelKind, 'soakLimit' | 'most'>,
  alpha: number,
): number => soakLimit + (most - soakLimit) * alpha * alpha * alpha * Math.sqrt(alpha)

/** @param shells 4 or more  @throws {RangeError} for fewer */
export function kernelKind(given: KernelInput, shells: number): KernelKind {
  if (!(Number.isInteger(shells) && shells >= 4))
    throw new RangeError(`kernelKind: shells must be 4 or more, got ${shells}`)
  const step = 1 / shells
  const volume = new Float64Array(shells)
  const face = new Float64Array(shells)
  const outer = new Float64Array(shells)
  for (let i = 0; i < shells; i++) {
    const inner = i * step
    const edge = inner + step
    volume[i] = edge * edge - inner * inner
    face[i] = (2 * edge) / step
    outer[i] = Math.min(1, Math.max(0, (edge - (1 - OUTER_DEPTH)) / step))
  }
  // Skins that conduct better than a bare kernel (cracked grain, meal) would turn negative with many shells.
  const skinDepth = (1 / given.skin - 1) / 16
  return {
    shells,
    volume,
    face,
    surface: 2 / Math.max(step / 2 + skinDepth, step / 8),
    outer,
    radius: given.radiusMm / 1000,
    soakLimit: given.soakLimit,
    most: given.most,
    cookRate: 3 / (given.minutesAt100 * 60),
  }
}

/** Share of the raw starch that gelatinises in k time constants, 1 − e⁻ᵏ: right to the fourth power of k, under 1. */
const cookedBy = (k: number): number => k / (1 + k / 2 + (k * k) / 12)

const capacity = new Float64Array(64)
const weight = new Float64Array(64)
const level = new Float64Array(64)

/**
 * One step of one kernel, in place. No allocation: this is the innermost loop of every plan.
 * @param spread D·dt/a²
 * @param cooking speed × onset × dt in seconds at 100 °C
 * @param wetted share of the surface that touches water, 0..1
 * @param available most it can take this step, g/g
 * @returns water taken up, g per g of dry grain, never negative
 */
export function advanceKernel(
  kind: KernelKind,
  uptake: Float64Array,
  cooked: Float64Array,
  at: number,
  step: { spread: number; cooking: number; wetted: number; available: number },
): number {
  const { shells, volume, face } = kind
  const last = shells - 1
  const rate = kind.cookRate * step.cooking
  const whenWet = cookedBy(rate)
  for (let i = 0; i < shells; i++) {
    let alpha = cooked[at + i]!
    if (rate > 0) {
      const u = uptake[at + i]!
      if (u >= WET_ENOUGH) alpha += (1 - alpha) * whenWet
      else if (u > DRIEST_TO_COOK)
        alpha += (1 - alpha) * cookedBy(rate * ((u - DRIEST_TO_COOK) / (WET_ENOUGH - DRIEST_TO_COOK)))
      cooked[at + i] = alpha
    }
    capacity[i] = capacityOf(kind, alpha)
  }
  // Thomas elimination from the centre outward, unknown: uptake over capacity.
  let inward = 0
  let previous = 0
  let previousLevel = 0
  let pushBefore = 1
  for (let i = 0; i < last; i++) {
    // To the raw shell inside it a swollen one is as good as wet, and draws nothing out of it.
    let push = 1
    if (cooked[at + i]! < cooked[at + i + 1]! - RAW_BEHIND) {
      const unfilled = capacity[i + 1]! / uptake[at + i + 1]!
      push = unfilled < 1 ? 1 : unfilled < WET_FROM ? unfilled : WET_FROM
    }
    const outward = step.spread * face[i]! * 0.5 * (capacity[i]! + capacity[i + 1]!)
    const perDiagonal = 1 / (volume[i]! * capacity[i]! + inward * (pushBefore - previous) + outward)
    previousLevel = (volume[i]! * uptake[at + i]! + inward * previousLevel) * perDiagonal
    previous = outward * push * perDiagonal
    pushBefore = push
    weight[i] = previous
    level[i] = previousLevel
    inward = outward
  }
  const closed = volume[last]! * capacity[last]! + inward * (pushBefore - previous)
  const held = volume[last]! * uptake[at + last]! + inward * previousLevel
  const open = step.spread * kind.surface * capacity[last]! * step.wetted
  let fill = (held + open) / (closed + open)
  let taken = open * (1 - fill)
  if (taken < 0) taken = 0
  if (taken > step.available) taken = step.available
  fill = (held + taken) / closed
  uptake[at + last] = fill * capacity[last]!
  for (let i = last - 1; i >= 0; i--) {
    fill = level[i]! + weight[i]! * fill
    uptake[at + i] = fill * capacity[i]!
  }
  return taken
}

/** Mean uptake of a kernel, g/g. */
export function kernelMean(kind: KernelKind, uptake: Float64Array, at: number): number {
  let sum = 0
  for (let i = 0; i < kind.shells; i++) sum += kind.volume[i]! * uptake[at + i]!
  return sum
}
