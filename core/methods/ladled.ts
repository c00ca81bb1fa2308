import type { Goal } from '#core/pot/doneness'
import type { Method } from './definition'
import { coveredRest, openSimmer } from './stages'

const TOAST_MINUTES = 2
/** Ladles of hot stock, more or less. */
export const LADLES = 8
/** A spoon drawn through leaves a trail when so little is left, g of free water per g of dry grain. */
const TRAIL = 0.35
const FIRM_CENTRE = 0.86
/** What still flows is part of the dish, g per g of dry grain. */
const SAUCE = 0.5
/** The same as a share of the dish, with a little room. */
const CREAMY = 0.15
/** Grain that sheds starch into the stock, or is pearled. */
const LADLED: ReadonlySet<string> = new Set(['risotto-white', 'barley-pearled', 'farro-pearled'])

/** Toasted, then hot stock in ladles, stirred, each when the last is drunk: the rubbed-off starch makes the sauce. */
export const ladled: Method = {
  id: 'ladled',
  name: 'Stock added gradually',
  words: 'stock added gradually',
  vesselKinds: ['pot'],
  water: 'stock',
  kettle: true,
  stirred: true,
  defaults: { vessel: 'heavy-2.5', heat: 'gas-medium', restMinutes: 2 },
  beforeHeat: ['Keep the stock hot: cold stock stops the boil'],
  stages(kitchen) {
    const simmer = openSimmer(kitchen)
    return [
      {
        id: 'toast',
        kind: 'toast',
        title: 'Toast the grain, stirring',
        ...simmer,
        lid: 'off',
        mode: 'open',
        contact: 'stirred',
        until: { minutes: TOAST_MINUTES },
        endsOn: 'clock',
        handsOn: true,
        checks: [
          'Fat, and onions if you use them, go in before the grain',
          'Until the edges turn glassy and it ticks',
        ],
      },
      {
        id: 'ladle',
        kind: 'ladle',
        title: 'Add stock by the ladle, stirring',
        ...simmer,
        lid: 'off',
        mode: 'open',
        contact: 'stirred',
        ladle: { below: TRAIL, share: 1 / LADLES },
        until: 'solved',
        exact: true,
        endsOn: 'cue',
        cue: 'bitten',
        handsOn: true,
        checks: [
          'Add more when the spoon leaves a trail',
          'At the end it still flows when the pot is tilted',
        ],
      },
      coveredRest(kitchen, {
        title: 'Take it off the heat, butter in, lid on',
        checks: ['It should still flow'],
      }),
    ]
  },
  goal: (): Goal => ({ centre: FIRM_CENTRE, free: CREAMY }),
  sauce: () => SAUCE,
  suits: ({ id }) => LADLED.has(id),
}
