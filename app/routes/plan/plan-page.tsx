import { useMediaQuery } from '@mantine/hooks'
import { lazy, Suspense, useMemo, useState } from 'react'
import { useFetcher, useLocation, useNavigation } from 'react-router'
import { localPlan } from '#core/plan/local-plan'
import { parsePlanRequestOrThrow, type PlanRequestJson } from '#core/contract/plan-request'
import type { Known } from '#core/explain/pour'
import { bagDelta } from '#core/grain/bag'
import { titleOf, varietyOf } from '#core/grain/varieties'
import { methodOf } from '#core/methods/index'
import { timelineOf } from '#core/plan/timeline'
import { levelOfPour, pourForLevel } from '#core/vessel/pour-gauges'
import type { Plan } from '#core/plan/result'
import { useUnits } from '../../ui/units/units'
import { gaugeOfAmount } from '../../planning/gauges'
import { knobWord } from '../../ui/drawing/setting-word'
import { HeatRibbon } from '../../ui/drawing/heat-ribbon'
import { useLastKnown } from '../../offline/cached-loader'
import type { StoveShown } from '../../planning/stove-shown'
import { newUuid } from '../../ui/new-id'
import { useKeys } from '../../keyboard/use-keys'
import { useAddress } from '../../layout/use-address'
import { clockTime, hourAt } from '../../ui/time/clock-hour'
import { useNow } from '../../ui/time/use-now'
import { fromSearch, toSearch } from '../../planning/plan-address'
import { inUse } from '../../planning/in-use'
import {
  bagOfState,
  changedPlan,
  correctionFor,
  firstPlan,
  grainKeyOfState,
  heatOfState,
  methodOfState,
  requestOf,
  startFieldsOf,
  vesselOfState,
  type PlanState,
  type PlanningData,
} from '../../planning/plan-state'
import { contextOf, heldAt, ownPourWords } from '../../planning/own-water'
import { roomForErrorWords } from '../../planning/room-for-error'
import { vesselFromRow } from '../../planning/vessel-from-row'
import type { Route } from './+types/plan'
import { PreparationPanel } from './preparation'
import { marksIn } from './marks'
import { Cautions } from './cautions'
import { Measure } from './measure'
import { PlanLine } from './plan-line'
import { PotView } from './pot-view'
import { Facts, StartBar } from './start-bar'
import { Study } from './finger-study'
import { StagesUpright } from './stage-list'
import { TABS, type Tab } from './tabs'
import { usePotAtMinute } from './use-pot-at-minute'
import { explanations } from './explanations'
import { useWhatChanged } from './use-what-changed'
import { useRoomForError } from './use-room-for-error'
import classes from './plan.module.css'
import { rememberedPlan } from '../../planning/remembered-plan'
import { useSubmitOnce } from '../../ui/forms/use-submit-once'

const OwnWay = lazy(() => import('./own-way'))
const Again = lazy(() => import('./again'))

