import { millilitres, millimetres, type Millilitres, type Millimetres } from '#core/quantity/units'

/** A straight or tapered round vessel, inner measures. */
export interface Frustum {
  baseDiameter: Millimetres
  rimDiameter: Millimetres
  height: Millimetres
}

const MM3_PER_ML = 1000

/** Water that fills the vessel to a level. Above the rim the wall is taken to go straight up, so that "how far over" has an answer.
 *  @param level 0 mm or more above the inner base */
export function volumeAt(shape: Frustum, level: Millimetres): Millilitres {
  const inside = Math.min(level, shape.height)
  const base = shape.baseDiameter
  const surface = base + ((shape.rimDiameter - base) * inside) / shape.height
  const frustum = ((Math.PI * inside) / 12) * (base * base + base * surface + surface * surface)
  const above = Math.max(0, level - shape.height) * (Math.PI / 4) * shape.rimDiameter ** 2
  return millilitres((frustum + above) / MM3_PER_ML)
}

/** The inverse of volumeAt, exact: the cube of the surface diameter grows linearly with the volume.
 *  @param volume mL; below 0 answers a level below the base, as a straight wall would, so that differences stay continuous */
export function levelOf(shape: Frustum, volume: Millilitres): Millimetres {
  const { baseDiameter: base, rimDiameter: rim, height } = shape
  const cubicMillimetres = volume * MM3_PER_ML
  if (cubicMillimetres <= 0) return millimetres(cubicMillimetres / ((Math.PI / 4) * base * base))
  const full = volumeAt(shape, height)
  if (volume >= full) return millimetres(height + ((volume - full) * MM3_PER_ML) / ((Math.PI / 4) * rim * rim))
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
