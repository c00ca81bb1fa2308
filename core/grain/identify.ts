import { cookMinutes } from './blend'
import { VARIETIES, type Variety, type VarietyId } from './varieties'

/** Ten kernels on a ruler, and what the eye says of the handful. */
export interface Handful {
  /** mm, one each kernel. */
  lengths: readonly number[]
  widths: readonly number[]
  coat: (typeof COATS)[number]
  /** Of ten kernels, how many are broken, chalky white inside, or plainly another grain. */
  broken: number
  chalky: number
  other: number
}

export const COATS = ['white', 'tan', 'red', 'black'] as const

export type GrainClass = 'long' | 'medium' | 'short' | 'round'

export interface Identified {
  lengthMm: number
  widthMm: number
  slenderness: number
  class: GrainClass
  /** Nearest varieties, the nearest first, with how far off each is (0 is exact, about 1 is a clear difference). */
  likely: { id: VarietyId; distance: number }[]
  /** What to mind in this lot. */
  remarks: string[]
}

/**
 * Length over width: long grain from 3, medium from 2, short from 1.3 by usual milled-rice classes; rounder
 * is no rice.
 */
const CLASSES = [
  { from: 3, class: 'long' },
  { from: 2, class: 'medium' },
  { from: 1.3, class: 'short' },
  { from: 0, class: 'round' },
] as const
/** Differences that count as plain, as a share. */
const LENGTH_SPREAD = 0.12
const SLENDER_SPREAD = 0.15
const OTHER_COAT = 1.5
const POOR_BROKEN = 2
const POOR_CHALKY = 3

const mean = (list: readonly number[]) => list.reduce((a, b) => a + b, 0) / list.length

/** The coat a variety wears. */
export function coatOf(variety: Variety): Handful['coat'] {
  if (variety.id === 'black' || variety.id === 'wild') return 'black'
  if (variety.id === 'red') return 'red'
  return variety.family === 'white rice' ||
    variety.family === 'sticky rice' ||
    variety.id === 'couscous' ||
    variety.id === 'fonio'
    ? 'white'
    : 'tan'
}

/**
 * What grain this is, by its kernels.
 * @throws {RangeError} without kernels, or with one that has no size, or more odd kernels than kernels
 */
export function identify(handful: Handful): Identified {
  const { lengths, widths, broken, chalky, other } = handful
  const n = lengths.length
  if (n === 0 || widths.length !== n)
    throw new RangeError(
      `identify: needs a length and a width for each kernel, got ${n} and ${widths.length}`,
    )
  for (const size of [...lengths, ...widths])
    if (!(size > 0.2 && size < 20))
      throw new RangeError(`identify: a kernel must measure 0.2 to 20 mm, got ${size}`)
  for (const count of [broken, chalky, other])
    if (!(count >= 0 && count <= n))
      throw new RangeError(`identify: odd kernels must be 0 to ${n}, got ${count}`)
  const [lengthMm, widthMm] = [mean(lengths), mean(widths)]
  const slenderness = lengthMm / widthMm
  const likely = VARIETIES.map((variety) => ({
    id: variety.id,
    distance: distanceTo(variety, lengthMm, slenderness, handful.coat),
  }))
    .sort((a, b) => a.distance - b.distance)
    .slice(0, 4)
  return {
    lengthMm,
    widthMm,
    slenderness,
    class: CLASSES.find(({ from }) => slenderness >= from)!.class,
    likely,
    remarks: remarksOn(handful),
  }
}

function distanceTo(variety: Variety, lengthMm: number, slenderness: number, coat: Handful['coat']): number {
  const { kernel } = variety
  const length = Math.log(lengthMm / kernel.lengthMm) / LENGTH_SPREAD
  const slender = Math.log(slenderness / (kernel.lengthMm / kernel.widthMm)) / SLENDER_SPREAD
  return Math.hypot(length, slender) / 2 + (coatOf(variety) === coat ? 0 : OTHER_COAT)
}

function remarksOn({ broken, chalky, other, lengths }: Handful): string[] {
  const n = lengths.length
  const said: string[] = []
  if (broken >= POOR_BROKEN)
    said.push(`${broken} of ${n} broken: they absorb faster. Rinse once more and use less water.`)
  if (chalky >= POOR_CHALKY) said.push(`${chalky} of ${n} chalky: soak briefly, do not stir.`)
  if (other > 0) said.push(`${other} of ${n} are another grain: remove them or plan a mix.`)
  return said
}

/** How differently two grains cook: water, time and stickiness, each against what a cook would notice. */
function nearness(a: Variety, b: Variety): number {
  const water = (a.uptake.standard - b.uptake.standard) / 0.3
  const time = Math.log(cookMinutes(a) / cookMinutes(b)) / Math.log(1.5)
  const starch = (a.amylose - b.amylose) / 0.05
  return Math.hypot(water, time, starch)
}

/**
 * What can stand in for a grain that is missing, out of what there is; the nearest first.
 * @returns ids with their distance, about 1 for a difference one would taste
 */
export const substitutesFor = (
  missing: Variety,
  grainBags: readonly Variety[],
): { id: VarietyId; distance: number }[] =>
  grainBags
    .filter((v) => v.id !== missing.id)
    .map((v) => ({ id: v.id, distance: nearness(missing, v) }))
    .sort((a, b) => a.distance - b.distance)
