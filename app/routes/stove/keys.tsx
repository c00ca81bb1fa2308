import { UnstyledButton } from '@mantine/core'
import type { CookEvent, EventKind } from '#core/cook/events'
import { lidCanBeLifted, USUAL_LIFT_S } from '#core/cook/lid-lift'
import type { CookView } from '#core/cook/replay'
import { CUES } from '#core/methods/signs'
import type { Stage } from '#core/plan/result'
import { KeyCap } from '../../keyboard/key-cap'
import { useKeys } from '../../keyboard/use-keys'
import { EVENT_WORDS } from '../../ui/event-words'
import classes from './stove.module.css'

interface KeysProps {
  view: CookView
  stage: Stage | undefined
  stages: readonly Stage[]
  now: number
  press: (kind: EventKind, stage: string, more?: { seconds?: number }) => void
  takeBack: () => void
  tableAt: string
  /** Left out: there is no troubleshooting here. */
  onWrong?: () => void
}

/** For this long after a sign its key offers Undo, ms. */
const TAKE_BACK_MS = 10_000

/** The large key: the sign's, the next step's, or the end's. */
function mainKey(
  stage: Stage | undefined,
  waits: CookView['next'],
  lastStage: Stage,
  press: KeysProps['press'],
): { word: string; act: () => void } {
  if (waits) return { word: 'Begin now', act: () => press('begin', waits.id) }
  if (!stage) return { word: 'Served', act: () => press('finish', lastStage.id) }
  if (stage.ends_on !== 'cue') return { word: 'Next step', act: () => press('go-on', stage.id) }
  return { word: stage.cue_id ? CUES[stage.cue_id].key : 'Done', act: () => press('cue', stage.id) }
}

/** One large key for the sign, and a few more, large enough for a wet finger. */
export function Keys({ view, stage, stages, now, press, takeBack, tableAt, onWrong }: KeysProps) {
  const lastStage = stages[stages.length - 1]!
  const cue = stage?.ends_on === 'cue'
  const waits = stage ? undefined : view.next
  const main = mainKey(stage, waits, lastStage, press)
  const covered = stage !== undefined && lidCanBeLifted(stage)
  const clocked = stage?.ends_on === 'clock'
  const { last } = view
  const fresh = last !== undefined && now - last.atMs < TAKE_BACK_MS
  useKeys({
    cue: main.act,
    lid: covered ? () => press('lid-lifted', stage.id, { seconds: USUAL_LIFT_S }) : undefined,
    more: clocked ? () => press('minute-more', stage.id) : undefined,
    less: clocked ? () => press('minute-less', stage.id) : undefined,
    wrong: onWrong,
    back: last ? takeBack : undefined,
  })
  return (
    <section className={classes.keys} aria-label="Actions" data-few={!onWrong || undefined}>
      <UnstyledButton
        className={classes.cueKey}
        data-quiet={stage && !cue ? true : undefined}
        onClick={main.act}
      >
        {main.word} <KeyCap act="cue" />
      </UnstyledButton>
      <UnstyledButton
        className={classes.key}
        disabled={!covered}
        onClick={() => stage && press('lid-lifted', stage.id, { seconds: USUAL_LIFT_S })}
      >
        I lifted the lid{view.lidLifts > 0 && ` (${view.lidLifts})`} <KeyCap act="lid" />
      </UnstyledButton>
      <UnstyledButton
        className={classes.key}
        disabled={!clocked}
        onClick={() => stage && press('minute-more', stage.id)}
      >
        +1 min <KeyCap act="more" />
      </UnstyledButton>
      {onWrong && (
        <UnstyledButton className={classes.key} onClick={onWrong}>
          Something’s wrong <KeyCap act="wrong" />
        </UnstyledButton>
      )}
      <UnstyledButton
        className={classes.key}
        disabled={!last}
        data-fresh={fresh || undefined}
        onClick={takeBack}
      >
        {last ? `Undo “${wordOf(last, stages)}”` : 'Undo'} <KeyCap act="back" />
      </UnstyledButton>
      <p className="unseen" role="status">
        {stage
          ? `${stage.title}. Ready at ${tableAt}.`
          : waits
            ? `Nothing to do until the next step. Ready at ${tableAt}.`
            : `Ready. Serve at ${tableAt}.`}
      </p>
    </section>
  )
}

/** What was pressed, by its key's label. */
function wordOf({ kind, stage }: CookEvent, stages: readonly Stage[]): string {
  const cue = kind === 'cue' ? stages.find((s) => s.id === stage)?.cue_id : undefined
  return (cue ? CUES[cue].key : EVENT_WORDS[kind]).toLowerCase()
}
