import { UnstyledButton } from '@mantine/core'
import { Link } from 'react-router'
import type { Act } from '#core/schedule/next-actions'
import { dishLetter } from '../../ui/drawing/meal-board'
import { clockTime, type HouseholdClock } from '../../ui/time/clock-hour'
import { countdown } from '../../ui/time/countdown'
import classes from './next-actions.module.css'

export interface ActsProps {
  acts: readonly Act[]
  dishes: readonly { id: string; title: string }[]
  now: number
  clock: HouseholdClock
  /** The name of a burner, the oven or an appliance. */
  placeOf: (id: string) => string
  /** Which cook, where there are several. */
  handOf: (act: Act) => string | undefined
  /** Presses that are on their way, by dish. */
  sent: ReadonlySet<string>
  press: (kind: NonNullable<Act['press']>['kind'], act: Act) => void
}

const SOON_MS = 60_000
/** Further off than this it is shown by the clock. */
const COUNT_MS = 30 * 60_000

/** What to do next at every dish, the soonest first, each with the one key that says it is so. */
export function Acts({ acts, dishes, now, clock, placeOf, handOf, sent, press }: ActsProps) {
  return (
    <ol className={classes.acts}>
      {acts.map((act) => {
        const at = dishes.findIndex((d) => d.id === act.dish)
        const due = act.atMs <= now + SOON_MS
        const hand = handOf(act)
        const key = act.press
        return (
          <li
            key={`${act.dish} ${act.task}`}
            data-due={due || undefined}
            data-at={act.atMs}
            data-until={act.untilMs}
            data-press={key?.kind}
          >
            <b className="figure">{dishLetter(Math.max(0, at))}</b>
            <span className={`${classes.when} figure`}>
              {due
                ? 'now'
                : act.atMs - now < COUNT_MS
                  ? countdown(act.atMs - now)
                  : clockTime(act.atMs, clock)}
            </span>
            <span className={classes.what}>
              <span>{act.title}</span>
              <span className="quiet small">
                {dishes[at]?.title}
                {act.at !== undefined && `, ${placeOf(act.at)}`}
                {hand !== undefined && act.hands && `, ${hand}`}
                {act.cook !== undefined && (
                  <>
                    {' · '}
                    <Link to={`/stove/${act.cook}`} aria-label={`${dishes[at]?.title ?? 'pot'} at the stove`}>
                      at the stove
                    </Link>
                  </>
                )}
              </span>
            </span>
            {key ? (
              <UnstyledButton
                className={classes.key}
                data-due={due || undefined}
                disabled={sent.has(act.dish)}
                onClick={() => press(key.kind, act)}
                aria-label={`${key.word}: ${act.title}, ${dishes[at]?.title ?? ''}`}
              >
                {key.word}
              </UnstyledButton>
            ) : (
              <span className="quiet small">automatic</span>
            )}
          </li>
        )
      })}
    </ol>
  )
}
