import { useMemo, useState, useEffect, useDeferredValue, Suspense, lazy } from 'react'
import { Skeleton, Button, UnstyledButton, Slider } from '@mantine/core'
import { parsePlanRequestOrThrow } from '#core/contract/plan-request'
import { standingLoss, type Vessel } from '#core/vessel/vessel'
import { boilingPointAt } from '#core/heat/boiling-point'
import { metres, celsius } from '#core/units/units'
import type { PlanRequest } from '#core/plan/request'
import { fullPower } from '#core/heat/sources'
import type { SimulateRequestJson } from '#core/contract/simulate'
import type { StageChange } from '#core/simulate/changes'
import type { Variety } from '#core/grain/varieties'
import { WHAT_IF_WORDS } from '#core/simulate/what-if'
import { useUnits } from '../../ui/units/units'
import { PotInside, type Moment } from '../../ui/drawing/pot-inside'
import type { Cooked } from '../../workers/simulator'
import {
  countOtherwise,
  type Act,
  USUAL_AMOUNT,
  MAX_ACTS,
  type Otherwise,
  ACT_WORDS,
} from './simulation-state'
import { stageTimes, stageAt, type CookedStage } from './stage-times'
import classes from './simulation.module.css'
import { StageKeys } from './stage-controls'
import { EditHeat } from './edit-heat'
import type { Answer } from './use-simulator'

const Curves = lazy(() => import('./curves'))

interface CookedPotsProps {
  cooked: Answer[]
  vessel: Parameters<typeof PotInside>[0]['vessel']
  variety: Parameters<typeof PotInside>[0]['variety']
  request: SimulateRequestJson
  otherwise: Otherwise
  other: (next: Partial<Otherwise>) => void
  onStage: (stage: string, change: StageChange | null) => void
}

const PLAY_MS = 60

const PLAY_STEPS = 220

const nameOf = ({ question }: Answer, changed: boolean): string =>
  question === null
    ? changed
      ? 'as you do it'
      : 'as planned'
    : WHAT_IF_WORDS[question].replace(/^What if (I |it )?/, '').replace(/\?$/, '')

/** The pots at one minute, the controls of minute and heat, the curves, and the verdicts. */
export function CookedPots({ cooked, vessel, variety, request, otherwise, other, onStage }: CookedPotsProps) {
  const longest = Math.max(...cooked.map((run) => run.series.tMin.at(-1)!))
  const changed = countOtherwise(otherwise) > 0
  const names = useMemo(() => cooked.map((run) => nameOf(run, changed)), [cooked, changed])
  const [minute, setMinute] = useState<number>()
  const [playing, setPlaying] = useState(false)
  const [picked, setPicked] = useState<string>()
  const at = Math.min(minute ?? longest, longest)
  useEffect(() => {
    if (!playing) return
    const timer = setInterval(() => {
      setMinute((m) => {
        const next = (m ?? 0) + longest / PLAY_STEPS
        if (next >= longest) setPlaying(false)
        return Math.min(longest, next)
      })
    }, PLAY_MS)
    return () => clearInterval(timer)
  }, [playing, longest])
  // The charts are loaded after the pot and the ribbon, which can be used at once.
  const [lateCooked, lateNames, lateAt] = [
    useDeferredValue(cooked),
    useDeferredValue(names),
    useDeferredValue(at),
  ]
  const own = useMemo(() => stageTimes(cooked[0]!), [cooked])
  const chosen = own.find(({ stage }) => stage.id === picked) ?? stageAt(own, at) ?? own.at(-1)!
  const settled = useMemo(() => parsePlanRequestOrThrow(request), [request])
  const lossW = standingLoss(
    settled.vessel,
    boilingPointAt(metres(settled.elevationM)),
    celsius(settled.kitchenC),
  )
  const act = (kind: Act['kind']) =>
    other({
      acts: [...otherwise.acts, { kind, atMin: Number(at.toFixed(1)), amount: USUAL_AMOUNT[kind] }].slice(
        -MAX_ACTS,
      ),
    })
  return (
    <>
      <div className={classes.pots} data-runs={cooked.length}>
        {cooked.map((run, i) => (
          <PotColumn key={names[i]} name={names[i]!} vessel={vessel} variety={variety} run={run} at={at} />
        ))}
      </div>
      <TimeControls
        playing={playing}
        at={at}
        longest={longest}
        setMinute={setMinute}
        setPlaying={setPlaying}
        own={own}
        otherwise={otherwise}
        settled={settled}
        chosen={chosen}
        setPicked={setPicked}
        onStage={onStage}
      />
      <div className={classes.hands}>
        <StageKeys
          key={chosen.stage.id}
          at={chosen}
          change={otherwise.changes[chosen.stage.id]}
          source={settled.source}
          standingLossW={lossW}
          onChange={(next) => onStage(chosen.stage.id, next)}
        />
        <ActionKeys at={at} longest={longest} act={act} otherwise={otherwise} other={other} />
      </div>
      {names.length > 1 && <Legend names={names} />}
      <Suspense fallback={<Skeleton height={260} />}>
        <Curves cooked={lateCooked} names={lateNames} minute={lateAt} />
      </Suspense>
    </>
  )
}

