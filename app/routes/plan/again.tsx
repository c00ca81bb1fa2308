import { Link } from 'react-router'
import type { AgainBatch } from '../../planning/last-batches.server'
import { dayWord } from '../../ui/time/clock-hour'
import classes from './again.module.css'

/** What is on the stove, and the last batches to cook again: one press plans each as it was, with what was learned. */
export default function Again({
  batches,
  running,
  now,
  zone,
}: {
  batches: readonly AgainBatch[]
  running: readonly { id: string; title: string; vesselName: string }[]
  now: number
  zone: string
}) {
  return (
    <ul className={classes.again} aria-label="On the stove and last batches">
      {running.map(({ id, title, vesselName }) => (
        <li key={id}>
          <Link to={`/stove/${id}`}>
            <b>On the stove</b> {title}, {vesselName}
          </Link>
        </li>
      ))}
      {batches.map(({ id, words, vesselName, endedMs, search, water }) => (
        <li key={id}>
          <Link to={`/?${search}`}>
            <b>Again</b> {words}, {vesselName}
            <small>
              {dayWord(endedMs, now, zone)}
              {water && `; water was ${water.was}, now ${water.now}`}
            </small>
          </Link>
        </li>
      ))}
    </ul>
  )
}
