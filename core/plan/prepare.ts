import { blendOf, slowedBlend, type Blend } from '#core/grain/blend'
import { steamedBlend } from '#core/grain/steamed'
import { uptakeAt } from '#core/grain/texture'
import type { VarietyId } from '#core/grain/varieties'
import { boilingPointAt, pressureAt } from '#core/heat/boiling-point'
import { methodOf } from '#core/methods/index'
import type { MethodContext, Method, MethodStage } from '#core/methods/definition'
import { DRY_AND_THROUGH, type Goal } from '#core/pot/doneness'
import { metres } from '#core/units/units'
import { addInWater } from '#core/seasoning/seasoning'
import { clingOf } from '#core/water/cling'
import { dryMassOf } from './amount'
import { timeBlend, type TimedBlend } from './blend-timing'
import type { OwnStageKind, PlanRequest } from './request'
import { soakedGrain, type SoakedGrain } from './soaked'

/** Nothing eats drier than this, whatever was learned, g/g. */
export const DRIEST_UPTAKE = 0.3

/** A kettle's water has cooled by this much when it lies on the grain, K. */
const KETTLE_BELOW_BOIL = 4

/** Everything about a pot that is settled before its water is: grain, soak, and the method's stages. */
export interface PreparedPlan {
  blend: Blend
  dryG: number
  /** Water wanted in the grain, g/g. */
  uptake: number
  /** Water that is eaten with the grain and not in it, g/g. */
  sauce: number
  boilC: number
  waterC: number
  soaked: SoakedGrain
  addInWaterG: number
  /** The soaking water's temperature when it is cooked in. */
  retainedSoakC: number | null
  method: Method
  /** What must be reached at the end. */
  goal: Goal
  /** Members of the blend that are not in the pot at first. */
  later: number[]
  /** Liquid of a dish that is the boiler, g; 0 for plain water. */
  boilerHasG: number
  timed: TimedBlend
  /** Minutes of the cook's own for the stage the method would solve. */
  fixedMinutes?: number
}

export function prepare(request: PlanRequest): PreparedPlan {
  const { soak } = request
  const inWater = slowedBlend(blendOf(request.grains), request.minutesFactor)
  const asked = methodOf(request.method)
  const method =
    asked.variantFor?.({
      blend: inWater,
      soaked: soak !== null && (soak.minutes > 0 || soak.wetMassG !== null),
      vessel: request.vessel,
    }) ?? asked
  const blend = method.basket && !method.bowl ? steamedBlend(inWater, method.water === 'stock') : inWater
  const uptake = Math.min(
    blend.uptake.most,
    Math.max(DRIEST_UPTAKE, uptakeAt(blend.uptake, request.texture) + request.uptakeDelta),
  )
  // What is kept comes on top, and so does what the pot keeps for itself.
  const { amount, keepServings, stuckG } = request
  const dryG =
    dryMassOf({ ...amount, value: amount.value + keepServings }, blend, uptake) + stuckG / (1 + uptake)
  const boilC = boilingPointAt(metres(request.elevationM))
  const wetted = request.rinse.washes > 0 || soak?.water === 'drain'
  const soaked = soakedGrain({
    blend,
    dryG,
    soak,
    usualClingG: clingOf(blend, wetted, request.rinse.drain) * dryG,
    slowOnly: request.blendTiming === 'soak-slow',
  })
  const kitchen: MethodContext = {
    ...request,
    blend,
    uptake,
    dryG,
    boilC,
    ambientPa: pressureAt(metres(request.elevationM)),
  }
  const { timed, fixedMinutes } = withOwnMinutes(
    opened(timeBlend({ blend, stages: method.stages(kitchen), timing: request.blendTiming, boilC }), method),
    request.ownMinutes,
  )
  return {
    blend,
    dryG,
    uptake,
    boilC,
    sauce: method.sauce?.(kitchen) ?? 0,
    soaked,
    method,
    timed,
    ...(fixedMinutes === undefined ? {} : { fixedMinutes }),
    goal: method.goal?.(kitchen) ?? DRY_AND_THROUGH,
    later: [
      ...new Set([
        ...timed.later,
        ...timed.stages.flatMap((stage) => stage.join ?? []),
        ...(timed.stages.some((s) => s.contact === 'aside') ? blend.parts.map((_, i) => i) : []),
      ]),
    ],
    boilerHasG: request.boilerDish?.liquidG ?? 0,
    // No kettle up here is hotter than its own boil.
    waterC: method.kettle ? boilC - KETTLE_BELOW_BOIL : Math.min(request.waterC, boilC),
    addInWaterG: addInWater(request.addIns, dryG),
    retainedSoakC: soak?.water === 'keep' ? Math.min(soak.celsius, boilC) : null,
  }
}

/** Dry grain that a plan of this takes, g, by its kinds; nothing is cooked for it. */
export function grainNeeded(request: PlanRequest): { variety: VarietyId; grams: number }[] {
  const { blend, dryG } = prepare(request)
  return blend.parts.map(({ variety, share }) => ({ variety: variety.id, grams: dryG * share }))
}

/**
 * The stages with the cook's own minutes: what has minutes takes them, and what the method would solve, or an
 * appliance would end by itself, ends by the clock.
 */
function withOwnMinutes(
  timed: TimedBlend,
  own: PlanRequest['ownMinutes'],
): { timed: TimedBlend; fixedMinutes?: number } {
  if (Object.keys(own).length === 0) return { timed }
  const minutesFor = ({ kind, until }: MethodStage): number | undefined =>
    own[kind as OwnStageKind] ??
    (until === 'solved' || ('event' in until && until.event === 'switch') ? own.solved : undefined)
  let fixedMinutes: number | undefined
  const stages = timed.stages.map((stage): MethodStage => {
    const minutes = minutesFor(stage)
    if (minutes === undefined) return stage
    const { cue: _cue, ...rest } = stage
    const clocked: MethodStage = { ...rest, endsOn: 'clock', checks: [] }
    if (stage.until !== 'solved') return { ...clocked, until: { minutes } }
    fixedMinutes = minutes
    return clocked
  })
  return { timed: { ...timed, stages }, ...(fixedMinutes === undefined ? {} : { fixedMinutes }) }
}

/** The last stage of a pot that keeps its water ends with the lid off. */
const opened = (timed: TimedBlend, { water }: Method): TimedBlend =>
  water === 'pot'
    ? {
        ...timed,
        stages: timed.stages.map((stage, i) =>
          i === timed.stages.length - 1 ? { ...stage, opensAtEnd: true } : stage,
        ),
      }
    : timed
