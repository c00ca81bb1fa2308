import type { PlanRequestJson } from '#core/contract/plan-request'
import { planFrom } from '#core/contract/plan'

/** A pot that could be cooked: what it is called, and how it is asked for as it is usually done. */
export interface Candidate<T> {
  of: T
  request: PlanRequestJson
  /** Whether it is the way a cook would choose for this grain in this vessel. */
  usual: boolean
}

export interface OnTheTable<T> {
  of: T
  request: PlanRequestJson
  usual: boolean
  totalMinutes: number
  handsOnMinutes: number
  /** What to mind with it, in words. */
  warnings: readonly string[]
  /** Minutes to spare. */
  roomForError: number
  /** What is left out of the usual way to be in time. */
  skipped: ('soak' | 'long rest')[]
}

/** No rest is shorter than this when time is short, minutes. */
const SHORT_REST = 5

/** Of a plan what decides whether it is in time. */
interface Summary {
  totalMinutes: number
  handsOnMinutes: number
  restMinutes: number
  warnings: string[]
}

/** Summaries that are kept: those of a large kitchen, asked for again and again through an evening. */
const MAX_CACHED = 2000
const cache = new Map<string, Summary | undefined>()

/** @returns undefined for a pot that cannot or must not be cooked so */
function summaryOf(request: PlanRequestJson): Summary | undefined {
  const key = JSON.stringify(request)
  if (cache.has(key)) return cache.get(key)
  const read = planFrom(request)
  const summary =
    read.ok && !read.value.cautions.some((c) => c.severity === 'stop')
      ? {
          totalMinutes: read.value.total_minutes.expected,
          handsOnMinutes: read.value.hands_on_minutes,
          restMinutes: read.value.stages.find((s) => s.kind === 'rest')?.minutes.expected ?? 0,
          warnings: read.value.cautions.filter((c) => c.severity === 'warn').map((c) => c.text),
        }
      : undefined
  if (cache.size >= MAX_CACHED) cache.delete(cache.keys().next().value!)
  cache.set(key, summary)
  return summary
}

/**
 * What can stand on the table in so many minutes: the usual way before others, nothing left out before
 * something, fewer warnings before more, the tighter fit last. A pot that must not be cooked so is not offered.
 * @param minutes until the table
 */
export function onTheTableBy<T>(
  candidates: readonly Candidate<T>[],
  minutes: number,
): { ready: OnTheTable<T>[]; tooLate: OnTheTable<T>[] } {
  const ready: OnTheTable<T>[] = []
  const tooLate: OnTheTable<T>[] = []
  for (const candidate of candidates) {
    const tries = inTurn(candidate, minutes)
    const inTime = tries.find((one) => one.roomForError >= 0)
    const closest = tries
      .filter((one) => !one.skipped.includes('long rest'))
      .sort((a, b) => b.roomForError - a.roomForError)[0]
    if (inTime) ready.push(inTime)
    else if (closest) tooLate.push(closest)
  }
  ready.sort(
    (a, b) =>
      Number(b.usual) - Number(a.usual) ||
      a.skipped.length - b.skipped.length ||
      a.warnings.length - b.warnings.length ||
      b.roomForError - a.roomForError,
  )
  tooLate.sort((a, b) => Number(b.usual) - Number(a.usual) || b.roomForError - a.roomForError)
  return { ready, tooLate }
}

/** One pot as it is usually done, then with less and less of it; stops at the first that is in time. */
function inTurn<T>({ of, request, usual }: Candidate<T>, minutes: number): OnTheTable<T>[] {
  const tries: OnTheTable<T>[] = []
  const attempt = (asked: PlanRequestJson, skipped: OnTheTable<T>['skipped']): Summary | undefined => {
    const summary = summaryOf(asked)
    if (summary) {
      const { totalMinutes, handsOnMinutes, warnings } = summary
      const roomForError = minutes - totalMinutes
      tries.push({
        of,
        request: asked,
        usual,
        totalMinutes,
        handsOnMinutes,
        warnings,
        roomForError,
        skipped,
      })
    }
    return summary
  }
  for (const soaked of request.soak ? [true, false] : [false]) {
    const asked = soaked === Boolean(request.soak) ? request : { ...request, soak: null }
    const skipped: OnTheTable<T>['skipped'] = asked === request ? [] : ['soak']
    const whole = attempt(asked, skipped)
    if (!whole) continue
    const over = whole.totalMinutes - minutes
    if (over > 0 && whole.restMinutes > SHORT_REST && over <= whole.restMinutes - SHORT_REST)
      attempt({ ...asked, rest_minutes: SHORT_REST }, [...skipped, 'long rest'])
    if (tries.some((one) => one.roomForError >= 0)) break
  }
  return tries
}
