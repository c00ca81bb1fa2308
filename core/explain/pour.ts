import { uptakeAt } from '#core/grain/texture'
import { blendOf } from '#core/grain/blend'
import { methodOf } from '#core/methods/index'
import { steamedBlend } from '#core/grain/steamed'
import type { PlanRequest } from '#core/plan/request'
import type { Plan } from '#core/plan/result'

/** Where a term comes from. */
export type Source = 'published' | 'this pot' | 'this bag' | 'your notebook' | 'you' | 'computed'

/** A line of a sum. */
export interface BreakdownTerm {
  word: string
  value: number
  unit: 'g' | 'min' | 'mm'
  from: Source
  /** How far it may be off, in the same unit: one standard deviation. */
  sure: number
}

export interface Sum {
  terms: BreakdownTerm[]
  total: number
  sure: number
}

/** A figure explained: in a sentence or two, and as the sum it is. */
export interface Breakdown extends Sum {
  says: string
}

/** What is known about what went into a plan. */
export interface Known {
  /** The pot's steam was measured. */
  potMeasured: boolean
  /** What Omsel has learned of this grain in this pot, g/g, with its standard deviation. */
  learned: { delta: number; sd: number } | undefined
  /** What the bag brings, g/g: its label taken over, or a new crop. */
  bagDelta: number
}

/** Uptake at a texture differs from lot to lot by about this share. */
const LOT = 0.06
/** Steam of a pot nobody measured, and of one someone did. */
const STEAM_GUESS = 0.33
const STEAM_MEASURED = 0.1
const CLING = 0.25
const SOAK = 0.1
/** A kitchen scale, g. */
const SCALE_G = 2

/** Terms that add up, with how far they may be off together. */
export const total = (terms: readonly BreakdownTerm[]): Sum => ({
  terms: [...terms],
  total: terms.reduce((sum, { value }) => sum + value, 0),
  sure: Math.sqrt(terms.reduce((sum, { sure }) => sum + sure * sure, 0)),
})

/** A term only where it is at least half a gram. */
const gramsTerm = (word: string, value: number, from: Source, sure: number): BreakdownTerm[] =>
  Math.abs(value) >= 0.5 ? [{ word, value, unit: 'g', from, sure }] : []

/**
 * The pour as the sum it is: what goes into the grain and why so much, what leaves as steam from which stage,
 * less what is there already.
 */
export function whyPour(request: PlanRequest, plan: Plan, known: Known): Breakdown {
  if (request.pourOverrideG !== null)
    return {
      ...total(gramsTerm('water of your own', plan.water.pour_g, 'you', SCALE_G)),
      says: 'You chose this amount yourself.',
    }
  const sum = total([
    ...absorbedTerms(request, plan, known),
    ...steamTerms(plan, known),
    ...drainedTerms(request, plan),
    ...carriedInTerms(request, plan),
  ])
  // Figures too small to say still count.
  return {
    ...sum,
    says: pourWords(plan),
    terms: [...sum.terms, ...gramsTerm('rounding', plan.water.pour_g - sum.total, 'computed', 0)],
    total: plan.water.pour_g,
  }
}

/** Too little to say, g. */
const SAID_G = 5

/** The pour in plain sentences, the largest part first. */
function pourWords({ water }: Plan): string {
  const g = (grams: number) => `${Math.round(grams)} g`
  const carried = water.clinging_g + water.soaked_in_g
  return [
    `The grain takes up ${g(water.absorbed_g)}.`,
    water.evaporated_g >= SAID_G ? `${g(water.evaporated_g)} boils off.` : '',
    water.drained_off_g >= SAID_G ? `${g(water.drained_off_g)} is poured off again.` : '',
    water.left_in_pot_g >= SAID_G ? `${g(water.left_in_pot_g)} stays in the pot.` : '',
    carried >= SAID_G ? `Less ${g(carried)} that is in or on the grain already.` : '',
    water.add_in_water_g >= SAID_G ? `Less ${g(water.add_in_water_g)} that comes with the add-ins.` : '',
    water.steam_in_g >= SAID_G ? `Less ${g(water.steam_in_g)} that condenses from the steam.` : '',
  ]
    .filter(Boolean)
    .join(' ')
}

