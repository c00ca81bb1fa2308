import type { Blend } from '#core/grain/blend'
import { LATENT_HEAT } from '#core/heat/evaporation'
import { lossFactor } from '#core/heat/lid'
import type { MethodStage, WaterMode } from '#core/methods/definition'
import type { Goal } from '#core/pot/doneness'
import type { PotSetup } from '#core/pot/pot'
import type { Vessel } from '#core/vessel/vessel'
import { potSetupOf } from './pot-setup'
import type { SoakedGrain } from './soaked'

/** A pot whose water is looked for. */
export interface PourProblem {
  blend: Blend
  dryG: number
  vessel: Vessel
  boilC: number
  kitchenC: number
  waterC: number
  stages: readonly MethodStage[]
  goal: Goal
  way: WaterMode
  /** The grain sits over the water. */
  basket: boolean
  /** Whether the soaking water is cooked in, and its temperature. */
  retainedSoakC: number | null
  soaked: SoakedGrain
  /** Water that add-ins bring into the pot, g. */
  addInWaterG: number
  /** Members of the blend that go in later. */
  later: readonly number[]
  /** Liquid that is in the boiler whatever the steam needs, because it is a dish, g. */
  boilerHasG: number
  /** Water wanted in the grain when it is eaten, g/g. */
  uptake: number
  /** Water that is eaten with the grain and not in it, g/g. */
  sauce?: number
  /** The earliest end that works, whatever it leans on. */
  hurry?: boolean
  /** Minutes of the cook's own for the stage that would be solved. */
  fixedMinutes?: number
}

/** Water that is in the pot or the grain before anything is poured, g. */
export const waterCarriedInto = ({ soaked, addInWaterG, dryG, retainedSoakC }: PourProblem): number =>
  soaked.clingingG + addInWaterG + (retainedSoakC === null ? soaked.uptake * dryG : 0)

/**
 * The pot with so much water where this method puts it.
 * @param boilerG under a basket whose pour goes on the grain, g
 */
export function setupFor(problem: PourProblem, pour: number, boilerG = 0): PotSetup {
  const { soaked, retainedSoakC, dryG, way, basket } = problem
  const drunk = retainedSoakC === null ? 0 : soaked.uptake * dryG
  const inBed = way === 'pot' || way === 'excess' ? pour : 0
  return {
    ...potSetupOf({
      blend: problem.blend,
      dryG,
      vessel: problem.vessel,
      boilC: problem.boilC,
      kitchenC: problem.kitchenC,
      freeWaterG: Math.max(0, inBed + soaked.clingingG + problem.addInWaterG - drunk),
      waterC: retainedSoakC ?? problem.waterC,
      soaked: soaked.shells,
      later: problem.later,
    }),
    ...(basket ? { boilerG: way === 'boiler' ? pour : boilerG } : {}),
    ...(way === 'stock' ? { stockG: pour, stockC: problem.waterC } : {}),
  }
}

/** Reserve in a boiler so that it never runs dry, as a share and in g. */
const BOILER_MORE = 1.25
const BOILER_RESERVE_G = 150
/** What condenses on grain as it warms, before anything is known of it, g/g. */
const CONDENSES = 0.12

/**
 * Water for the boiler: what its heat steams off in these minutes, a quarter more, what the grain takes of
 * it, and a reserve, g.
 */
export function boilerWater(
  problem: PourProblem,
  minutes: number,
  condensedG = CONDENSES * problem.dryG,
): number {
  const { stages, vessel, boilC, kitchenC } = problem
  const steaming = stages.find((stage) => stage.contact === 'steam' && stage.kind === 'steam')
  const surplus = Math.max(
    0,
    (steaming?.powerW ?? 0) - vessel.loss * lossFactor(vessel.lid, 'on', true) * (boilC - kitchenC),
  )
  const needed =
    (surplus / LATENT_HEAT) * 60 * vessel.steamFactor * minutes * BOILER_MORE + condensedG + BOILER_RESERVE_G
  return Math.max(needed, problem.boilerHasG)
}

/** Minutes with steam going, of a course by stage. */
export const steamingMinutes = (problem: PourProblem, minutes: readonly number[]): number =>
  problem.stages.reduce(
    (sum, stage, i) =>
      sum +
      ((stage.contact === 'steam' || stage.contact === 'aside') && stage.powerW > 0 && stage.id !== 'heat-up'
        ? (minutes[i] ?? 0)
        : 0),
    0,
  )
