import { LATENT_HEAT, openSurfaceEvaporation } from '#core/heat/evaporation'
import { lossFactor } from '#core/heat/lid'
import { celsius } from '#core/units/units'
import type { Stage } from '#core/plan/result'

/** How long a lid is off when it was not said, s. */
export const USUAL_LIFT_S = 15
/** How long a pot stood open when it was opened too early, s. */
export const OPENED_S = 60

export interface LiftedPot {
  /** What reaches the pot, W. */
  powerW: number
  /** Covered loss, W/K. */
  lossWK: number
  /** m² */
  openArea: number
  boilC: number
  kitchenC: number
}

export interface LidLift {
  /** Heat that left with the lid off, J. */
  joules: number
  /** g of steam that left. */
  steamG: number
  /** Minutes the boil takes to come back; 0 with the heat off, where nothing brings it back. */
  minutes: number
}

/** Nobody waits longer than this for one look under the lid, minutes. */
const MAX_MINUTES = 3

/**
 * What a look under the lid costs a pot at the boil: vapour from the open surface, and the loss of an
 * uncovered pot over a covered one. The minutes are that heat over what the burner gives beyond the covered
 * loss.
 * @param seconds the lid was off
 */
export function lidLift(pot: LiftedPot, seconds: number): LidLift {
  const above = pot.boilC - pot.kitchenC
  const steamG = openSurfaceEvaporation(celsius(pot.boilC)) * pot.openArea * seconds
  const joules = steamG * LATENT_HEAT + pot.lossWK * (lossFactor('tight', 'off', true) - 1) * above * seconds
  const surplus = pot.powerW - pot.lossWK * above
  if (!(pot.powerW > 0)) return { joules, steamG, minutes: 0 }
  return {
    joules,
    steamG,
    minutes: Math.min(MAX_MINUTES, surplus > 0 ? joules / surplus / 60 : MAX_MINUTES),
  }
}

/** Kinds of stages under pressure: the lid is locked, and lifting it is a danger, no loss of steam. */
const LOCKED: ReadonlySet<Stage['kind']> = new Set(['pressure-up', 'pressure', 'release'])
/** Whether the vessel is sealed: opening it is a danger. */
export const isSealed = ({ kind }: Pick<Stage, 'kind'>): boolean => LOCKED.has(kind)
/** Whether there is a lid on a hot pot that a cook could lift for a look. */
export const lidCanBeLifted = ({ kind, lid, power_w }: Pick<Stage, 'kind' | 'lid' | 'power_w'>): boolean =>
  lid !== 'off' && !LOCKED.has(kind) && (power_w > 0 || kind === 'rest')
