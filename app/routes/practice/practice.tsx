import { SegmentedControl, UnstyledButton } from '@mantine/core'
import { useEffect, useRef, useState, useMemo } from 'react'
import { data, Link, useFetcher } from 'react-router'
import { localPlan } from '#core/plan/local-plan'
import { currentStage } from '#core/cook/next-action'
import type { EventKind } from '#core/cook/events'
import { kitchenOf, type PracticeConditions, type Situation } from '#core/practice/situation'
import { situationOf, SITUATIONS } from '#core/practice/situations'
import { varietyOf, type Variety } from '#core/grain/varieties'
import type { CookView } from '#core/cook/replay'
import type { Handled } from '#core/practice/run-actions'
import type { Stage } from '#core/plan/result'
import { nowMs } from '#server/clock'
import { kitchen } from '#server/kitchen'
import { settingsOf } from '#server/store/open-household'
import { recordPractice } from '#server/commands/practice'
import { useUnits } from '../../ui/units/units'
import { formOf } from '../../ui/forms/read-form'
import { clockTime, type HouseholdClock } from '../../ui/time/clock-hour'
import type { PressMore } from '../../offline/outbox'
import { ParallelStages } from '../stove/parallel-stages'
import { Keys } from '../stove/keys'
import { NowPanel } from '../stove/now-panel'
import type { DeviceReading } from '../stove/readings'
import { ProgressStrip } from '../stove/progress-strip'
import { plannedWashes, Washes } from '../stove/washes'
import stove from '../stove/stove.module.css'
import type { Route } from './+types/practice'
import { Debrief } from './debrief'
import { Controls } from './controls'
import { SPEEDS, usePractice, type Speed, type Practice } from './use-practice'
import classes from './practice.module.css'

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: loaderData ? `${loaderData.title} · Practice · Omsel` : 'Practice · Omsel' },
]

export function loader({ params }: Route.LoaderArgs) {
  const situation = situationOf(params.situation)
  if (!situation) throw new Response('Exercise not found.', { status: 404 })
  const open = kitchen()
  return {
    id: situation.id,
    title: situation.title,
    understood: open.practice.completed().includes(situation.id),
    clock: settingsOf(open).clock,
  }
}

export async function action({ request, params }: Route.ActionArgs) {
  const form = await formOf(request)
  if (form.get('intent') !== 'done')
    return data(
      {
        errors: [
          {
            path: 'intent',
            message: `intent must be an action of this page, got "${String(form.get('intent'))}"`,
            code: 'not-an-option',
          },
        ],
      },
      { status: 400 },
    )
  const recorded = recordPractice(kitchen(), params.situation, form.get('doing'), nowMs())
  return recorded.ok ? { good: recorded.value } : data({ errors: recorded.errors }, { status: 422 })
}

const SPEED_WORDS: Record<Speed, string> = { 0: 'paused', 1: 'real time', 10: '10 ×', 60: '60 ×' }
/** Help stays visible for this long, minutes. */
const ASKED_FOR_MIN = 4
const MINUTE = 60_000

export default function PracticePot(props: Route.ComponentProps) {
  return <OnePot key={props.loaderData.id} {...props} />
}

