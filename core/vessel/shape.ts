import { millilitres, millimetres, type Millilitres, type Millimetres } from '#core/units/units'

/** A straight or tapered round vessel, inner measures. */
export interface Frustum {
  baseDiameter: Millimetres
  rimDiameter: Millimetres
  height: Millimetres
}

/** A vessel as the planner reads it: a frustum, or a measured wall where the cook has counted water in. */
export interface Shape extends Frustum {
  /** Levels and volumes, rising from 0; between them the wall is taken as straight. */
  marks?: readonly Mark[]
}

export interface Mark {
  levelMm: number
  volumeMl: number
}

/** Checks a table of marks.  @returns what is wrong with it, naming the mark; nothing when it can be used */
export function wrongMarks(marks: readonly Mark[]): string | undefined {
  if (marks.length < 2) return `needs at least 2 marks, got ${marks.length}`
  let last: Mark = { levelMm: 0, volumeMl: 0 }
  for (const [i, mark] of marks.entries()) {
    if (!(mark.levelMm > last.levelMm))
      return `mark ${i + 1} must be higher than the one before: ${mark.levelMm} mm after ${last.levelMm} mm`
    if (!(mark.volumeMl > last.volumeMl))
      return `mark ${i + 1} must hold more than the one before: ${mark.volumeMl} mL after ${last.volumeMl} mL`
    last = mark
  }
  return undefined
}

/** Straight pieces through the marks, from the bottom; past the last as its own piece goes. */
function alongMarks(
  marks: readonly Mark[],
  from: 'levelMm' | 'volumeMl',
  to: 'levelMm' | 'volumeMl',
  at: number,
): number {
  let [a, b]: [Mark, Mark] = [{ levelMm: 0, volumeMl: 0 }, marks[0]!]
  for (const mark of marks.slice(1)) {
    if (at <= b[from]) break
    ;[a, b] = [b, mark]
  }
  return a[to] + ((at - a[from]) / (b[from] - a[from])) * (b[to] - a[to])
}

const MM3_PER_ML = 1000

/**
 * Water that fills the vessel to a level. Above the rim the wall is taken to go straight up, so that "how far
 * over" has an answer.
 * @param level 0 mm or more above the inner base
 */
export function volumeAt(shape: Shape, level: Millimetres): Millilitres {
  if (shape.marks) return millilitres(alongMarks(shape.marks, 'levelMm', 'volumeMl', level))
  const inside = Math.min(level, shape.height)
  const base = shape.baseDiameter
  const surface = base + ((shape.rimDiameter - base) * inside) / shape.height
  const frustum = ((Math.PI * inside) / 12) * (base * base + base * surface + surface * surface)
  const above = Math.max(0, level - shape.height) * (Math.PI / 4) * shape.rimDiameter ** 2
  return millilitres((frustum + above) / MM3_PER_ML)
}

/**
 * The inverse of volumeAt, exact: the cube of the surface diameter grows linearly with the volume.
 * @param volume mL; below 0 answers a level below the base, as a straight wall would, so that differences
 * stay continuous
 */
export function levelOf(shape: Shape, volume: Millilitres): Millimetres {
  if (shape.marks) return millimetres(alongMarks(shape.marks, 'volumeMl', 'levelMm', volume))
  const { baseDiameter: base, rimDiameter: rim, height } = shape
  const cubicMillimetres = volume * MM3_PER_ML
  if (cubicMillimetres <= 0) return millimetres(cubicMillimetres / ((Math.PI / 4) * base * base))
  const full = volumeAt(shape, height)
  if (volume >= full)
    return millimetres(height + ((volume - full) * MM3_PER_ML) / ((Math.PI / 4) * rim * rim))
  const taper = (rim - base) / height
  if (Math.abs(taper) < 1e-6) return millimetres(cubicMillimetres / ((Math.PI / 4) * base * base))
  const surface = Math.cbrt(base ** 3 + (12 * taper * cubicMillimetres) / Math.PI)
  return millimetres((surface - base) / taper)
}

/** Inner diameter of the wall at a level. */
export const diameterAt = (shape: Frustum, level: Millimetres): Millimetres =>
  millimetres(
    shape.baseDiameter +
      ((shape.rimDiameter - shape.baseDiameter) * Math.min(Math.max(0, level), shape.height)) / shape.height,
  )

/** Height of a frustum that holds a volume. */
export const heightFor = (base: Millimetres, rim: Millimetres, capacity: Millilitres): Millimetres =>
  millimetres((12 * capacity * MM3_PER_ML) / (Math.PI * (base * base + base * rim + rim * rim)))

/** Outside of the closed vessel in m²: base, wall and lid. The wall is thin, so the inner measures serve. */
export function outsideArea({ baseDiameter, rimDiameter, height }: Frustum): number {
  const slant = Math.hypot(height, (rimDiameter - baseDiameter) / 2)
  const wall = (Math.PI * (baseDiameter + rimDiameter) * slant) / 2
  return ((Math.PI / 4) * (baseDiameter ** 2 + rimDiameter ** 2) + wall) / 1e6
}
