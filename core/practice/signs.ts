import { SCORCH_FROM_C, SCORCHED_KS } from '#core/constants'
import { lossFactor } from '#core/heat/lid'
import { steamNow } from '#core/pot/readout'
import { freeShare, liquidOf } from '#core/pot/pot'
import type { Handled } from './run-actions'

/** What a cook can hear, see and smell of a pot without opening more of it than is open. */
export interface Signs {
  says: string[]
  /** Leaving it now, g/min. */
  steam: number
  /** What can be seen of the surface, where the lid lets one. */
  surface: 'hidden' | 'water' | 'holes' | 'dry'
  celsius: number
}

const NEAR_BOIL_K = 10
const WALL_BUBBLES_C = 65
/** Over this a lid rattles, W. */
const ROLLING_W = 250
/** Free water over this share of the pot still swims; below, it is in holes between the grains. */
const SWIMS = 0.1
const JUST_MIN = 2

/** @param atMin minutes from the pour */
export function signsOf(handled: Handled, atMin: number): Signs {
  const { pot, powerW, lid, sealed } = handled
  const wet = liquidOf(pot) > 0
  const boiling = wet && powerW > 0 && pot.bulkC >= pot.setup.boilC - 0.1 && sealed === 'open'
  const steam = boiling ? steamNow(pot, powerW, lid) : 0
  const surface = surfaceOf(handled)
  const says = [
    ...lidSigns(handled, atMin),
    ...(sealed === 'open' ? [...smells(handled), boilSign(handled, boiling, steam)] : []),
    ...(surface === 'hidden' ? [] : [SURFACE_WORDS[surface]]),
  ]
  return { says, steam, surface, celsius: pot.bulkC }
}

/** What an appliance's switch and a pressure cooker's valve tell. */
function lidSigns({ pot, marks, sealed }: Handled, atMin: number): string[] {
  const just = (mark: number | undefined) => mark !== undefined && atMin - mark < JUST_MIN
  const says = just(marks.click) ? ['Click: the switch has popped up'] : []
  if (just(marks.unsealed)) return [...says, 'The pressure indicator has dropped: it can be opened']
  switch (sealed) {
    case 'held':
      return [...says, 'Pressure reached, it ticks quietly']
    case 'rising':
      return [
        ...says,
        pot.bulkC > pot.setup.boilC - NEAR_BOIL_K
          ? 'Steam hisses past the valve'
          : 'It hums, the valve is still',
      ]
    case 'falling':
      return [...says, 'Quiet, the pressure indicator still up']
    case 'open':
      return says
  }
}

function smells({ pot }: Handled): string[] {
  if (pot.scorch > SCORCHED_KS) return ['A smell of burning']
  return pot.bottomC > SCORCH_FROM_C ? ['A smell of toast'] : []
}

function boilSign({ pot, powerW, lid }: Handled, boiling: boolean, steam: number): string {
  const { boilC, kitchenC, loss } = pot.setup
  if (powerW > 0 && liquidOf(pot) <= 0) return 'The bubbling has turned to a dry crackle'
  if (boiling) {
    const surplus = powerW - loss * lossFactor(pot.setup.lid, lid, true) * (pot.bulkC - kitchenC)
    if (surplus > ROLLING_W) return 'A rolling boil, steam pushes out at the lid'
    return steam > 0.2 ? 'It bubbles gently' : 'It hardly moves'
  }
  const nearBoil = pot.bulkC > boilC - NEAR_BOIL_K
  if (powerW <= 0) return nearBoil ? 'Quiet, a little steam' : 'Quiet'
  if (nearBoil) return 'It hums and bubbles rise'
  return pot.bulkC > WALL_BUBBLES_C ? 'Small bubbles at the wall' : 'Still'
}

const SURFACE_WORDS = {
  water: 'Water covers the grain',
  holes: 'Holes in the surface, water between the grains',
  dry: 'No water to be seen',
} as const

function surfaceOf({ pot, lid, sealed }: Handled): Signs['surface'] {
  if (lid === 'on' || sealed !== 'open') return 'hidden'
  if (freeShare(pot) > SWIMS) return 'water'
  return pot.freeG > 0 ? 'holes' : 'dry'
}
