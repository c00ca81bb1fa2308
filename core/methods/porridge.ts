import { isPressureCooker } from '#core/vessel/vessel'
import type { Blend } from '#core/grain/blend'
import { CENTRE_DONE } from '#core/constants'
import { type Goal } from '#core/pot/doneness'
import type { MethodContext, Method, MethodStage } from './definition'
import { sealedStages } from './pressure-electric'
import { coveredRest, doneSigns, MAX_HEAT_UP, lowestChecks, powerAt } from './stages'

/**
 * Water to grain as it is poured, by volume, for a thin and a thick porridge: rice swims, cut and tiny grain
 * thickens by itself.
 */
const RATIO_BY_FAMILY = {
  'white rice': { thin: 10, thick: 5.8 },
  'sticky rice': { thin: 10, thick: 5.8 },
  'whole rice': { thin: 10, thick: 5.8 },
  'small grain': { thin: 5, thick: 3 },
  'wheat and barley': { thin: 7, thick: 4 },
  cracked: { thin: 5, thick: 3 },
  porridge: { thin: 4, thick: 3 },
  pulse: { thin: 6, thick: 4 },
} as const
const AMARANTH = { thin: 3, thick: 2.5 } as const

/** What an hour just under a simmer boils off with the lid ajar, g: part of the usual ratios. */
const USUAL_STEAM_G = 170
/** Nothing thicker than this can be stirred, g of water per g of dry grain. */
const MIN_WATER = 3
/**
 * Rice in a porridge has burst: its centre has had four times the heat it needs. Cut grain and seeds are only
 * cooked soft.
 */
const BURST = 1 - Math.exp(-12)
/** Shorter than this it has not thickened, minutes. */
const MIN_MINUTES = { rice: 40, other: 15 } as const
const MIN_SEALED = { rice: 20, other: 4 } as const

const isRice = ({ parts }: Pick<Blend, 'parts'>): boolean =>
  parts.some(({ variety }) => variety.family.includes('rice'))

/** Poured water over dry grain, by volume.  @param thickness 0 thin … 1 thick */
export function porridgeRatio({ parts }: Pick<Blend, 'parts'>, thickness: number): number {
  return parts.reduce((sum, { variety, share }) => {
    const { thin, thick } = variety.id === 'amaranth' ? AMARANTH : RATIO_BY_FAMILY[variety.family]
    return sum + share * (thin + (thick - thin) * thickness)
  }, 0)
}

/**
 * Porridge and congee: plenty of water that stays, lid ajar, just simmering and stirred now and then; done by
 * how thick it is.
 */
export const porridge: Method = {
  id: 'porridge',
  name: 'Porridge',
  words: 'porridge',
  vesselKinds: ['pot', 'pressure-electric', 'pressure-stovetop'],
  water: 'pot',
  coldStart: true,
  stirred: true,
  defaults: { vessel: 'heavy-3.5', heat: 'gas-medium', restMinutes: 0 },
  beforeHeat: ['Wipe the rim and the outside of the base dry'],
  stages: openPorridge,
  goal: ({ blend }): Goal => ({ centre: isRice(blend) ? BURST : CENTRE_DONE }),
  sauce({ blend, dryG, thickness, uptake, vessel }) {
    const poured = porridgeRatio(blend, thickness) / blend.bulkDensity
    // Sealed hardly anything boils off, so the same porridge is poured less.
    const steam = isPressureCooker(vessel.kind) || !isRice(blend) ? USUAL_STEAM_G / 3 : USUAL_STEAM_G
    return Math.max(MIN_WATER, poured - steam / dryG) - uptake
  },
  suits: ({ family }) => family === 'porridge',
  variantFor: ({ vessel }) => (isPressureCooker(vessel.kind) ? underPressure : porridge),
}

/** The same in a pressure cooker, never over a third full. */
const underPressure: Method = {
  ...porridge,
  sealed: true,
  beforeHeat: ['Check gasket, vent and rim; follow the manual', 'Never over a third full: it froths'],
  stages: sealedPorridge,
}

function openPorridge(kitchen: MethodContext): MethodStage[] {
  const kind = isRice(kitchen.blend) ? 'rice' : 'other'
  return [
    {
      id: 'heat-up',
      kind: 'heat-up',
      title: 'Bring to the boil, lid ajar, stirring now and then',
      heat: 'high',
      powerW: powerAt(kitchen)('high'),
      lid: 'ajar',
      mode: 'open',
      contact: 'stirred',
      until: { event: 'boil', atMostMinutes: MAX_HEAT_UP },
      endsOn: 'cue',
      cue: 'bubbles-break',
      handsOn: true,
      checks: ['Stay near: it foams up'],
    },
    {
      id: 'simmer',
      kind: 'simmer',
      title: 'Turn to the lowest heat, lid ajar, stir now and then',
      heat: 'lowest',
      powerW: powerAt(kitchen)('lowest'),
      lid: 'ajar',
      mode: 'open',
      contact: 'stirred',
      until: 'solved',
      exact: true,
      atLeast: MIN_MINUTES[kind],
      endsOn: 'cue',
      cue: 'spoon-trail',
      handsOn: false,
      checks: [
        ...lowestChecks(kitchen),
        'Stir more often towards the end: it catches on the bottom',
        ...doneSigns(kitchen),
      ],
    },
    ...(kitchen.restMinutes > 0
      ? [
          coveredRest(kitchen, {
            contact: 'stirred',
            title: 'Take it off the heat, lid on',
            checks: ['It thickens as it cools'],
          }),
        ]
      : []),
  ]
}

/** Under pressure it is neither stirred nor looked at; it is stirred smooth when it is open again. */
function sealedPorridge(kitchen: MethodContext): MethodStage[] {
  return sealedStages(kitchen).map((stage): MethodStage => ({
    ...stage,
    contact: 'stirred',
    ...(stage.until === 'solved' ? { atLeast: MIN_SEALED[isRice(kitchen.blend) ? 'rice' : 'other'] } : {}),
  }))
}
