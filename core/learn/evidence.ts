import { figureName } from './figures'
import type { Observation } from './kalman'

/** What was already corrected for when a cook was planned. */
export interface Applied {
  /** g/g */
  uptake: number
  /** Natural logs. */
  steam: number
  power: number
  time: number
}
export const NOTHING_APPLIED: Applied = { uptake: 0, steam: 0, power: 0, time: 0 }

/** A finished cook, as far as learning goes: a few figures that stand for everything in its record. */
export interface Evidence {
  cookId: string
  endedMs: number
  grainKey: string
  bagId: string | null
  vesselId: string
  /** The burner it stood on; its own for an appliance. */
  heatId: string
  /**
   * Water that went into the grain over what is published for the texture asked, and over what was known of
   * the bag, g/g; null where it says nothing.
   */
  extraUptake: number | null
  /** Steam that was computed with, g per g of dry grain. */
  steamPerDry: number
  applied: Applied
  judged: { wetDry: number; hardness: number } | null
  /** Heat or rest was cut well short of what this grain takes here, or went well over it; null where neither. */
  heated: 'short' | 'long' | null
  /** Power that its time to the boil speaks of, over the power planned with. */
  boilFactor: number | null
  /** Steam by the scale over the steam computed with. */
  steamFactor: number | null
}

/**
 * A step on the wet–dry scale, and how vaguely a tongue tells it, g/g. At the ends of the scale it may be
 * more than is said.
 */
export const WET_STEP = 0.12
const WET_SD = 0.08
const AT_THE_END_SD = 0.1
/** A step on the hard–overdone scale, as a share of the time, and its vagueness. */
const HARD_STEP = 0.1
const HARD_SD = 0.15
/** A sign is called within some seconds, and tap water is not always as cold. */
const BOIL_SD = 0.08
/** Two readings of a kitchen scale, over some tens of grams of steam. */
const WEIGHED_SD = 0.06

/** What is too wet wanted this much at the most, and what is too dry at the least; right is what it is. */
const boundOf = (step: number): Pick<Observation, 'bound'> =>
  step === 0 ? {} : { bound: step > 0 ? 'at-most' : 'at-least' }

/**
 * Whether the minutes that were cooked explain the rating: short of what it takes it is hard, over it overdone,
 * whatever the pot.
 */
const explained = ({ heated }: Pick<Evidence, 'heated'>, hardness: number): boolean =>
  (heated === 'short' && hardness < 0) || (heated === 'long' && hardness > 0)

/** What a cook says, measured things first, ratings second. */
export function observationsOf(
  e: Evidence,
): { what: 'boil' | 'weighed' | 'wet-dry' | 'hardness'; seen: Observation }[] {
  const seen: ReturnType<typeof observationsOf> = []
  const steam = figureName('steam', e.vesselId)
  if (e.boilFactor !== null)
    seen.push({
      what: 'boil',
      seen: {
        weights: new Map([[figureName('power', e.heatId), 1]]),
        value: e.applied.power + Math.log(e.boilFactor),
        sd: BOIL_SD,
      },
    })
  if (e.steamFactor !== null)
    seen.push({
      what: 'weighed',
      seen: {
        weights: new Map([[steam, 1]]),
        value: e.applied.steam + Math.log(e.steamFactor),
        sd: WEIGHED_SD,
      },
    })
  if (e.judged) {
    const { wetDry, hardness } = e.judged
    // Less steam than computed with stays in the grain as water: k·(steam − steam computed with) is part of
    // what is tasted.
    const k = e.steamPerDry
    if (e.extraUptake !== null)
      seen.push({
        what: 'wet-dry',
        seen: {
          weights: new Map([
            [figureName('grain', e.grainKey), 1],
            ...(e.bagId === null ? [] : [[figureName('bag', e.bagId), 1] as const]),
            [steam, k],
          ]),
          value: e.extraUptake - WET_STEP * wetDry + k * e.applied.steam,
          sd: Math.abs(wetDry) >= 2 ? AT_THE_END_SD : WET_SD,
          ...boundOf(wetDry),
        },
      })
    if (explained(e, hardness)) return seen
    seen.push({
      what: 'hardness',
      seen: {
        weights: new Map([[figureName('time', e.vesselId), 1]]),
        value: e.applied.time - HARD_STEP * hardness,
        sd: HARD_SD,
        // Hard wanted so much longer at the least, overdone so much shorter.
        ...boundOf(hardness),
      },
    })
  }
  return seen
}

/** Figures a cook leans on. */
export const figuresOf = (e: Pick<Evidence, 'grainKey' | 'bagId' | 'vesselId' | 'heatId'>): string[] => [
  figureName('grain', e.grainKey),
  ...(e.bagId === null ? [] : [figureName('bag', e.bagId)]),
  figureName('steam', e.vesselId),
  figureName('power', e.heatId),
  figureName('time', e.vesselId),
]
