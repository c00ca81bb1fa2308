/**
 * One row of the variety table: what the grain is, before any pot. Water figures are g per g of dry grain as
 * bought.
 */
export interface VarietyRow {
  id: string
  name: string
  family:
    | 'white rice'
    | 'whole rice'
    | 'sticky rice'
    | 'small grain'
    | 'wheat and barley'
    | 'cracked'
    | 'porridge'
    | 'pulse'
  /** Dry bulk density, g/mL, levelled scoop. */
  bulkDensity: number
  /** Kernel density, g/mL. */
  kernelDensity: number
  /** Water in the grain as eaten: firm, standard, soft, and the most it takes in excess water, g/g. */
  uptake: { firm: number; standard: number; soft: number; most: number }
  /** The same for steamed grain where it differs. */
  steamedUptake?: { firm: number; standard: number; soft: number }
  /** Cooked bulk density, loose, g/mL. */
  cookedDensity: number
  /** Minutes at 100 °C to cook through, unsoaked. */
  minutesAt100: number
  /** Degree of gelatinisation it is sold with, 0..1, where it was cooked before it was dried. */
  precooked?: number
  /** Equivalent kernel radius, mm. */
  radiusMm: number
  /** Skin conductance; 1 is a bare kernel. */
  skin: number
  /** Cold-soak limit, g/g. */
  soakLimit: number
  /** Rinse water still clinging after a sieve, g/g. */
  cling: number
  /** Amylose share of starch. */
  amylose: number
  /** Usual number of washes and how to do it. */
  washes: number
  washHow: string
  /** Kernel length and width, mm, and outline, for drawing. */
  kernel: {
    lengthMm: number
    widthMm: number
    shape: 'grain' | 'disc' | 'round' | 'three-cornered' | 'shard' | 'bead' | 'lens'
  }
  /** Covered rest, minutes, where it differs from the method's own. */
  restMinutes?: number
  gluten: boolean
  /** Foams enough that pressure vessels must stay under a third. */
  frothing: boolean
  /** A few words on how it behaves. */
  character: string
}
