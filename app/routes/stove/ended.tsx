import { UnstyledButton } from '@mantine/core'
import { Link } from 'react-router'
import type { VarietyId } from '#core/grain/varieties'
import { QuickRating } from '../notebook/quick-rating'
import { clockTime, type HouseholdClock } from '../../ui/time/clock-hour'
import classes from './stove.module.css'

interface EndedProps {
  id: string
  title: string
  variety: VarietyId
  outcome: 'finished' | 'stopped'
  endedMs: number
  clock: HouseholdClock
  onTakeBack: () => void
}

export function Ended({ id, title, variety, outcome, endedMs, clock, onTakeBack }: EndedProps) {
  return (
    <section className={classes.ended}>
      <p className={`${classes.title} figure`}>
        {outcome === 'finished' ? `Served at ${clockTime(endedMs, clock)}` : 'Stopped'}
      </p>
      <p className="quiet">
        {outcome === 'finished'
          ? 'How was it? The next batch is adjusted.'
          : 'Saved as stopped; it is not used for learning.'}
      </p>
      {outcome === 'finished' && <QuickRating cookId={id} title={title} variety={variety} />}
      <div className={classes.endedKeys}>
        <Link to={`/notebook/${id}`} className={classes.cueKey}>
          {outcome === 'finished' ? 'Add details' : 'See it in the notebook'}
        </Link>
        {outcome === 'finished' && (
          <Link to={`/leftovers/put-away?cook=${id}`} className={classes.key}>
            Store the leftovers
          </Link>
        )}
        <Link to={`/cooks/${id}/again`} className={classes.key}>
          Plan it again
        </Link>
        <UnstyledButton className={classes.key} onClick={onTakeBack}>
          Undo: not served yet
        </UnstyledButton>
      </div>
    </section>
  )
}
