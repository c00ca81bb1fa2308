import { centreAtMost, loseWater, pourMore, stirBed, wetAtLeast } from '#core/pot/corrections'
import { type Pot } from '#core/pot/pot'
import { goingOn, runPhase, type Phase } from '#core/pot/run'

/** Something that happens to the pot while it cooks. */
export interface Intervention {
  /** Minutes from the first heat. */
  atMin: number
  kind: 'lid-lift' | 'add-water' | 'lose-water' | 'stir' | 'see-water' | 'feel-hard'
  /** How long the lid is off. */
  seconds: number
  /** g, and how warm it comes, °C. */
  grams: number
  celsius: number
}

/** What the run tells: when a phase ended, what happened, or what never came. */
export interface RunEvent {
  tMin: number
  kind: string
}

const MINUTE = 60

/**
 * Runs phases one after another, with what happens on the way at its own time.
 * @param watch called after every step
 * @returns what happened and when, phases by `<id>` as they end and `never <id>` when they did not
 */
export function runWithInterventions(
  pot: Pot,
  phases: readonly Phase[],
  interventions: readonly Intervention[],
  watch?: (pot: Pot) => void,
): RunEvent[] {
  const events: RunEvent[] = []
  const queue = interventions.toSorted((a, b) => a.atMin - b.atMin)
  const say = (kind: string) => events.push({ tMin: pot.now / MINUTE, kind })
  for (const phase of phases) {
    let left = 'minutes' in phase.until ? phase.until.minutes : phase.until.atMostMinutes
    // A phase begins once, whatever happens at its first moment, and also where it has no length.
    const goesOn = goingOn(phase)
    runPhase(pot, { ...phase, opensAtEnd: phase.opensAtEnd === true && left <= 1e-6, until: { minutes: 0 } })
    let ended = false
    while (!ended && left > 1e-6) {
      const next = queue[0]
      const toNext = next ? Math.max(0, next.atMin - pot.now / MINUTE) : Infinity
      const minutes = Math.min(left, toNext)
      if (minutes > 1e-6) {
        const run = runPhase(
          pot,
          {
            ...goesOn,
            opensAtEnd: phase.opensAtEnd === true && minutes >= left,
            until: 'minutes' in phase.until ? { minutes } : { ...phase.until, atMostMinutes: minutes },
          },
          watch,
        )
        left -= run.minutes
        ended = 'minutes' in phase.until ? left <= 1e-6 : run.ended
        if (ended) break
      }
      if (next && pot.now / MINUTE >= next.atMin - 1e-6) {
        queue.shift()
        say(next.kind)
        left -= happen(pot, next, goesOn, watch)
      }
    }
    say(ended || 'minutes' in phase.until ? phase.id : `never ${phase.id}`)
  }
  // What happens when everything is over still happens.
  for (const next of queue) {
    if (next.kind === 'lid-lift' || next.atMin > pot.now / MINUTE + 1e-6) continue
    say(next.kind)
    happen(pot, next, phases.at(-1)!, watch)
  }
  return events
}

/** @returns minutes it took */
function happen(
  pot: Pot,
  { kind, seconds, grams, celsius }: Intervention,
  phase: Phase,
  watch?: (pot: Pot) => void,
): number {
  switch (kind) {
    case 'lid-lift':
      // A sealed vessel is not opened; everything else stands open for so long.
      if (phase.mode !== 'open' || !(seconds > 0)) return 0
      return runPhase(
        pot,
        { ...phase, opensAtEnd: false, lid: 'off', until: { minutes: seconds / MINUTE } },
        watch,
      ).minutes
    case 'add-water':
      pourMore(pot, grams, celsius)
      return 0
    case 'lose-water':
      loseWater(pot, grams)
      return 0
    case 'see-water':
      wetAtLeast(pot)
      return 0
    case 'feel-hard':
      centreAtMost(pot)
      return 0
    case 'stir':
      stirBed(pot)
      return 0
  }
}
