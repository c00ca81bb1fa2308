import { UnstyledButton } from '@mantine/core'
import { lazy, Suspense, useState, type ReactNode } from 'react'
import { clockTime, nextAt, dayWord, type HouseholdClock } from '../../ui/time/clock-hour'
import { methodOf, type MethodId } from '#core/methods/index'
import { heatOfState, methodOfState, vesselOfState, type PlanState } from '../../planning/plan-state'
import type { PanelProps } from './panels/panel-props'
import type { PanelId } from './panels/panels'
import { Aside } from '../../layout/aside'
import {
  amountWord,
  grainWord,
  LID_WORDS,
  METHOD_WORDS,
  PURPOSE_WORDS,
  releaseWords,
} from '../../planning/plan-words'
import classes from './plan-line.module.css'

// What is behind a press is fetched when a hand comes near it, so that the pot is there first.
const [loadPanel, loadSheet] = [() => import('./panels/panels'), () => import('./plan-sheet')]
const Panel = lazy(loadPanel)
const PlanSheet = lazy(loadSheet)

interface Part {
  id: PanelId
  word: string
  label: string
}

/** The order as one sentence; each part of it opens what it stands for, right under itself. */
export function PlanLine({
  clock,
  now,
  children,
  without = [],
  ...panel
}: PanelProps & {
  clock: HouseholdClock
  now: number
  children?: ReactNode
  /** Parts that are said elsewhere on the page. */
  without?: readonly PanelId[]
}) {
  const { state, household } = panel
  const vessel = vesselOfState(state, household)
  const own = vessel.own_rated_w !== null
  const hour =
    state.at === null
      ? 'as soon as possible'
      : `at ${clockTime(nextAt(state.at, clock.zone, now), clock)}${dayWord(nextAt(state.at, clock.zone, now), now, clock.zone) === 'tomorrow' ? ' tomorrow' : ''}`
  const all: Part[] = [
    { id: 'amount', word: amountWord(state, household), label: 'How much' },
    { id: 'grain', word: grainWord(state, household), label: 'Which grain' },
    { id: 'purpose', word: PURPOSE_WORDS[state.purpose], label: 'What for' },
    {
      id: 'pot',
      word: own ? `in ${vessel.name}` : `${vessel.name} on ${heatOfState(state, household).name}`,
      label: 'Which pot',
    },
    {
      id: 'heat',
      word: heatWord(state, methodOfState(state, vessel)),
      label: 'How it is heated',
    },
    { id: 'hour', word: hour, label: 'When to serve' },
  ]
  const parts = all.filter(({ id }) => !without.includes(id))
  return (
    <div className={classes.order}>
      {children}
      <div className={classes.line}>
        {parts.map((part) => (
          <OrderPart key={part.id} {...part} {...panel} />
        ))}
      </div>
      <Sheet parts={parts} {...panel} />
    </div>
  )
}

/** The one thing about the heat that stands in the order. */
function heatWord(state: PlanState, method: MethodId): string {
  const { lidUntilBoil, release, toasted } = state
  if (method.startsWith('pressure')) return releaseWords(state)[release]
  const word = method === 'covered-simmer' ? LID_WORDS[lidUntilBoil] : METHOD_WORDS[method]
  return toasted && methodOf(method).toastable ? `${word}, crisp bottom` : word
}

function OrderPart({ word, label, id, ...panel }: Part & PanelProps) {
  return (
    <Aside word={word} label={`${label}: ${word}`} className={classes.part!} width={360} piece={loadPanel}>
      {() => <Panel id={id} {...panel} />}
    </Aside>
  )
}

/** On a phone the sentence is one row that opens everything at once. */
function Sheet({ parts, ...panel }: PanelProps & { parts: Part[] }) {
  const [open, setOpen] = useState<boolean>()
  return (
    <>
      <UnstyledButton
        className={classes.row}
        onPointerDown={() => void loadSheet()}
        onClick={() => setOpen(true)}
        aria-label="Change the plan"
      >
        {parts.map((part) => part.word).join(', ')}
      </UnstyledButton>
      <Suspense>
        {open !== undefined && (
          <PlanSheet parts={parts} opened={open} onClose={() => setOpen(false)} {...panel} />
        )}
      </Suspense>
    </>
  )
}
