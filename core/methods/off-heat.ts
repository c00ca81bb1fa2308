import { CENTRE_THROUGH, FREE_DONE } from '#core/constants'
import { cookMinutes } from '#core/grain/blend'
import type { Method } from './definition'
import { coveredRest, MAX_HEAT_UP, powerAt } from './stages'

/** A boil longer than this is a covered simmer by another name, minutes. */
const MAX_BOIL = 3
/** Quicker than this a grain cooks off the heat, minutes in boiling water. */
const COOKS_OFF_HEAT_MINUTES = 16

/**
 * Everything to the boil together, boiled for three minutes at most, then cooked by what the pot holds,
 * covered, wrapped and off the heat.
 */
export const offHeat: Method = {
  id: 'off-heat',
  name: 'Rest off the heat',
  words: 'rest off the heat',
  vesselKinds: ['pot'],
  water: 'pot',
  coldStart: true,
  evensInRest: true,
  pourSetsTexture: true,
  defaults: { vessel: 'heavy-2.5', heat: 'gas-medium', restMinutes: 25 },
  beforeHeat: [
    'Level the grain and push strays under the water',
    'Have a towel ready to wrap the pot: it cooks in its own heat',
  ],
  stages: (kitchen) => [
    {
      id: 'heat-up',
      kind: 'heat-up',
      title: 'Bring everything to the boil, lid on',
      heat: 'high',
      powerW: powerAt(kitchen)('high'),
      lid: 'on',
      mode: 'open',
      until: { event: 'boil', atMostMinutes: MAX_HEAT_UP },
      endsOn: 'cue',
      cue: 'rolling-boil',
      handsOn: false,
      checks: ['Stay near: starch foams up fast under a lid'],
    },
    {
      id: 'boil',
      kind: 'boil',
      title: 'Let it boil, lid on',
      heat: 'medium',
      powerW: powerAt(kitchen)('medium'),
      lid: 'on',
      mode: 'open',
      until: 'solved',
      atMost: MAX_BOIL,
      endsOn: 'clock',
      handsOn: false,
      checks: [],
    },
    coveredRest(kitchen, {
      cooksOn: true,
      wrapped: true,
      title: 'Take it off the heat, leave the lid, wrap it',
      checks: ['Do not lift the lid: the heat does not come back'],
    }),
  ],
  // Just cooked through: the warmth that is left is the margin.
  goal: () => ({ centre: CENTRE_THROUGH + 0.025, free: FREE_DONE }),
  suits: (variety) => cookMinutes(variety) <= COOKS_OFF_HEAT_MINUTES,
}
