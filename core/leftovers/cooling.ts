import type { Purpose } from '#core/methods/definition'
import { freezingMinutes, STARCH_K, withAir } from './freezing'
import type { Guidance } from './guidance'
import { coolSlab, type Face, type Slab } from './slab'

export const COOLING_PLACES = ['counter', 'fridge', 'freezer', 'ice-bath'] as const
export type CoolingPlace = (typeof COOLING_PLACES)[number]

/** Where a container goes from the counter or the ice water. */
export const NEXT_PLACES = ['fridge', 'freezer'] as const
export type NextPlace = (typeof NEXT_PLACES)[number]

/**
 * Minutes on the counter, or in ice water, before it goes on to the fridge or freezer: it no longer steams
 * there, and the limit of an hour to 21 °C still leaves as long again.
 */
export const FIRST_PLACE_MIN = 30

/** Where a container cools, as one choice. */
export interface CoolingChoice {
  place: CoolingPlace
  next: NextPlace | null
}
export const COOLING_CHOICES = {
  fridge: { place: 'fridge', next: null },
  freezer: { place: 'freezer', next: null },
  'counter-fridge': { place: 'counter', next: 'fridge' },
  'counter-freezer': { place: 'counter', next: 'freezer' },
  'ice-bath-fridge': { place: 'ice-bath', next: 'fridge' },
  'ice-bath-freezer': { place: 'ice-bath', next: 'freezer' },
  counter: { place: 'counter', next: null },
} as const satisfies Record<string, CoolingChoice>
export type CoolingChoiceId = keyof typeof COOLING_CHOICES
export const COOLING_CHOICE_IDS = Object.keys(COOLING_CHOICES) as CoolingChoiceId[]

/**
 * Where it usually cools. Dressed grain hardens in the cold and is eaten within the hours it may stay out;
 * a batch for the week outlasts a guidance of one or two days only in the freezer.
 */
export function usualCooling({
  dressed,
  purpose,
  guidance,
}: {
  dressed: boolean
  purpose: Purpose
  guidance: Guidance
}): CoolingChoiceId {
  if (dressed) return 'counter'
  return purpose === 'batch' && guidance.eat_h.value < DAYS_OF_A_WEEK_H ? 'counter-freezer' : 'fridge'
}
/** What is cooked for the week is eaten over three days or more, h. */
const DAYS_OF_A_WEEK_H = 72

/** What a container of cooked grain is to the cold. */
export interface Portion {
  /** g */
  massG: number
  depthMm: number
  /** Loose bulk density of the cooked grain, g/mL. */
  densityGMl: number
  /** Water in it, 0..1 of its mass. */
  waterShare: number
}

export interface CoolingInput {
  portion: Portion
  place: CoolingPlace
  /** Nothing over it until it is cold. */
  open: boolean
  kitchenC: number
  /** How hot it is packed, °C. */
  startC?: number
  /** Tubs on top of each other cool as one. */
  stacked?: number
  /** Where it goes after FIRST_PLACE_MIN. */
  next?: NextPlace | null
}

/** The same out of a stored row. */
export const coolingGivenOf = (
  row: {
    grams: number
    depth_mm: number
    density_g_ml: number
    water_share: number
    place: CoolingPlace
    open: 0 | 1
    stacked: number
    next_place: NextPlace | null
  },
  kitchenC: number,
): CoolingInput => ({
  portion: {
    massG: row.grams,
    depthMm: row.depth_mm,
    densityGMl: row.density_g_ml,
    waterShare: row.water_share,
  },
  place: row.place,
  open: row.open === 1,
  kitchenC,
  stacked: row.stacked,
  next: row.next_place,
})

/**
 * Still air moves about 9 W/(m² K) off a warm surface, half of it by radiation; a fridge's fan a little more;
 * under a lid the air gap halves it; from below a shelf of wire, or a board, or ice water through the wall of
 * the container. Textbook ranges for natural convection (Incropera & DeWitt, Fundamentals of Heat and Mass
 * Transfer).
 */
