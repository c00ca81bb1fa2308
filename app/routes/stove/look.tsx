import { UnstyledButton } from '@mantine/core'
import { useState } from 'react'
import type { CookEvent, EventKind } from '#core/cook/events'
import { USUAL_LIFT_S } from '#core/cook/lid-lift'
import type { StageView } from '#core/cook/replay'
import type { Retimed } from '#core/cook/retime'
import type { Stage } from '#core/plan/result'
import { asksForLook, freshLook, GO_ON } from '#core/troubleshoot/look'
import classes from './advice.module.css'

interface LookProps {
  stage: Stage
  current: StageView
  events: readonly CookEvent[]
  /** Whether the water is in the pot with the grain, and not under a basket. */
  inPot: boolean
  retimed: Retimed | undefined
  now: number
  press: (kind: EventKind, stage: string, more?: { seconds?: number }) => void
}

const FOUND = [
  ['seen-dry', 'Water gone'],
  ['seen-water', 'Some left'],
  ['seen-hard', 'Still hard'],
] as const satisfies readonly (readonly [EventKind, string])[]

/** What the cook sees under the lid: three keys, and what each means for this pot. */
export function Look({ stage, current, events, inPot, retimed, now, press }: LookProps) {
  const [dismissedMs, setDismissedMs] = useState(0)
  const look = freshLook(stage, events, now)
  const lift = events.findLast((e) => e.kind === 'lid-lifted' && e.stage === stage.id)
  if (look && retimed?.because.id !== look.id)
    return (
      <p className={classes.advice} role="status" data-advice>
        <span className={classes.says}>{GO_ON[look.kind]}</span>
      </p>
    )
  if (!asksForLook(stage, current, events, now) || dismissedMs > (lift?.atMs ?? 0)) return null
  const open = lift !== undefined && now - lift.atMs < USUAL_LIFT_S * 1000 * 4
  const found = (kind: EventKind) => {
    // To look, the lid comes off: what that costs counts.
    if (!open) press('lid-lifted', stage.id, { seconds: USUAL_LIFT_S })
    press(kind, stage.id)
  }
  return (
    <section className={classes.advice} aria-label="Look once" data-advice>
      <p className={classes.says}>
        {inPot ? 'Look once: part the grain. What is there?' : 'Look once: bite a grain. How is it?'}
      </p>
      <div className={classes.answers}>
        {FOUND.filter(([kind]) => inPot || kind === 'seen-hard').map(([kind, word]) => (
          <UnstyledButton key={kind} className={classes.answer} onClick={() => found(kind)}>
            {word}
          </UnstyledButton>
        ))}
        <UnstyledButton className={classes.answer} onClick={() => setDismissedMs(now)}>
          Not now
        </UnstyledButton>
      </div>
    </section>
  )
}
