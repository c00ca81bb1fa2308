import { LID_POSITIONS } from '#core/heat/lid'
import * as v from 'valibot'
import { deliveredPower, type HeatLevel } from '#core/heat/sources'
import { boilingPointAt } from '#core/heat/boiling-point'
import { celsius, metres } from '#core/units/units'
import { roundTo } from '#core/units/rounding'
import { standingLoss } from '#core/vessel/vessel'
import type { StageChange } from '#core/simulate/changes'
import type { Intervention } from '#core/simulate/interventions'
import type { ScriptStep } from '#core/simulate/script'
import { simulate, type Simulated } from '#core/simulate/simulate'
import { chancesOf, type Chances } from '#core/simulate/sweep'
import type { PlanRequest } from '#core/plan/request'
import { between, fieldErrors, oneOf, quoted, record } from './fields'
import { MAX_RUNS, parsePlanRequest, runsFields, type PlanRequestJson, type Result } from './plan-request'

/** Limits of what a dry run adds to a plan request. */
export const SIMULATE_LIMITS = Object.freeze({
  steps: 40,
  events: 60,
  changes: 40,
  stage: 60,
  minutes: [0, 1440],
  power_w: [0, 20_000],
  pressure_kpa: [5, 120],
  seconds: [1, 3600],
  grams: [0, 20_000],
  runs: MAX_RUNS,
} as const)

const list = <const T extends v.GenericSchema>(of: T, most: number) =>
  v.pipe(
    v.array(of, (issue) => `must be a list, got ${quoted(issue.input)}`),
    v.maxLength(most, (issue) => `holds at most ${most}, got ${issue.input.length}`),
  )

const HEATS = ['off', 'lowest', 'low', 'medium', 'high'] as const

const StepSchema = v.pipe(
  record({
    minutes: v.optional(between(...SIMULATE_LIMITS.minutes, 'minutes')),
    until: v.optional(oneOf(['boil', 'pressure', 'switch', 'dry'])),
    power_w: v.optional(between(...SIMULATE_LIMITS.power_w, 'W')),
    heat: v.optional(oneOf(HEATS)),
    lid: v.optional(oneOf(LID_POSITIONS), 'on'),
    pressure_kpa: v.nullish(between(...SIMULATE_LIMITS.pressure_kpa, 'kPa')),
  }),
  v.check(
    ({ minutes, until }) => (minutes === undefined) !== (until === undefined),
    'needs either minutes or until',
  ),
  v.check(
    ({ power_w, heat }) => (power_w === undefined) !== (heat === undefined),
    'needs either power_w or heat',
  ),
  v.check(
    ({ until, pressure_kpa }) => until !== 'pressure' || (pressure_kpa ?? null) !== null,
    'until "pressure" needs pressure_kpa',
  ),
)

const EventSchema = v.pipe(
  record({
    at_min: between(...SIMULATE_LIMITS.minutes, 'minutes'),
    kind: oneOf(['lid-lift', 'add-water', 'stir']),
    seconds: v.optional(between(...SIMULATE_LIMITS.seconds, 's')),
    grams: v.optional(between(...SIMULATE_LIMITS.grams, 'g')),
  }),
  v.check(({ kind, grams }) => kind !== 'add-water' || grams !== undefined, '"add-water" needs grams'),
)

/** What is done otherwise at a planned stage; left out: as planned. */
const ChangeSchema = v.pipe(
  record({
    stage: v.pipe(
      v.string((issue) => `must be a stage's id, got ${quoted(issue.input)}`),
      v.maxLength(
        SIMULATE_LIMITS.stage,
        (issue) => `is a stage's id of at most ${SIMULATE_LIMITS.stage} letters, got ${issue.input.length}`,
      ),
    ),
    power_w: v.optional(between(...SIMULATE_LIMITS.power_w, 'W')),
    heat: v.optional(oneOf(HEATS)),
    minutes: v.optional(between(...SIMULATE_LIMITS.minutes, 'minutes')),
    lid: v.optional(oneOf(LID_POSITIONS)),
  }),
  v.check(
    ({ power_w, heat }) => power_w === undefined || heat === undefined,
    'takes power_w or heat, not both',
  ),
)

export const MoreSchema = record({
  script: v.nullish(
    v.pipe(list(StepSchema, SIMULATE_LIMITS.steps), v.minLength(1, 'needs at least one step')),
  ),
  events: v.optional(list(EventSchema, SIMULATE_LIMITS.events), []),
  changes: v.optional(list(ChangeSchema, SIMULATE_LIMITS.changes), []),
  ...runsFields,
})

export type SimulateRequestJson = PlanRequestJson & v.InferInput<typeof MoreSchema>

export interface SimulateRequest {
  request: PlanRequest
  script: ScriptStep[] | null
  happenings: Intervention[]
  changes: Record<string, StageChange>
  seed: number
  runs: number
}

