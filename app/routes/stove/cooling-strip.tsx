import { Link } from 'react-router'
import type { Signal } from '#core/cook/signals'
import { FIRST_PLACE_MIN, type Cooling, type NextPlace } from '#core/leftovers/cooling'
import { countdown } from '../../ui/time/countdown'
import classes from './cooling-strip.module.css'

export interface CoolingContainer {
  id: string
  title: string
  containerName: string
  packedMs: number
  /** Still out of the fridge. */
  out: boolean
  /** Where it goes from there; null where that was not said. */
  next: NextPlace | null
  /** It is eaten without being chilled. */
  eatenOut: boolean
  /** Out no longer than until then, UTC ms. */
  outByMs: number | null
  cooling: Pick<Cooling, 'to21Min' | 'to5Min' | 'leavesHotMin' | 'tooSlow'>
  /** Minutes it may take from hot to 21 °C. */
  mayMin: number
}

const MINUTE = 60_000

/**
 * When a container next needs something: into the fridge at 21 °C, its lid on at 5 °C; and at the latest when
 * its hour is over.
 */
export function nextOf({
  out,
  next,
  eatenOut,
  outByMs,
  packedMs,
  cooling,
  mayMin,
}: CoolingContainer): { atMs: number; says: string } | undefined {
  if (out) {
    if (eatenOut) return { atMs: outByMs!, says: 'eat it now or throw it away' }
    if (next !== null) return { atMs: packedMs + FIRST_PLACE_MIN * MINUTE, says: `into the ${next}` }
    // Cooling that will be too slow is said now, while it can still be changed.
    if (cooling.tooSlow === 'cool')
      return { atMs: packedMs, says: 'cooling too slowly: spread thinner or put in the fridge' }
    return {
      atMs: packedMs + Math.min(cooling.leavesHotMin + mayMin, cooling.to21Min) * MINUTE,
      says: 'into the fridge',
    }
  }
  return cooling.to5Min === Infinity
    ? undefined
    : { atMs: packedMs + cooling.to5Min * MINUTE, says: 'cold: put the lid on' }
}

/** A container that is due calls as a clock does that has ended. */
export const coolingSignals = (containers: readonly CoolingContainer[], now: number): Signal[] =>
  containers.flatMap((container) => {
    const next = nextOf(container)
    return next && next.atMs <= now
      ? [
          {
            id: `cooling ${container.id} ${container.out}`,
            kind: 'ended' as const,
            says: `${container.containerName}: ${next.says}`,
          },
        ]
      : []
  })

/** Containers that are still cooling. */
export function CoolingStrip({ tubs: containers, now }: { tubs: readonly CoolingContainer[]; now: number }) {
  const due = containers
    .flatMap((container) => {
      const next = nextOf(container)
      return next ? [{ container, next }] : []
    })
    .sort((a, b) => a.next.atMs - b.next.atMs)
  if (due.length === 0) return null
  return (
    <ul className={classes.strip} aria-label="Cooling">
      {due.slice(0, 3).map(({ container, next }) => (
        <li key={container.id} data-due={next.atMs <= now || undefined}>
          <Link to="/leftovers">
            {container.containerName} of {container.title}
          </Link>{' '}
          <b className="figure">{next.atMs <= now ? 'now' : countdown(next.atMs - now)}</b> {next.says}
        </li>
      ))}
    </ul>
  )
}
