import type { PlanRequestJson } from '#core/contract/plan-request'
import { WET_STEP } from '#core/learn/evidence'
import { SPREADS } from '#core/spreads'

/** How a batch tasted: water off what its eaters want, g/g, and the same as steps of the wet–dry scale. */
export interface Tasted {
  error: number
  step: number
  /** Which batch, from 0. */
  i: number
  random: () => number
}

/** What may be true of a kitchen and is not what the app takes for true. */
export interface World {
  id: string
  says: string
  /** What the request would have to say to be true. */
  truth?: Partial<PlanRequestJson>
  /** What a household is drawn as; left out: as the study draws it. */
  household?: (normal: () => number) => { wants: number; steam: number; burner: number; minutes: number }
  /** How far off each amount is measured, one standard deviation, as a share. */
  measuring?: number
  /** Factors on the steam and on the minutes of so many servings. */
  steam?: (servings: number) => number
  minutes?: (servings: number) => number
  /** Bags in turn: from which batch on, and what each wants over the household's usual, g/g. */
  bags?: (life: { cooks: number; normal: () => number }) => { id: string; from: number; wants: number }[]
  /** The rating given, in steps before they are rounded; left out: as it tasted. */
  rated?: (tasted: Tasted) => number
}

export const OUR_WORLD: World = { id: 'ours', says: 'as the app takes it' }

/** White grains take up about so much, g/g. */
const USUAL_UPTAKE = 1.7
const factor = (spread: number, normal: () => number) => Math.max(0.2, 1 + spread * normal())

/** Kitchens, lots and hands as far apart as the odds of a plan take them to be (core/spreads.ts). */
export const WORLD_OF_THE_ODDS: World = {
  id: 'odds',
  says: 'as far apart as the odds take kitchens to be',
  household: (normal) => ({
    wants: USUAL_UPTAKE * SPREADS.water * normal(),
    steam: factor(SPREADS.steam, normal),
    burner: factor(SPREADS.burner, normal),
    minutes: factor(SPREADS.minutes, normal),
  }),
  measuring: SPREADS.measuring,
}

/** The middle of the study's servings. */
const USUAL_SERVINGS = 3.5
/** A rating in this share of batches says nothing of the batch. */
const MOODY_SHARE = 0.2
/** Half of what two eaters are apart, g/g. */
const APART = 0.1
const BATCHES_A_BAG = 3
const BAG_SD = 0.06

export const WRONG_WORLDS: readonly World[] = [
  {
    id: 'skin',
    says: 'another skin: grain takes 15 % longer, and longer still in large batches',
    minutes: (servings) => 1.15 * Math.pow(servings / USUAL_SERVINGS, 0.25),
  },
  {
    id: 'evaporation',
    says: 'other evaporation: more steam from a fuller pot, with the root of the batch',
    steam: (servings) => Math.sqrt(servings / USUAL_SERVINGS),
  },
  {
    id: 'moody',
    says: 'moody: one rating in five says nothing of the batch',
    rated: ({ step, random }) => (random() < MOODY_SHARE ? Math.floor(random() * 5) - 2 : step),
  },
  { id: 'always-right', says: 'everything is rated right', rated: () => 0 },
  {
    id: 'two-eaters',
    says: 'two eaters in turn, one likes it wetter and one drier than both together',
    rated: ({ step, i }) => step + ((i % 2 === 0 ? 1 : -1) * APART) / WET_STEP,
  },
  {
    id: 'new-bags',
    says: 'a new bag every third batch',
    bags: ({ cooks, normal }) =>
      Array.from({ length: Math.ceil((cooks + 1) / BATCHES_A_BAG) }, (_, n) => ({
        id: `bag-${n}`,
        from: n * BATCHES_A_BAG,
        wants: BAG_SD * normal(),
      })),
  },
  { id: 'altitude', says: 'it stands 500 m higher than it says', truth: { elevation_m: 500 } },
]
