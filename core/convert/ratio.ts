import { parsePlanRequest, type PlanRequestJson } from '#core/contract/plan-request'
import { varietyOf, type VarietyId } from '#core/grain/varieties'
import { textureOf } from '#core/grain/texture'
import { plan } from '#core/plan/plan'
import { prepare } from '#core/plan/prepare'

/** A ratio from a bag, a book or a friend, with what is known of where it worked. Undefined is not known. */
export interface RatioInput {
  variety: VarietyId
  ratio: number
  by: 'volume' | 'mass'
  /** Grain measured by one cup and water by another: the water cup over the grain cup, 1 when it was the same. */
  waterCupOverGrainCup: number
  washed: boolean | undefined
  /** Minutes soaked and poured off; 0 for no soak. */
  soakedMinutes: number | undefined
  pot: keyof typeof POTS | undefined
  batchG: number | undefined
}

/** Kinds of pot a ratio may have worked in, each by a usual one. */
export const POTS = {
  'tight-lid': {
    word: 'a pot with a tight lid',
    request: { method: 'covered-simmer', vessel: 'heavy-2.5', heat: 'gas-medium' },
  },
  'loose-lid': {
    word: 'a thin pot with a loose lid',
    request: { method: 'covered-simmer', vessel: 'steel-1.6', heat: 'gas-medium' },
  },
  cooker: { word: 'a rice cooker', request: { method: 'switch-cooker', vessel: 'cooker-5' } },
  pressure: {
    word: 'a pressure cooker',
    request: { method: 'pressure-electric', vessel: 'pressure-electric-6' },
  },
} as const satisfies Record<string, { word: string; request: Partial<PlanRequestJson> }>
export const POT_IDS = Object.keys(POTS) as (keyof typeof POTS)[]

export interface RatioMeaning {
  /** Water in the grain that the ratio comes to, g/g: the middle of what it may mean, and its ends. */
  uptake: { low: number; middle: number; high: number }
  /** Where that lies between firm 0 and soft 1; outside it is drier or wetter. */
  texture: { low: number; middle: number; high: number }
  /** What was not known, so that both ways were counted. */
  unknown: ('washed' | 'soaked' | 'pot' | 'batch')[]
}

const UNKNOWN_BATCHES = [150, 300, 600] as const
const LIKELY_POTS = ['tight-lid', 'loose-lid'] as const
const UNKNOWN_SOAK = [0, 30] as const

/**
 * What a ratio says about the grain: the pour it means, less what such a pot boils off, plus what washing and
 * soaking had brought in. Where something is not known, every likely case is counted and the range is given.
 * @throws {RangeError} when the ratio or the cup is not above 0
 */
export function meaningOf(input: RatioInput): RatioMeaning {
  if (!(input.ratio > 0 && input.waterCupOverGrainCup > 0))
    throw new RangeError(
      `meaningOf: ratio and cup must be above 0, got ${input.ratio} and ${input.waterCupOverGrainCup}`,
    )
  const variety = varietyOf(input.variety)
  const perGram =
    input.by === 'mass' ? input.ratio : (input.ratio * input.waterCupOverGrainCup) / variety.bulkDensity
  const uptakes: number[] = []
  for (const pot of input.pot ? [input.pot] : LIKELY_POTS)
    for (const batch of input.batchG ? [input.batchG] : UNKNOWN_BATCHES) {
      const steam = steamPerGram(input.variety, pot, batch)
      for (const washed of input.washed === undefined ? [true, false] : [input.washed])
        for (const minutes of input.soakedMinutes === undefined ? UNKNOWN_SOAK : [input.soakedMinutes])
          uptakes.push(perGram + waterCarriedPerGram(input.variety, washed, minutes) - steam)
    }
  const [low, high] = [Math.min(...uptakes), Math.max(...uptakes)]
  const uptake = { low, middle: (low + high) / 2, high }
  return {
    uptake,
    texture: {
      low: textureOf(variety.uptake, low),
      middle: textureOf(variety.uptake, uptake.middle),
      high: textureOf(variety.uptake, high),
    },
    unknown: [
      ...(input.washed === undefined ? ['washed' as const] : []),
      ...(input.soakedMinutes === undefined ? ['soaked' as const] : []),
      ...(input.pot === undefined ? ['pot' as const] : []),
      ...(input.batchG === undefined ? ['batch' as const] : []),
    ],
  }
}

const settled = (request: PlanRequestJson) => {
  const read = parsePlanRequest(request)
  if (!read.ok) throw new RangeError(`meaningOf: ${read.errors[0]!.message}`)
  return read.value
}

/** Steam of the usual batches, g/g, by grain, pot and batch: a label is read often, and they never change. */
const knownSteam = new Map<string, number>()

function steamPerGram(variety: VarietyId, pot: keyof typeof POTS, batchG: number): number {
  const usual = (UNKNOWN_BATCHES as readonly number[]).includes(batchG)
  const key = `${variety} ${pot} ${batchG}`
  const steam = (usual ? knownSteam.get(key) : undefined) ?? plannedSteam(variety, pot, batchG)
  if (usual) knownSteam.set(key, steam)
  return steam
}

function plannedSteam(variety: VarietyId, pot: keyof typeof POTS, batchG: number): number {
  const made = plan(
    settled({ grains: [{ variety }], amount: { basis: 'dry-mass', value: batchG }, ...POTS[pot].request }),
  )
  return made.water.evaporated_g / batchG
}

function waterCarriedPerGram(variety: VarietyId, washed: boolean, soakMinutes: number): number {
  const { soaked } = prepare(
    settled({
      grains: [{ variety }],
      amount: { basis: 'dry-mass', value: 100 },
      rinse: { washes: washed ? 3 : 0 },
      soak: soakMinutes > 0 ? { minutes: soakMinutes, water: 'drain' } : null,
    }),
  )
  return soaked.clingingG / 100 + soaked.uptake
}

/** The same grain at the same wetness for another pot: a plan request with the uptake the ratio meant. */
export function asRequest(input: RatioInput, uptake: number, request: PlanRequestJson): PlanRequestJson {
  const { standard } = varietyOf(input.variety).uptake
  return { ...request, texture: 0.5, uptake_delta_g_g: Math.max(-2, Math.min(2, uptake - standard)) }
}