const AIR_H = { counter: 9, fridge: 11, freezer: 12, 'ice-bath': 9 } as const
const LIDDED = 0.5
const BOTTOM_H = { counter: 4, fridge: 9, freezer: 10, 'ice-bath': 180 } as const
const AIR_C = { fridge: 4, freezer: -18 } as const
const ICE_WATER_C = 1

/** Rice leaves the pot near the boil and is about this warm once it is shared out, °C. */
export const PACKED_C = 75

const WATER_C_J = 4.18
const DRY_C_J = 1.6
const WATER_K = 0.62 // W/(m K) at 40 °C
/** Of the cooked kernel itself, g/mL. */
const COOKED_KERNEL = 1.1

/**
 * Conductivity of loose cooked grain, W/(m K): water and starch side by side by mass, with the air between
 * the kernels (Maxwell–Eucken).
 */
export function conductivityOf({ densityGMl, waterShare }: Portion): number {
  return withAir(waterShare * WATER_K + (1 - waterShare) * STARCH_K, airShareOf({ densityGMl }))
}

const airShareOf = ({ densityGMl }: Pick<Portion, 'densityGMl'>): number =>
  Math.min(0.6, Math.max(0, 1 - densityGMl / COOKED_KERNEL))

export const slabOf = (portion: Portion, startC: number, stacked = 1): Slab => ({
  depthM: (portion.depthMm / 1000) * stacked,
  conductivity: conductivityOf(portion),
  heatPerVolume:
    portion.densityGMl * 1e6 * (portion.waterShare * WATER_C_J + (1 - portion.waterShare) * DRY_C_J),
  startC,
})

export interface Cooling {
  /** Minutes from packing until its warmest place is under what hot food is held at: from here the clock runs. */
  leavesHotMin: number
  /** Minutes from packing to 21 °C and to 5 °C; Infinity where the place never gets it there. */
  to21Min: number
  to5Min: number
  /** Minutes it took of those it may. */
  coolMin: number
  chillMin: number
  tooSlow: 'cool' | 'chill' | null
  /** Minutes from packing until it is frozen through; Infinity where it does not go into the freezer. */
  frozenMin: number
  /** Water it loses on the way, g. */
  losesG: number
}

export const COOL_C = 21
export const COLD_C = 5
const MAX_MINUTES = 24 * 60

/** When a container of cooked grain is cold, by its warmest place, and whether that is soon enough. */
export function coolingOf(
  { portion, place, open, kitchenC, startC = PACKED_C, stacked = 1, next = null }: CoolingInput,
  guidance: Guidance,
): Cooling {
  const slab = slabOf(portion, startC, stacked)
  const { top, bottom } = facesAt(place, open, kitchenC)
  const marks = [guidance.hold_hot_c.value, COOL_C, COLD_C]
  const at: number[] = []
  // Its own time, of which the step is a small part.
  const own = (slab.heatPerVolume * slab.depthM) / (top.h + bottom.h)
  const stepS = Math.max(2, Math.min(30, own / 100))
  const end = coolSlab(
    slab,
    top,
    bottom,
    stepS,
    (warmest, seconds) => {
      while (at.length < marks.length && warmest <= marks[at.length]!) at.push(seconds / 60)
      return at.length === marks.length || seconds > MAX_MINUTES * 60
    },
    next === null ? undefined : { afterS: FIRST_PLACE_MIN * 60, ...facesAt(next, open, kitchenC) },
  )
  const [leavesHotMin = Infinity, to21Min = Infinity, to5Min = Infinity] = at
  const coolMin = to21Min - leavesHotMin
  const chillMin = to5Min - to21Min
  const area = portion.massG / portion.densityGMl / 1e6 / (portion.depthMm / 1000)
  return {
    leavesHotMin,
    to21Min,
    to5Min,
    coolMin,
    chillMin,
    tooSlow: !(coolMin <= guidance.cool_min.value)
      ? 'cool'
      : !(chillMin <= guidance.chill_min.value)
        ? 'chill'
        : null,
    frozenMin:
      place === 'freezer' || next === 'freezer' ? to5Min + freezingFrom5(portion, stacked, open) : Infinity,
    losesG: end.vapourGM2 * area,
  }
}

