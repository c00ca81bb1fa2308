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

/**
 * Outline of one kernel around the origin, length along x, as an SVG path in mm.
 * @param swell 1 is dry; cooked grain is longer and fatter
 */
export function kernelPath({ lengthMm, widthMm, shape }: Variety['kernel'], swell = 1): string {
  const [a, b] = [(lengthMm / 2) * swell, (widthMm / 2) * swell]
  const n = (value: number) => value.toFixed(2)
  switch (shape) {
    case 'round':
    case 'bead':
    case 'disc':
    case 'lens':
      return `M${n(-a)} 0A${n(a)} ${n(b)} 0 1 0 ${n(a)} 0A${n(a)} ${n(b)} 0 1 0 ${n(-a)} 0Z`
    case 'shard':
      return `M${n(-a)} ${n(b * 0.2)}L${n(-a * 0.3)} ${n(-b)}L${n(a)} ${n(-b * 0.4)}L${n(a * 0.5)} ${n(b)}Z`
    case 'three-cornered':
      return `M${n(-a)} ${n(b * 0.8)}Q${n(-a * 0.6)} ${n(-b)} 0 ${n(-b)}Q${n(a * 0.6)} ${n(-b)} ${n(a)} ${n(b * 0.8)}Q0 ${n(b * 1.3)} ${n(-a)} ${n(b * 0.8)}Z`
    case 'grain':
      return `M${n(-a)} 0C${n(-a * 0.72)} ${n(-b * 1.25)} ${n(a * 0.72)} ${n(-b * 1.25)} ${n(a)} 0C${n(a * 0.72)} ${n(b * 1.25)} ${n(-a * 0.72)} ${n(b * 1.25)} ${n(-a)} 0Z`
  }
}