/** One simulated pot at the chosen minute, and how it ends. */
function PotColumn({
  name,
  vessel,
  variety,
  run,
  at,
}: {
  name: string
  vessel: Vessel
  variety: Variety
  run: Answer
  at: number
}) {
  const { say } = useUnits()
  return (
    <section className={`${classes.pot} basin`} aria-label={name}>
      <h2 className="figure">{name}</h2>
      <div className={classes.drawing}>
        <PotInside
          vessel={vessel}
          variety={variety}
          dryG={dryOf(run)}
          moment={momentAt(run, at)}
          title={say(momentWords(run, at, name))}
        />
      </div>
      <p className={classes.stage}>{stageAt(stageTimes(run), at)?.stage.title ?? 'when served'}</p>
      <ul className={classes.reasons}>
        {run.reasons.map((reason) => (
          <li key={reason}>{say(reason)}</li>
        ))}
      </ul>
    </section>
  )
}

function TimeControls({
  playing,
  at,
  longest,
  setMinute,
  setPlaying,
  own,
  otherwise,
  settled,
  chosen,
  setPicked,
  onStage,
}: {
  playing: boolean
  at: number
  longest: number
  setMinute: (next: number | undefined) => void
  setPlaying: (next: boolean) => void
  own: CookedStage[]
  otherwise: Otherwise
  settled: PlanRequest
  chosen: CookedStage
  setPicked: (next: string | undefined) => void
  onStage: CookedPotsProps['onStage']
}) {
  const { number } = useUnits()
  return (
    <div className={classes.time}>
      <Button
        variant="default"
        size="sm"
        onClick={() => {
          if (!playing && at >= longest) setMinute(0)
          setPlaying(!playing)
        }}
      >
        {playing ? 'Pause' : 'Play'}
      </Button>
      <Slider
        thumbLabel="Minute"
        className={classes.slider}
        value={at}
        min={0}
        max={Number(longest.toFixed(1))}
        step={0.1}
        label={null}
        onChange={setMinute}
        thumbProps={{ 'aria-valuetext': `${number(at, 1)} minutes` }}
      />
      <output className="figure">{number(at, 1)} min</output>
      <div className={classes.heat}>
        <EditHeat
          stages={own}
          changes={otherwise.changes}
          fullW={fullPower(settled.source)}
          minute={at}
          longest={longest}
          selected={chosen.stage.id}
          onSelect={setPicked}
          onChange={onStage}
        />
      </div>
    </div>
  )
}

/** What can be done at the chosen minute, and what was done. */
function ActionKeys({
  at,
  longest,
  act,
  otherwise,
  other,
}: {
  at: number
  longest: number
  act: (kind: 'lid-lift' | 'add-water' | 'stir') => void
  otherwise: Otherwise
  other: (next: Partial<Otherwise>) => void
}) {
  const { say, number } = useUnits()
  return (
    <div className={classes.keys} role="group" aria-label="Your actions">
      <span className="quiet">
        {at < longest ? `at ${number(at, 1)} min` : 'set the minute of your action'}
      </span>
      {(Object.keys(ACT_WORDS) as Act['kind'][]).map((kind) => (
        <Button key={kind} size="xs" variant="default" disabled={at >= longest} onClick={() => act(kind)}>
          {ACT_WORDS[kind]}
        </Button>
      ))}
      {otherwise.acts.map((done, i) => (
        <UnstyledButton
          key={`${done.kind} ${done.atMin} ${i}`}
          className="chip"
          aria-label={say(`Undo: ${actWord(done)}`)}
          onClick={() => other({ acts: otherwise.acts.filter((_, o) => o !== i) })}
        >
          {say(actWord(done))} <span aria-hidden>×</span>
        </UnstyledButton>
      ))}
    </div>
  )
}

/** Which line belongs to which pot. */
function Legend({ names }: { names: string[] }) {
  return (
    <p className={classes.pens}>
      {names.map((name, i) => (
        <span key={name}>
          <svg viewBox="0 0 34 8" width="34" height="8" aria-hidden>
            <path d="M1 4H33" data-pen={i} />
          </svg>
          {name}
        </span>
      ))}
    </p>
  )
}

const actWord = ({ kind, atMin, amount }: Act): string =>
  `${kind === 'lid-lift' ? `lid off ${amount} s` : kind === 'add-water' ? `${amount} g water` : 'stirred'} at ${atMin}`

const dryOf = (run: Cooked): number => run.plan.grain.mass_g

const indexAt = ({ series }: Cooked, minute: number): number => {
  const i = series.tMin.findIndex((t) => t >= minute)
  return i < 0 ? series.tMin.length - 1 : i
}

function momentAt(run: Cooked, minute: number): Moment {
  const i = indexAt(run, minute)
  const { series } = run
  const before = Math.max(0, i - 3)
  const span = series.tMin[i]! - series.tMin[before]!
  return {
    uptakeByLayer: series.uptakeByLayer.map((layer) => layer[i]!),
    centreByLayer: series.centreByLayer.map((layer) => layer[i]!),
    freeG: series.freeG[i]!,
    bulkC: series.bulkC[i]!,
    bottomC: series.bottomC[i]!,
    steam: span > 0 ? (series.evaporatedG[i]! - series.evaporatedG[before]!) / span : 0,
  }
}

function momentWords(run: Cooked, minute: number, name: string): string {
  const { centreByLayer, freeG, bulkC } = momentAt(run, minute)
  const cooked = Math.round((100 * centreByLayer.reduce((a, b) => a + b, 0)) / centreByLayer.length)
  return `${name} at ${minute.toFixed(1)} minutes: ${Math.round(bulkC)} °C, ${Math.round(freeG)} g of water left, cooked to ${cooked} %`
}
