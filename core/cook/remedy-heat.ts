import { OVEN_C } from '#core/methods/oven'
import type { VesselKind } from '#core/vessel/vessel'

/** How a pot is heated once more when it is put right, in the words of its burner or appliance. */
interface RemedyWords {
  covered: string
  open: string
  /** How the heat ends. */
  off: string
  /** "lowest heat", and the same after minutes: "5 min on the lowest heat". */
  heat: string
  atHeat: string
  /** Title of the stage, covered and open. */
  again: string
  steamingOff: string
  /** What is set. */
  setting: string
}

const BURNER = {
  covered: 'Lid on',
  open: 'Lid off',
  off: 'heat off',
  heat: 'lowest heat',
  atHeat: 'on the lowest heat',
  again: 'Lowest heat again, lid on',
  steamingOff: 'Lowest heat, lid off, let it steam',
  setting: 'lowest',
} as const satisfies RemedyWords

export const REMEDY_HEATS = {
  burner: BURNER,
  // A locked lid would build up pressure again.
  'pressure-stovetop': {
    ...BURNER,
    covered: 'Lid loose',
    again: 'Lowest heat again, lid on, not locked',
  },
  'pressure-electric': {
    covered: 'Lid loose',
    open: 'Lid off',
    off: 'switch off',
    heat: 'sauté low',
    atHeat: 'on sauté, low',
    again: 'Sauté on low, lid on, not locked',
    steamingOff: 'Sauté on low, lid off, let it steam',
    setting: 'sauté, low',
  },
  // A dry bottom would let the switch go at once; what is hot already goes on cooking when it is kept warm.
  cooker: {
    covered: 'Lid down',
    open: 'Lid up',
    off: 'switch off',
    heat: 'keep warm',
    atHeat: 'on keep warm',
    again: 'Keep warm, lid down',
    steamingOff: 'Keep warm, lid up, let it steam',
    setting: 'keep warm',
  },
  'oven-dish': {
    covered: 'Foil on',
    open: 'Foil off',
    off: 'out of the oven',
    heat: 'in the oven',
    atHeat: 'in the oven',
    again: 'Back in the oven, foil on',
    steamingOff: 'In the oven, foil off, let it steam',
    setting: `${OVEN_C} °C`,
  },
} as const satisfies Record<string, RemedyWords>
export type RemedyHeat = keyof typeof REMEDY_HEATS
export const REMEDY_HEAT_IDS = Object.keys(REMEDY_HEATS) as RemedyHeat[]

export const remedyHeatOf = (kind: VesselKind): RemedyHeat => (kind === 'pot' ? 'burner' : kind)
