import type { LidPosition } from '#core/heat/lid'
import type { MethodStage } from '#core/methods/definition'
import { prepare, type PreparedPlan } from '#core/plan/prepare'
import { potForPlan } from '#core/plan/pot-for-plan'
import { HEATED_STAGE_KINDS, type PlanRequest } from '#core/plan/request'
import type { Plan, Stage } from '#core/plan/result'
import { type Pot } from '#core/pot/pot'
import { goingOn, runPhase, type Phase } from '#core/pot/run'
import { runWithInterventions, type Intervention } from '#core/simulate/interventions'
import { SWEEP } from '#core/simulate/sweep'
import { activeEvents } from '#core/event-log'
import type { CookEvent } from './events'
import { OPENED_S, USUAL_LIFT_S } from './lid-lift'
import { isRemedy, type Complaint } from './remedy'
import type { CookView, StageView } from './replay'

const MINUTE = 60_000
/** How far a burner may be from what was believed of it before something else must be the reason. */
const BURNER_RANGE = [0.3, 1.8] as const
const BISECTIONS = 14
/** Heat reported as low is taken as half. */
const LOW_SHARE = 0.5

/** The pot as it should be by what happened so far. */
export interface PotEstimate {
  pot: Pot
  /** Share of the believed power that the burner really gives, by when the first boil came. */
  burner: number
  prepared: PreparedPlan
  request: PlanRequest
  /** Phases that are still to come, with the minutes known now; the first may be under way. */
  ahead: Ahead[]
}

export interface Ahead {
  stage: Stage
  phase: Phase
  minutes: number
  /** What the pot does that ends it, where that is not the clock: a boil comes sooner in less water. */
  ends?: Phase['until']
  /** Whether the plan solved its length. */
  solved: boolean
}

/** Place of the last stage ahead that still cooks; undefined where the heat is over. */
export function lastHeated(ahead: readonly Ahead[]): number | undefined {
  const place = ahead.findLastIndex(
    ({ stage, phase }) =>
      phase.cooksOn === true ||
      (phase.powerW > 0 && (HEATED_STAGE_KINDS as readonly string[]).includes(stage.kind)),
  )
  return place < 0 ? undefined : place
}

interface Hot {
  stage: Stage
  view: StageView
  phase: Omit<Phase, 'until'>
  until: MethodStage['until']
}

/** A stretch of a remedy: in a basket over steam, or in the pot itself. */
export const remedyPhase = (
  { method }: Pick<PreparedPlan, 'method'>,
  id: string,
  powerW: number,
  lid: LidPosition,
): Omit<Phase, 'until'> => ({
  id,
  powerW,
  lid,
  mode: 'open',
  ...(method.basket ? { contact: 'steam' } : {}),
})

/** Stages in the pot's own order, with those of remedies; hands-on work away from the pot is left out. */
function hotStages(plan: Plan, view: CookView, prepared: PreparedPlan): Hot[] {
  const views = new Map(view.stages.map((s) => [s.id, s]))
  return plan.stages.flatMap((stage): Hot[] => {
    const own = prepared.timed.stages.find((s) => s.id === stage.id)
    const seen = views.get(stage.id)!
    if (own) return [{ stage, view: seen, phase: own, until: own.until }]
    if (!isRemedy(stage.id)) return []
    return [
      {
        stage,
        view: seen,
        phase: remedyPhase(prepared, stage.id, stage.power_w, stage.lid),
        until: { minutes: stage.minutes.expected },
      },
    ]
  })
}

export interface EstimateInput {
  plan: Plan
  request: PlanRequest
  view: CookView
  events: readonly CookEvent[]
  nowMs: number
  /** Where the burner is known already, its share of the believed power; left out: found by the first boil. */
  burner?: number
}

/**
 * Cooks the pot of a running cook up to now, on what is believed of it and what was reported of it: stages as
 * long as they really were, the burner as strong as the first boil says, lids lifted, water lost and added,
 * heat high, low or out.
 * @returns undefined before anything is warm
 */
