import { LATENT_HEAT, openSurfaceEvaporation } from '#core/heat/evaporation'
import { celsius } from '#core/units/units'

/** What lies at one face of the slab. */
export interface Face {
  /** °C of the air, water or shelf there. */
  celsius: number
  /** Heat transfer, W/(m² K). */
  h: number
  /** A bare face also cools by giving off vapour. */
  bare?: boolean
}

export interface Slab {
  depthM: number
  /** W/(m K) */
  conductivity: number
  /** J/(m³ K) */
  heatPerVolume: number
  startC: number
}

/**
 * Cells across the slab: 24 keep the hottest one within 1 % of the closed form for Biot numbers up to 5
 * (slab.test.ts).
 */
const CELLS = 24

/**
 * Cools a slab with unlike faces, implicit in time, and tells each step's warmest cell and the vapour given
 * off so far, g/m².
 * @param stepS 2 % of the slab's own time or less keeps first-order time error under 1 %
 * @param until stops when it returns true
 * @param next faces it is moved to after so long
 */
export function coolSlab(
  { depthM, conductivity, heatPerVolume, startC }: Slab,
  top: Face,
  bottom: Face,
  stepS: number,
  until: (warmestC: number, seconds: number) => boolean,
  next?: { afterS: number; top: Face; bottom: Face },
): { seconds: number; warmestC: number; meanC: number; vapourGM2: number } {
  const dx = depthM / CELLS
  const t = new Float64Array(CELLS).fill(startC)
  const between = conductivity / dx
  // From a cell's middle through half of it, and then into what lies at the face.
  const through = ({ h }: Face) => 1 / (1 / h + dx / 2 / conductivity)
  let [hTop, hBottom] = [through(top), through(bottom)]
  const store = (heatPerVolume * dx) / stepS
  const upper = new Float64Array(CELLS)
  const right = new Float64Array(CELLS)
  let [seconds, vapour] = [0, 0]
  let warmest = startC
  while (!until(warmest, seconds)) {
    if (next && seconds >= next.afterS) {
      ;[top, bottom, hTop, hBottom] = [next.top, next.bottom, through(next.top), through(next.bottom)]
      next = undefined
    }
    const sink = top.bare ? LATENT_HEAT * openSurfaceEvaporation(celsius(t[CELLS - 1]!)) : 0
    vapour += (sink / LATENT_HEAT) * stepS
    for (let i = 0; i < CELLS; i++) {
      const down = i === 0 ? 0 : between
      const up = i === CELLS - 1 ? 0 : between
      const faceH = (i === 0 ? hBottom : 0) + (i === CELLS - 1 ? hTop : 0)
      const faceFlow =
        (i === 0 ? hBottom * bottom.celsius : 0) + (i === CELLS - 1 ? hTop * top.celsius - sink : 0)
      const middle = store + down + up + faceH - (i === 0 ? 0 : down * upper[i - 1]!)
      upper[i] = up / middle
      right[i] = (store * t[i]! + faceFlow + (i === 0 ? 0 : down * right[i - 1]!)) / middle
    }
    for (let i = CELLS - 1; i >= 0; i--) t[i] = right[i]! + (i === CELLS - 1 ? 0 : upper[i]! * t[i + 1]!)
    seconds += stepS
    warmest = Math.max(...t)
  }
  return { seconds, warmestC: warmest, meanC: t.reduce((a, b) => a + b, 0) / CELLS, vapourGM2: vapour }
}
