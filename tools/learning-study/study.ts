import { parsePlanRequest, type PlanRequestJson } from '#core/contract/plan-request'
import type { VarietyId } from '#core/grain/varieties'
import { HEAT_PRESETS, type HeatPresetId } from '#core/heat/sources'
import { beliefsFrom, knownFigures } from '#core/learn/beliefs'
import { correctedMinutes, correctionFrom, type Correction } from '#core/learn/corrections'
import { NOTHING_APPLIED, WET_STEP, type Applied, type Evidence } from '#core/learn/evidence'
import { plan } from '#core/plan/plan'
import { cookReady, makeReady, NO_LUCK, outcomeOf } from '#core/simulate/simulate'
import { randomOf } from '#core/random'
import { isGood, NEAR_ENOUGH, SWEEP, wantedUptake } from '#core/simulate/sweep'
import { textureReached, verdictOf } from '#core/simulate/verdict'
import type { PlanRequest } from '#core/plan/request'
import { OUR_WORLD, type World } from './worlds'
import { VESSEL_PRESETS, type VesselPresetId } from '#core/vessel/presets'

/** A household that does not know its own bag, pot and burner. */
export interface Household {
  variety: VarietyId
  vessel: VesselPresetId
  heat: HeatPresetId
  servings: number[]
  /** What is true: water its eaters want over the published, g/g; factors on steam and burner. */
  wants: number
  steam: number
  burner: number
  /** A factor on the minutes of its lots. */
  minutes: number
}

export interface StudyInput {
  households: number
  cooks: number
  seed: number
  /** The full pot is weighed before and after. */
  weighed: boolean
  /** What is true of its kitchens; left out: what the app takes for true. */
  world?: World
  /** Called with each batch as it is planned, and with how it ended. */
  watch?: (batch: { cook: number; believed: PlanRequest; good: boolean }) => void
  /** Called with the records of each household, when its batches are over. */
  ended?: (evidence: readonly Evidence[]) => void
}

export interface Study {
  /** Water in the grain off what its eaters want, g/g: by household, then by cook; the first with nothing learned. */
  errors: number[][]
  rms: number[]
  /**
   * Of those off by more than 0.12 g/g at first: the share whose error is halved by each cook; and how many
   * they are.
   */
  halved: number[]
  farOff: number
}

/** Spread of households: bags and eaters, lids, burners; and of a tongue and a hand. */
const WANTS_SD = 0.13
const STEAM_SD = 0.25
const BURNER_SD = 0.12
const TONGUE_SD = 0.05
const BOIL_NOISE = 0.05
const SCALE_G = 2

const VARIETIES: readonly VarietyId[] = [
  'long-white',
  'short-white',
  'basmati',
  'jasmine',
  'medium-white',
  'quinoa',
  'millet',
]
const POTS: readonly [VesselPresetId, HeatPresetId][] = [
  ['heavy-2.5', 'gas-medium'],
  ['heavy-3.5', 'gas-large'],
  ['steel-1.6', 'gas-small'],
  ['clay-1.8', 'gas-medium'],
  ['heavy-2.5', 'induction'],
]

const FAR_OFF = 0.12

/**
 * Cooks in simulated kitchens: the pot is simulated with its hidden truth, judged in whole steps by a vague
 * tongue, and the app's own beliefs plan the next pot.
 */
export function study({
  households,
  cooks,
  seed,
  weighed,
  world = OUR_WORLD,
  watch,
  ended,
}: StudyInput): Study {
  const random = randomOf(seed)
  const normal = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random())
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!
  const errors = Array.from({ length: households }, () => {
    const [vessel, heat] = pick(POTS)
    const household: Household = {
      variety: pick(VARIETIES),
      vessel,
      heat,
      servings: Array.from({ length: cooks + 1 }, () => 2 + Math.floor(random() * 4)),
      wants: WANTS_SD * normal(),
      steam: Math.exp(STEAM_SD * normal()),
      burner: Math.exp(BURNER_SD * normal()),
      minutes: 1,
      ...world.household?.(normal),
    }
    return live(household, { cooks, weighed, normal, random, world, watch, ended })
  })
  const rms = Array.from({ length: cooks + 1 }, (_, i) =>
    Math.sqrt(errors.reduce((sum, e) => sum + e[i]! ** 2, 0) / households),
  )
  const far = errors.filter((e) => Math.abs(e[0]!) > FAR_OFF)
  const halved = Array.from({ length: cooks + 1 }, (_, i) =>
    far.length === 0 ? 1 : far.filter((e) => Math.abs(e[i]!) <= Math.abs(e[0]!) / 2).length / far.length,
  )
  return { errors, rms, halved, farOff: far.length }
}

interface Life {
  cooks: number
  weighed: boolean
  normal: () => number
  random: () => number
  world: World
  watch: StudyInput['watch']
  ended: StudyInput['ended']
}

