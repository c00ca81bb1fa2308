import type { Method } from './definition'
import { wantsBoiling } from './suitability'
import { restStages, doneSigns, MAX_HEAT_UP, openSimmer, powerAt } from './stages'

/**
 * An open pan: grain and water simmer until holes show and the water is gone, then rest. What boils off is
 * the open surface's.
 */
export const uncovered: Method = {
  id: 'uncovered',
  name: 'Uncovered',
  words: 'uncovered',
  vesselKinds: ['pot'],
  water: 'pot',
  coldStart: true,
  evensInRest: true,
  pourSetsTexture: true,
  defaults: { vessel: 'heavy-2.5', heat: 'gas-medium', restMinutes: 10 },
  beforeHeat: ['Level the grain and push strays under the water', 'Wipe the outside of the base dry'],
  stages: (kitchen) => [
    {
      id: 'heat-up',
      kind: 'heat-up',
      title: 'Bring to the boil, lid off',
      heat: 'high',
      powerW: powerAt(kitchen)('high'),
      lid: 'off',
      mode: 'open',
      until: { event: 'boil', atMostMinutes: MAX_HEAT_UP },
      endsOn: 'cue',
      cue: 'bubbles-break',
      handsOn: kitchen.stirAtBoil,
      checks: kitchen.stirAtBoil ? ['Stir once along the bottom, then leave it'] : [],
    },
    {
      id: 'simmer',
      kind: 'simmer',
      title: 'Let it simmer briskly, lid off',
      ...openSimmer(kitchen),
      lid: 'off',
      mode: 'open',
      until: 'solved',
      drySign: true,
      exact: true,
      endsOn: 'cue',
      cue: 'holes',
      handsOn: false,
      checks: ['No water between the grains: check 2 min before the end', ...doneSigns(kitchen)],
    },
    ...restStages(kitchen, { title: 'Take it off the heat, put the lid on' }),
  ],
  suits: (variety) => variety.family === 'white rice' && wantsBoiling(variety),
}
