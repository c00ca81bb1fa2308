import { UnstyledButton } from '@mantine/core'
import { Link } from 'react-router'
import { clockTime, type HouseClock } from '../../time/clock-hour'
import classes from './stove.module.css'

interface EndedProps {
  id: string
  outcome: 'finished' | 'stopped'
  endedMs: number
  clock: HouseClock
  onTakeBack: () => void
}

export function Ended({ id, outcome, endedMs, clock, onTakeBack }: EndedProps) {
  return (
    <section className={classes.ended}>
      <p className={`${classes.title} figure`}>{outcome === 'finished' ? `On the table at ${clockTime(endedMs, clock)}` : 'Set aside'}</p>
      <p className="quiet">
        {outcome === 'finished'
          ? 'How did it come out? The next pot of it will know.'
          : 'It is in the notebook as set aside; nothing is learned from it.'}
      </p>
      <div className={classes.endedKeys}>
        <Link to={`/notebook/${id}`} className={classes.cueKey}>
          {outcome === 'finished' ? 'Say how it was' : 'See it in the notebook'}
        </Link>
        <UnstyledButton className={classes.key} onClick={onTakeBack}>
          Not yet, take it back
        </UnstyledButton>
      </div>
    </section>
  )
}
