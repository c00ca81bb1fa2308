import type { PlanRequestJson } from '#core/contract/plan-request'
import { planFrom } from '#core/contract/plan'
import type { Plan } from '#core/plan/result'

/** A pot that could be cooked: what it is called, and how it is asked for as it is usually done. */
export interface Candidate<T> {
  of: T
  request: PlanRequestJson
}

export interface OnTheTable<T> {
  of: T
  request: PlanRequestJson
  plan: Plan
  /** Minutes to spare. */
  roomForError: number
  /** What is left out of the usual way to be in time. */
  skipped: ('soak' | 'long rest')[]
}

/** No rest is shorter than this when time is short, minutes. */
const SHORT_REST = 5

/**
 * What can stand on the table in so many minutes, the best of each kind of grain and vessel first: nothing
 * left out before something, fewer warnings before more, the tighter fit last. A pot that must not be cooked
 * so is not offered.
 * @param minutes until the table
 */
export function onTheTableBy<T>(
  candidates: readonly Candidate<T>[],
  minutes: number,
): { ready: OnTheTable<T>[]; tooLate: OnTheTable<T>[] } {
  const ready: OnTheTable<T>[] = []
  const tooLate: OnTheTable<T>[] = []
  for (const { of, request } of candidates) {
    const tries: { request: PlanRequestJson; skipped: OnTheTable<T>['skipped'] }[] = [
      { request, skipped: [] },
      ...(request.soak === null ? [] : [{ request: { ...request, soak: null }, skipped: ['soak' as const] }]),
    ]
    let last: OnTheTable<T> | undefined
    for (const { request: asked, skipped } of tries) {
      const read = planFrom(asked)
      if (!read.ok || read.value.cautions.some((c) => c.severity === 'stop')) continue
      const plan = read.value
      const rest = plan.stages.find((s) => s.kind === 'rest')?.minutes.expected ?? 0
      const roomForError = minutes - plan.total_minutes.expected
      const made = { of, request: asked, plan, roomForError, skipped }
      if (roomForError >= 0) {
        ready.push(made)
        last = undefined
        break
      }
      const hurried = { ...asked, rest_minutes: SHORT_REST }
      const again = rest > SHORT_REST && roomForError >= SHORT_REST - rest ? planFrom(hurried) : undefined
      if (
        again?.ok &&
        minutes >= again.value.total_minutes.expected &&
        !again.value.cautions.some((c) => c.severity === 'stop')
      ) {
        ready.push({
          of,
          request: hurried,
          plan: again.value,
          roomForError: minutes - again.value.total_minutes.expected,
          skipped: [...skipped, 'long rest'],
        })
        last = undefined
        break
      }
      if (!last || made.roomForError > last.roomForError) last = made
    }
    if (last) tooLate.push(last)
  }
  const warnings = (one: OnTheTable<T>) => one.plan.cautions.filter((c) => c.severity === 'warn').length
  ready.sort(
    (a, b) =>
      a.skipped.length - b.skipped.length || warnings(a) - warnings(b) || b.roomForError - a.roomForError,
  )
  tooLate.sort((a, b) => b.roomForError - a.roomForError)
  return { ready, tooLate }
}
