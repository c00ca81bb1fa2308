import { deliveredPower, type HeatLevel } from '#core/heat/sources'
import { celsius } from '#core/quantity/units'
import { standingLoss } from '#core/vessel/vessel'
import type { Kitchen, MethodStage } from './method'

/** A pot that does not boil by then never will, minutes. */
export const LONGEST_HEAT_UP = 120
/** The smell of toast is waited for no longer than this, minutes. */
const LONGEST_TOAST = 20
const STRONG_MINUTE = 1

/** What reaches this kitchen's pot at a level, W. */
export function powerAt(kitchen: Kitchen): (level: HeatLevel) => number {
  const loss = standingLoss(kitchen.vessel, celsius(kitchen.boilC), celsius(kitchen.kitchenC))
  return (level) => deliveredPower(kitchen.source, level, loss)
}

/** Every grain of the blend, by its place. */
export const allGrains = ({ blend }: Kitchen): number[] => blend.parts.map((_, i) => i)

/** Water to the boil by itself, beside the washing and soaking. */
export function waterToTheBoil(kitchen: Kitchen, over: Partial<MethodStage> = {}): MethodStage {
  return {
    id: 'heat-up',
    kind: 'heat-up',
    title: 'Bring the water to the boil, lid on',
    heat: 'high',
    powerW: powerAt(kitchen)('high'),
    lid: 'on',
    mode: 'open',
    until: { event: 'boil', atMostMinutes: LONGEST_HEAT_UP },
    endsOn: 'cue',
    cue: 'water-boils',
    handsOn: false,
    beside: true,
    checks: [],
    ...over,
  }
}

/** Grain into boiling water, and back to the boil. */
export function grainIn(kitchen: Kitchen, over: Partial<MethodStage> = {}): MethodStage {
  return {
    id: 'add',
    kind: 'boil',
    title: 'Grain in, stir once, back to the boil',
    heat: 'high',
    powerW: powerAt(kitchen)('high'),
    lid: 'off',
    mode: 'open',
    join: allGrains(kitchen),
    until: { event: 'boil', atMostMinutes: LONGEST_HEAT_UP },
    endsOn: 'cue',
    cue: 'bubbles-break',
    handsOn: true,
    checks: ['Let it slide in close to the water: it splashes'],
    ...over,
  }
}

const LAST_HEAT = {
  'boil-then-lowest': 'lowest', 'strong-minute-then-low': 'lowest', 'medium-then-full-then-off': 'high', 'boil-then-off': 'medium',
} as const satisfies Record<Kitchen['heatStyle'], HeatLevel>

/** From the boil to the rest, covered: a strong minute for those who want it, the simmer that is solved, a toasted bottom, the rest. */
export function coveredToTheEnd(kitchen: Kitchen): MethodStage[] {
  const power = powerAt(kitchen)
  const last = LAST_HEAT[kitchen.heatStyle]
  const strong: MethodStage = {
    id: 'strong', kind: 'boil', title: 'One strong minute', heat: 'high', powerW: power('high'), lid: 'on', mode: 'open',
    until: { minutes: STRONG_MINUTE }, endsOn: 'clock', handsOn: true, checks: [],
  }
  const simmer: MethodStage = {
    id: 'simmer',
    kind: 'simmer',
    title: last === 'lowest' ? 'Lowest heat, leave the lid' : `Keep it boiling on ${last} heat, lid on`,
    heat: last,
    powerW: power(last),
    lid: 'on',
    mode: 'open',
    until: 'solved',
    endsOn: 'clock',
    handsOn: false,
    checks: ['At the end: holes in the surface, no water when the grain is parted'],
  }
  const toast: MethodStage = {
    id: 'crust', kind: 'toast', title: 'Heat up for the toasted bottom', heat: 'medium', powerW: power('medium'), lid: 'on', mode: 'open',
    until: { event: 'toasted', atMostMinutes: LONGEST_TOAST }, endsOn: 'cue', cue: 'smells-of-toast', handsOn: true,
    checks: ['Stay and listen: from toasted to burnt is a minute or two'],
  }
  return [
    ...(kitchen.heatStyle === 'strong-minute-then-low' ? [strong] : []),
    simmer,
    ...(kitchen.toasted ? [toast] : []),
    coveredRest(kitchen),
  ]
}

export const coveredRest = (kitchen: Kitchen, over: Partial<MethodStage> = {}): MethodStage => ({
  id: 'rest', kind: 'rest', title: 'Off the heat, leave the lid', heat: 'off', powerW: 0, lid: 'on', mode: 'open',
  until: { minutes: kitchen.restMinutes }, endsOn: 'clock', handsOn: false, checks: ['It is still cooking'],
  ...over,
})
