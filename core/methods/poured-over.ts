import type { Method } from './definition'

/** What drinks while it stands in hot water and needs no more: cracked grain, beads of meal, the smallest seeds. */
const POURED_OVER: ReadonlySet<string> = new Set(['couscous', 'bulgur-medium', 'fonio'])
/** The finest has drunk by then, minutes. */
const MIN_STAND = 5
/** A pot that is not done by then has cooled, minutes. */
const MAX_STAND = 60

/** Water boiled by itself and poured over the grain, which drinks it covered; nothing boils after. */
export const pouredOver: Method = {
  id: 'poured-over',
  name: 'Boiling water poured over',
  words: 'boiling water poured over',
  vesselKinds: ['pot'],
  water: 'pot',
  kettle: true,
  pourSetsTexture: true,
  defaults: { vessel: 'heavy-2.5', heat: 'gas-medium', restMinutes: 0 },
  beforeHeat: ['Use a bowl or pot with a lid that fits; level the grain'],
  stages: () => [
    {
      id: 'rest',
      kind: 'rest',
      title: 'Stir once, put the lid on and let it rest',
      heat: 'off',
      powerW: 0,
      lid: 'on',
      mode: 'open',
      contact: 'stirred',
      cooksOn: true,
      until: 'solved',
      atLeast: MIN_STAND,
      atMost: MAX_STAND,
      endsOn: 'clock',
      handsOn: false,
      checks: ['At the end: no water below, and nothing hard to bite'],
    },
  ],
  suits: ({ id }) => POURED_OVER.has(id),
}
