import type { Act, BoardDish } from '#core/schedule/next-actions'
import { Link } from 'react-router'
import type { HouseholdClock } from '../../ui/time/clock-hour'
import { Acts } from '../meal/next-actions'
import { useOutbox } from '../../offline/outbox'
import classes from './meal-strip.module.css'

/** What the stove shows of the meal this pot is part of. */
export interface BoardGlance {
  id: string
  title: string
  dishes: Pick<BoardDish, 'id' | 'title'>[]
  acts: Act[]
  /** Which cook has a task, by dish and task; empty where one cook does it all. */
  hands: Record<string, string>
  places: Record<string, string>
}

/** Further off than this it is no matter of this stove yet, ms. */
const SOON_MS = 10 * 60_000
const MOST = 2

/**
 * The rest of the meal: what begins or ends soon at dishes that are no pots on the stove, each with its key.
 */
export function BoardStrip({
  board,
  now,
  aheadMs,
  clock,
  refresh,
}: {
  board: BoardGlance
  now: number
  aheadMs: number
  clock: HouseholdClock
  refresh: () => void
}) {
  const outbox = useOutbox<'begin' | 'done' | 'cue' | 'finish'>(
    `supper-${board.id}`,
    aheadMs,
    refresh,
    `/meal/${board.id}/events`,
  )
  const soon = board.acts.filter((act) => act.cook === undefined && act.atMs <= now + SOON_MS).slice(0, MOST)
  if (soon.length === 0) return null
  return (
    <section className={classes.strip} aria-label="The rest of the meal">
      <Link to={`/meal/${board.id}`} className="small">
        {board.title}
      </Link>
      <Acts
        acts={soon}
        dishes={board.dishes}
        now={now}
        clock={clock}
        placeOf={(id) => board.places[id] ?? id}
        handOf={(act) => board.hands[`${act.dish} ${act.task}`]}
        sent={new Set(outbox.waiting.map((e) => e.dish ?? ''))}
        press={(kind, act) => outbox.press(kind, act.task, { dish: act.dish })}
      />
      {outbox.refused && <p role="alert">Not saved: {outbox.refused}.</p>}
    </section>
  )
}
