import type { Blend } from '#core/grain/blend'
import { LATENT_HEAT } from '#core/heat/evaporation'
import { lossFactor } from '#core/heat/lid'
import {
  deliveredPower,
  fullPower,
  lowestHoldsSimmer,
  turnDownMinutes,
  type HeatLevel,
} from '#core/heat/sources'
import { celsius } from '#core/units/units'
import { standingLoss } from '#core/vessel/vessel'
import type { MethodContext, MethodStage } from './definition'

/** A rest shorter than this is not opened halfway, minutes. */
export const LEAST_HALVED_REST = 6
/** Lid off, once round with a fork, lid on, minutes. */
const LOOSEN_MINUTES = 1

/** A pot that does not boil by then never will, minutes. */
export const MAX_HEAT_UP = 120
/** The smell of toast is waited for no longer than this, minutes. */
const MAX_TOAST = 20
const STRONG_MINUTE = 1

/** What reaches this kitchen's pot at a level, W. */
export function powerAt(kitchen: MethodContext): (level: HeatLevel) => number {
  const loss = standingLoss(kitchen.vessel, celsius(kitchen.boilC), celsius(kitchen.kitchenC))
  return (level) => deliveredPower(kitchen.source, level, loss)
}

/** Whether the lowest setting of this burner keeps this pot simmering, and the words for when it does not. */
export function lowestChecks(kitchen: MethodContext): string[] {
  const loss = standingLoss(kitchen.vessel, celsius(kitchen.boilC), celsius(kitchen.kitchenC))
  return lowestHoldsSimmer(kitchen.source, loss)
    ? []
    : ['The lowest setting stops this pot simmering: stay a little above it, so that it just trembles']
}

/** What an open pan gives off at a lively simmer, g per m² per minute: 10 to 12 g a minute from a pot of 19 cm. */
const OPEN_SIMMER = 400

/**
 * Heat that keeps an open pan at a lively simmer, W: what it loses to the room, and the steam.
 * @returns the level nearest to it as well
 */
export function openSimmer(kitchen: MethodContext): { powerW: number; heat: HeatLevel } {
  const { vessel, boilC, kitchenC, source } = kitchen
  const area = (Math.PI / 4) * (vessel.rimDiameter / 1000) ** 2
  const loss = vessel.loss * lossFactor(vessel.lid, 'off', true) * (boilC - kitchenC)
  const full = fullPower(source)
  const powerW = Math.min(full, loss + (OPEN_SIMMER / 60) * area * LATENT_HEAT)
  return { powerW, heat: powerW > 0.8 * full ? 'high' : 'medium' }
}

/** What grain of this kind shows when it is done, besides what the method looks for. */
export function doneSigns({ blend }: Pick<MethodContext, 'blend'>): string[] {
  const has = (id: string) => blend.parts.some((p) => p.variety.id === id)
  return [
    ...(has('wild') ? ['Wild rice is done when most grains have split and curl'] : []),
    ...(has('quinoa') ? ['Quinoa is done when each grain is clear and shows its ring'] : []),
  ]
}

/** What a soaked grain looks and feels like when it has soaked long enough. */
export function soakSigns(blend: Pick<Blend, 'parts'>): string[] {
  const milled = blend.parts.filter(
    ({ variety: { family } }) => family === 'white rice' || family === 'sticky rice',
  )
  return [
    ...(milled.length > 0 ? ['White grain is opaque all through when it is done'] : []),
    ...(milled.length < blend.parts.length
      ? ['Grain in its skin: a nail dents it, a cut one is not dry']
      : []),
  ]
}

/** Every grain of the blend, by its place. */
export const allGrains = ({ blend }: MethodContext): number[] => blend.parts.map((_, i) => i)

/** Water to the boil by itself, beside the washing and soaking. */
export function waterToTheBoil(kitchen: MethodContext, over: Partial<MethodStage> = {}): MethodStage {
  return {
    id: 'heat-up',
    kind: 'heat-up',
    title: 'Bring the water to the boil, lid on',
    heat: 'high',
    powerW: powerAt(kitchen)('high'),
    lid: 'on',
    mode: 'open',
    until: { event: 'boil', atMostMinutes: MAX_HEAT_UP },
    endsOn: 'cue',
    cue: 'water-boils',
    handsOn: false,
    aside: true,
    checks: [],
    ...over,
  }
}