export default function PlanPage({ loaderData, actionData }: Route.ComponentProps) {
  const { settings, household } = loaderData
  useLastKnown('plan', loaderData)
  const fetcher = useFetcher()
  const navigation = useNavigation()
  const first = useMemo(() => firstPlan(household), [household])
  const busy = fetcher.state !== 'idle' || navigation.state !== 'idle'
  const { lastChoices } = loaderData
  const { state, change, undo, canUndo, leaveAddress } = usePlan(first, household, lastChoices, busy)
  const offersAgain =
    useLocation().search === '' && !canUndo && loaderData.again.length + loaderData.running.length > 0
  useKeys({ back: canUndo ? undo : undefined })
  const now = useNow(loaderData.nowMs)
  const [tab, setTab] = useState<Tab>('water')
  const [chosenGauge, setGauge] = useState<string>()
  // An amount stated in a measure is shown in it, until another gauge is pressed.
  const gauge = chosenGauge ?? gaugeOfAmount(state.amount) ?? loaderData.gauge
  const low = useMediaQuery('(max-height: 720px)')

  const planned = usePlanned(state, household, now)
  const { request, plan, asked, vesselRow, variety, whys, times } = planned
  const shared = { state, change, household, planned }
  const changed = useWhatChanged(planned.seen)
  const [lit, setLit] = useState<string>()
  const total = plan.total_minutes.expected
  const tableMs = request.serve_at ? Date.parse(request.serve_at) : now + total * 60_000
  const startMs = tableMs - total * 60_000
  const clockAt = (minute: number) => clockTime(startMs + minute * 60_000, settings)
  const look = usePotAtMinute(asked, plan, clockAt)
  const shown = () => shownStart({ state, household, settings, request, totalMin: total })
  const { start, onMeal } = useSending({ state, first, household, request, leaveAddress, shown })
  const facts = {
    plan,
    measuresBy: settings,
    whyCooked: whys.cooked,
    search: toSearch(state, first).toString(),
    meals: loaderData.meals,
    onMeal,
  }
  const drawn = {
    stages: plan.stages,
    times,
    clockAt,
    scrub: look.scrub,
    placeOf: (stage: Plan['stages'][number]) =>
      knobWord(stage, vesselRow.own_rated_w === null ? heatOfState(state, household) : null),
  }

  return (
    <main className={classes.bench} data-tab={tab} data-lit={lit} data-again={offersAgain || undefined}>
      <h1 className="unseen">Plan</h1>
      <PlanLine state={state} change={change} household={household} clock={settings} now={now}>
        <Suspense>
          {offersAgain && (
            <Again batches={loaderData.again} running={loaderData.running} now={now} zone={settings.zone} />
          )}
        </Suspense>
      </PlanLine>
      <section className={classes.measure} aria-label="Measure">
        <PlannedMeasure
          {...shared}
          settings={settings}
          request={request}
          now={now}
          gauge={gauge}
          changed={changed}
          lit={lit}
          setLit={setLit}
          onGauge={(next) => {
            setGauge(next)
            void fetcher.submit({ intent: 'gauge', gauge: next }, { method: 'post' })
          }}
          onKeep={(mark) => void fetcher.submit({ intent: 'keep-mark', ...mark }, { method: 'post' })}
        />
      </section>
      <section className={`${classes.pot} basin`} aria-label="The pot">
        <PlannedPot
          {...shared}
          crease={gauge === 'finger' ? settings.crease_mm : undefined}
          changed={changed}
          now={now}
          look={look.at}
        />
        <Study request={request} variety={variety} change={change} creaseMm={settings.crease_mm} />
      </section>
      <section className={classes.before} aria-label="Before the heat">
        <PlannedPreparation {...shared} now={now} />
      </section>
      <PlanCautions {...{ state, request, change, plan, household, now }} />
      <PlanTabs tab={tab} setTab={setTab} plan={plan} />
      <section className={classes.ribbon} aria-label="Heat from now to serving">
        <HeatRibbon
          {...drawn}
          height={low || offersAgain ? 134 : 168}
          onServe={(minutes) => change({ at: hourAt(tableMs + minutes * 60_000, settings.zone) })}
        />
      </section>
      <section className={classes.upright} aria-label="Stages">
        <StagesUpright {...drawn} />
      </section>
      <section className={classes.facts} aria-label="The plan in figures">
        <Facts {...facts} className="" />
      </section>
      <StartBar
        {...facts}
        now={now}
        startMs={startMs}
        tableMs={tableMs}
        asked={request.serve_at !== undefined}
        clock={settings}
        onStart={start}
        inUse={inUse(loaderData.running, state, household)}
        undo={canUndo ? undo : undefined}
        errors={actionData && 'errors' in actionData ? actionData.errors : []}
      />
    </main>
  )
}

/** What the parts of the page share. */
interface Shared {
  state: PlanState
  change: (next: Partial<PlanState>) => void
  household: PlanningData
  planned: ReturnType<typeof usePlanned>
}

function PlannedPreparation({
  state,
  change,
  household,
  now,
  planned: { plan, variety, vesselRow },
}: Shared & { now: number }) {
  return (
    <PreparationPanel
      state={state}
      change={change}
      variety={variety}
      kind={vesselRow.kind}
      plan={plan}
      household={household}
      bag={bagOfState(state, household)}
      now={now}
    />
  )
}

