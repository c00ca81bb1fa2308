import { UnstyledButton } from '@mantine/core'
import { Link } from 'react-router'
import type { Noticing } from '../../senses/use-senses'
import classes from './alarm.module.css'

/** What should be noticed, large enough to be seen from the door; and whether it can be heard. */
export function Alarm({ active, seen, silent, goesDark }: Noticing) {
  const [first] = active
  const loud = first && first.kind !== 'due'
  return (
    <>
      {first && (
        <section className={classes.alarm} data-kind={first.kind} aria-label="Notice" role={loud ? 'alert' : 'status'}>
          <div>
            <p className="figure">{first.says}</p>
            {silent && <Silent />}
          </div>
          <UnstyledButton className={classes.seen} onClick={seen}>
            Seen
          </UnstyledButton>
        </section>
      )}
      {silent && !first && <Silent />}
      {goesDark && (
        <p className={classes.silent} role="status">
          This browser cannot keep the screen lit: touch it now and then, or let the device stay on. <Link to="/settings#senses">Sounds and a lit screen</Link>
        </p>
      )}
    </>
  )
}

const Silent = () => (
  <p className={classes.silent} role="status">
    This browser keeps the page silent until you touch it. <Link to="/settings#senses">Sounds and a lit screen</Link>
  </p>
)
