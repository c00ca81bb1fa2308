import { UnstyledButton } from '@mantine/core'
import type { EventKind } from '#core/cook/events'
import type { StageView } from '#core/cook/replay'
import { SIGN_WORDS } from '#core/methods/sign-words'
import type { Stage } from '#core/plan/result'
import { countdown } from '../../ui/time/countdown'
import classes from './parallel-stages.module.css'

interface AlsoProps {
  /** Further stages under way. */
  others: readonly StageView[]
  stages: readonly Stage[]
  now: number
  press: (kind: EventKind, stage: string) => void
}

/** Further stages under way, each with its own key. */
export function ParallelStages({ others, stages, now, press }: AlsoProps) {
  return (
    <section className={classes.also} aria-label="Also going on">
      {others.map((view) => {
        const stage = stages.find((s) => s.id === view.id)!
        const cue = stage.ends_on === 'cue'
        return (
          <div key={view.id} className={classes.lane}>
            <span>
              <b>{stage.title}</b>
              <span className="quiet">
                {' '}
                {cue
                  ? `until ${stage.cue}, ${countdown(now - view.startMs)} so far`
                  : `${countdown(view.endMs - now)} left`}
              </span>
            </span>
            <UnstyledButton className={classes.key} onClick={() => press(cue ? 'cue' : 'go-on', stage.id)}>
              {cue ? (stage.cue_id ? SIGN_WORDS[stage.cue_id].key : 'Done') : 'Go on now'}
            </UnstyledButton>
          </div>
        )
      })}
    </section>
  )
}
