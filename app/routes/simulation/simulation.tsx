import { Button, NumberInput, Progress, Skeleton, Slider, UnstyledButton } from '@mantine/core'
import { lazy, Suspense, useDeferredValue, useEffect, useMemo, useState } from 'react'
import { Link } from 'react-router'
import { planFrom } from '#core/contract/plan'
import { LIMITS, parsePlanRequestOrThrow } from '#core/contract/plan-request'
import type { SimulateRequestJson } from '#core/contract/simulate'
import { varietyOf, type Variety } from '#core/grain/varieties'
import { boilingPointAt } from '#core/heat/boiling-point'
import { fullPower } from '#core/heat/sources'
import { celsius, metres } from '#core/units/units'
import type { StageChange } from '#core/simulate/changes'
import { WHAT_IF_WORDS, WHAT_IFS, type WhatIf } from '#core/simulate/what-if'
import { standingLoss, type Vessel } from '#core/vessel/vessel'
import { amountIn } from '#core/units/system'
import type { Plan } from '#core/plan/result'
import type { PlanRequest } from '#core/plan/request'
import { nowMs } from '#server/clock'
import { kitchen } from '#server/kitchen'
import { UnitNumber } from '../../ui/units/unit-number'
import { useUnits } from '../../ui/units/units'
import { PotInside, type Moment } from '../../ui/drawing/pot-inside'
import { skipRevalidation } from '../../layout/skip-revalidation'
import { useAddress } from '../../layout/use-address'
import type { Cooked } from '../../workers/simulator'
import { fromSearch, toSearch } from '../../planning/plan-address'
import { changedPlan, firstPlan, requestOf, vesselOfState, type PlanState } from '../../planning/plan-state'
import { loadPlanningData } from '../../planning/planning-data.server'
import { grainWord, METHOD_WORDS } from '../../planning/plan-words'
import { vesselFromRow } from '../../planning/vessel-from-row'
import { PlanLine } from '../plan/plan-line'
import type { Route } from './+types/simulation'
import { chanceWords } from './chance-words'
import { EditHeat } from './edit-heat'
import {
  ACT_WORDS,
  askedOf,
  countOtherwise,
  MAX_ACTS,
  MAX_RUNS,
  NOTHING_OTHERWISE,
  otherwiseIn,
  stageChanged,
  USUAL_AMOUNT,
  writeOtherwise,
  type Act,
  type Otherwise,
} from './simulation-state'
import { OutcomeChart } from './outcome-chart'
import { StageKeys } from './stage-controls'
import { stageAt, stageTimes, type CookedStage } from './stage-times'
import { WrongWithMine } from './diagnosis'
import { MAP_POTS, SWEEP_RUNS, useCooked, useMap, useSweep, type Answer, type LongRun } from './use-simulator'
import classes from './simulation.module.css'

export const meta: Route.MetaFunction = () => [{ title: 'Simulation · Omsel' }]

export function loader() {
  return { nowMs: nowMs(), ...loadPlanningData(kitchen()) }
}

export const shouldRevalidate = skipRevalidation

const Curves = lazy(() => import('./curves'))

interface Here {
  bench: PlanState
  otherwise: Otherwise
}

/**
 * The same plan without food: what is inside the pot at every minute, and what would be if one thing were
 * otherwise.
 */
