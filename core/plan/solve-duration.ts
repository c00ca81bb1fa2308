import { grainWater, leastCooked, liquidOf, stepPot, vesselHeating, type Pot } from '#core/pot/pot'
import { runPhase, type Phase } from '#core/pot/run'
import { restore, snapshotOf, type Snapshot } from '#core/pot/snapshot'
import { CENTRE_OVERDONE, SCORCH_FROM_C } from '#core/constants'
import { donenessOf, dryAtSign, isDone, whenDone, type Doneness, type Goal } from '#core/pot/doneness'

/** How long the last hot stage must be. */
export type LastStage =
  | { outcome: 'done'; earliest: number; marks: Snapshot[] }
  | { outcome: 'never'; reached: number; marks: Snapshot[] }

export type UnsolvedPhase = Omit<Phase, 'until'>

export interface Search {
  guess: number
  goal: Goal
  longest?: number | undefined
  /** What is looked for at the end of the stage is that no water is seen. */
  drySign?: boolean | undefined
  /** Marks of the same stage from an earlier search. */
  marks?: Snapshot[] | undefined
}

const MARK_MINUTES = 1
const MAX_MINUTES = 240

/**
 * Minutes of the covered rest that the planned length leans on; what is left of the rest is margin and evens
 * the layers.
 */
const REST_CREDITED = 3
/** Pressure let out at once is gone in so many minutes. */
const VENTED_MINUTES = 2

/**
 * What follows the last hot stage as a plan may lean on it: three minutes of the rest, and of a sealed vessel
 * nothing but its letting out.
 */
export function creditedPhases(after: readonly Phase[]): Phase[] {
  let rest = REST_CREDITED
  return after.map((phase): Phase => {
    if (phase.cooksOn || phase.powerW > 0 || !('minutes' in phase.until || phase.until.event === 'unsealed'))
      return phase
    if (phase.mode === 'sealed') return { ...phase, mode: 'venting', until: { minutes: VENTED_MINUTES } }
    if (
      phase.mode !== 'open' ||
      !('minutes' in phase.until) ||
      phase.drainTo !== undefined ||
      phase.chillTo !== undefined
    )
      return phase
    const minutes = Math.min(phase.until.minutes, rest)
    rest -= minutes
    return { ...phase, until: { minutes } }
  })
}

/**
 * Earliest end of the last hot stage so that, after the phases that follow, the pot is done. The pot is moved
 * through the stage and left wherever the search stopped; use the marks, one a minute from the start.
 * @param guess minutes, where to look first
 * @param longest minutes it may take at most
 */
export function shortestDuration(
  pot: Pot,
  last: UnsolvedPhase,
  after: readonly Phase[],
  { guess, goal, longest = MAX_MINUTES, drySign, marks = [snapshotOf(pot)] }: Search,
): LastStage {
  const tried = new Map<number, Doneness>()
  const minute: Phase = { ...last, until: { minutes: MARK_MINUTES } }
  const extendTo = (mark: number) => {
    restore(pot, marks[marks.length - 1]!)
    while (marks.length <= mark) {
      runPhase(pot, minute)
      marks.push(snapshotOf(pot))
    }
  }
  const doneAt = (mark: number): Doneness => {
    const known = tried.get(mark)
    if (known) return known
    if (mark >= marks.length) extendTo(mark)
    restore(pot, marks[mark]!)
    const sign = drySign ? dryAtSign(pot) : Infinity
    for (const phase of after) runPhase(pot, phase)
    const { centre, water } = donenessOf(pot, goal)
    const found = { centre, water: Math.min(water, sign) }
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
export function moveTo(pot: Pot, stage: LastStage, last: UnsolvedPhase, minutes: number): void {
  const mark = Math.min(stage.marks.length - 1, Math.floor(minutes / MARK_MINUTES))
  restore(pot, stage.marks[mark]!)
  const rest = minutes - mark * MARK_MINUTES
  if (rest > 0) runPhase(pot, { ...last, until: { minutes: rest } })
}

/** Seconds; a dry bottom's own time constant is a minute. */
const WATCH_STEP = 20

/** Off the heat, grain that has cooled below this is no longer held hot, °C. */
const COOLED_C = 60
/** A porridge that has lost this share of what still flowed is too thick. */
const TOO_THICK = 0.4

/**
 * Minutes from now until going on spoils it: the bottom has dried and starts to scorch, or the grain has had
 * twice its heat, or holds more than it is eaten with; off the heat, until it has cooled; of a porridge,
 * until it is too thick; atMost when it does not get there.
 * @param softest most water in the grain, g/g, where its time in water sets it
 */
export function minutesToSpoil(
  pot: Pot,
  last: UnsolvedPhase,
  { atMost, softest = Infinity }: { atMost: number; softest?: number | undefined },
): number {
  const start = pot.now
  const flows = pot.freeG
  const stirred = last.contact === 'stirred' && last.mode === 'open' && last.cooksOn !== true
  const off = last.cooksOn === true
  const spoilt = () =>
    pot.bottomC >= SCORCH_FROM_C ||
    // Steam bursts no grain; it lasts as long as the water under the basket.
    (last.contact === 'steam'
      ? liquidOf(pot) <= 0
      : stirred
        ? pot.freeG < (1 - TOO_THICK) * flows
        : leastCooked(pot) >= CENTRE_OVERDONE) ||
    (off && pot.bulkC < COOLED_C) ||
    grainWater(pot) > softest * pot.dryG
  const heating = vesselHeating(pot.setup, last)
  while (pot.now - start < atMost * 60 && !spoilt()) stepPot(pot, WATCH_STEP, heating)
  return Math.min(atMost, (pot.now - start) / 60)
}
