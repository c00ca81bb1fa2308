import { UnstyledButton } from '@mantine/core'
import { Link } from 'react-router'
import type { VarietyId } from '#core/grain/varieties'
import { TwoTaps } from '../notebook/two-taps'
import { clockTime, type HouseClock } from '../../time/clock-hour'
import classes from './stove.module.css'

interface EndedProps {
  id: string
  title: string
  variety: VarietyId
  outcome: 'finished' | 'stopped'
  endedMs: number
  clock: HouseClock
  onTakeBack: () => void
}

export function Ended({ id, title, variety, outcome, endedMs, clock, onTakeBack }: EndedProps) {
  return (
    <section className={classes.ended}>
      <p className={`${classes.title} figure`}>{outcome === 'finished' ? `On the table at ${clockTime(endedMs, clock)}` : 'Set aside'}</p>
      <p className="quiet">
        {outcome === 'finished'
          ? 'How did it come out? The next pot of it will know.'
          : 'It is in the notebook as set aside; nothing is learned from it.'}
      </p>
      {outcome === 'finished' && <TwoTaps cookId={id} title={title} variety={variety} />}
      <div className={classes.endedKeys}>
        <Link to={`/notebook/${id}`} className={classes.cueKey}>
          {outcome === 'finished' ? 'Say more of it' : 'See it in the notebook'}
        </Link>
        {outcome === 'finished' && (
          <Link to={`/kept/put-away?cook=${id}`} className={classes.key}>
            Put away what is left
          </Link>
        )}
        <UnstyledButton className={classes.key} onClick={onTakeBack}>
          Not yet, take it back
        </UnstyledButton>
      </div>
    </section>
  )
}