export function estimatePot({
  plan,
  request,
  view,
  events,
  nowMs,
  burner: known,
}: EstimateInput): PotEstimate | undefined {
  const believed = prepare(request)
  const begunHot = hotStages(plan, view, believed).filter((h) => h.view.state !== 'next')
  if (begunHot.length === 0) return undefined
  const happened = activeEvents(events).filter((e) => e.atMs <= nowMs)
  const poured = happened.find((e) => e.kind === 'cue' && e.stage === 'pour')?.amount
  const fill = (prepared: PreparedPlan) =>
    potForPlan(request, prepared, { ...plan.water, pour_g: poured ?? plan.water.pour_g }, SWEEP)
  const lasted = ({ view: { state, startMs, endMs } }: Hot) =>
    Math.max(0, ((state === 'done' ? endMs : nowMs) - startMs) / MINUTE)
  const burner = known ?? burnerBy(begunHot, lasted, () => fill(believed))
  // A weaker burner is turned up until it simmers all the same: what a level gives is asked of the source as
  // it really is.
  const source = { ...request.source, ratedW: request.source.ratedW * burner }
  const prepared = burner === 1 ? believed : prepare({ ...request, source })
  const fullW = source.ratedW * source.efficiency
  const hot = hotStages(plan, view, prepared)
  const begun = hot.filter((h) => h.view.state !== 'next')
  const pot = fill(prepared)
  const phases: Phase[] = []
  const interventions: Intervention[] = []
  let at = 0
  let hotAt: number | undefined
  for (const stage of begun) {
    const minutes = lasted(stage)
    const mine = happened.filter((e) => e.stage === stage.stage.id)
    phases.push(...segments(stage, minutes, mine, fullW))
    interventions.push(...interventionsIn(stage, minutes, mine, at, prepared.boilC))
    at += minutes
    if (
      hotAt === undefined &&
      stage.view.endedBy === 'cue' &&
      stage.until !== 'solved' &&
      'event' in stage.until &&
      stage.until.event === 'boil'
    )
      hotAt = phases.length
  }
  runWithInterventions(
    pot,
    phases.slice(0, hotAt ?? 0),
    interventions.filter((h) => h.atMin <= timeOf(phases.slice(0, hotAt ?? 0))),
  )
  // No burner is so strong: the water came hot. What boils, boils.
  if (hotAt !== undefined && pot.bulkC < pot.setup.boilC) pot.bottomC = pot.bulkC = pot.setup.boilC
  runWithInterventions(
    pot,
    phases.slice(hotAt ?? 0),
    interventions.filter((h) => hotAt === undefined || h.atMin > timeOf(phases.slice(0, hotAt))),
  )
  const ahead = hot
    .filter((h) => h.view.state !== 'done')
    .map(({ stage, view: seen, phase, until }): Ahead => ({
      stage,
      // What a phase does as it begins was done when it began.
      phase: { ...(seen.state === 'now' ? goingOn(phase) : phase), until: { minutes: 0 } },
      minutes: Math.max(0, (seen.endMs - (seen.state === 'now' ? nowMs : seen.startMs)) / MINUTE),
      ...(until !== 'solved' && 'event' in until ? { ends: until } : {}),
      solved: until === 'solved',
    }))
  return { pot, burner, prepared, request, ahead }
}

const timeOf = (phases: readonly Phase[]): number =>
  phases.reduce((sum, { until }) => sum + ('minutes' in until ? until.minutes : 0), 0)

/**
 * The burner's share of its believed power: the one that brings the first boil (or full pressure) just when
 * it was reported, or not before now. A reported boil is believed; lateness with another reason looks like a weak
 * burner, and costs the same time.
 */
function burnerBy(begun: readonly Hot[], lasted: (stage: Hot) => number, fill: () => Pot): number {
  const first = begun.find(
    (h) =>
      h.until !== 'solved' &&
      'event' in h.until &&
      (h.until.event === 'boil' || h.until.event === 'pressure'),
  )
  if (!first || (first.view.state === 'done' && first.view.endedBy !== 'cue')) return 1
  const actual = lasted(first)
  const { until } = first as { until: Exclude<MethodStage['until'], 'solved'> }
  const minutesAt = (share: number): number => {
    const pot = fill()
    return runPhase(pot, { ...first.phase, powerW: first.phase.powerW * share, until }).minutes
  }
  const believed = minutesAt(1)
  // Still waiting, and not late yet: nothing is known.
  if (first.view.state === 'now' && actual <= believed) return 1
  if (Math.abs(actual - believed) < 0.25) return 1
  let [low, high] = [Math.log(BURNER_RANGE[0]), Math.log(BURNER_RANGE[1])]
  for (let i = 0; i < BISECTIONS; i++) {
    const middle = (low + high) / 2
    if (minutesAt(Math.exp(middle)) > actual) low = middle
    else high = middle
  }
  return Math.exp((low + high) / 2)
}

