import { CENTRE_DONE } from '#core/constants'
import { type Goal } from '#core/pot/doneness'
import { lossFactor } from '#core/heat/lid'
import type { MethodContext, Method, MethodStage } from './definition'
import { coveredRest, grainIn, powerAt, waterToTheBoil, doneSigns } from './stages'
import { aromaticSoak, staysInSieve } from './suitability'

/** Drained while the centre still has a bite: it goes on cooking in its own heat. */
export const BITE = 0.88
/** Part-cooked, to finish in another dish. */
const PART_COOKED_CENTRE = 0.5
const DRAIN_MINUTES = 1
const STEAM_MINUTES = 12
/** An open pot rolls when it gets this much more than it loses. */
const ROLLING = 1.4
/** Film left on cooked grain after a sieve, g/g. */
export const FILM = 0.08
const TAP_C = 15

/** Plenty of water, drained when the grain is as wanted: the water sets no texture, the minutes do. */
export const boilAndDrain: Method = {
  id: 'boil-and-drain',
  name: 'Boil and drain',
  words: 'boil and drain',
  vesselKinds: ['pot'],
  water: 'excess',
  defaults: { vessel: 'heavy-3.5', heat: 'gas-medium', restMinutes: 3 },
  beforeHeat: ['Set a sieve in the sink before the grain goes in'],
  stages(kitchen) {
    const power = powerAt(kitchen)
    const open =
      kitchen.vessel.loss * lossFactor(kitchen.vessel.lid, 'off', true) * (kitchen.boilC - kitchen.kitchenC)
    const heat = power('medium') > ROLLING * open ? 'medium' : 'high'
    return [
      waterToTheBoil(kitchen),
      grainIn(kitchen),
      {
        id: 'boil',
        kind: 'boil',
        title: 'Boil with the lid off',
        heat,
        powerW: power(heat),
        lid: 'off',
        mode: 'open',
        until: 'solved',
        exact: true,
        endsOn: 'cue',
        cue: kitchen.finish === 'steam' || kitchen.purpose === 'part-cooked' ? 'bends-not-breaks' : 'bitten',
        handsOn: false,
        checks: [
          'Skim the starch foam in the first minutes',
          'Taste from 2 minutes before the end',
          ...doneSigns(kitchen),
        ],
      },
      drainOffStage(),
      ...finish(kitchen),
    ]
  },
  goal: ({ uptake, finish, purpose, cookedShare }): Goal =>
    finish === 'steam'
      ? { centre: CENTRE_DONE, uptake }
      : purpose === 'part-cooked'
        ? { centre: PART_COOKED_CENTRE, uptake: uptake * cookedShare }
        : { centre: BITE, uptake },
  // Sticky grain would lose its starch to the water, and fall apart.
  suits: (variety) => staysInSieve(variety) && variety.family !== 'sticky rice',
  usualSoak: aromaticSoak,
}

/** All the water off but a film. */
export const drainOffStage = (): MethodStage => ({
  id: 'drain-off',
  kind: 'drain',
  title: 'Drain it well',
  heat: 'off',
  powerW: 0,
  lid: 'off',
  mode: 'open',
  drainTo: FILM,
  until: { minutes: DRAIN_MINUTES },
  endsOn: 'cue',
  cue: 'drained',
  handsOn: true,
  checks: ['Pour away from you: the steam rises all at once'],
})

function finish(kitchen: MethodContext): MethodStage[] {
  const rest = coveredRest(kitchen, { title: 'Back in the warm pot, lid on, to dry off', checks: [] })
  if (kitchen.finish === 'cold-rinse')
    return [
      {
        id: 'cool',
        kind: 'cool',
        title: 'Cold water over it, then drain',
        heat: 'off',
        powerW: 0,
        lid: 'off',
        mode: 'open',
        chillTo: TAP_C,
        until: { minutes: DRAIN_MINUTES },
        endsOn: 'cue',
        cue: 'drained',
        handsOn: true,
        checks: ['Rinse until cold, then shake off the water'],
      },
    ]
  if (kitchen.finish === 'steam')
    return [
      {
        id: 'steam',
        kind: 'steam',
        title: 'Back in the pot, lowest heat, a cloth under the lid',
        heat: 'lowest',
        powerW: powerAt(kitchen)('lowest'),
        lid: 'on',
        mode: 'open',
        until: { minutes: STEAM_MINUTES },
        endsOn: 'clock',
        handsOn: false,
        checks: ['Fold the cloth up, away from the flame'],
      },
      coveredRest(kitchen),
    ]
  return kitchen.purpose === 'part-cooked' ? [] : [rest]
}
