import type { LidPosition } from '#core/heat/lid'
import { donenessOf, isDone, type Goal } from './doneness'
import { chill, drainOff, dryOff, joinGrain, leaveGrain, pourIn } from './actions'
import { ASIDE_C, cookedMass, liquidOf, stepPot, vesselHeating, type Heating, type Pot } from './pot'

type PhaseEvent = 'boil' | 'pressure' | 'switch' | 'unsealed' | 'toasted' | 'dry' | 'tasted'

/** A stretch of cooking with one heat and one lid, and what ends it. */
export interface Phase {
  id: string
  powerW: number
  lid: LidPosition
  mode: Heating['mode']
  sealedC?: number
  sealedLeak?: number
  thermostat?: boolean
  contact?: Heating['contact']
  surroundC?: number
  wrapped?: boolean
  /** Grains, by their place in the setup, that go in as this begins; warm when they were only turned out. */
  join?: readonly number[]
  joinWarm?: boolean
  /** Grains that are turned out as this begins. */
  leave?: readonly number[]
  /** Share of the water kept beside the pot that goes in as this begins. */
  pourShare?: number
  /** All free water but this much, g per g of dry grain, is poured off as this begins. */
  drainTo?: number
  /** Everything is chilled to this as it begins, °C. */
  chillTo?: number
  /** Whenever the free water falls below so much, g per g of dry grain, this share of the kept water goes in. */
  ladle?: { below: number; share: number }
  until: { minutes: number } | { event: PhaseEvent; atMostMinutes: number }
  /** What is tasted for, where the end is tasted. */
  tasted?: Goal
  /** Goes on for so long after its event, under the same heat: the sign is seen and a hand turns the heat down. */
  lingerMinutes?: number
  /** Off the heat, and yet the cooking itself: nothing of it is margin. */
  cooksOn?: boolean
  /** The lid comes off at the end and the grain is loosened: what flashes off then is part of the water. */
  opensAtEnd?: boolean
}

export interface PhaseRun {
  /** Whether the awaited event came; a clock always comes. */
  ended: boolean
  minutes: number
}

/** A switch cooker lets go when its bottom passes the boil by this much, K. */
export const SWITCH_OVER_BOIL_K = 6
/** A bottom is toasted well before it is scorched, K·s over the scorching threshold. */
const TOASTED_KS = 500
const CLOSE_K = 1e-3
/** Free water per dry grain above which running dry is not near, g/g. */
const WELL_WET = 0.05

function arrived(pot: Pot, phase: Phase, event: PhaseEvent | undefined): boolean {
  switch (event) {
    case undefined:
      return false
    case 'boil':
      return pot.bulkC >= pot.setup.boilC - CLOSE_K
    case 'pressure':
      return pot.bulkC >= phase.sealedC! - CLOSE_K
    case 'switch':
      return pot.bottomC >= pot.setup.boilC + SWITCH_OVER_BOIL_K
    case 'dry':
      return liquidOf(pot) <= 0
    case 'tasted':
      return isDone(donenessOf(pot, phase.tasted!))
    case 'toasted':
      return pot.scorch >= TOASTED_KS
    case 'unsealed':
      return pot.bulkC <= pot.setup.boilC + 0.3
  }
}

/**
 * What flashes off when a pot is opened and its grain loosened, as a share of the cooked mass (weighed pots
 * lose 1 to 1.5 %).
 */
export const FLASHES_OFF = 0.015

/** Runs a phase to its end.  @param watch called after every step */
export function runPhase(pot: Pot, phase: Phase, watch?: (pot: Pot) => void): PhaseRun {
  const run = runToItsEnd(pot, phase, watch)
  if (!phase.opensAtEnd) return run
  dryOff(pot, FLASHES_OFF * cookedMass(pot))
  watch?.(pot)
  return run
}

/** The same phase going on: what it does as it begins is done. */
export const goingOn = <T extends Partial<Phase>>({
  join: _join,
  leave: _leave,
  pourShare: _pour,
  drainTo: _drain,
  chillTo: _chill,
  ...rest
}: T): T => rest as T

/** What happens to grain and water as a phase begins. */
function beginPhase(pot: Pot, phase: Phase): void {
  for (const grain of phase.leave ?? []) leaveGrain(pot, grain)
  for (const grain of phase.join ?? [])
    joinGrain(pot, grain, phase.joinWarm ? Math.min(ASIDE_C, pot.bulkC) : undefined)
  if (phase.drainTo !== undefined) drainOff(pot, phase.drainTo)
  if (phase.chillTo !== undefined) chill(pot, phase.chillTo)
  if (phase.pourShare !== undefined) pourIn(pot, phase.pourShare, phase.contact !== 'aside')
}

function runToItsEnd(pot: Pot, phase: Phase, watch?: (pot: Pot) => void): PhaseRun {
  const start = pot.now
  beginPhase(pot, phase)
  const { step: fine, steadyStep, restStep } = pot.resolution
  const { until, ladle, lingerMinutes } = phase
  const heating = vesselHeating(pot.setup, phase)
  const { mode } = heating
  const [event, limit] =
    'minutes' in until ? [undefined, until.minutes * 60] : [until.event, until.atMostMinutes * 60]
  const clocked = mode !== 'venting' && (event === undefined || event === 'unsealed')
  const whenSteady = heating.powerW > 0 ? steadyStep : restStep
  while (pot.now - start < limit - 1e-6) {
    if (arrived(pot, phase, event)) {
      if (lingerMinutes) runToItsEnd(pot, { ...goingOn(phase), until: { minutes: lingerMinutes } }, watch)
      return { ended: true, minutes: (pot.now - start) / 60 }
    }
    if (ladle && pot.freeG < ladle.below * pot.dryG && pot.stockG > 0) pourIn(pot, ladle.share)
    // A cooker holds its boil until the water nears its end; only then does a second matter.
    const steady =
      clocked ||
      (mode === 'open' && pot.bulkC >= pot.setup.boilC - CLOSE_K && liquidOf(pot) > WELL_WET * pot.dryG)
    stepPot(pot, Math.min(steady ? whenSteady : fine, limit - (pot.now - start)), heating)
    watch?.(pot)
  }
  return { ended: event === undefined || arrived(pot, phase, event), minutes: (pot.now - start) / 60 }
}
