import type { Method } from './method'
import { coveredRest, grainIn, powerAt, waterToTheBoil } from './stages'

/** A boil longer than this is a covered simmer by another name, minutes. */
const LONGEST_BOIL = 6

/** Boiled for a few minutes at most, then cooked by what the pot holds, covered and off the heat. */
export const offHeat: Method = {
  id: 'off-heat',
  name: 'Off the heat',
  vesselKind: 'pot',
  water: 'pot',
  defaults: { vessel: 'heavy-2.5', heat: 'gas-medium', restMinutes: 25 },
  beforeHeat: ['Have a towel ready to wrap the pot: warmth is all it cooks by'],
  stages: (kitchen) => [
    waterToTheBoil(kitchen),
    grainIn(kitchen),
    {
      id: 'boil', kind: 'boil', title: 'A short boil, lid on', heat: 'medium', powerW: powerAt(kitchen)('medium'), lid: 'on', mode: 'open',
      until: 'solved', atMost: LONGEST_BOIL, endsOn: 'clock', handsOn: false, checks: [],
    },
    coveredRest(kitchen, { title: 'Off the heat, covered and wrapped', checks: ['Do not lift the lid: the heat does not come back'] }),
  ],
}
