import type { Method } from './method'
import { coveredRest, powerAt } from './stages'

const TOAST_MINUTES = 2
/** Ladles of hot stock, more or less. */
export const LADLES = 8
/** A spoon drawn through leaves a trail when so little is left, g of free water per g of dry grain. */
const TRAIL = 0.3
const FIRM_HEART = 0.86
/** What still flows is part of the dish, as a share of it. */
const CREAMY = 0.12

/** Toasted, then hot stock in ladles, stirred, each when the last is drunk: the rubbed-off starch makes the sauce. */
export const ladled: Method = {
  id: 'ladled',
  name: 'In ladles of stock',
  vesselKind: 'pot',
  water: 'stock',
  kettle: true,
  defaults: { vessel: 'heavy-2.5', heat: 'gas-medium', restMinutes: 2 },
  beforeHeat: ['Keep the stock hot beside it: cold stock stops the boil each time'],
  stages: (kitchen) => [
    {
      id: 'toast', kind: 'toast', title: 'Toast the grain in its fat, stirring', heat: 'medium', powerW: powerAt(kitchen)('medium'), lid: 'off', mode: 'open', contact: 'stirred',
      until: { minutes: TOAST_MINUTES }, endsOn: 'clock', handsOn: true, checks: ['Until the edges turn glassy and it ticks'],
    },
    {
      id: 'ladle', kind: 'ladle', title: 'Stock by the ladle, stirring', heat: 'high', powerW: powerAt(kitchen)('high'), lid: 'off', mode: 'open', contact: 'stirred',
      ladle: { below: TRAIL, share: 1 / LADLES }, until: 'solved', exact: true, endsOn: 'cue', cue: 'bitten', handsOn: true,
      checks: ['The next ladle when the spoon leaves a trail'],
    },
    coveredRest(kitchen, { title: 'Off the heat, butter in, lid on', checks: ['It should still flow on the plate'] }),
  ],
  goal: () => ({ centre: FIRM_HEART, free: CREAMY }),
}