const USUAL_LIFT_S = 20

/** Reads a dry run from outside: a plan request, and what is to happen changed from the plan. */
export function parseSimulateRequest(input: unknown): Result<SimulateRequest> {
  const [planned, more] = [parsePlanRequest(input), v.safeParse(MoreSchema, input)]
  if (!planned.ok || !more.success) {
    const errors = [...(planned.ok ? [] : planned.errors), ...(more.success ? [] : fieldErrors(more.issues))]
    return {
      ok: false,
      errors: errors.filter(
        (e, i) => errors.findIndex((o) => o.path === e.path && o.message === e.message) === i,
      ),
    }
  }
  const request = planned.value
  const boilC = boilingPointAt(metres(request.elevationM))
  const loss = standingLoss(request.vessel, celsius(boilC), celsius(request.kitchenC))
  const { script, events, changes, seed, runs } = more.output
  const powerOf = (heat: HeatLevel) => deliveredPower(request.source, heat, loss)
  return {
    ok: true,
    value: {
      request,
      script:
        script?.map((step): ScriptStep => ({
          powerW: step.power_w ?? powerOf(step.heat!),
          lid: step.lid,
          pressureKPa: step.pressure_kpa ?? null,
          until: step.minutes === undefined ? { event: step.until! } : { minutes: step.minutes },
        })) ?? null,
      // Water added to a pot at the boil comes out of a kettle.
      happenings: events.map((e): Intervention => ({
        atMin: e.at_min,
        kind: e.kind,
        seconds: e.seconds ?? USUAL_LIFT_S,
        grams: e.grams ?? 0,
        celsius: boilC,
      })),
      changes: Object.fromEntries(
        changes.map(({ stage, power_w, heat, minutes, lid }): [string, StageChange] => {
          const powerW = power_w ?? (heat && powerOf(heat))
          return [
            stage,
            {
              ...(powerW === undefined ? {} : { powerW }),
              ...(minutes === undefined ? {} : { minutes }),
              ...(lid === undefined ? {} : { lid }),
            },
          ]
        }),
      ),
      seed,
      runs,
    },
  }
}

const three = (n: number) => roundTo(n, 3)
const one = (n: number) => roundTo(n, 1)

/** How a pot ends, as the contract says it. */
export const verdictJson = ({ verdict, separateness }: Pick<Simulated, 'verdict' | 'separateness'>) => ({
  cooked_through: verdict.cookedThrough,
  texture: verdict.texture,
  soggy: verdict.soggy,
  uneven: verdict.uneven,
  scorched: verdict.scorched,
  separate_index: roundTo(separateness, 2),
})

/** The contract's answer to a simulation. */
export const simulatedJson = (run: Simulated, chances: Chances | undefined) => ({
  verdict: verdictJson(run),
  final: {
    uptake_mean: three(run.outcome.uptakeMean),
    uptake_min: three(run.final.uptakeMin),
    uptake_max: three(run.final.uptakeMax),
    centre_gelatinised_min: three(run.outcome.centreMin),
    free_water_g: one(run.final.freeG),
    evaporated_g: one(run.final.evaporatedG),
    drained_off_g: one(run.final.drainedG),
    bottom_c: one(run.final.bottomC),
  },
  series: {
    t_min: run.series.tMin.map((t) => roundTo(t, 2)),
    bulk_c: run.series.bulkC.map(one),
    bottom_c: run.series.bottomC.map(one),
    free_water_g: run.series.freeG.map(one),
    evaporated_g: run.series.evaporatedG.map(one),
    uptake_by_layer: run.series.uptakeByLayer.map((layer) => layer.map(three)),
    cooked_share: run.series.tMin.map((_, i) =>
      three(
        run.series.centreByLayer.reduce((sum, layer) => sum + layer[i]!, 0) / run.series.centreByLayer.length,
      ),
    ),
    cooked_by_layer: run.series.centreByLayer.map((layer) => layer.map(three)),
  },
  events: run.events.map(({ tMin, kind }) => ({ t_min: roundTo(tMin, 2), kind })),
  ...(chances
    ? {
        chances: {
          runs: chances.runs,
          good: three(chances.good),
          cooked_through: chances.cookedThrough,
          texture: chances.texture,
          soggy: three(chances.soggy),
          uneven: three(chances.uneven),
          scorched: three(chances.scorched),
        },
      }
    : {}),
})
export type SimulateResult = ReturnType<typeof simulatedJson>

/** The contract's `simulate`: JSON in, a cooked pot or named errors out. */
export function simulateFrom(input: unknown): Result<SimulateResult> {
  const read = parseSimulateRequest(input)
  if (!read.ok) return read
  const { seed, runs, ...simulation } = read.value
  return {
    ok: true,
    value: simulatedJson(simulate(simulation), runs > 1 ? chancesOf(simulation, { seed, runs }) : undefined),
  }
}
