import { Drawer, Popover, UnstyledButton } from '@mantine/core'
import { useState, type ReactNode } from 'react'
import { clockTime, nextAt, dayWord, type HouseClock } from '../../time/clock-hour'
import type { MethodId } from '#core/method/index'
import { heatOfState, methodOfState, vesselOfState, type BenchState } from './bench-state'
import { AmountPanel } from './panels/amount-panel'
import { GrainPanel } from './panels/grain-panel'
import { HeatPanel } from './panels/heat-panel'
import { HourPanel } from './panels/hour-panel'
import type { PanelProps } from './panels/panel-props'
import { PurposePanel } from './panels/purpose-panel'
import { VesselPanel } from './panels/vessel-panel'
import { amountWord, grainWord, LID_WORDS, METHOD_WORDS, PURPOSE_WORDS, RELEASE_WORDS, TOASTS } from './words'
import classes from './order-line.module.css'

interface Part {
  id: string
  word: string
  label: string
  panel: ReactNode
}

/** The order as one sentence; each part of it opens what it stands for, right under itself. */
export function OrderLine({ clock, now, ...panel }: PanelProps & { clock: HouseClock; now: number }) {
  const { state, house } = panel
  const vessel = vesselOfState(state, house)
  const own = vessel.own_rated_w !== null
  const hour =
    state.at === null
      ? 'as soon as it can'
      : `at ${clockTime(nextAt(state.at, clock.zone, now), clock)}${dayWord(nextAt(state.at, clock.zone, now), now, clock.zone) === 'tomorrow' ? ' tomorrow' : ''}`
  const parts: Part[] = [
    { id: 'amount', word: amountWord(state), label: 'How much', panel: <AmountPanel {...panel} /> },
    { id: 'grain', word: grainWord(state, house), label: 'Which grain', panel: <GrainPanel {...panel} /> },
    { id: 'purpose', word: PURPOSE_WORDS[state.purpose], label: 'What for', panel: <PurposePanel {...panel} /> },
    { id: 'pot', word: own ? `in the ${vessel.name}` : `in the ${vessel.name} on the ${heatOfState(state, house).name}`, label: 'Which pot', panel: <VesselPanel {...panel} /> },
    {
      id: 'heat',
      word: heatWord(state, methodOfState(state, vessel.kind)),
      label: 'How it is heated',
      panel: <HeatPanel {...panel} />,
    },
    { id: 'hour', word: hour, label: 'When to serve', panel: <HourPanel {...panel} /> },
  ]
  return (
    <div className={classes.order}>
      <div className={classes.line}>
        {parts.map((part) => (
          <OrderPart key={part.id} {...part} />
        ))}
      </div>
      <Sheet parts={parts} />
    </div>
  )
}

/** The one thing about the heat that stands in the order. */
function heatWord({ lidUntilBoil, release, toasted }: BenchState, method: MethodId): string {
  if (method.startsWith('pressure')) return RELEASE_WORDS[release]
  const word = method === 'covered-simmer' ? LID_WORDS[lidUntilBoil] : METHOD_WORDS[method]
  return toasted && TOASTS.has(method) ? `${word}, bottom toasted` : word
}

function OrderPart({ word, label, panel }: Part) {
  return (
    <Popover position="bottom-start" offset={6} radius="sm" shadow="md" trapFocus returnFocus width={360}>
      <Popover.Target>
        <UnstyledButton className={classes.part} aria-label={`${label}: ${word}`}>
          {word}
        </UnstyledButton>
      </Popover.Target>
      <Popover.Dropdown className={classes.panel}>{panel}</Popover.Dropdown>
    </Popover>
  )
}

/** On a phone the sentence is one row that opens everything at once. */
function Sheet({ parts }: { parts: Part[] }) {
  const [open, setOpen] = useState(false)
  return (
    <>
      <UnstyledButton className={classes.row} onClick={() => setOpen(true)} aria-label="Change the order">
        {parts.map((part) => part.word).join(', ')}
      </UnstyledButton>
      <Drawer opened={open} onClose={() => setOpen(false)} position="bottom" size="85%" lockScroll={false} title="The order" classNames={{ title: 'figure' }} closeButtonProps={{ 'aria-label': 'Done' }}>
        {parts.map((part) => (
          <details key={part.id} className={classes.fold} name="order">
            <summary>
              <span className="quiet small">{part.label}</span>
              <span>{part.word}</span>
            </summary>
            {part.panel}
          </details>
        ))}
      </Drawer>
    </>
  )
}
