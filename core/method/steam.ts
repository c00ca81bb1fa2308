import { CENTRE_DONE } from '#core/pot/done'
import type { Kitchen, Method, MethodStage } from './method'
import { coveredRest, grainIn, powerAt, waterToTheBoil } from './stages'

/** Every steamer, bought or made up, is looked over for the same four things. */
export const STEAMER_CHECKS = [
  'The basket stands firm, 25 mm or more over the water',
  'Steam can get out: never seal a steamer',
  'A cloth under the lid catches the drip',
] as const

const steamUp = (kitchen: Kitchen): MethodStage =>
  waterToTheBoil(kitchen, { title: `Bring ${kitchen.boilerDish ? `the ${kitchen.boilerDish.name}` : 'the boiler'} to the boil, lid on`, cue: 'steady-steam', contact: 'aside' })

export const basketOn = (kitchen: Kitchen, over: Partial<MethodStage> = {}): MethodStage =>
  grainIn(kitchen, {
    title: 'Basket on, the grain loose in it, lid on', kind: 'heat-up', lid: 'on', contact: 'steam', cue: 'steady-steam',
    checks: ['Time runs from the first steady steam', 'Open the lid away from you'],
    ...over,
  })

/** Looked at in every pass: a boiler that runs dry scorches, and a dish that thickens catches. */
export const boilerLook = ({ boilerDish }: Kitchen): string =>
  boilerDish ? `Stir the ${boilerDish.name} and look how much liquid stands in it; top it up from a kettle` : 'Look at the water; top it up from a kettle'

/** Soaked grain over boiling water: it cooks in steam, with the water it has drunk and what condenses on it. */
export const steam: Method = {
  id: 'steam',
  name: 'Steamed',
  vesselKind: 'pot',
  water: 'boiler',
  basket: true,
  defaults: { vessel: 'basket-5', heat: 'gas-medium', restMinutes: 5 },
  beforeHeat: [...STEAMER_CHECKS],
  stages: (kitchen) => [
    steamUp(kitchen),
    basketOn(kitchen),
    {
      id: 'steam', kind: 'steam', title: 'Steam it, lid on', heat: 'medium', powerW: powerAt(kitchen)('medium'), lid: 'on', mode: 'open', contact: 'steam',
      until: 'solved', endsOn: 'clock', handsOn: false, checks: ['Half way: turn the mass over in one piece', boilerLook(kitchen)],
    },
    coveredRest(kitchen, { contact: 'steam', title: 'Off the heat, lid on' }),
  ],
  goal: () => ({ centre: CENTRE_DONE }),
}

export { steamUp }
