import { planFrom } from '#core/contract/plan'
import type { PlanRequestJson } from '#core/contract/plan-request'
import { runningCookOf } from '#core/contract/running-cook'
import type { CookEvent, EventKind } from '#core/cook/events'
import { estimatePot } from '#core/cook/estimate-pot'
import { replay } from '#core/cook/replay'
import { hintFor, type Hint } from '#core/troubleshoot/hint'

export const START = Date.UTC(2026, 2, 5, 17, 0)
export const MINUTE = 60_000

/** A mishap: what is recorded of it, so many minutes after a stage began. */
export interface Mishap {
  kind: EventKind
  /** The kind of the stage it happens in. */
  during: string
  atMinute: number
  amount?: number
  seconds?: number
}

/**
 * Cooks a batch at the stove: every sign is pressed at the minute the plan expects it, mishaps are recorded
 * when they happen, and what the stove advises is done half a minute after it is said.
 * @param late minutes by which the first boil comes later
 * @param poured what really goes into the pot, g; left out: as planned
 */
export function cookAtTheStove(
  request: PlanRequestJson,
  mishaps: readonly Mishap[] = [],
  { late = 0, poured, follow = true }: { late?: number; poured?: number; follow?: boolean } = {},
) {
  const read = planFrom(request)
  if (!read.ok) throw new Error(JSON.stringify(read.errors))
  const plan = read.value
  const saved = { request, plan, startedMs: START }
  let events: CookEvent[] = []
  const said: { hint: Hint; atMs: number; stage: string }[] = []
  const open = [...mishaps]
  const tell = (kind: EventKind, stage: string, atMs: number, more: Partial<CookEvent> = {}) =>
    (events = [...events, { id: `e${String(events.length).padStart(8, '0')}`, kind, stage, atMs, ...more }])
  const at = (nowMs: number) => {
    const cook = runningCookOf(saved, events)
    const view = replay(cook, events, nowMs)
    return {
      cook,
      view,
      estimate: estimatePot({ plan: cook.plan, request: cook.request, view, events, nowMs }),
    }
  }
  const expectedOf = (id: string, now: ReturnType<typeof at>) => {
    const stage = plan.stages.find((s) => s.id === id) ?? now.cook.plan.stages.find((s) => s.id === id)!
    return stage.minutes.expected + (stage.kind === 'heat-up' ? late : 0)
  }
  let [nowMs, followed] = [START, '']
  for (let step = 0; step < 4000; step++) {
    const now = at(nowMs)
    const { view, cook, estimate } = now
    if (view.outcome !== 'cooking') break
    const stageOf = (id: string) => cook.plan.stages.find((s) => s.id === id)!
    const mishap = open.findIndex((m) =>
      view.now.some((s) => stageOf(s.id).kind === m.during && nowMs >= s.startMs + m.atMinute * MINUTE - 1),
    )
    if (mishap >= 0) {
      const [{ kind, during, amount, seconds }] = open.splice(mishap, 1) as [Mishap]
      const stage = view.now.find((s) => stageOf(s.id).kind === during)!.id
      tell(kind, stage, nowMs, {
        ...(amount === undefined ? {} : { amount }),
        ...(seconds === undefined ? {} : { seconds }),
      })
      continue
    }
    const hint = estimate && view.now.length > 0 ? hintFor(estimate, cook.plan, view, events) : undefined
    const stage = view.now[0]?.id ?? plan.stages.at(-1)!.id
    if (hint && !said.some((s) => s.hint.id === hint.id && s.stage === stage))
      said.push({ hint, atMs: nowMs, stage })
    if (hint?.act && follow && followed !== `${hint.id} ${stage}`) {
      followed = `${hint.id} ${stage}`
      const { act } = hint
      if (act.kind === 'add') tell('water-added', stage, nowMs, { amount: act.grams })
      if (act.kind === 'more') tell('minute-more', act.stage, nowMs, { amount: act.minutes })
      if (act.kind === 'heat-off') tell('go-on', act.stage, nowMs)
      if (act.kind === 'remedy') tell('remedy', stage, nowMs, { remedy: act.remedy })
      continue
    }
    const signed = view.now.find(
      (s) => stageOf(s.id).ends_on === 'cue' && nowMs >= s.startMs + expectedOf(s.id, now) * MINUTE - 1,
    )
    if (signed) {
      const amount = signed.id === 'pour' ? poured : undefined
      tell('cue', signed.id, nowMs, amount === undefined ? {} : { amount })
      continue
    }
    const moments = [
      ...view.now.map((s) =>
        stageOf(s.id).ends_on === 'cue' ? s.startMs + expectedOf(s.id, now) * MINUTE : s.endMs,
      ),
      ...view.now.flatMap((s) =>
        open.filter((m) => m.during === stageOf(s.id).kind).map((m) => s.startMs + m.atMinute * MINUTE),
      ),
      ...(view.next ? [view.next.startMs] : []),
    ].filter((ms) => ms > nowMs)
    nowMs = Math.min(nowMs + 4 * MINUTE, ...moments)
  }
  return { plan, said, events, left: open, end: at(nowMs), request }
}