/** Grain into boiling water, and back to the boil. */
export function grainIn(kitchen: MethodContext, over: Partial<MethodStage> = {}): MethodStage {
  return {
    id: 'add',
    kind: 'heat-up',
    title: 'Grain in, stir once, back to the boil',
    heat: 'high',
    powerW: powerAt(kitchen)('high'),
    lid: 'off',
    mode: 'open',
    join: allGrains(kitchen),
    until: { event: 'boil', atMostMinutes: MAX_HEAT_UP },
    lingerMinutes: turnDownMinutes(kitchen.source),
    endsOn: 'cue',
    cue: 'bubbles-break',
    handsOn: true,
    checks: ['Slide it in close to the water to avoid splashes'],
    ...over,
  }
}

const LAST_HEAT = {
  'boil-then-lowest': 'lowest',
  'strong-minute-then-low': 'lowest',
  'medium-then-full-then-off': 'high',
  'boil-then-off': 'medium',
} as const satisfies Record<MethodContext['heatStyle'], HeatLevel>

/**
 * From the boil to the rest, covered: a strong minute for those who want it, the simmer that is solved, a
 * crisp bottom, the rest.
 */
export function coveredToTheEnd(
  kitchen: MethodContext,
  lidBefore: MethodContext['lidUntilBoil'] = kitchen.lidUntilBoil,
): MethodStage[] {
  const power = powerAt(kitchen)
  const last = LAST_HEAT[kitchen.heatStyle]
  const strong: MethodStage = {
    id: 'strong',
    kind: 'boil',
    title: '1 minute on high heat, lid on',
    heat: 'high',
    powerW: power('high'),
    lid: 'on',
    mode: 'open',
    until: { minutes: STRONG_MINUTE },
    endsOn: 'clock',
    handsOn: true,
    checks: [],
  }
  const simmer: MethodStage = {
    id: 'simmer',
    kind: 'simmer',
    title:
      last === 'lowest'
        ? `Turn to the lowest heat, ${lidBefore === 'on' ? 'leave the lid' : 'put the lid on'}`
        : `Keep it boiling on ${last} heat, lid on`,
    heat: last,
    powerW: power(last),
    lid: 'on',
    mode: 'open',
    until: 'solved',
    drySign: true,
    endsOn: 'clock',
    handsOn: false,
    checks: [
      ...(last === 'lowest' ? lowestChecks(kitchen) : []),
      'When done: holes on top, no water at the bottom',
      ...doneSigns(kitchen),
    ],
  }
  const toast: MethodStage = {
    id: 'crust',
    kind: 'toast',
    title: 'Turn the heat up for the crisp bottom',
    heat: 'medium',
    powerW: power('medium'),
    lid: 'on',
    mode: 'open',
    until: { event: 'toasted', atMostMinutes: MAX_TOAST },
    endsOn: 'cue',
    cue: 'smells-of-toast',
    handsOn: true,
    checks: ['Stay and listen: it burns within a minute or two'],
  }
  return [
    ...(kitchen.heatStyle === 'strong-minute-then-low' ? [strong] : []),
    simmer,
    ...(kitchen.toasted ? [toast] : []),
    ...restStages(kitchen),
  ]
}

export const coveredRest = (kitchen: MethodContext, over: Partial<MethodStage> = {}): MethodStage => ({
  id: 'rest',
  kind: 'rest',
  title: 'Off the heat, lid stays on',
  heat: 'off',
  powerW: 0,
  lid: 'on',
  mode: 'open',
  until: { minutes: kitchen.restMinutes },
  endsOn: 'clock',
  handsOn: false,
  checks: ['It is still cooking'],
  ...over,
})

/** The rest under the lid; loosened halfway, for those who want it, where there is a rest worth halving. */
export function restStages(kitchen: MethodContext, over: Partial<MethodStage> = {}): MethodStage[] {
  const rest = coveredRest(kitchen, over)
  if (!kitchen.loosenInRest || kitchen.toasted || kitchen.restMinutes < LEAST_HALVED_REST) return [rest]
  const half = { until: { minutes: kitchen.restMinutes / 2 } }
  return [
    { ...rest, ...half },
    {
      id: 'loosen-rest',
      kind: 'turn',
      title: 'Loosen it once, lid straight back on',
      heat: 'off',
      powerW: 0,
      lid: 'off',
      mode: 'open',
      until: { minutes: LOOSEN_MINUTES },
      endsOn: 'cue',
      cue: 'loosened',
      handsOn: true,
      checks: ['Steam comes up: lift the far edge of the lid first', 'From the edge inward; do not press'],
    },
    { ...rest, ...half, id: 'rest-on', title: 'Let it rest on, lid on' },
  ]
}
