import { textureOf } from '#core/grain/texture'
import type { Variety } from '#core/grain/varieties'
import { CENTRE_CHALKY, CENTRE_THROUGH, SCORCHED_KS, SOGGY_FREE } from '#core/constants'

export interface Outcome {
  uptakeByLayer: readonly number[]
  uptakeMean: number
  centreMin: number
  freeShare: number
  /** K·s over 125 °C at the bottom. */
  scorch: number
}

export const COOKED_THROUGH = ['yes', 'firm-centred', 'chalky'] as const
export const TEXTURES = ['dry', 'firm', 'standard', 'soft', 'mushy'] as const

export interface Verdict {
  cookedThrough: (typeof COOKED_THROUGH)[number]
  texture: (typeof TEXTURES)[number]
  soggy: boolean
  uneven: boolean
  scorched: boolean
}

/** Over soft by this share is sodden, whatever is left free. */
const SOGGY_UPTAKE = 1.1
/** (most − least) / mean of the layers. */
const UNEVEN = 0.35
/** Texture on the scale 0 firm … 1 soft: under the first it is dry, over the last it is mush. */
const EDGES = { dry: -0.15, firm: 0.25, standard: 0.75, soft: 1.25 } as const

/** A dish with sauce is as much thinner as soft is from standard with this share more water, and too thin from this. */
const THINNER = 0.6
const TOO_THIN = 0.4

/**
 * What flows is part of a porridge or a creamy dish: how much more water it holds than was meant, as a share;
 * 0 without sauce.
 */
function thinnerThanMeant(
  { uptakeMean, freeShare }: Outcome,
  uptake: Variety['uptake'],
  sauce: number,
): number {
  if (sauce === 0) return 0
  const held = uptakeMean + (freeShare * (1 + uptakeMean)) / (1 - freeShare)
  return held / (uptake.standard + sauce) - 1
}

/** Where it ends on the scale 0 firm, 0.5 standard, 1 soft; of a dish with sauce, from thick to thin. */
export const textureReached = (outcome: Outcome, uptake: Variety['uptake'], sauce = 0): number =>
  sauce > 0 ? 0.5 + thinnerThanMeant(outcome, uptake, sauce) / THINNER : textureOf(uptake, outcome.uptakeMean)

/**
 * What a pot comes to, in the words of a table.
 * @param sauce water meant to be eaten with the grain and not in it, g/g
 */
export function verdictOf(outcome: Outcome, uptake: Variety['uptake'], sauce = 0): Verdict {
  const { uptakeByLayer, uptakeMean, centreMin, freeShare, scorch } = outcome
  const thin = thinnerThanMeant(outcome, uptake, sauce)
  const texture = textureReached(outcome, uptake, sauce)
  return {
    cookedThrough:
      centreMin >= CENTRE_THROUGH ? 'yes' : centreMin >= CENTRE_CHALKY ? 'firm-centred' : 'chalky',
    texture:
      texture < EDGES.dry
        ? 'dry'
        : texture < EDGES.firm
          ? 'firm'
          : texture <= EDGES.standard
            ? 'standard'
            : texture <= EDGES.soft
              ? 'soft'
              : 'mushy',
    soggy: sauce > 0 ? thin > TOO_THIN : freeShare > SOGGY_FREE || uptakeMean > uptake.soft * SOGGY_UPTAKE,
    uneven:
      sauce === 0 &&
      (Math.max(...uptakeByLayer) - Math.min(...uptakeByLayer)) / Math.max(1e-9, uptakeMean) > UNEVEN,
    scorched: scorch >= SCORCHED_KS,
  }
}