/** The pot to scale, with the water's handle where the pour sets the texture. */
function PlannedPot({
  state,
  change,
  household,
  planned: { plan, asked, vessel, variety, vesselRow, context, method },
  crease,
  changed,
  now,
  look,
}: Shared & {
  crease: number | undefined
  changed: ReturnType<typeof useWhatChanged>
  now: number
  look: ReturnType<typeof usePotAtMinute>['at']
}) {
  const [cooked, setCooked] = useState(false)
  return (
    <PotView
      plan={plan}
      vessel={vessel}
      variety={variety}
      heat={asked.source.kind}
      name={vesselRow.name}
      lid={state.lidUntilBoil}
      printed={vesselRow.printed}
      crease={crease}
      cooked={cooked}
      onCooked={setCooked}
      says={changed.says}
      ghost={changed.wasPourG === undefined ? undefined : levelOfPour(context, changed.wasPourG)}
      marks={marksIn(plan.cautions, state, change, household, now)}
      look={look}
      hold={
        methodOf(method).pourSetsTexture !== true
          ? undefined
          : {
              pourG: plan.water.pour_g,
              firmG: plan.water.firm_pour_g,
              standardG: plan.water.standard_pour_g,
              softG: plan.water.soft_pour_g,
              pourAt: (level) => pourForLevel(context, level),
              onPour: (pour) => change(heldAt(pour, plan, state)),
            }
      }
    />
  )
}

/** Grain and water in the cook's own measure. */
function PlannedMeasure({
  state,
  change,
  household: { measures, marks },
  planned: { plan, context, learned, method, vesselRow, whys },
  settings,
  request,
  now,
  gauge,
  changed,
  lit,
  setLit,
  onGauge,
  onKeep,
}: Shared & {
  settings: Route.ComponentProps['loaderData']['settings']
  request: PlanRequestJson
  now: number
  gauge: string
  changed: ReturnType<typeof useWhatChanged>
  lit: string | undefined
  setLit: (stage: string | undefined) => void
  onGauge: (gauge: string) => void
  onKeep: (mark: Record<string, string>) => void
}) {
  const roomForError = useRoomForError(request)
  return (
    <Measure
      plan={plan}
      context={context}
      settings={settings}
      measures={measures}
      learned={learned}
      roomForError={
        methodOf(method).pourSetsTexture ? roomForErrorWords(plan.water, roomForError, settings) : undefined
      }
      now={now}
      gauge={gauge}
      printed={vesselRow.printed}
      why={whys.pour}
      whyGrain={whys.grain}
      whyMinutes={whys.minutes}
      way={method === 'ladled' ? 'ladles' : methodOf(method).water}
      marks={marks.filter((m) => m.vessel_id === vesselRow.id && m.grain_key === grainKeyOfState(state))}
      ownWords={ownPourWords(plan, state)}
      wasPourG={changed.wasPourG}
      lit={lit}
      onLit={setLit}
      onPoured={(poured) => change(poured === null ? { poured } : heldAt(poured, plan, state))}
      onGauge={onGauge}
      onKeep={() =>
        onKeep({
          grain_key: grainKeyOfState(state),
          vessel_id: vesselRow.id,
          dry_g: String(plan.grain.mass_g),
          pour_g: String(plan.water.pour_g),
          depth_mm: String(plan.gauges.water_above_bed_mm),
        })
      }
    />
  )
}

function PlanCautions({
  state,
  request,
  change,
  plan,
  household,
  now,
}: {
  state: PlanState
  request: PlanRequestJson
  change: (next: Partial<PlanState>) => void
  plan: Plan
  household: Route.ComponentProps['loaderData']['household']
  now: number
}) {
  return (
    <section className={classes.cautions} aria-label="Cautions">
      {(state.minutes !== null || state.poured !== null) && (
        <Suspense>
          <OwnWay request={request} state={state} change={change} />
        </Suspense>
      )}
      <Cautions cautions={plan.cautions} state={state} change={change} household={household} now={now} />
    </section>
  )
}

function PlanTabs({ tab, setTab, plan }: { tab: Tab; setTab: (tab: Tab) => void; plan: Plan }) {
  return (
    <nav className={classes.tabs} aria-label="Parts of the plan">
      {TABS.map(({ id, word }) => (
        <button key={id} type="button" aria-pressed={tab === id} onClick={() => setTab(id)}>
          {word}
          {id === 'cautions' && plan.cautions.some((c) => c.severity !== 'note') && (
            <span className={classes.flag} aria-label="check it" />
          )}
        </button>
      ))}
    </nav>
  )
}

