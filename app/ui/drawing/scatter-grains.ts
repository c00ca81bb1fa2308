import type { Variety } from '#core/grain/varieties'

/** A kernel laid in a bed, millimetres and degrees. */
export interface LaidKernel {
  x: number
  y: number
  turn: number
  shade: 0 | 1 | 2
}

/** A small seeded generator, so that the same grain always lies the same way. @see Tommy Ettinger, mulberry32 */
function seeded(seed: number): () => number {
  let state = seed >>> 0
  return () => {
    state = (state + 0x6d2b79f5) >>> 0
    let t = Math.imul(state ^ (state >>> 15), 1 | state)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
}

/**
 * Kernels filling a square tile that can be laid edge to edge: what sticks out on one side comes in on the
 * other.
 * @param tile side, mm
 */
export function layKernels({ lengthMm, widthMm }: Variety['kernel'], tile: number, seed = 7): LaidKernel[] {
  const random = seeded(seed)
  const rows = Math.max(1, Math.round(tile / (widthMm * 0.98)))
  const across = Math.max(1, Math.round(tile / (lengthMm * 1.02)))
  const kernels: LaidKernel[] = []
  for (let row = 0; row < rows; row++)
    for (let i = 0; i < across; i++) {
      const base = {
        x: ((i + (row % 2) / 2 + (random() - 0.5) * 0.4) * tile) / across,
        y: ((row + 0.5 + (random() - 0.5) * 0.3) * tile) / rows,
        // Settled kernels lie more flat than upright.
        turn: (random() - 0.5) * 56,
        shade: Math.floor(random() * 3) as LaidKernel['shade'],
      }
      const reach = lengthMm / 2
      for (const dx of [-tile, 0, tile])
        for (const dy of [-tile, 0, tile]) {
          const [x, y] = [base.x + dx, base.y + dy]
          if (x > -reach && x < tile + reach && y > -reach && y < tile + reach)
            kernels.push({ ...base, x, y })
        }
    }
  return kernels
}

/** A kernel is drawn to a hundredth of a millimetre. */
const coordinate = (value: number): string => String(Math.round(value * 100) / 100)

/**
 * Outline of one kernel, length along x, as an SVG path in mm.
 * @param swell 1 is dry; cooked grain is longer and fatter
 * @param at where it lies and how it is turned; left out, flat around the origin
 */
export function kernelPath(
  { lengthMm, widthMm, shape }: Variety['kernel'],
  swell = 1,
  at: Pick<LaidKernel, 'x' | 'y' | 'turn'> = { x: 0, y: 0, turn: 0 },
): string {
  const [a, b] = [(lengthMm / 2) * swell, (widthMm / 2) * swell]
  const [sin, cos] = [Math.sin((at.turn * Math.PI) / 180), Math.cos((at.turn * Math.PI) / 180)]
  // A point in halves of the length and of the width.
  const point = (x: number, y: number) =>
    `${coordinate(at.x + x * a * cos - y * b * sin)} ${coordinate(at.y + x * a * sin + y * b * cos)}`
  const arc = `A${coordinate(a)} ${coordinate(b)} ${Math.round(at.turn)} 1 0 `
  switch (shape) {
    case 'round':
    case 'bead':
    case 'disc':
    case 'lens':
      return `M${point(-1, 0)}${arc}${point(1, 0)}${arc}${point(-1, 0)}Z`
    case 'shard':
      return `M${point(-1, 0.2)}L${point(-0.3, -1)}L${point(1, -0.4)}L${point(0.5, 1)}Z`
    case 'three-cornered':
      return `M${point(-1, 0.8)}Q${point(-0.6, -1)} ${point(0, -1)}Q${point(0.6, -1)} ${point(1, 0.8)}Q${point(0, 1.3)} ${point(-1, 0.8)}Z`
    case 'grain':
      return `M${point(-1, 0)}C${point(-0.72, -1.25)} ${point(0.72, -1.25)} ${point(1, 0)}C${point(0.72, 1.25)} ${point(-0.72, 1.25)} ${point(-1, 0)}Z`
  }
}

/** Kernels in a tile: about so many, so that small grain does not fill a page with them. */
const IN_A_TILE = 100
const [SMALLEST_TILE, LARGEST_TILE] = [8, 60] // mm

const tiles = new WeakMap<Variety['kernel'], Map<number, { side: number; shades: string[] }>>()
const SWELLS_KEPT = 12

/** A tile as {@link makeTile} makes it; those of the same grain, swollen as far, are made once. */
export function kernelTile(kernel: Variety['kernel'], swell = 1): { side: number; shades: string[] } {
  const made = tiles.get(kernel) ?? new Map<number, { side: number; shades: string[] }>()
  tiles.set(kernel, made)
  const tile = made.get(swell) ?? makeTile(kernel, swell)
  if (made.size >= SWELLS_KEPT) made.clear()
  made.set(swell, tile)
  return tile
}

/**
 * A tile of settled kernels, ready to be drawn: one path for each of the three shades.
 * @returns its side, mm, and the paths
 */
function makeTile(kernel: Variety['kernel'], swell: number): { side: number; shades: string[] } {
  const wanted = Math.sqrt(IN_A_TILE * kernel.lengthMm * kernel.widthMm)
  const side = Math.round(Math.min(LARGEST_TILE, Math.max(SMALLEST_TILE, wanted)))
  const laid = layKernels(kernel, side)
  return {
    side,
    shades: [0, 1, 2].map((shade) =>
      laid
        .filter((one) => one.shade === shade)
        .map((one) => kernelPath(kernel, swell, one))
        .join(''),
    ),
  }
}