export default function SimulationPage({ loaderData }: Route.ComponentProps) {
  const { household, settings, nowMs: now } = loaderData
  const first = useMemo(() => firstPlan(household), [household])
  const { state, become, undo, canUndo } = useAddress<Here>({
    read: (search) => ({ bench: fromSearch(search, first, household), otherwise: otherwiseIn(search) }),
    write: ({ bench, otherwise }) => writeOtherwise(toSearch(bench, first), otherwise),
  })
  const { bench, otherwise } = state
  const change = (next: Partial<PlanState>) => become({ ...state, bench: changedPlan(bench, next) })
  const other = (next: Partial<Otherwise>) => become({ ...state, otherwise: { ...otherwise, ...next } })
  const planned = useMemo(() => requestOf({ ...bench, at: null }, household, now), [bench, household, now])
  const request = useMemo(() => askedOf(planned, otherwise), [planned, otherwise])
  const plan = useMemo(() => {
    const read = planFrom(
      askedOf(
        { ...planned, pour_override_g: null },
        { ...NOTHING_OTHERWISE, elevation: otherwise.elevation, kitchen: otherwise.kitchen },
      ),
    )
    if (!read.ok) throw new Error(read.errors.map((e) => e.message).join('; '))
    return read.value
  }, [planned, otherwise.elevation, otherwise.kitchen])
  const asked = otherwise.asked.filter((q) => q !== 'no-soak' || bench.soak)
  const cooked = useCooked(request, [null, ...asked])
  const row = vesselOfState(bench, household)
  const vessel = useMemo(() => vesselFromRow(row), [row])
  const variety = varietyOf(bench.grain)
  const pour = otherwise.poured ?? bench.poured ?? Math.round(plan.water.pour_g)
  const changed = countOtherwise(otherwise)
  const usedHeight = otherwise.elevation ?? household.elevation_m
  const usedKitchen = otherwise.kitchen ?? household.kitchen_c
  return (
    <main className="place">
      <div className="place-head">
        <h1 className="figure">Simulation</h1>
        <Link to="/practice">practice</Link>
        <Link to={`/?${toSearch(bench, first).toString()}`}>back to the plan</Link>
      </div>
      <div className={classes.order}>
        <PlanLine state={bench} change={change} household={household} clock={settings} now={now} />
      </div>
      <SimulationLead
        household={household}
        plan={plan}
        bench={bench}
        planned={planned}
        changed={changed}
        become={become}
        state={state}
        otherwise={otherwise}
        canUndo={canUndo}
        undo={undo}
      />
      {cooked ? (
        <Inside
          cooked={cooked}
          vessel={vessel}
          variety={variety}
          otherwise={otherwise}
          other={other}
          request={request}
          onStage={(stage, next) => become({ ...state, otherwise: stageChanged(otherwise, stage, next) })}
        />
      ) : (
        <Skeleton height={420} />
      )}
      <div className={classes.below}>
        <WaterAndKitchen
          pour={pour}
          plan={plan}
          other={other}
          otherwise={otherwise}
          bench={bench}
          change={change}
          household={household}
          usedHeight={usedHeight}
          usedKitchen={usedKitchen}
        />
        <WhatIfKeys bench={bench} asked={asked} other={other} />
        <Room
          request={request}
          onPick={(pourG, stage, minutes) =>
            become({ ...state, otherwise: stageChanged({ ...otherwise, poured: pourG }, stage, { minutes }) })
          }
        />
      </div>
      <WrongWithMine key={`${bench.grain} ${row.id} ${plan.grain.mass_g}`} request={planned} plan={plan} />
      <p className="quiet small">
        How this is calculated and tested: <Link to="/model">how the model works</Link>.
      </p>
    </main>
  )
}

function SimulationLead({
  household,
  plan,
  bench,
  planned,
  changed,
  become,
  state,
  otherwise,
  canUndo,
  undo,
}: {
  household: Route.ComponentProps['loaderData']['household']
  plan: Plan
  bench: PlanState
  planned: ReturnType<typeof requestOf>
  changed: number
  become: (next: Here) => void
  state: Here
  otherwise: Otherwise
  canUndo: boolean
  undo: () => void
}) {
  return (
    <p className={classes.lead}>
      {amountIn(household, plan.grain.mass_g, plan.grain.volume_ml)} of {grainWord(bench, household)},{' '}
      {METHOD_WORDS[planned.method ?? 'covered-simmer']}. No food is cooked here.{' '}
      {changed > 0 && (
        <>
          {changed === 1 ? '1 change' : `${changed} changes`} changed from the plan.{' '}
          <UnstyledButton
            className="link"
            onClick={() => become({ ...state, otherwise: { ...NOTHING_OTHERWISE, asked: otherwise.asked } })}
          >
            No changes
          </UnstyledButton>
        </>
      )}
      {canUndo && (
        <>
          {' '}
          <UnstyledButton className="link" onClick={undo}>
            Undo
          </UnstyledButton>
        </>
      )}
    </p>
  )
}

function WaterAndKitchen({
  pour,
  plan,
  other,
  otherwise,
  bench,
  change,
  household,
  usedHeight,
  usedKitchen,
}: {
  pour: number
  plan: Plan
  other: (next: Partial<Otherwise>) => void
  otherwise: Otherwise
  bench: PlanState
  change: (next: Partial<PlanState>) => void
  household: Route.ComponentProps['loaderData']['household']
  usedHeight: number
  usedKitchen: number
}) {
  const { label, waterIn } = useUnits()
  return (
    <section aria-label="Water">
      <h2 className="place-part">Water to add</h2>
      <Slider
        thumbLabel={label('Water, g')}
        value={pour}
        min={Math.round(plan.water.pour_g * 0.5)}
        max={Math.round(plan.water.pour_g * 1.6)}
        step={5}
        label={(g) => waterIn(g)}
        onChange={(g) => other({ poured: g })}
        thumbProps={{ 'aria-valuetext': waterIn(pour) }}
      />
      <p>
        {waterIn(pour)}{' '}
        {otherwise.poured !== null && (
          <UnstyledButton className="link" onClick={() => other({ poured: null })}>
            as planned
          </UnstyledButton>
        )}
      </p>
      <div className={classes.fields}>
        <NumberInput
          size="xs"
          label="Soak, min"
          value={bench.soak?.minutes ?? 0}
          min={0}
          max={LIMITS.soak_minutes[1]}
          step={10}
          allowDecimal={false}
          onChange={(m) =>
            typeof m === 'number' &&
            change({
              soak:
                m > 0
                  ? {
                      minutes: m,
                      celsius: bench.soak?.celsius ?? household.kitchen_c,
                      water: bench.soak?.water ?? 'drain',
                    }
                  : null,
            })
          }
        />
        <UnitNumber
          kind="altitude"
          size="xs"
          label="Altitude, m"
          value={usedHeight}
          min={LIMITS.elevation_m[0]}
          max={LIMITS.elevation_m[1]}
          step={100}
          allowDecimal={false}
          onChange={(m) =>
            m !== '' && m !== usedHeight && other({ elevation: m === household.elevation_m ? null : m })
          }
        />
        <UnitNumber
          kind="temperature"
          size="xs"
          label="Kitchen, °C"
          value={usedKitchen}
          min={LIMITS.kitchen_c[0]}
          max={LIMITS.kitchen_c[1]}
          allowDecimal={false}
          onChange={(c) =>
            c !== '' && c !== usedKitchen && other({ kitchen: c === household.kitchen_c ? null : c })
          }
        />
      </div>
    </section>
  )
}

