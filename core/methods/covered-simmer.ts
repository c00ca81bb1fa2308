import type { MethodContext, Method } from './definition'
import { turnDownMinutes } from '#core/heat/sources'
import { wantsBoiling } from './suitability'
import { coveredToTheEnd, MAX_HEAT_UP, powerAt } from './stages'

/** Cold start in measured water: to the boil, covered on low heat until the water is taken up, then a covered rest. */
export const coveredSimmer: Method = {
  id: 'covered-simmer',
  name: 'Absorption, cold start',
  words: 'absorption, cold start',
  vesselKinds: ['pot'],
  water: 'pot',
  coldStart: true,
  evensInRest: true,
  toastable: true,
  pourSetsTexture: true,
  defaults: { vessel: 'heavy-2.5', heat: 'gas-medium', restMinutes: 10 },
  beforeHeat: [
    'Level the grain and push strays under the water',
    'Wipe the rim and the outside of the base dry',
  ],
  stages(kitchen: MethodContext) {
    const up = kitchen.heatStyle === 'medium-then-full-then-off' ? 'medium' : 'high'
    const covered = kitchen.lidUntilBoil === 'on'
    return [
      {
        id: 'heat-up',
        kind: 'heat-up',
        title: covered ? 'Bring to the boil, lid on' : `Bring to the boil, lid ${kitchen.lidUntilBoil}`,
        heat: up,
        powerW: powerAt(kitchen)(up),
        lid: kitchen.lidUntilBoil,
        mode: 'open',
        until: { event: 'boil', atMostMinutes: MAX_HEAT_UP },
        lingerMinutes: turnDownMinutes(kitchen.source),
        endsOn: 'cue',
        cue: covered ? 'rolling-boil' : 'bubbles-break',
        handsOn: kitchen.stirAtBoil,
        checks: [
          ...(covered ? ['Stay near: starch foams up fast under a lid'] : []),
          ...(kitchen.stirAtBoil ? ['Stir once along the bottom, then leave it'] : []),
        ],
      },
      ...coveredToTheEnd(kitchen),
    ]
  },
  suits: wantsBoiling,
}
