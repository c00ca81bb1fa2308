import { correctedPower } from '#core/learn/corrections'
import { figureName } from '#core/learn/figures'
import type { Kitchen } from '#server/store/open-household'
import { currentBeliefs } from './beliefs'

export interface BurnerNow {
  id: string
  heat: { rated_w: number; efficiency: number }
  /** What Omsel has learned of its power and is counted in, as a logarithm. */
  power: number
}

/** The burners with the power they really give: as measured, and as learned from batches. */
export function burnersNow(kitchen: Kitchen): BurnerNow[] {
  const { known } = currentBeliefs(kitchen)
  return kitchen.equipment.heats().map(({ id, rated_w, power_factor, efficiency }) => {
    const power = known[figureName('power', id)]?.mean ?? 0
    return {
      id,
      heat: { rated_w: correctedPower({ ratedW: rated_w, powerFactor: power_factor }, power), efficiency },
      power,
    }
  })
}
