import { UnstyledButton } from '@mantine/core'
import { useState } from 'react'
import type { EventKind } from '#core/cook/events'
import { lidCheck, type Seen } from '#core/troubleshoot/lid-check'
import type { StageView } from '#core/cook/replay'
import type { Stage } from '#core/plan/result'
import type { Remedy } from '#core/cook/remedy'
import { AdviceCard } from './advice-card'
import type { AtTheStove } from './use-pot-estimate'
import classes from './advice.module.css'

interface LidCheckProps {
  stage: Stage
  current: StageView
  pot: AtTheStove
  now: number
  press: (
    kind: EventKind,
    stage: string,
    more?: { seconds?: number; amount?: number; remedy?: Remedy },
  ) => void
}

/** Looking is worth it from here on, as a share of the stage. */
const WORTH_A_LOOK = 0.75

/** Near the end of the simmer: is there water at the bottom? Either answer acts. */
export function LidCheck({ stage, current, pot, now, press }: LidCheckProps) {
  const [seen, setSeen] = useState<Seen>()
  const share = (now - current.startMs) / Math.max(1, current.endMs - current.startMs)
  if (share < WORTH_A_LOOK) return null
  if (seen) {
    const answer = lidCheck(pot.estimate, seen, (current.endMs - now) / 60_000)
    return (
      <AdviceCard
        says={answer.says}
        why={answer.why}
        doneWord={answer.act === 'none' ? 'OK' : 'Do it'}
        onDone={() => {
          if (answer.act === 'more') press('minute-more', stage.id, { amount: answer.minutes })
          if (answer.act === 'off') press('go-on', stage.id)
          if (answer.act === 'remedy') press('remedy', stage.id, { remedy: answer.remedy })
          setSeen(undefined)
        }}
        onNotNow={() => setSeen(undefined)}
      />
    )
  }
  return (
    <section className={classes.advice} aria-label="Check">
      <p className={classes.says}>Part the grain: is there water at the bottom?</p>
      <div className={classes.answers}>
        <UnstyledButton className={classes.answer} onClick={() => setSeen('water')}>
          Water
        </UnstyledButton>
        <UnstyledButton className={classes.answer} onClick={() => setSeen('none')}>
          No water
        </UnstyledButton>
      </div>
    </section>
  )
}