function WhatIfKeys({
  bench,
  asked,
  other,
}: {
  bench: PlanState
  asked: readonly WhatIf[]
  other: (next: Partial<Otherwise>) => void
}) {
  return (
    <section aria-label="What if">
      <h2 className="place-part">What if …</h2>
      <div className="chips">
        {WHAT_IFS.filter((q) => q !== 'no-soak' || bench.soak).map((q) => (
          <UnstyledButton
            key={q}
            className="chip"
            aria-pressed={asked.includes(q)}
            onClick={() =>
              other({
                asked: asked.includes(q)
                  ? asked.filter((o) => o !== q)
                  : [...asked, q].slice(-(MAX_RUNS - 1)),
              })
            }
          >
            {WHAT_IF_WORDS[q]}
          </UnstyledButton>
        ))}
      </div>
    </section>
  )
}

interface InsideProps {
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
function Inside({ cooked, vessel, variety, request, otherwise, other, onStage }: InsideProps) {
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
          <PotColumn key={names[i]} names={names} i={i} vessel={vessel} variety={variety} run={run} at={at} />
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

function PotColumn({
  names,
  i,
  vessel,
  variety,
  run,
  at,
}: {
  names: string[]
  i: number
  vessel: Vessel
  variety: Variety
  run: Answer
  at: number
}) {
  const { say } = useUnits()
  return (
    <section className={`${classes.pot} basin`} aria-label={names[i]}>
      <h2 className="figure">{names[i]}</h2>
      <div className={classes.drawing}>
        <PotInside
          vessel={vessel}
          variety={variety}
          dryG={dryOf(run)}
          moment={momentAt(run, at)}
          title={say(momentWords(run, at, names[i]!))}
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
  onStage: InsideProps['onStage']
}) {
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
        thumbProps={{ 'aria-valuetext': `${at.toFixed(1)} minutes` }}
      />
      <output className="figure">{at.toFixed(1)} min</output>
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
  const { say } = useUnits()
  return (
    <div className={classes.keys} role="group" aria-label="Your actions">
      <span className="quiet">
        {at < longest ? `at ${at.toFixed(1)} min` : 'set the minute of your action'}
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

/** How far off things may be: many kitchens, and the field of waters and minutes. */
function Room({
  request,
  onPick,
}: {
  request: SimulateRequestJson
  onPick: (pourG: number, stage: string, minutes: number) => void
}) {
  const sweep = useSweep(request)
  const map = useMap(request)
  return (
    <section aria-label="Room for error" className={classes.room}>
      <h2 className="place-part">How much room for error?</h2>
      <div className={classes.roomParts}>
        <div>
          <Long
            run={sweep}
            pots={SWEEP_RUNS}
            word={`Try ${SWEEP_RUNS} simulated kitchens`}
            what="Kitchens done"
          />
          {sweep.answer && <p role="status">{chanceWords(sweep.answer.value)}</p>}
          <p className="quiet small">Varies burner ±15 %, lid ±30 %, grain ±5 %, measuring ±3 % (1 s.d.).</p>
        </div>
        <div>
          <Long run={map} pots={MAP_POTS} word="Water and time chart" what="Pots done" />
          {map.answer &&
            (map.answer.value ? (
              <OutcomeChart
                map={map.answer.value}
                onPick={(pourG, minutes) =>
                  onPick(pourG, map.answer!.value!.stageId, Number(minutes.toFixed(1)))
                }
              />
            ) : (
              <p>This appliance stops by itself, so there is no time to choose.</p>
            ))}
        </div>
      </div>
    </section>
  )
}

/** Something long: its key, and while it runs how far it is and a way to stop it. */
function Long({
  run,
  pots,
  word,
  what,
}: {
  run: LongRun<unknown>
  pots: number
  word: string
  what: string
}) {
  if (run.done === undefined)
    return (
      <Button variant="default" onClick={run.start}>
        {run.answer ? 'Try again' : word}
      </Button>
    )
  return (
    <div className={classes.sweep}>
      <Progress value={(100 * run.done) / pots} aria-label={what} />
      <Button variant="default" size="xs" onClick={run.stop}>
        Stop
      </Button>
    </div>
  )
}

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
