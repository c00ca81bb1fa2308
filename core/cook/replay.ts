import type { Plan, Stage } from '#core/plan/result'
import { lengthOf } from '#core/plan/timeline'
import { activeEvents } from '#core/event-log'
import type { CookEvent } from './events'
import { lidLift, USUAL_LIFT_S, type LiftedPot } from './lid-lift'

/** A running batch: its frozen plan; its events are separate. */
export interface RunningCook {
  plan: Plan
  /** From start to serving as first planned, minutes; left out: as the plan says. */
  plannedMinutes?: number
  startedMs: number
  /** The pot as the plan saw it, for what a lifted lid costs. */
  pot: Omit<LiftedPot, 'powerW'>
}

export interface StageView {
  id: string
  state: 'done' | 'now' | 'next'
  startMs: number
  /** When it ended, or when it should by what is known now. */
  endMs: number
  /** What ended it. */
  endedBy?: 'clock' | 'cue' | 'go-on' | 'skip' | 'remedy'
  /** Minutes added by the cook and by lifted lids. */
  addedMinutes: number
  liftedMinutes: number
}

export interface CookView {
  outcome: 'cooking' | 'ready' | 'finished' | 'stopped'
  stages: StageView[]
  /** Stages under way, the one that ends next first. */
  now: StageView[]
  /** What begins next, also while another stage goes on. */
  next: StageView | undefined
  /** When it is served, by what is known now. */
  tableMs: number
  /** The same as it was planned at the start. */
  plannedTableMs: number
  /** Minutes serving moved since the start, and why, newest last. */
  slips: { stage: string; minutes: number }[]
  lidLifts: number
  /** Washes reported, and how clear the last one ran. */
  washes: number
  clarity: number | undefined
  /** Steam that lifted lids cost, g. */
  lostSteamG: number
  /** The newest event that can still be taken back. */
  last: CookEvent | undefined
  endedMs: number | undefined
}

const MINUTE = 60_000
/** A press meant for a clock that has just run out still counts for it. */
const GRACE_MS = 60_000

/**
 * What the cook sees: a pure function of the plan, what happened and the time. Unknown or late events change
 * nothing.
 * @param events in any order
 * @param nowMs UTC milliseconds
 */
export function replay(cook: RunningCook, events: readonly CookEvent[], nowMs: number): CookView {
  const happened = activeEvents(events)
  const end = happened.find((e) => e.kind === 'finish' || e.kind === 'stop')
  const until = end?.atMs ?? nowMs
  const views = new Map<string, StageView>()
  let lostSteamG = 0
  let lidLifts = 0
  for (const stage of cook.plan.stages) {
    const free = Math.max(
      cook.startedMs,
      stage.begins_ms ?? 0,
      ...stage.after.map((id) => views.get(id)!.endMs),
    )
    // A branch that should wait begins when it is due, or when the cook has begun it.
    const begun = happened.find((e) => e.stage === stage.id && e.atMs >= free)?.atMs ?? Infinity
    const startMs = Math.min(free + (stage.lag_minutes ?? 0) * MINUTE, begun)
    const ready = stage.after.every((id) => views.get(id)!.state === 'done')
    const mine = happened.filter(
      (e) => e.stage === stage.id && (e.atMs >= startMs || MOVES_AHEAD.has(e.kind)),
    )
    const view =
      ready && startMs <= until ? underWay(cook, stage, startMs, mine, until) : waiting(stage, startMs, mine)
    views.set(stage.id, view)
    for (const lift of mine.filter((e) => e.kind === 'lid-lifted' || e.kind === 'opened')) {
      lidLifts += 1
      lostSteamG += liftOf(cook, stage, lift).steamG
    }
  }
  const stages = [...views.values()]
  const now = stages.filter((s) => s.state === 'now').sort((a, b) => a.endMs - b.endMs)
  const done = stages.every((s) => s.state === 'done')
  return {
    outcome: end ? (end.kind === 'stop' ? 'stopped' : 'finished') : done ? 'ready' : 'cooking',
    stages,
    now: end ? [] : now,
    next: end ? undefined : firstOf(stages.filter((s) => s.state === 'next')),
    tableMs: Math.max(...stages.map((s) => s.endMs)),
    plannedTableMs: cook.startedMs + (cook.plannedMinutes ?? lengthOf(cook.plan.stages)) * MINUTE,
    slips: slipsOf(cook.plan, stages),
    lidLifts,
    lostSteamG,
    washes: happened.filter((e) => e.kind === 'washed').length,
    clarity: happened.findLast((e) => e.kind === 'washed')?.clarity,
    last: happened.findLast((e) => e.atMs <= until),
    endedMs: end?.atMs,
  }
}

