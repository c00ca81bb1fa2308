import { Button, NumberInput, UnstyledButton } from '@mantine/core'
import { useMemo, useState } from 'react'
import { EVENT_AMOUNTS, type EventKind } from '#core/cook/events'
import { OPENED_S } from '#core/cook/lid-lift'
import type { Complaint, Remedy } from '#core/cook/remedy'
import type { Stage } from '#core/plan/result'
import { adviceFor } from '#core/troubleshoot/remedies'
import { UnitNumber } from '../../ui/units/unit-number'
import { useUnits } from '../../ui/units/units'
import { ComplaintDrawing } from '../../ui/drawing/complaint-drawing'
import { AdviceCard } from './advice-card'
import type { AtTheStove } from './use-pot-estimate'
import classes from './advice.module.css'
import { SideSheet } from '../../ui/overlay/side-sheet'

interface WrongProps {
  opened: boolean
  onClose: () => void
  stage: Stage | undefined
  pot: AtTheStove | undefined
  press: (
    kind: EventKind,
    stage: string,
    more?: { seconds?: number; amount?: number; remedy?: Remedy },
  ) => void
  lastStage: string
  /** Where a wait for late guests goes. */
  waitAt: (minutes: number) => string
}

const COMPLAINT_WORDS: Record<Complaint, string> = {
  'still-wet': 'cooked, but wet',
  'hard-wet': 'hard, water left',
  'dry-firm': 'firm and dry',
  chalky: 'chalky on top',
  'dry-early': 'dried out early',
  scorched: 'smells scorched',
  'boiled-over': 'boiling over',
  opened: 'opened too early',
  mush: 'mush',
}
/** The same over steam, where it is called otherwise. */
const STEAMED_WORDS: Partial<Record<Complaint, string>> = {
  'hard-wet': 'not done',
  'dry-firm': 'hard and dry',
  'still-wet': 'wet, dripping',
  scorched: 'no water below',
}
const OVER_STEAM: readonly Complaint[] = ['hard-wet', 'dry-firm', 'still-wet', 'scorched', 'opened', 'mush']
/** What can be seen while there is still heat, and what at the end. */
const ON_THE_WAY: readonly Complaint[] = [
  'boiled-over',
  'dry-early',
  'hard-wet',
  'scorched',
  'opened',
  'still-wet',
]
const AT_THE_END: readonly Complaint[] = [
  'still-wet',
  'dry-firm',
  'hard-wet',
  'chalky',
  'scorched',
  'opened',
  'mush',
]
const LOST_AT_FIRST_G = 30

/**
 * Something is wrong: what is seen leads to one action with its figures; and what happened is recorded so
 * that the rest is planned again.
 */
export function TroubleshootSheet({ opened, onClose, stage, pot, press, lastStage, waitAt }: WrongProps) {
  const [complaint, setComplaint] = useState<Complaint>()
  const [lost, setLost] = useState<number | ''>(LOST_AT_FIRST_G)
  const close = () => {
    setComplaint(undefined)
    onClose()
  }
  const advice = useMemo(
    () => (complaint && pot ? adviceFor(complaint, pot.estimate, Number(lost) || 0) : undefined),
    [complaint, pot, lost],
  )
  const at = stage?.id ?? lastStage
  const steamed = pot?.estimate.prepared.method.basket === true
  const hot = pot?.estimate.ahead.some(({ phase }) => phase.powerW > 0) === true
  const tell = (kind: EventKind, more?: { seconds?: number; amount?: number }) => {
    press(kind, at, more)
    close()
  }
  return (
    <SideSheet
      opened={opened}
      onClose={close}
      position="bottom"
      size="auto"
      title="What is wrong?"
      classNames={{ title: 'figure' }}
    >
      <div className={classes.sheet}>
        {pot ? (
          <div className={classes.choices} role="group" aria-label="What do you see?">
            {(steamed ? OVER_STEAM : hot ? ON_THE_WAY : AT_THE_END).map((id) => (
              <UnstyledButton
                key={id}
                className={classes.choice}
                aria-pressed={complaint === id}
                onClick={() => setComplaint(id)}
              >
                <ComplaintDrawing complaint={id} />
                {(steamed && STEAMED_WORDS[id]) || COMPLAINT_WORDS[id]}
              </UnstyledButton>
            ))}
          </div>
        ) : (
          <p className="quiet">Nothing is heating yet, so there is nothing to fix.</p>
        )}
        {complaint === 'boiled-over' && (
          <UnitNumber
            kind="mass"
            label="How much ran over, about, g"
            value={lost}
            onChange={setLost}
            min={0}
            max={EVENT_AMOUNTS['boiled-over']![1]}
            step={10}
            w={220}
            allowNegative={false}
          />
        )}
        {advice && (
          <>
            <AdviceCard
              says={advice.says}
              why={`${advice.why}${advice.after ? ` Result: ${endWords(advice.after.verdict)}.` : ''}`}
              doneWord={advice.remedy ? 'Do it' : 'Done'}
              onDone={() => {
                // Open it was as well: what that cost is computed with from now on.
                if (complaint === 'opened') press('opened', at, { seconds: OPENED_S })
                if (complaint === 'boiled-over' && Number(lost) > 0)
                  press('boiled-over', at, { amount: Number(lost) })
                if (advice.remedy) press('remedy', at, { remedy: advice.remedy })
                close()
              }}
              onNotNow={() => setComplaint(undefined)}
            />
            {advice.becomes.length > 0 && (
              <p className="quiet">Or use it for: {advice.becomes.join('; ')}.</p>
            )}
          </>
        )}
        <h2 className="place-part">What happened</h2>
        <WhatHappened
          hot={hot}
          tell={tell}
          pot={pot}
          press={press}
          waitAt={waitAt}
          close={close}
          stage={stage}
        />
      </div>
    </SideSheet>
  )
}

