import type { Plan } from '#core/plan/result'
import type { CookView } from './replay'

/**
 * Something that should be noticed from across the kitchen. due: a sign may come now. ended: a clock has run
 * out. attention: look closely.
 */
export type SignalKind = 'due' | 'ended' | 'attention'
export interface Signal {
  /** The same alert keeps its id, so that it sounds once. */
  id: string
  kind: SignalKind
  /** A few words to be spoken. */
  says: string
}

/** The end of a clock is announced for this long, ms; later the page shows the present step anyway. */
const SHOWN_FOR_MS = 10 * 60_000
const MINUTE = 60_000

/**
 * What is worth a sound now.
 * @param hint advice the stove has, if any
 * @param morning when a soak that ends at this moment is announced: not in the night
 */
export function signalsOf(
  plan: Plan,
  view: CookView,
  nowMs: number,
  hint?: { id: string; says: string },
  morning: (endMs: number) => number = (endMs) => endMs,
): Signal[] {
  if (view.outcome === 'finished' || view.outcome === 'stopped') return []
  const signals: Signal[] = []
  const stageOf = (id: string) => plan.stages.find((s) => s.id === id)!
  for (const seen of view.stages) {
    const stage = stageOf(seen.id)
    const ended = endedSignal(plan, view, seen, nowMs, morning)
    if (ended) signals.push(ended)
    if (seen.state === 'now' && stage.ends_on === 'cue' && !stage.hands_on) {
      const minutes = (nowMs - seen.startMs) / MINUTE
      if (minutes > stage.minutes.high + 1)
        signals.push({
          id: `late ${stage.id}`,
          kind: 'attention',
          says: `Check: has it happened? ${stage.cue ?? stage.title}`,
        })
      else if (minutes >= stage.minutes.low)
        signals.push({ id: `due ${stage.id}`, kind: 'due', says: `Soon: ${stage.cue ?? stage.title}` })
    }
  }
  if (hint) signals.push({ id: `hint ${hint.id}`, kind: 'attention', says: hint.says })
  return signals
}

/** A clock that has run out, for as long as it is worth announcing. */
function endedSignal(
  plan: Plan,
  view: CookView,
  seen: CookView['stages'][number],
  nowMs: number,
  morning: (endMs: number) => number,
): Signal | undefined {
  if (seen.state !== 'done' || seen.endedBy !== 'clock') return undefined
  const stage = plan.stages.find((s) => s.id === seen.id)!
  const announcedMs = stage.kind === 'soak' ? morning(seen.endMs) : seen.endMs
  if (nowMs < announcedMs || nowMs - announcedMs >= SHOWN_FOR_MS) return undefined
  const next = plan.stages.find((s) => s.after.includes(stage.id))
  // Once the next step is over as well, it is not announced.
  if (next && view.stages.find((s) => s.id === next.id)?.state === 'done') return undefined
  return { id: `ended ${stage.id} ${seen.endMs}`, kind: 'ended', says: next ? next.title : 'Serve' }
}