/** The stage that begins first; of those at the same moment, the first of the plan. */
const firstOf = (stages: readonly StageView[]): StageView | undefined =>
  stages.reduce<StageView | undefined>((a, b) => (a && a.startMs <= b.startMs ? a : b), undefined)

const planned = (stage: Stage, startMs: number): StageView => ({
  id: stage.id,
  state: 'next',
  startMs,
  endMs: startMs + stage.minutes.expected * MINUTE,
  addedMinutes: 0,
  liftedMinutes: 0,
})

/** What stretches a stage also before it has begun. */
const MOVES_AHEAD: ReadonlySet<CookEvent['kind']> = new Set(['late', 'minute-more'])

/** A stage to come, with what it was stretched by already. */
const waiting = (stage: Stage, startMs: number, events: readonly CookEvent[]): StageView => {
  const addedMinutes = events.reduce((sum, e) => sum + (MOVES_AHEAD.has(e.kind) ? (e.amount ?? 1) : 0), 0)
  return {
    ...planned(stage, startMs),
    addedMinutes,
    endMs: startMs + (stage.minutes.expected + addedMinutes) * MINUTE,
  }
}

const liftOf = (cook: RunningCook, stage: Stage, event: CookEvent) =>
  lidLift({ ...cook.pot, powerW: stage.power_w }, event.seconds ?? USUAL_LIFT_S)

/** What ends the stage at this event, if it does. */
function endedBy(view: StageView, stage: Stage, event: CookEvent): StageView['endedBy'] {
  const waitsForSign = stage.ends_on === 'cue'
  const early = event.atMs < view.endMs
  // What was begun to put it right, or skipped, ends it whatever it waited for; a clock that has run out is
  // not ended again.
  if ((event.kind === 'skip' || event.kind === 'remedy') && (waitsForSign || early)) return event.kind
  if (waitsForSign) return event.kind === 'cue' ? 'cue' : undefined
  return event.kind === 'go-on' && early ? 'go-on' : undefined
}

/** Adds what an event takes or gives to the stage's minutes. */
function addMinutes(view: StageView, cook: RunningCook, stage: Stage, event: CookEvent): void {
  if (event.kind === 'minute-more' || event.kind === 'late') view.addedMinutes += event.amount ?? 1
  // A minute less than none is left is none.
  if (event.kind === 'minute-less')
    view.addedMinutes -= Math.min(event.amount ?? 1, Math.max(0, (view.endMs - event.atMs) / MINUTE))
  if (event.kind === 'lid-lifted' || event.kind === 'opened')
    view.liftedMinutes += liftOf(cook, stage, event).minutes
}

function underWay(
  cook: RunningCook,
  stage: Stage,
  startMs: number,
  events: readonly CookEvent[],
  untilMs: number,
): StageView {
  const view: StageView = { ...planned(stage, startMs), state: 'now' }
  for (const event of events) {
    if (event.atMs > untilMs || (stage.ends_on === 'clock' && event.atMs > view.endMs + GRACE_MS)) break
    const by = endedBy(view, stage, event)
    if (by) return { ...view, state: 'done', endMs: event.atMs, endedBy: by }
    addMinutes(view, cook, stage, event)
    view.endMs = startMs + (stage.minutes.expected + view.addedMinutes + view.liftedMinutes) * MINUTE
  }
  if (stage.ends_on === 'clock')
    return view.endMs <= untilMs ? { ...view, state: 'done', endedBy: 'clock' } : view
  // A late sign stretches its stage: it cannot have ended before now.
  return { ...view, endMs: Math.max(view.endMs, untilMs) }
}

/** Stages that took, or are taking, more than half a minute longer or shorter than planned. */
const slipsOf = (plan: Plan, stages: readonly StageView[]) =>
  stages
    .map((view, i) => ({
      stage: view.id,
      minutes: (view.endMs - view.startMs) / MINUTE - plan.stages[i]!.minutes.expected,
    }))
    .filter(({ minutes }) => Math.abs(minutes) >= 0.5)
