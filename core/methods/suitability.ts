import { cookMinutes } from '#core/grain/blend'
import type { Variety } from '#core/grain/varieties'
import type { UsualSoak } from './definition'

/** Quicker than this a grain only wants hot water, minutes in boiling water. */
const AT_ONCE_MINUTES = 6

/** Grain that has to be boiled: what drinks at once has water poured over it instead. */
export const wantsBoiling = (variety: Variety): boolean => cookMinutes(variety) > AT_ONCE_MINUTES
/** Small grain falls through a sieve and is not drained. */
const TOO_SMALL_MM = 1.8

/** Grain that a kitchen sieve holds back. */
export const staysInSieve = ({ kernel }: Pick<Variety, 'kernel'>): boolean =>
  kernel.widthMm >= TOO_SMALL_MM || kernel.lengthMm > 4

/** Long aromatic grain soaks twenty minutes before boiling water, so that it lengthens and does not break. */
export const aromaticSoak = ({ id }: Pick<Variety, 'id'>): UsualSoak | null =>
  id === 'basmati' ? { minutes: 20, water: 'drain' } : null
