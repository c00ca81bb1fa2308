import { deliveredPower } from '#core/heat/sources'
import { standingLoss } from '#core/vessel/vessel'
import { celsius } from '#core/quantity/units'
import type { Kitchen, Method, MethodStage } from './method'

const LONGEST_HEAT_UP = 120 // minutes; a pot that does not boil by then never will
const STRONG_MINUTE = 1
const STYLE = {
  'boil-then-lowest': { up: 'high', strong: 0, last: 'lowest' },
  'strong-minute-then-low': { up: 'high', strong: STRONG_MINUTE, last: 'lowest' },
  'medium-then-full-then-off': { up: 'medium', strong: 0, last: 'high' },
  'boil-then-off': { up: 'high', strong: 0, last: 'medium' },
} as const

/** Cold start in measured water: to the boil, covered on low heat until the water is taken up, then a covered rest. */
export const coveredSimmer: Method = {
  id: 'covered-simmer',
  name: 'Covered pot',
  vesselKind: 'pot',
  defaults: { vessel: 'heavy-2.5', heat: 'gas-medium', restMinutes: 10 },
  beforeHeat: ['Level the bed and push strays under the water', 'Wipe the rim and the outside of the base dry'],
  stages(kitchen: Kitchen): MethodStage[] {
    const style = STYLE[kitchen.heatStyle]
    const loss = standingLoss(kitchen.vessel, celsius(kitchen.boilC), celsius(kitchen.kitchenC))
    const power = (level: 'lowest' | 'low' | 'medium' | 'high') => deliveredPower(kitchen.source, level, loss)
    const covered = kitchen.lidUntilBoil === 'on'
    const stages: MethodStage[] = [
      {
        id: 'heat-up',
        kind: 'heat-up',
        title: covered ? 'Bring to the boil, lid on' : `Bring to the boil, lid ${kitchen.lidUntilBoil}`,
        heat: style.up,
        powerW: power(style.up),
        lid: kitchen.lidUntilBoil,
        mode: 'open',
        until: { event: 'boil', atMostMinutes: LONGEST_HEAT_UP },
        endsOn: 'cue',
        cue: covered ? 'rolling-boil' : 'bubbles-break',
        handsOn: kitchen.stirAtBoil,
        checks: [
          ...(covered ? ['Stay near: starch foams up fast under a lid'] : []),
          ...(kitchen.stirAtBoil ? ['Stir once along the bottom, then leave it'] : []),
        ],
      },
    ]
    if (style.strong > 0)
      stages.push({
        id: 'strong',
        kind: 'boil',
        title: 'One strong minute',
        heat: 'high',
        powerW: power('high'),
        lid: 'on',
        mode: 'open',
        until: { minutes: style.strong },
        endsOn: 'clock',
        handsOn: true,
        checks: [],
      })
    stages.push(
      {
        id: 'simmer',
        kind: 'simmer',
        title: style.last === 'lowest' ? 'Lowest heat, leave the lid' : `Keep it boiling on ${style.last} heat, lid on`,
        heat: style.last,
        powerW: power(style.last),
        lid: 'on',
        mode: 'open',
        until: 'solved',
        endsOn: 'clock',
        handsOn: false,
        checks: ['At the end: holes in the surface, no water when the grain is parted'],
      },
      {
        id: 'rest',
        kind: 'rest',
        title: 'Off the heat, leave the lid',
        heat: 'off',
        powerW: 0,
        lid: 'on',
        mode: 'open',
        until: { minutes: kitchen.restMinutes },
        endsOn: 'clock',
        handsOn: false,
        checks: ['It is still cooking'],
      },
    )
    return stages
  },
}
