import { UnstyledButton } from '@mantine/core'
import { useUnits } from '../../ui/units/units'
import classes from './advice.module.css'

interface AdviceCardProps {
  says: string
  why: string
  /** Nothing to do where there is only something to expect. */
  onDone?: (() => void) | undefined
  doneWord?: string
  onNotNow: () => void
}

/** One act with a figure, and two keys. */
export function AdviceCard({ says, why, onDone, doneWord = 'Done', onNotNow }: AdviceCardProps) {
  const { say } = useUnits()
  return (
    <section className={classes.advice} aria-label="Advice" role="status" data-advice>
      <div>
        <p className={`${classes.says} figure`}>{say(says)}</p>
        <p className={classes.why}>{say(why)}</p>
      </div>
      <div className={classes.answers}>
        {onDone && (
          <UnstyledButton className={classes.answer} data-first onClick={onDone}>
            {doneWord}
          </UnstyledButton>
        )}
        <UnstyledButton className={classes.answer} onClick={onNotNow}>
          {onDone ? 'Not now' : 'OK'}
        </UnstyledButton>
      </div>
    </section>
  )
}
