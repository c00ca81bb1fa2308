import type { Variety } from './varieties'

/**
 * Water in the grain for a texture between firm (0), standard (0.5) and soft (1), in two straight pieces.
 * @param texture 0..1
 * @returns g of water per g of dry grain
 * @throws {RangeError} outside 0..1
 * @example uptakeAt({ firm: 1.15, standard: 1.4, soft: 1.7 }, 0.75) // 1.55
 */
export function uptakeAt(
  uptake: Pick<Variety['uptake'], 'firm' | 'standard' | 'soft'>,
  texture: number,
): number {
  if (!(texture >= 0 && texture <= 1))
    throw new RangeError(`uptakeAt: texture must be 0 to 1, got ${texture}`)
  const { firm, standard, soft } = uptake
  return texture <= 0.5
    ? firm + (standard - firm) * 2 * texture
    : standard + (soft - standard) * 2 * (texture - 0.5)
}

/** The inverse: where an uptake lies between firm and soft; below 0 is drier than firm, above 1 wetter than soft. */
export function textureOf(
  uptake: Pick<Variety['uptake'], 'firm' | 'standard' | 'soft'>,
  gramsPerGram: number,
): number {
  const { firm, standard, soft } = uptake
  return gramsPerGram <= standard
    ? (0.5 * (gramsPerGram - firm)) / (standard - firm)
    : 0.5 + (0.5 * (gramsPerGram - standard)) / (soft - standard)
}