/** Mishaps that are recorded, so that the rest is planned again. */
function WhatHappened({
  hot,
  tell,
  pot,
  press,
  waitAt,
  close,
  stage,
}: {
  hot: boolean
  tell: (kind: EventKind, more?: { seconds?: number; amount?: number }) => void
  pot: AtTheStove | undefined
  press: WrongProps['press']
  waitAt: (minutes: number) => string
  close: () => void
  stage: Stage | undefined
}) {
  return (
    <ul className={classes.happened}>
      {hot && (
        <>
          <Happened
            word="The heat was off"
            kind="heat-out"
            unit="min"
            first={3}
            onTell={(amount) => tell('heat-out', { amount })}
          />
          <Happened
            word="The heat was lower than it should be"
            kind="heat-low"
            unit="min"
            first={5}
            onTell={(amount) => tell('heat-low', { amount })}
          />
          <Happened
            word="I forgot to lower the heat"
            kind="heat-high"
            unit="min"
            first={2}
            onTell={(amount) => tell('heat-high', { amount })}
          />
        </>
      )}
      {pot && (
        <>
          <Happened
            word="Water added"
            kind="water-added"
            unit="g"
            first={50}
            onTell={(amount) => tell('water-added', { amount })}
          />
          <Happened word="Stirred" onTell={() => tell('stirred')} />
        </>
      )}
      <Happened
        word="Guests are late"
        kind="late"
        unit="min"
        first={25}
        onTell={(amount) => {
          press('late', waitAt(amount), { amount })
          close()
        }}
      />
      {stage?.ends_on === 'clock' && <Happened word="A minute less" onTell={() => tell('minute-less')} />}
      {stage && <Happened word={`Skip “${stage.title}”`} onTell={() => tell('skip')} />}
      <Happened word="Stop this batch" onTell={() => tell('stop')} />
    </ul>
  )
}

function Happened({
  word,
  kind,
  unit,
  first,
  onTell,
}: {
  word: string
  kind?: EventKind
  unit?: 'min' | 'g'
  first?: number
  onTell: (amount: number) => void
}) {
  const [amount, setAmount] = useState<number | string>(first ?? 0)
  const { label, shown, read, unit: massUnit, system } = useUnits()
  const inG = unit === 'g'
  const n = Number(amount)
  const [min, max] = (kind && EVENT_AMOUNTS[kind]) ?? [0, 0]
  return (
    <li>
      <span>{word}</span>
      {unit && (
        <NumberInput
          aria-label={label(`${word}, ${unit}`)}
          value={inG && amount !== '' ? shown('mass', Number(amount)) : amount}
          onChange={(next) => setAmount(inG && typeof next === 'number' ? read('mass', next) : next)}
          suffix={` ${inG ? massUnit('mass') : unit}`}
          min={inG ? shown('mass', min) : min}
          max={inG ? shown('mass', max) : max}
          step={inG && system === 'metric' ? 10 : 1}
          allowNegative={false}
          w={120}
        />
      )}
      <Button
        variant="default"
        disabled={unit !== undefined && !(n >= min && n <= max)}
        onClick={() => onTell(n)}
      >
        Save
      </Button>
    </li>
  )
}

const endWords = ({
  cookedThrough,
  texture,
  soggy,
}: {
  cookedThrough: string
  texture: string
  soggy: boolean
}): string =>
  `${cookedThrough === 'yes' ? 'cooked through' : cookedThrough === 'chalky' ? 'still chalky' : 'a little firm in the middle'}, ${soggy ? 'wet' : texture === 'mushy' ? 'very soft' : texture}`
