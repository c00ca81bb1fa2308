import type { Plan } from '#core/plan/result'
import type { CookView, StageView } from './replay'

/** When a pot next needs the cook, and for what. */
export interface Touch {
  stage: string
  title: string
  /** UTC milliseconds; for a sign, when it is first worth looking. */
  atMs: number
  /** Whether it waits for something seen, heard or felt. */
  cue: boolean
}

const MINUTE = 60_000

/**
 * The next action of one pot: the present one, the end of a clock, or the first moment a sign may come.
 * @returns undefined for a pot that is over
 */
export function nextTouch(plan: Plan, view: CookView): Touch | undefined {
  if (view.outcome === 'ready')
    return { stage: plan.stages.at(-1)!.id, title: 'Serve', atMs: view.tableMs, cue: true }
  if (view.outcome !== 'cooking') return undefined
  const touches = view.now.map((seen): Touch => {
    const stage = plan.stages.find((s) => s.id === seen.id)!
    const cue = stage.ends_on === 'cue'
    const atMs = !cue ? seen.endMs : stage.hands_on ? seen.startMs : seen.startMs + stage.minutes.low * MINUTE
    const after = plan.stages.find((s) => s.after.includes(stage.id))
    return { stage: stage.id, title: cue ? stage.title : (after?.title ?? 'Serve'), atMs, cue }
  })
  return touches.sort((a, b) => a.atMs - b.atMs)[0]
}

/**
 * The stage to show among those under way: hands-on work comes first, and what was first stays, so that nothing
 * swaps places under a finger.
 * @returns undefined where nothing is under way
 */
export function currentStage(plan: Plan, view: CookView): StageView | undefined {
  if (view.now.length === 0) return undefined
  const begun = view.stages.filter((s) => s.state === 'now').sort((a, b) => a.startMs - b.startMs)
  return begun.find((s) => plan.stages.find((o) => o.id === s.id)!.hands_on) ?? begun[0]
}
