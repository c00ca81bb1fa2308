import type { Goal } from '#core/pot/doneness'
import { CENTRE_DONE, FRIDGE_C } from '#core/constants'
import type { Variety } from '#core/grain/varieties'
import type { MethodContext, Method, MethodStage, UsualSoak } from './definition'
import { allGrains, coveredRest, grainIn, powerAt, waterToTheBoil } from './stages'

/** Every steamer, bought or made up, is looked over for the same things. */
export const STEAMER_CHECKS = [
  'The basket sits firmly, at least 25 mm above the water',
  'Steam can get out: never seal a steamer',
  'A cloth under the lid catches the drip',
] as const

/** A name longer than this makes a line of the stove too long, characters. */
const MAX_DISH_NAME = 34
/** The dish that boils under the basket, by the cook's own name for it. */
export const dishBelow = (name: string): string =>
  name.length > MAX_DISH_NAME ? 'The dish below' : `“${name}”`

export const steamUp = (kitchen: MethodContext): MethodStage =>
  waterToTheBoil(kitchen, {
    title: kitchen.boilerDish
      ? `${dishBelow(kitchen.boilerDish.name)} to the boil, lid on`
      : 'Bring the water under the basket to the boil, lid on',
    cue: 'steady-steam',
    contact: 'aside',
  })

export const basketOn = (kitchen: MethodContext, over: Partial<MethodStage> = {}): MethodStage =>
  grainIn(kitchen, {
    title: 'Put the basket on, grain loose in it, lid on',
    kind: 'heat-up',
    lid: 'on',
    contact: 'steam',
    cue: 'steady-steam',
    lingerMinutes: 0,
    checks: ['Time runs from the first steady steam', 'Open the lid away from you'],
    ...over,
  })

/** Looked at in every round: a boiler that runs dry scorches, and a dish that thickens catches. */
export const boilerLook = ({ boilerDish }: MethodContext): string =>
  boilerDish ? 'Stir the dish below; top it up from a kettle' : 'Check the water; top it up from a kettle'

/**
 * Steam gives a grain little water, so it is the time that makes it softer: how far the centre is cooked for
 * firm, standard and soft.
 */
const CENTRE = { firm: 0.93, standard: 0.97, soft: 0.99 } as const
const centreFor = (texture: number): number =>
  texture <= 0.5
    ? CENTRE.firm + (CENTRE.standard - CENTRE.firm) * 2 * texture
    : CENTRE.standard + (CENTRE.soft - CENTRE.standard) * (2 * texture - 1)

/** Hours in the fridge: sticky grain until it is full, grain in its skin overnight, any other a quarter of a day. */
function soakForSteam({ family, skin }: Pick<Variety, 'family' | 'skin'>): UsualSoak {
  const minutes = family === 'sticky rice' ? 300 : skin < 0.3 ? 600 : 240
  return { minutes, celsius: FRIDGE_C, water: 'drain' }
}

/**
 * Soaked grain over boiling water: steam reaches it from below, so a deeper layer takes longer; it cooks with
 * the water absorbed and what condenses on it.
 */
export const steam: Method = {
  id: 'steam',
  name: 'Steamed',
  words: 'steamed',
  vesselKinds: ['pot'],
  water: 'boiler',
  basket: true,
  defaults: { vessel: 'basket-5', heat: 'gas-medium', restMinutes: 5 },
  beforeHeat: [...STEAMER_CHECKS],
  stages: (kitchen) => [
    steamUp(kitchen),
    {
      id: 'steam',
      kind: 'steam',
      title: 'Basket on over full steam, lid on, medium heat',
      heat: 'medium',
      powerW: powerAt(kitchen)('medium'),
      lid: 'on',
      mode: 'open',
      contact: 'steam',
      join: allGrains(kitchen),
      until: 'solved',
      endsOn: 'clock',
      handsOn: false,
      checks: [
        'Open the lid away from you',
        'Halfway: turn the grain over, the middle to the outside',
        boilerLook(kitchen),
      ],
    },
    coveredRest(kitchen, { contact: 'steam', title: 'Take it off the heat, lid on' }),
  ],
  goal: ({ texture }): Goal => ({ centre: centreFor(texture) }),
  suits: ({ family }) => family === 'sticky rice',
  usualSoak: (variety) => (variety.family === 'sticky rice' ? soakForSteam(variety) : null),
  // Grain that is not soaked cannot drink in steam: it stands in a bowl with its own water. Sticky grain is
  // soaked, or the plan says so.
  variantFor: ({ blend, soaked }) =>
    soaked || blend.parts.every(({ variety }) => variety.family === 'sticky rice') ? steam : steamedBowl,
}

/** A bowl with grain and its own water, steamed over boiling water: a covered pot at the boil without a hot bottom. */
const steamedBowl: Method = {
  ...steam,
  water: 'pot',
  bowl: true,
  pourSetsTexture: true,
  beforeHeat: [
    'Set a heatproof bowl firmly over the water, with room to swell',
    'Steam can get out: never seal a steamer',
    'Cover the bowl, so that no drip falls into it',
  ],
  stages: (kitchen) => [
    steamUp(kitchen),
    {
      id: 'steam',
      kind: 'steam',
      title: 'Bowl with the grain and its water in, lid on, medium heat',
      heat: 'medium',
      powerW: powerAt(kitchen)('medium'),
      lid: 'on',
      mode: 'open',
      join: allGrains(kitchen),
      until: 'solved',
      drySign: true,
      endsOn: 'clock',
      handsOn: false,
      checks: [
        'Open the lid away from you',
        'When done: holes on top, no water at the bottom',
        boilerLook(kitchen),
      ],
    },
    coveredRest(kitchen, { title: 'Take it off the heat, lid on' }),
  ],
  goal: (): Goal => ({ centre: CENTRE_DONE, free: 0.025 }),
}