/** What goes into the grain, and how much of that was learned. */
function absorbedTerms(request: PlanRequest, { water, grain }: Plan, known: Known): BreakdownTerm[] {
  const method = methodOf(request.method)
  if (method.water !== 'pot' && method.water !== 'stock')
    return gramsTerm('absorbed', water.absorbed_g, 'computed', LOT * water.absorbed_g)
  const grains = blendOf(request.grains)
  const blend = method.basket ? steamedBlend(grains, method.water === 'stock') : grains
  const published = uptakeAt(blend.uptake, request.texture) * grain.mass_g
  const shift = request.uptakeDelta * grain.mass_g
  const learned = (known.learned?.delta ?? 0) * grain.mass_g
  return [
    ...gramsTerm(
      `absorbed: ${(published / grain.mass_g).toFixed(2)} times its weight at this texture`,
      published,
      'published',
      known.learned ? 0 : LOT * published,
    ),
    ...gramsTerm(
      'absorbed: from your batches',
      learned,
      'your notebook',
      (known.learned?.sd ?? 0) * grain.mass_g,
    ),
    ...gramsTerm(
      'absorbed: from this bag',
      shift - learned,
      known.bagDelta !== 0 ? 'this bag' : 'you',
      0.03 * grain.mass_g,
    ),
    ...gramsTerm('absorbed: more than asked', water.absorbed_g - published - shift, 'computed', 0),
  ]
}

function steamTerms({ stages, water }: Plan, { potMeasured }: Known): BreakdownTerm[] {
  if (water.evaporated_g <= 0) return []
  const spread = potMeasured ? STEAM_MEASURED : STEAM_GUESS
  return stages.flatMap((stage) => {
    const steamG = water.evaporated_by_stage[stage.id] ?? 0
    const from = potMeasured ? 'this pot' : 'computed'
    return gramsTerm(`boils off: ${stage.title.toLowerCase()}`, steamG, from, steamG * spread)
  })
}

function drainedTerms(request: PlanRequest, { water }: Plan): BreakdownTerm[] {
  const left =
    methodOf(request.method).water === 'boiler'
      ? 'kept under the basket so it does not run dry'
      : 'stays in the pot'
  return [
    ...gramsTerm('poured off again', water.drained_off_g, 'computed', LOT * water.absorbed_g),
    ...gramsTerm(left, water.left_in_pot_g, 'computed', 0.2 * water.left_in_pot_g),
  ]
}

function carriedInTerms(request: PlanRequest, { water }: Plan): BreakdownTerm[] {
  const weighed = Boolean(request.soak?.wetMassG)
  return [
    ...gramsTerm(
      'rinse water already on the grain',
      -water.clinging_g,
      weighed ? 'you' : 'published',
      weighed ? SCALE_G : CLING * water.clinging_g,
    ),
    ...gramsTerm(
      'soaked up already',
      -water.soaked_in_g,
      weighed ? 'you' : 'computed',
      weighed ? SCALE_G : SOAK * water.soaked_in_g,
    ),
    ...gramsTerm('comes with the add-ins', -water.add_in_water_g, 'published', 0.1 * water.add_in_water_g),
    ...gramsTerm('condenses from the steam', -water.steam_in_g, 'computed', 0.2 * water.steam_in_g),
  ]
}

const minutesWord = (minutes: number): string => `${Math.max(1, Math.round(minutes))} min`

/**
 * The time to the table as its stages, each with what it may be off by. Work that goes on beside other work
 * adds nothing.
 */
export function whyMinutes(plan: Plan, known: Pick<Known, 'potMeasured'>): Breakdown {
  const sum = total(
    plan.stages.map((stage) => ({
      word: stage.title.toLowerCase(),
      value: stage.minutes.expected,
      unit: 'min' as const,
      from:
        stage.hands_on && stage.power_w === 0
          ? ('you' as const)
          : known.potMeasured
            ? ('this pot' as const)
            : ('computed' as const),
      sure: (stage.minutes.high - stage.minutes.low) / 4,
    })),
  )
  const side = plan.total_minutes.expected - sum.total
  const longest = plan.stages.reduce((a, b) => (b.minutes.expected > a.minutes.expected ? b : a))
  return {
    ...sum,
    says: `The longest step is “${longest.title.toLowerCase()}”, ${minutesWord(longest.minutes.expected)}. Your hands are needed for ${minutesWord(plan.hands_on_minutes)}.`,
    terms:
      side < -0.05
        ? [...sum.terms, { word: 'done side by side', value: side, unit: 'min', from: 'computed', sure: 0 }]
        : sum.terms,
    total: plan.total_minutes.expected,
  }
}