/** What lies over and under a container, by where it stands. */
function facesAt(place: CoolingPlace, open: boolean, kitchenC: number): { top: Face; bottom: Face } {
  const air = place === 'counter' || place === 'ice-bath' ? kitchenC : AIR_C[place]
  return {
    top: { celsius: air, h: AIR_H[place] * (open ? 1 : LIDDED), bare: open },
    bottom: { celsius: place === 'ice-bath' ? ICE_WATER_C : air, h: BOTTOM_H[place] },
  }
}

/** Minutes in the freezer from 5 °C until a container, or the whole stack it stands in, is frozen through. */
export function freezingFrom5(portion: Portion, stacked: number, open: boolean): number {
  const { top, bottom } = facesAt('freezer', open, 0)
  return freezingMinutes({
    depthM: (portion.depthMm / 1000) * stacked,
    densityGMl: portion.densityGMl,
    waterShare: portion.waterShare,
    airShare: airShareOf(portion),
    airC: AIR_C.freezer,
    topH: top.h,
    bottomH: bottom.h,
  })
}

/** Not worth spreading thinner than one grain lies, mm. */
const THINNEST_MM = 8

/** The deepest layer that is cold in time there, mm; 0 when none is. */
export function deepestInTime(given: CoolingInput, guidance: Guidance): number {
  const passes = (depthMm: number) =>
    coolingOf({ ...given, portion: { ...given.portion, depthMm } }, guidance).tooSlow === null
  if (!passes(THINNEST_MM)) return 0
  let [low, high] = [THINNEST_MM, 150]
  while (high - low > 0.5) {
    const middle = (low + high) / 2
    if (passes(middle)) low = middle
    else high = middle
  }
  return low
}

export interface FasterWay {
  id: 'open' | 'apart' | 'ice-bath' | 'fridge' | 'thinner'
  says: string
  cooling: Cooling
}

/** What would have it cold in time, the least trouble first; before it is too late, not after. */
export function fasterWays(given: CoolingInput, guidance: Guidance): FasterWay[] {
  const ways: FasterWay[] = []
  const tryOut = (id: FasterWay['id'], says: string, more: Partial<CoolingInput>) => {
    const cooling = coolingOf({ ...given, ...more }, guidance)
    if (cooling.tooSlow === null) ways.push({ id, says, cooling })
  }
  const settled = { ...given, stacked: 1 }
  if ((given.stacked ?? 1) > 1)
    tryOut('apart', 'Leave space between the containers until they are cold', { stacked: 1 })
  if (!given.open) tryOut('open', 'Leave the lid off until it is cold', { stacked: 1, open: true })
  if (given.place === 'counter')
    tryOut('fridge', 'Straight into the fridge, lid off', { stacked: 1, open: true, place: 'fridge' })
  if (given.place !== 'ice-bath')
    tryOut('ice-bath', 'Put it in ice water first, lid off', { stacked: 1, open: true, place: 'ice-bath' })
  const place = given.place === 'counter' ? 'fridge' : given.place
  const depthMm = Math.floor(deepestInTime({ ...settled, place, open: true }, guidance))
  if (depthMm > 0 && depthMm < given.portion.depthMm) {
    const areaCm2 = given.portion.massG / given.portion.densityGMl / (depthMm / 10)
    const parts = Math.ceil(given.portion.depthMm / depthMm)
    tryOut(
      'thinner',
      `Spread it ${depthMm} mm thin, over ${Math.round(areaCm2 / 10) * 10} cm² or in ${parts} such containers, lid off`,
      { stacked: 1, place, open: true, portion: { ...given.portion, depthMm } },
    )
  }
  return ways
}
