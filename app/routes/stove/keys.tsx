import { UnstyledButton } from '@mantine/core'
import type { CookEvent, EventKind } from '#core/cook/events'
import { isSealed, lidCanBeLifted, USUAL_LIFT_S } from '#core/cook/lid-lift'
import type { CookView } from '#core/cook/replay'
import { SIGN_WORDS } from '#core/methods/sign-words'
import type { Plan, Stage } from '#core/plan/result'
import { amountWords } from '#core/plan/stage-amounts'
import { useHandsFree } from '../../alerts/use-hands-free'
import { KeyCap } from '../../keyboard/key-cap'
import { useKeys } from '../../keyboard/use-keys'
import { EVENT_WORDS } from '../../ui/event-words'
import { useUnits } from '../../ui/units/units'
import classes from './stove.module.css'

interface KeysProps {
  view: CookView
  stage: Stage | undefined
  stages: readonly Stage[]
  now: number
  press: (kind: EventKind, stage: string, more?: { seconds?: number }) => void
  takeBack: () => void
  tableAt: string
  /** What amounts are said in. */
  saidIn?: Plan['said_in'] | undefined
  /** Left out: there is no troubleshooting here. */
  onWrong?: () => void
}

/** For this long after a sign its key offers Undo, ms. */
const TAKE_BACK_MS = 10_000

/** The large key: the sign's, the next step's, or the end's. */
export function mainKey(
  stage: Stage | undefined,
  waits: CookView['next'],
  lastStage: Stage,
  press: KeysProps['press'],
): { word: string; act: () => void } {
  if (waits) return { word: 'Begin now', act: () => press('begin', waits.id) }
  if (!stage) return { word: 'Served', act: () => press('finish', lastStage.id) }
  if (stage.ends_on !== 'cue') return { word: 'Next step', act: () => press('go-on', stage.id) }
  return { word: stage.cue_id ? SIGN_WORDS[stage.cue_id].key : 'Done', act: () => press('cue', stage.id) }
}

/** One large key for the sign, and a few more, large enough for a wet finger. */
export function Keys({ view, stage, stages, now, press, takeBack, tableAt, saidIn, onWrong }: KeysProps) {
  const { say } = useUnits()
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
  const spoken = spokenNow(stage, waits, tableAt, saidIn)
  useHandsFree(
    {
      cue: main.act,
      more: clocked ? () => press('minute-more', stage.id) : undefined,
      lid: covered ? () => press('lid-lifted', stage.id, { seconds: USUAL_LIFT_S }) : undefined,
      back: last ? takeBack : undefined,
    },
    say(spoken),
  )
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
        <LidWord sealed={stage !== undefined && isSealed(stage)} lifts={view.lidLifts} />
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
        {say(spoken)}
      </p>
    </section>
  )
}

function LidWord({ sealed, lifts }: { sealed: boolean; lifts: number }) {
  if (sealed) return 'Sealed: do not open'
  return (
    <>
      I lifted the lid{lifts > 0 && ` (${lifts})`} <KeyCap act="lid" />
    </>
  )
}

/** A stage as it is heard: what to do, with how much, and what ends it. */
function stageSpoken(stage: Stage, saidIn: Plan['said_in']): string {
  const amounts = (stage.amounts ?? []).map((a) => amountWords(a, { saidIn: saidIn ?? 'grams' }))
  const ends = stage.ends_on === 'cue' ? `until ${stage.cue}` : `${Math.round(stage.minutes.expected)} min`
  const unsaid = amounts.filter((amount) => !stage.title.includes(amount))
  return `${[stage.title, ...unsaid, ends].join(', ')}.`
}

/** What the stove says now. */
function spokenNow(
  stage: Stage | undefined,
  waits: CookView['next'],
  tableAt: string,
  saidIn: Plan['said_in'],
): string {
  if (stage) return `${stageSpoken(stage, saidIn)} Ready at ${tableAt}.`
  return waits ? `Nothing to do until the next step. Ready at ${tableAt}.` : `Ready. Serve at ${tableAt}.`
}

/** What was pressed, by its key's label. */
function wordOf({ kind, stage }: CookEvent, stages: readonly Stage[]): string {
  const cue = kind === 'cue' ? stages.find((s) => s.id === stage)?.cue_id : undefined
  return (cue ? SIGN_WORDS[cue].key : EVENT_WORDS[kind]).toLowerCase()
}
