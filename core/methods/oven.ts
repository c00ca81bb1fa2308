import { wantsBoiling } from './suitability'
import type { Method } from './definition'
import { coveredRest } from './stages'

/** Middle of an oven as people set it for grain, °C. */
export const OVEN_C = 190

/**
 * Boiling water over the grain in a deep dish, foil pressed tight, in a hot oven: even heat from all sides,
 * and no stirring.
 */
export const oven: Method = {
  id: 'oven',
  name: 'Oven',
  words: 'oven, under foil',
  vesselKinds: ['oven-dish'],
  heatKind: 'oven',
  water: 'pot',
  evensInRest: true,
  pourSetsTexture: true,
  kettle: true,
  defaults: { vessel: 'oven-dish-3', heat: 'oven-190', restMinutes: 10 },
  beforeHeat: [
    `The oven at ${OVEN_C} °C before the dish goes in`,
    'Level the grain under the water; seal with foil all round',
  ],
  stages: (kitchen) => [
    {
      id: 'bake',
      kind: 'bake',
      title: `Bake at ${OVEN_C} °C, foil on`,
      heat: 'medium',
      powerW: 0,
      surroundC: OVEN_C,
      lid: 'on',
      mode: 'open',
      until: 'solved',
      endsOn: 'clock',
      handsOn: false,
      checks: ['Leave the foil on: lost steam cannot come back'],
    },
    coveredRest(kitchen, {
      title: 'Out of the oven, foil stays on',
      checks: ['Lift the foil at the far side first: the steam burns'],
    }),
  ],
  suits: (variety) => wantsBoiling(variety) && variety.family !== 'sticky rice',
}
