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
export function signsOf({ pot, marks, powerW, lid, sealed }: Handled, atMin: number): Signs {
  const { boilC, kitchenC, loss } = pot.setup
  const surplus = powerW - loss * lossFactor(pot.setup.lid, lid, powerW > 0) * (pot.bulkC - kitchenC)
  const wet = liquidOf(pot) > 0
  const boiling = wet && powerW > 0 && pot.bulkC >= boilC - 0.1 && sealed === 'open'
  const steam = boiling ? steamNow(pot, powerW, lid) : 0
  const says: string[] = []
  const just = (mark: number | undefined) => mark !== undefined && atMin - mark < JUST_MIN
  if (just(marks.click)) says.push('Click: the switch has popped up')
  if (just(marks.unsealed)) says.push('The pressure indicator has dropped: it can be opened')
  else if (sealed === 'held') says.push('Pressure reached, it ticks quietly')
  else if (sealed === 'rising')
    says.push(pot.bulkC > boilC - NEAR_BOIL_K ? 'Steam hisses past the valve' : 'It hums, the valve is still')
  else if (sealed === 'falling') says.push('Quiet, the pressure indicator still up')
  if (sealed === 'open') {
    if (pot.scorch > SCORCHED_KS) says.push('A smell of burning')
    else if (pot.bottomC > SCORCH_FROM_C) says.push('A smell of toast')
    if (!wet && powerW > 0) says.push('The bubbling has turned to a dry crackle')
    else if (boiling)
      says.push(
        surplus > ROLLING_W
          ? 'A rolling boil, steam pushes out at the lid'
          : steam > 0.2
            ? 'It bubbles gently'
            : 'It hardly moves',
      )
    else if (powerW > 0)
      says.push(
        pot.bulkC > boilC - NEAR_BOIL_K
          ? 'It hums and bubbles rise'
          : pot.bulkC > WALL_BUBBLES_C
            ? 'Small bubbles at the wall'
            : 'Still',
      )
    else says.push(pot.bulkC > boilC - NEAR_BOIL_K ? 'Quiet, a little steam' : 'Quiet')
  }
  const surface =
    lid === 'on' || sealed !== 'open'
      ? 'hidden'
      : freeShare(pot) > SWIMS
        ? 'water'
        : pot.freeG > 0
          ? 'holes'
          : 'dry'
  if (surface !== 'hidden')
    says.push(
      {
        water: 'Water covers the grain',
        holes: 'Holes in the surface, water between the grains',
        dry: 'No water to be seen',
      }[surface],
    )
  return { says, steam, surface, celsius: pot.bulkC }
}
