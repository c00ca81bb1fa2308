import type { Method } from './definition'
import { wantsBoiling, aromaticSoak } from './suitability'
import { coveredToTheEnd, grainIn, waterToTheBoil } from './stages'

/**
 * Measured water boils first, then the grain goes in: less time in hot water than from cold, and the grain
 * stays longer.
 */
export const boilingStart: Method = {
  id: 'boiling-start',
  name: 'Absorption, hot start',
  words: 'absorption, hot start',
  vesselKinds: ['pot'],
  water: 'pot',
  evensInRest: true,
  toastable: true,
  pourSetsTexture: true,
  defaults: { vessel: 'heavy-2.5', heat: 'gas-medium', restMinutes: 10 },
  beforeHeat: ['Wipe the rim and the outside of the base dry'],
  stages: (kitchen) => [
    waterToTheBoil(kitchen),
    grainIn(kitchen, { lid: kitchen.lidUntilBoil }),
    ...coveredToTheEnd(kitchen),
  ],
  suits: wantsBoiling,
  usualSoak: aromaticSoak,
}
