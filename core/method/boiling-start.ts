import type { Method } from './method'
import { coveredToTheEnd, grainIn, waterToTheBoil } from './stages'

/** Measured water boils first, then the grain goes in: less time in hot water than from cold, and the grain stays longer. */
export const boilingStart: Method = {
  id: 'boiling-start',
  name: 'Into boiling water',
  vesselKind: 'pot',
  water: 'pot',
  defaults: { vessel: 'heavy-2.5', heat: 'gas-medium', restMinutes: 10 },
  beforeHeat: ['Wipe the rim and the outside of the base dry'],
  stages: (kitchen) => [waterToTheBoil(kitchen), grainIn(kitchen, { lid: kitchen.lidUntilBoil }), ...coveredToTheEnd(kitchen)],
}
