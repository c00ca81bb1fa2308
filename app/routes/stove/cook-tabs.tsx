import { useMemo, useState } from 'react'
import { Link } from 'react-router'
import { runningCookOf, type StoredCook } from '#core/contract/running-cook'
import type { CookEvent } from '#core/cook/events'
import { nextTouch } from '#core/cook/next-action'
import { replay } from '#core/cook/replay'
import { countdown } from '../../ui/time/countdown'
import classes from './cook-tabs.module.css'

export interface Lane {
  id: string
  title: string
  vesselName: string
  cook: StoredCook
  events: readonly CookEvent[]
}

/**
 * The pots on the stove, the one to touch next on top. A pot that comes due rises; while a finger or the
 * keyboard is on the row, nothing swaps places under it.
 */
export function CookTabs({ lanes, current, now }: { lanes: readonly Lane[]; current: string; now: number }) {
  const cooks = useMemo(
    () => lanes.map((lane) => ({ ...lane, cook: runningCookOf(lane.cook, lane.events) })),
    [lanes],
  )
  const [held, setHeld] = useState<readonly string[]>()
  if (lanes.length < 2) return null
  const pots = cooks.map((lane) => ({
    ...lane,
    touch: nextTouch(lane.cook.plan, replay(lane.cook, lane.events, now)),
  }))
  const due = (pot: (typeof pots)[number]) => pot.touch?.atMs ?? Infinity
  const place = (id: string) => held!.indexOf(id)
  pots.sort(held ? (a, b) => place(a.id) - place(b.id) : (a, b) => due(a) - due(b))
  const hold = () => setHeld(pots.map(({ id }) => id))
  const letGo = () => setHeld(undefined)
  return (
    <nav
      className={classes.lanes}
      aria-label="Pots on the stove, most urgent first"
      onPointerEnter={hold}
      onPointerLeave={letGo}
      onFocus={hold}
      onBlur={letGo}
    >
      {pots.map(({ id, title, vesselName, touch }) => (
        <Link
          key={id}
          to={`/stove/${id}`}
          className={classes.lane}
          aria-current={id === current ? 'page' : undefined}
          data-due={touch !== undefined && touch.atMs <= now}
        >
          <b>{vesselName}</b>
          <span className={classes.what}>{touch ? touch.title : title}</span>
          <span className={`${classes.when} figure`}>
            {touch === undefined ? '' : touch.atMs <= now ? 'now' : countdown(touch.atMs - now)}
          </span>
        </Link>
      ))}
    </nav>
  )
}
