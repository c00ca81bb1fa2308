import { UnstyledButton } from '@mantine/core'
import { Link } from 'react-router'
import type { Noticing } from '../../alerts/use-alerts'
import classes from './alarm.module.css'

/** Alerts, large enough to be read across the room; and whether sound is on. */
export function Alarm({ active, seen, silent, goesDark }: Noticing) {
  const [first] = active
  const loud = first && first.kind !== 'due'
  return (
    <>
      {first && (
        <section
          className={classes.alarm}
          data-kind={first.kind}
          aria-label="Alert"
          role={loud ? 'alert' : 'status'}
        >
          <div>
            <p className="figure">{first.says}</p>
            {silent && <Silent />}
          </div>
          <UnstyledButton className={classes.seen} onClick={seen}>
            OK
          </UnstyledButton>
        </section>
      )}
      {silent && !first && <Silent />}
      {goesDark && (
        <p className={classes.silent} role="status">
          This browser cannot keep the screen on. Touch it now and then.{' '}
          <Link to="/settings/alerts">Sound and screen settings</Link>
        </p>
      )}
    </>
  )
}

const Silent = () => (
  <p className={classes.silent} role="status">
    Tap once to turn on sound. <Link to="/settings/alerts">Sound and screen settings</Link>
  </p>
)
