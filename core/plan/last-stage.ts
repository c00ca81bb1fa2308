import { stepPot, type Pot } from '#core/pot/pot'
import { runPhase, type Phase } from '#core/pot/run'
import { restore, snapshotOf, type Snapshot } from '#core/pot/snapshot'
import { donenessOf, isDone, whenDone, type Doneness, type Goal } from '#core/pot/done'

/** How long the last hot stage must be. */
export type LastStage =
  | { outcome: 'done'; earliest: number; marks: Snapshot[] }
  | { outcome: 'never'; reached: number; marks: Snapshot[] }

export type OpenPhase = Omit<Phase, 'until'>

export interface Search {
  guess: number
  goal: Goal
  longest?: number | undefined
}

const MARK_MINUTES = 1
const LONGEST_MINUTES = 240

/** Earliest end of the last hot stage so that, after the phases that follow, the pot is done. The pot is moved through the stage
 *  and left wherever the search stopped; use the marks, one a minute from the start.
 *  @param guess minutes, where to look first  @param longest minutes it may take at most */
export function earliestEnd(pot: Pot, last: OpenPhase, after: readonly Phase[], { guess, goal, longest = LONGEST_MINUTES }: Search): LastStage {
  const marks: Snapshot[] = [snapshotOf(pot)]
  const tried = new Map<number, Doneness>()
  const extendTo = (mark: number) => {
    restore(pot, marks[marks.length - 1]!)
    while (marks.length <= mark) {
      runPhase(pot, { ...last, until: { minutes: MARK_MINUTES } })
      marks.push(snapshotOf(pot))
    }
  }
  const doneAt = (mark: number): Doneness => {
    const known = tried.get(mark)
    if (known) return known
    if (mark >= marks.length) extendTo(mark)
    restore(pot, marks[mark]!)
    for (const phase of after) runPhase(pot, phase)
    const found = donenessOf(pot, goal)
    tried.set(mark, found)
    return found
  }
  let low = -1 // not done there, as far as known
  let high = Math.min(longest, Math.max(0, Math.ceil(guess)))
  while (!isDone(doneAt(high))) {
    if (high >= longest) return { outcome: 'never', reached: high, marks }
    low = high
    high = Math.min(longest, high + Math.max(1, Math.round(high * 0.15)))
  }
  // The guess is usually within a minute or two, so step down before bisecting.
  for (let stride = 1; low < 0 && high > 0; stride *= 2) {
    const probe = Math.max(0, high - stride)
    if (isDone(doneAt(probe))) high = probe
    else low = probe
  }
  while (high - low > 1 && high > 0) {
    const middle = (low + high) >> 1
    if (isDone(doneAt(middle))) high = middle
    else low = middle
  }
  const earliest = high === 0 ? 0 : (high - 1 + whenDone(doneAt(high - 1), doneAt(high))) * MARK_MINUTES
  return { outcome: 'done', earliest, marks }
}

/** Puts the pot at so many minutes into the stage, from the nearest mark before. */
export function moveTo(pot: Pot, stage: LastStage, last: OpenPhase, minutes: number): void {
  const mark = Math.min(stage.marks.length - 1, Math.floor(minutes / MARK_MINUTES))
  restore(pot, stage.marks[mark]!)
  const rest = minutes - mark * MARK_MINUTES
  if (rest > 0) runPhase(pot, { ...last, until: { minutes: rest } })
}

const STARTS_TO_SCORCH_C = 125
/** Seconds; a dry bottom's own time constant is a minute. */
const WATCH_STEP = 20

/** Minutes from now until the bottom has dried and starts to scorch under this heat; atMost when it does not get there. */
export function minutesToScorch(pot: Pot, last: OpenPhase, atMost: number): number {
  const start = pot.now
  while (pot.now - start < atMost * 60) {
    if (pot.bottomC >= STARTS_TO_SCORCH_C) break
    stepPot(pot, WATCH_STEP, last)
  }
  return Math.min(atMost, (pot.now - start) / 60)
}