/** One household, cook after cook.  @returns the error of every pot, by what was believed before it */
function live(household: Household, life: Life): number[] {
  const evidence: Evidence[] = []
  const errors: number[] = []
  const bags = life.world.bags?.(life) ?? []
  for (let i = 0; i <= life.cooks; i++) {
    const bag = bags.findLast(({ from }) => from <= i)
    const home = { ...household, wants: household.wants + (bag?.wants ?? 0) }
    const known = correctionFrom(knownFigures(beliefsFrom(evidence)), {
      grainKey: household.variety,
      bagId: bag?.id ?? null,
      vesselId: household.vessel,
      heatId: household.heat,
    })
    const { error, observed } = cookOnce(home, { ...life, i, known, bagId: bag?.id ?? null })
    errors.push(error)
    evidence.push(observed)
  }
  life.ended?.(evidence)
  return errors
}

/** The request as a kitchen's figures would make it. */
function requestOf(
  { variety, vessel, heat, servings }: Household,
  i: number,
  {
    steam,
    power,
    uptake,
    more = {},
  }: { steam: number; power: number; uptake: number; more?: Partial<PlanRequestJson> },
): PlanRequest {
  const source = HEAT_PRESETS[heat]
  const { given } = VESSEL_PRESETS[vessel]
  const got = parsePlanRequest({
    grains: [{ variety }],
    amount: { basis: 'servings', value: servings[i]! },
    uptake_delta_g_g: uptake,
    vessel: {
      capacity_ml: given.capacityMl,
      base_diameter_mm: given.baseDiameterMm,
      lid: given.lid,
      steam_factor: steam,
      ...(given.rimDiameterMm === undefined ? {} : { rim_diameter_mm: given.rimDiameterMm }),
      ...(given.heightMm === undefined ? {} : { height_mm: given.heightMm }),
      ...(given.heatCapacityJK === undefined ? {} : { heat_capacity_j_k: given.heatCapacityJK }),
    },
    heat: { rated_w: source.ratedW * power, efficiency: source.efficiency },
    ...more,
  })
  if (!got.ok) throw new Error(got.errors[0]!.message)
  return got.value
}

function cookOnce(
  household: Household,
  {
    i,
    known,
    weighed,
    normal,
    random,
    world,
    watch,
    bagId,
  }: Life & { i: number; known: Correction | undefined; bagId: string | null },
): { error: number; observed: Evidence } {
  const applied: Applied = known ?? NOTHING_APPLIED
  // What the house plans with, and what its kitchen really is.
  const believed = requestOf(household, i, {
    steam: Math.exp(applied.steam),
    power: Math.exp(applied.power),
    uptake: applied.uptake,
    more: {
      minutes_factor: correctedMinutes(applied.time),
      ...(known ? { spreads: known.spreads } : {}),
    },
  })
  const truth = requestOf(household, i, {
    steam: household.steam * (world.steam?.(household.servings[i]!) ?? 1),
    power: 1,
    uptake: 0,
    more: world.truth ?? {},
  })
  const made = plan(believed)
  const ready = makeReady({ request: truth, script: null, asPlanned: made })
  const { pot, events: happened } = cookReady(ready, [], SWEEP, {
    ...NO_LUCK,
    burner: household.burner,
    minutes: household.minutes * (world.minutes?.(household.servings[i]!) ?? 1),
    ...(world.measuring === undefined
      ? {}
      : { water: 1 + world.measuring * normal(), grain: 1 + world.measuring * normal() }),
  })
  const outcome = outcomeOf(pot)
  const inGrain = outcome.uptakeMean + pot.freeG / pot.dryG
  const published = made.water.uptake_target - applied.uptake
  const wanted = published + household.wants
  const tongue = {
    error: inGrain - wanted,
    step: (inGrain - wanted + TONGUE_SD * normal()) / WET_STEP,
    i,
    random,
  }
  const step = (n: number) => Math.max(-2, Math.min(2, Math.round(n)))
  if (watch) {
    const { uptake } = ready.prepared.blend
    const wants = wantedUptake(uptake, wanted / published)
    const near = Math.abs(textureReached(outcome, wants, 0) - believed.texture) <= NEAR_ENOUGH
    watch({ cook: i, believed, good: isGood(verdictOf(outcome, wants, 0)) && near })
  }
  const boiledAt = happened.find((t) => t.kind === 'heat-up' || t.kind === 'boil')?.tMin
  const plannedBoil = made.stages.find((s) => s.id === 'heat-up')!.minutes.expected
  const steamG = Math.max(1, pot.evaporatedG + SCALE_G * normal())
  return {
    error: tongue.error,
    observed: {
      cookId: String(i).padStart(3, '0'),
      endedMs: i,
      grainKey: household.variety,
      bagId,
      vesselId: household.vessel,
      heatId: household.heat,
      extraUptake: made.water.absorbed_g / made.grain.mass_g - published,
      steamPerDry: made.water.evaporated_g / made.grain.mass_g,
      applied,
      judged: {
        wetDry: step(world.rated?.(tongue) ?? tongue.step),
        hardness: outcome.centreMin < 0.8 ? -1 : 0,
      },
      boilFactor: boiledAt === undefined ? null : (plannedBoil / boiledAt) * (1 + BOIL_NOISE * normal()),
      heated: null,
      steamFactor: weighed ? steamG / made.water.evaporated_g : null,
    },
  }
}