/** What a stove on this device shows of a batch, where the household cannot be asked. */
function shownStart(of: {
  state: PlanState
  household: PlanningData
  settings: Route.ComponentProps['loaderData']['settings']
  request: PlanRequestJson
  totalMin: number
}): StoveShown {
  const { state, household, settings, request, totalMin } = of
  const vessel = vesselOfState(state, household)
  return {
    title: titleOf(request.grains),
    vesselName: vessel.name,
    knob: vessel.own_rated_w === null ? heatOfState(state, household) : null,
    household: { zone: settings.zone, clock: settings.clock },
    tableMs: request.serve_at ? Date.parse(request.serve_at) : Date.now() + totalMin * 60_000,
  }
}

/** Starts the batch, or puts it on a meal; the address stays behind. */
function useSending({
  state,
  first,
  household,
  request,
  leaveAddress,
  shown,
}: {
  state: PlanState
  first: PlanState
  household: PlanningData
  request: PlanRequestJson
  leaveAddress: () => void
  shown: () => StoveShown
}) {
  const submit = useSubmitOnce()
  return {
    start: () => {
      leaveAddress()
      const cook = JSON.stringify({ id: newUuid(), request, ...startFieldsOf(state, household) })
      // For this device's own stove, where the server cannot be reached.
      void submit({ intent: 'start', cook, shown: JSON.stringify(shown()) }, { method: 'post' })
    },
    onMeal: (id: string) => {
      leaveAddress()
      void import('../../planning/meal-dish').then(({ mealDishOf }) =>
        submit(
          { intent: 'add', ...mealDishOf(state, household, first, request) },
          { method: 'post', action: `/meal/${id}` },
        ),
      )
    },
  }
}

/** The plan of the present state, with what is shown beside it. */
function usePlanned(state: PlanState, household: PlanningData, now: number) {
  const request = useMemo(() => requestOf(state, household, now), [state, household, now])
  const read = useMemo(() => rememberedPlan(request), [request])
  const asked = useMemo(() => parsePlanRequestOrThrow(request), [request])
  if (!read.ok) throw new Error(read.errors.map((e) => e.message).join('; '))
  const { kitchen } = useUnits()
  const planned = read.value
  const plan = useMemo(() => localPlan(planned, kitchen), [planned, kitchen])
  const vesselRow = vesselOfState(state, household)
  const vessel = useMemo(() => vesselFromRow(vesselRow), [vesselRow])
  const learned = correctionFor(state, household)
  const known: Known = {
    potMeasured: vesselRow.measured !== '',
    learned: learned && { delta: learned.uptake, sd: learned.uptakeSd },
    bagDelta: bagDelta(bagOfState(state, household)),
  }
  const times = useMemo(() => {
    const line = timelineOf(plan.stages)
    return plan.stages.map((stage) => line.get(stage.id)!)
  }, [plan])
  return {
    request,
    plan,
    asked,
    vesselRow,
    vessel,
    learned,
    times,
    method: methodOfState(state, vesselRow),
    variety: varietyOf(state.grain),
    whys: explanations(asked, plan, known),
    context: contextOf(plan, state, vessel),
    /** The figures whose changes are spoken of. */
    seen: {
      vesselId: vesselRow.id,
      rimMm: vesselRow.rim_diameter_mm,
      grainG: plan.grain.mass_g,
      pourG: plan.water.pour_g,
      steamG: plan.water.evaporated_g,
    },
  }
}

/** The plan's state, kept in the address, with a way back. */
function usePlan(first: PlanState, household: PlanningData, lastChoices: string, busy: boolean) {
  const { state, become, ...rest } = useAddress<PlanState>({
    // An address that says nothing begins where the last plan left off.
    read: (search) =>
      fromSearch(
        search.size === Number(search.has('meal')) ? new URLSearchParams(lastChoices) : search,
        first,
        household,
      ),
    write: (of) => toSearch(of, first),
    busy,
  })
  return { ...rest, state, change: (next: Partial<PlanState>) => become(changedPlan(state, next)) }
}
