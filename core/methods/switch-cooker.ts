import { fullPower } from '#core/heat/sources'
import { wantsBoiling } from './suitability'
import type { MethodContext, Method, MethodStage } from './definition'

const MAX_HEAT_UP = 120
const MAX_BOIL = 300

/**
 * A cooker that boils until its bottom runs dry and lets its switch go. The time is a result of the water,
 * not a setting.
 */
export const switchCooker: Method = {
  id: 'switch-cooker',
  name: 'Rice cooker',
  words: 'rice cooker',
  vesselKinds: ['cooker'],
  heatKind: 'cooker',
  water: 'pot',
  coldStart: true,
  timer: true,
  evensInRest: true,
  pourSetsTexture: true,
  defaults: { vessel: 'cooker-5', heat: 'cooker-5', restMinutes: 12 },
  beforeHeat: ['Level the grain', 'Wipe the outside of the bowl dry before it goes in'],
  stages(kitchen: MethodContext): MethodStage[] {
    const powerW = fullPower(kitchen.source)
    return [
      {
        id: 'heat-up',
        kind: 'heat-up',
        title: 'Lid down, press the switch',
        heat: 'high',
        powerW,
        lid: 'on',
        mode: 'open',
        until: { event: 'boil', atMostMinutes: MAX_HEAT_UP },
        endsOn: 'cue',
        cue: 'steam-at-vent',
        handsOn: false,
        checks: ['Keep face and hands away from the vent'],
      },
      {
        id: 'boil',
        kind: 'boil',
        title: 'Cooking until it clicks',
        heat: 'high',
        powerW,
        lid: 'on',
        mode: 'open',
        until: { event: 'switch', atMostMinutes: MAX_BOIL },
        endsOn: 'cue',
        cue: 'switch-click',
        handsOn: false,
        checks: [],
      },
      {
        id: 'rest',
        kind: 'rest',
        title: 'Leave the lid, then unplug',
        heat: 'off',
        powerW: 0,
        lid: 'on',
        mode: 'open',
        until: { minutes: kitchen.restMinutes },
        endsOn: 'clock',
        handsOn: false,
        checks: ['After the click it is still cooking'],
      },
    ]
  },
  suits: wantsBoiling,
}
