import { textureOf } from '#core/grain/texture'
import type { Variety } from '#core/grain/varieties'

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

/** Degree of gelatinisation in the slowest centre from which a tongue finds no heart, and below which it is chalk. */
const THROUGH = 0.9
const CHALKY = 0.8
/** Free water over this share of the cooked mass swims between the grains. */
const SOGGY_FREE = 0.06
/** Over soft by this share is sodden, whatever is left free. */
const SOGGY_UPTAKE = 1.1
/** (most − least) / mean of the layers. */
const UNEVEN = 0.35
const SCORCHED_KS = 1800
/** Texture on the scale 0 firm … 1 soft: under the first it is dry, over the last it is mush. */
const EDGES = { dry: -0.15, firm: 0.25, standard: 0.75, soft: 1.25 } as const

/** What a pot comes to, in the words of a table. */
export function verdictOf({ uptakeByLayer, uptakeMean, centreMin, freeShare, scorch }: Outcome, uptake: Variety['uptake']): Verdict {
  const texture = textureOf(uptake, uptakeMean)
  return {
    cookedThrough: centreMin >= THROUGH ? 'yes' : centreMin >= CHALKY ? 'firm-centred' : 'chalky',
    texture: texture < EDGES.dry ? 'dry' : texture < EDGES.firm ? 'firm' : texture <= EDGES.standard ? 'standard' : texture <= EDGES.soft ? 'soft' : 'mushy',
    soggy: freeShare > SOGGY_FREE || uptakeMean > uptake.soft * SOGGY_UPTAKE,
    uneven: (Math.max(...uptakeByLayer) - Math.min(...uptakeByLayer)) / Math.max(1e-9, uptakeMean) > UNEVEN,
    scorched: scorch >= SCORCHED_KS,
  }
}