function OnePot({ loaderData: { id, clock: hours } }: Route.ComponentProps) {
  const situation = SITUATIONS.find((s) => s.id === id)!
  const [pot] = useState(() => kitchenOf(situation))
  const practice = usePractice(id, pot)
  const { view, now, running, doing: playerActions, handled, press: tell } = practice
  const { kitchen, say } = useUnits()
  const plan = useMemo(() => localPlan(running.plan, kitchen), [running.plan, kitchen])
  const clock: HouseholdClock = { zone: 'UTC', clock: hours }
  const current = currentStage(plan, view)
  const stage = current && plan.stages.find((s) => s.id === current.id)
  const pouring = stage?.id === 'pour'
  const [empty, setEmpty] = useState(false)
  const press = (kind: EventKind, stageId: string, more?: PressMore) => {
    if (kind === 'cue' && stageId === 'pour') {
      setEmpty(practice.pourG === 0)
      if (practice.pourG > 0) tell(kind, stageId, { amount: practice.pourG })
      return
    }
    tell(kind, stageId, more)
  }
  const over = view.outcome === 'finished' || view.outcome === 'stopped'
  const fetcher = useFetcher<typeof action>()
  const sent = useRef('')
  const done = over && playerActions ? JSON.stringify(playerActions) : ''
  useEffect(() => {
    if (done === '' || sent.current === done) return
    sent.current = done
    // The result is at the top of the page.
    window.scrollTo(0, 0)
    void fetcher.submit({ intent: 'done', doing: done }, { method: 'post' })
  }, [done, fetcher])
  const variety = varietyOf(pot.cardRequest.grains[0]!.variety)
  const asked = situation.asked?.find((a) => {
    const at = view.stages.find((s) => s.id === a.stage)
    const minutes = at && at.state !== 'next' ? (now - at.startMs) / MINUTE - a.afterMin : -1
    return minutes >= 0 && minutes < ASKED_FOR_MIN && !over
  })

  return (
    <main className={stove.stove} data-dense>
      <header className={classes.bar}>
        <div>
          <h1 className="figure">{situation.title}</h1>
          <p>{say(situation.description)}</p>
        </div>
        {!over && <TimeControls now={now} clock={clock} practice={practice} />}
      </header>
      {over ? (
        playerActions ? (
          <Debrief situation={situation} kitchen={pot} doing={playerActions} again={practice.again} />
        ) : (
          <p className={classes.reason}>
            No food was cooked.{' '}
            <UnstyledButton className={classes.step} onClick={practice.again}>
              Begin again
            </UnstyledButton>
          </p>
        )
      ) : (
        <>
          <ProgressStrip plan={plan} view={view} now={now} clock={clock} />
          <NowPanel
            plan={plan}
            view={view}
            now={now}
            clock={clock}
            stage={stage}
            current={current}
            title="The card says"
            vesselName={situation.title.toLowerCase()}
            serveAtMs={null}
            variety={variety}
            knob={null}
            pot={undefined}
            vessel={pot.real.vessel}
            readings={readingsOf(practice, stage, pot.card.grain.mass_g, now)}
            retimed={undefined}
            purpose={pot.cardRequest.purpose}
            cuePhotos={{}}
          >
            <AtTheStage
              asked={asked}
              empty={empty}
              pouring={pouring}
              practice={practice}
              stage={stage}
              view={view}
              variety={variety}
              press={press}
              handled={handled}
              pot={pot}
              situation={situation}
            />
          </NowPanel>
          {view.now.length > 1 && (
            <ParallelStages
              others={view.now.filter((s) => s.id !== current?.id)}
              stages={plan.stages}
              now={now}
              press={press}
            />
          )}
          <Keys
            view={view}
            stage={stage}
            stages={plan.stages}
            now={now}
            press={press}
            takeBack={() => view.last && press('take-back', view.last.stage, { target: view.last.id })}
            tableAt={clockTime(view.tableMs, clock)}
          />
        </>
      )}
    </main>
  )
}

/** The practice clock: its speed, and minutes to skip. */
function TimeControls({ now, clock, practice }: { now: number; clock: HouseholdClock; practice: Practice }) {
  return (
    <div className={classes.clock} role="group" aria-label="Time">
      <b className="figure">{clockTime(now, clock)}</b>
      <SegmentedControl
        aria-label="Speed"
        value={String(practice.speed)}
        onChange={(value) => practice.setSpeed(Number(value) as Speed)}
        data={SPEEDS.map((speed) => ({ value: String(speed), label: SPEED_WORDS[speed] }))}
      />
      {[1, 10].map((minutes) => (
        <UnstyledButton key={minutes} className={classes.step} onClick={() => practice.passBy(minutes)}>
          {minutes} min on
        </UnstyledButton>
      ))}
      <Link to="/practice">Quit</Link>
    </div>
  )
}

/** What belongs to the present step: help that was asked for, rinses, the pot’s controls. */
function AtTheStage({
  asked,
  empty,
  pouring,
  practice,
  stage,
  view,
  variety,
  press,
  handled,
  pot,
  situation,
}: {
  asked: { stage: string; afterMin: number; says: string } | undefined
  empty: boolean
  pouring: boolean
  practice: Practice
  stage: Stage | undefined
  view: CookView
  variety: Variety
  press: (kind: EventKind, stageId: string, more?: PressMore) => void
  handled: Handled | undefined
  pot: PracticeConditions
  situation: Situation
}) {
  const { say } = useUnits()
  return (
    <>
      {asked && (
        <p role="status" className={classes.asked}>
          {say(asked.says)}
        </p>
      )}
      {empty && pouring && practice.pourG === 0 && (
        <p role="alert" className={classes.asked}>
          Add water first.
        </p>
      )}
      {stage?.kind === 'rinse' && (
        <Washes
          view={view}
          stage={stage}
          washes={plannedWashes(stage)}
          variety={variety}
          onWash={(clarity) => press('washed', stage.id, { clarity })}
        />
      )}
      {(handled !== undefined || pouring) && (
        <Controls practice={practice} kitchen={pot} situation={situation} pouring={pouring} />
      )}
    </>
  )
}

/** What the simulated scale and thermometer show. */
function readingsOf(
  { handled, pourG }: ReturnType<typeof usePractice>,
  stage: { id: string; kind: string } | undefined,
  grainG: number,
  now: number,
): DeviceReading[] {
  const of = { cook: 'practice', atMs: now }
  if (stage?.id === 'pour') return [{ ...of, kind: 'scale', grams: pourG }]
  if (stage?.kind === 'measure') return [{ ...of, kind: 'scale', grams: Math.round(grainG) }]
  return handled ? [{ ...of, kind: 'probe', celsius: handled.pot.bulkC }] : []
}