interface Stretch {
  from: number
  to: number
  powerW: number
}

/** A stage as the phases it really was: its heat as planned, except for the minutes that were reported otherwise. */
function segments(
  { phase, view, stage }: Hot,
  minutes: number,
  events: readonly CookEvent[],
  fullW: number,
): Phase[] {
  let stretches: Stretch[] = [{ from: 0, to: minutes, powerW: phase.powerW }]
  for (const event of events) {
    const power = { 'heat-high': fullW, 'heat-low': phase.powerW * LOW_SHARE, 'heat-out': 0 }[
      event.kind as string
    ]
    if (power === undefined) continue
    const to = Math.min(minutes, (event.atMs - view.startMs) / MINUTE)
    const from = Math.max(0, to - (event.amount ?? 0))
    stretches = stretches.flatMap((s) => {
      if (s.to <= from || s.from >= to) return [s]
      return [
        { ...s, to: from },
        { from: Math.max(s.from, from), to: Math.min(s.to, to), powerW: power },
        { ...s, from: to },
      ].filter((part) => part.to - part.from > 1e-9)
    })
  }
  const opens = phase.opensAtEnd === true && view.state === 'done'
  const whole = stretches.map(({ from, to, powerW }, i): Phase => ({
    ...(i === 0 ? phase : goingOn(phase)),
    id: stage.id,
    powerW,
    opensAtEnd: opens && i === stretches.length - 1,
    until: { minutes: to - from },
  }))
  // Even a stage of no length begins: it may pour, join or drain.
  return whole.length > 0 ? whole : [{ ...phase, opensAtEnd: opens, until: { minutes: 0 } }]
}

/** Complaints of someone who found no water. */
const SEEN_DRY: ReadonlySet<Complaint> = new Set(['dry-early', 'dry-firm', 'chalky'])

function interventionsIn(
  { view, stage }: Hot,
  minutes: number,
  events: readonly CookEvent[],
  at: number,
  boilC: number,
): Intervention[] {
  const place = (e: CookEvent) => at + Math.min(minutes, Math.max(0, (e.atMs - view.startMs) / MINUTE))
  const interventions = events.flatMap((e): Intervention[] => {
    const base = { atMin: place(e), seconds: 0, grams: 0, celsius: boilC }
    switch (e.kind) {
      case 'lid-lifted':
        return [{ ...base, kind: 'lid-lift', seconds: e.seconds ?? USUAL_LIFT_S }]
      case 'opened':
        return [{ ...base, kind: 'lid-lift', seconds: e.seconds ?? OPENED_S }]
      case 'water-added':
        return [{ ...base, kind: 'add-water', grams: e.amount ?? 0 }]
      case 'seen-dry':
        return [{ ...base, kind: 'lose-water', grams: Infinity }]
      case 'seen-water':
        return [{ ...base, kind: 'see-water' }]
      case 'seen-hard':
        return [{ ...base, kind: 'feel-hard' }]
      case 'boiled-over':
        return [{ ...base, kind: 'lose-water', grams: e.amount ?? 0 }]
      case 'remedy':
        // A cook who reports it dry has lifted the lid.
        return e.remedy && SEEN_DRY.has(e.remedy.complaint)
          ? [{ ...base, kind: 'lose-water', grams: Infinity }]
          : []
      case 'stirred':
        return [{ ...base, kind: 'stir' }]
      default:
        return []
    }
  })
  // What a remedy adds is in when its own stage is over.
  const added = stage.mends?.addG ?? 0
  const turned = stage.mends?.turn === true
  const pouredOff = stage.mends?.pourOffG ?? 0
  if (!stage.mends || view.state !== 'done') return interventions
  const end = { atMin: at + minutes, seconds: 0, celsius: boilC }
  return [
    ...interventions,
    ...(pouredOff > 0 ? [{ ...end, kind: 'lose-water' as const, grams: pouredOff }] : []),
    ...(turned ? [{ ...end, kind: 'stir' as const, grams: 0 }] : []),
    ...(added > 0 ? [{ ...end, kind: 'add-water' as const, grams: added }] : []),
  ]
}
