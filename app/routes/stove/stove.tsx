import { useEffect, useMemo, useRef, useState } from 'react'
import { data, useRouteLoaderData } from 'react-router'
import { localPlan } from '#core/plan/local-plan'
import { runningCookOf, type StoredCook } from '#core/contract/running-cook'
import { currentStage } from '#core/cook/next-action'
import { whereToWait } from '#core/cook/late'
import { replay, type CookView, type StageView } from '#core/cook/replay'
import type { Retimed } from '#core/cook/retime'
import { signalsOf } from '#core/cook/signals'
import { parsePlanRequest } from '#core/contract/plan-request'
import { leftOpen } from '#core/cook/left-open'
import { soakedFor } from '#core/cook/soaked-for'
import { afterPot } from '#core/cook/after-pot'
import { weightAskedFor } from '#core/cook/weighing'
import { soakWaits } from '#core/schedule/dish-blocks'
import { mainGrain, varietyOf } from '#core/grain/varieties'
import { ADVICE_LEFT, type CookEvent, type EventKind } from '#core/cook/events'
import type { Hint, HintAct } from '#core/troubleshoot/hint'
import type { Plan, Stage } from '#core/plan/result'
import { fieldInBase } from '#core/units/typed-field'
import { nowMs } from '#server/clock'
import { weighPot } from '#server/commands/notebook'
import { coolingContainers } from '#server/queries/cooling-containers'
import { kitchen } from '#server/kitchen'
import { settingsOf } from '#server/store/open-household'
import { boardOfCook } from '#server/queries/meal-board'
import { typedOf, type Refused } from '../../ui/forms/errors'
import { formOf } from '../../ui/forms/read-form'
import { useUnits } from '../../ui/units/units'
import { useAlerts } from '../../alerts/use-alerts'
import { orCached, useLastKnown } from '../../offline/cached-loader'
import { localStart } from '../../offline/local-starts'
import { useServerClock } from '../../ui/time/use-server-clock'
import { SignInLink } from '../../layout/sign-in-link'
import { useKitchenStream, type Line } from '../../layout/use-kitchen-stream'
import { useRefresh } from '../../layout/use-refresh'
import { clockTime, type HouseholdClock } from '../../ui/time/clock-hour'
import { afterNight } from '../../ui/time/after-night'
import { useOutbox, type PressMore, type Outbox } from '../../offline/outbox'
import type { loader as frameLoader } from '../../layout/layout'
import type { Route } from './+types/stove'
import { AdviceCard } from './advice-card'
import { Alarm } from './alarm'
import { ParallelStages } from './parallel-stages'
import { BoardStrip } from './meal-strip'
import { BeforePour, beforeThePour } from './before-pour'
import { coolingSignals, CoolingStrip } from './cooling-strip'
import { Ended } from './ended'
import { Keys, mainKey } from './keys'
import { NowPanel } from './now-panel'
import { CookTabs, type Lane } from './cook-tabs'
import { Look } from './look'
import { StillCooking } from './still-cooking'
import { Proposal, STALE_MS, type DeviceReading } from './readings'
import { ProgressStrip } from './progress-strip'
import { usePotEstimate, type AtTheStove } from './use-pot-estimate'
import { plannedWashes, Washes } from './washes'
import { WeighPot } from './weigh-pot'
import { TroubleshootSheet } from './troubleshoot-sheet'
import classes from './stove.module.css'

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: loaderData ? `${loaderData.title} · Stove · Omsel` : 'Stove · Omsel' },
]

export function loader({ params }: Route.LoaderArgs) {
  const open = kitchen()
  const cook = open.cooks.find(params.cook)
  if (!cook) throw new Response('Not cooking. Batch not found.', { status: 404 })
  const read = parsePlanRequest(cook.request)
  const { zone, clock } = settingsOf(open)
  return {
    id: cook.id,
    title: cook.title,
    vesselName: cook.vesselName,
    serveAtMs: cook.serveAtMs,
    cook: { request: cook.request, plan: cook.plan, startedMs: cook.startedMs } satisfies StoredCook,
    // The knob's settings, as the household names them.
    knob: open.equipment.heats().find((heat) => heat.name === cook.heatName) ?? null,
    // The grain that is most of the pot, to draw it.
    variety: read.ok ? mainGrain(read.value.grains) : varietyOf('long-white').id,
    events: open.cooks.events(cook.id),
    lanes: open.cooks.running().map((other): Lane => ({
      id: other.id,
      title: other.title,
      vesselName: other.vesselName,
      cook: { request: other.request, plan: other.plan, startedMs: other.startedMs },
      events: open.cooks.events(other.id),
    })),
    cooling: coolingContainers(open, nowMs()),
    board: boardOfCook(open, cook.id, nowMs()),
    // The latest picture of each sign in this pot.
    cuePhotos: Object.fromEntries(
      cook.plan.stages.flatMap((stage) => {
        const photo = stage.cue_id && open.photos.ofCue(cook.vesselId, stage.cue_id)
        return photo ? [[stage.cue_id!, photo.id]] : []
      }),
    ) as Record<string, string>,
    offer: cook.offer ?? null,
    measured: Object.fromEntries(
      open.notebook.measured(cook.id).map(({ kind, grams }) => [kind, grams]),
    ) as Partial<Record<string, number>>,
    household: { zone, clock } satisfies HouseholdClock,
    nowMs: nowMs(),
  }
}

export async function action({ request, params }: Route.ActionArgs) {
  const open = kitchen()
  const typed = typedOf(await formOf(request))
  const grams = fieldInBase('mass', typed.grams ?? '', settingsOf(open).system)
  const weighed = weighPot(open, params.cook, { ...typed, grams })
  return weighed.ok
    ? { measured: true as const }
    : data({ errors: weighed.errors, typed } satisfies Refused, {
        status: weighed.errors[0]!.path === 'cook' ? 404 : 422,
      })
}

// A pot on the fire is not lost with the line: the screen counts on.
export async function clientLoader({
  serverLoader,
  params,
}: Route.ClientLoaderArgs): Promise<Awaited<ReturnType<typeof loader>>> {
  if (localStart(params.cook)) {
    const { localStove } = await import('./local-stove')
    const known = await localStove(params.cook)
    if (known) return known
  }
  return orCached(`stove ${params.cook}`, serverLoader)
}

/** A second press of the same key within this time is the same press. */
const SAME_PRESS_MS = 600

export default function Stove(props: Route.ComponentProps) {
  // Another pot is another stove: nothing of the last one's hangs over.
  return <OneBatch key={props.loaderData.id} {...props} />
}

type Loaded = Route.ComponentProps['loaderData']

/** One batch at the stove. */
function OneBatch({ loaderData }: Route.ComponentProps) {
  const { cook: stored, household, id } = loaderData
  useLastKnown(`stove ${id}`, loaderData)
  const refresh = useRefresh()
  const { now: counted, aheadMs } = useServerClock(loaderData.nowMs, refresh)
  const outbox = useOutbox(id, aheadMs, refresh)
  const { readings, hear } = useReadings(id)
  const line = useKitchenStream(refresh, hear)

  const events = useEvents(loaderData.events, outbox)
  // What was heard of has happened, also where this screen counts a moment behind the server: a pressed sign
  // must not come back for a blink.
  const newest = useMemo(() => events.reduce((latest, e) => Math.max(latest, e.atMs), 0), [events])
  const now = Math.max(counted, newest)
  const running = useMemo(() => runningCookOf(stored, events), [stored, events])
  const { kitchen } = useUnits()
  const plan = useMemo(() => localPlan(running.plan, kitchen), [running.plan, kitchen])
  const view = replay(running, events, now)
  const current = currentStage(plan, view)
  const stage = current && plan.stages.find((s) => s.id === current.id)

  const pot = usePotEstimate(running, events, Math.min(now, view.endedMs ?? now))
  const [wrong, setWrong] = useState(false)
  const hint = current && pot?.hint

  const noticing = useStoveAlerts({ plan, view, now, hint, stage, loaderData })

  const press = withSoak(usePress(outbox, newest), () => soakedFor(plan, view, now))
  useStageTitle(stageTitle(view, stage, current, now), loaderData.title)
  const takeBack = () => view.last && press('take-back', view.last.stage, { target: view.last.id })

  return (
    <main className={classes.stove} data-heard={loaderData.nowMs}>
      <h1 className="unseen">
        {loaderData.title} in {loaderData.vesselName}
      </h1>
      <Strips
        loaderData={loaderData}
        outbox={outbox}
        line={line}
        noticing={noticing}
        plan={plan}
        view={view}
        now={now}
        aheadMs={aheadMs}
        refresh={refresh}
      />
      {view.outcome === 'finished' || view.outcome === 'stopped' ? (
        <Ended
          id={id}
          title={loaderData.title}
          variety={loaderData.variety}
          outcome={view.outcome}
          endedMs={view.endedMs ?? now}
          clock={household}
          onTakeBack={takeBack}
        />
      ) : (
        <>
          <NowPanel
            plan={plan}
            view={view}
            now={now}
            clock={household}
            stage={stage}
            current={current}
            {...shownOf(loaderData)}
            pot={pot}
            after={afterPot(running.plan, view, running.request, now)}
            readings={readings}
            vessel={running.request.vessel}
            retimed={running.retimed}
            purpose={running.request.purpose}
            cookId={id}
          />
          <StageTools
            stage={stage}
            view={view}
            loaderData={loaderData}
            press={press}
            plan={plan}
            stored={stored}
            now={now}
            readings={readings}
            hint={hint}
            retimed={running.retimed}
            events={events}
            current={current}
            pot={pot}
          />
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
            takeBack={takeBack}
            tableAt={clockTime(view.tableMs, household)}
            saidIn={plan.said_in}
            onWrong={() => setWrong(true)}
          />
          <TroubleshootSheet
            opened={wrong}
            onClose={() => setWrong(false)}
            stage={stage}
            pot={pot}
            press={press}
            lastStage={plan.stages.at(-1)!.id}
            waitAt={(minutes) => whereToWait(plan, view, minutes, soakWaits(running.request)).stage}
          />
        </>
      )}
    </main>
  )
}

/** Alerts of this batch and of what cools beside it. */
function useStoveAlerts({
  plan,
  view,
  now,
  hint,
  stage,
  loaderData: { household, cooling },
}: {
  plan: Plan
  view: CookView
  now: number
  hint: Parameters<typeof signalsOf>[3]
  stage: Stage | undefined
  loaderData: Loaded
}) {
  const signals = [
    ...signalsOf(plan, view, now, hint, (endMs) => afterNight(endMs, household.zone)),
    ...coolingSignals(cooling, now),
  ]
  const { word } = mainKey(stage, stage ? undefined : view.next, plan.stages.at(-1)!, () => {})
  return useAlerts(signals, word)
}

/** What stands over the present step: connection, alarms, other pots, the meal, what cools, the way so far. */
function Strips({
  loaderData,
  outbox,
  line,
  noticing,
  plan,
  view,
  now,
  aheadMs,
  refresh,
}: {
  loaderData: Loaded
  outbox: Outbox<EventKind>
  line: Line
  noticing: ReturnType<typeof useAlerts>
  plan: Plan
  view: CookView
  now: number
  aheadMs: number
  refresh: () => void
}) {
  return (
    <>
      <OfflineNote outbox={outbox} line={line} />
      <Alarm {...noticing} />
      <CookTabs lanes={loaderData.lanes} current={loaderData.id} now={now} />
      {loaderData.board && (
        <BoardStrip
          board={loaderData.board}
          now={now}
          aheadMs={aheadMs}
          clock={loaderData.household}
          refresh={refresh}
        />
      )}
      <CoolingStrip tubs={loaderData.cooling} now={now} />
      <ProgressStrip plan={plan} view={view} now={now} clock={loaderData.household} />
    </>
  )
}

/** The stage and its minutes, as the tab of the page shows them. */
function stageTitle(
  view: CookView,
  stage: Stage | undefined,
  current: StageView | undefined,
  now: number,
): string | undefined {
  if (view.outcome === 'finished' || view.outcome === 'stopped') return undefined
  if (!stage || !current) return view.next ? 'Waiting' : 'Ready to serve'
  if (stage.ends_on === 'cue') return stage.title
  return `${Math.max(0, Math.ceil((current.endMs - now) / 60_000))} min · ${stage.title}`
}

function useStageTitle(stage: string | undefined, batch: string): void {
  useEffect(() => {
    document.title = [stage, batch, 'Stove', 'Omsel'].filter(Boolean).join(' · ')
  }, [stage, batch])
}

/** That this screen counts on without the server, and what it holds back. */
function OfflineNote({ outbox, line }: { outbox: Outbox<EventKind>; line: Line }) {
  const frame = useRouteLoaderData<typeof frameLoader>('layout/layout')
  if (frame?.publicDemo) return null
  return (
    <>
      {(outbox.cutOff || line !== 'open') && (
        <p role="status" className={classes.cutOff}>
          Offline: still timing here
          {outbox.waiting.length > 0 &&
            `, ${outbox.waiting.length === 1 ? 'one press' : `${outbox.waiting.length} presses`} saved`}
          .
          <SignInLink line={line} />
        </p>
      )}
    </>
  )
}

interface StageToolsProps {
  stage: Stage | undefined
  view: CookView
  loaderData: Route.ComponentProps['loaderData']
  press: (kind: EventKind, stageId: string, more?: PressMore) => void
  plan: Plan
  stored: Route.ComponentProps['loaderData']['cook']
  now: number
  readings: DeviceReading[]
  hint: Hint | undefined
  retimed: Retimed | undefined
  events: readonly CookEvent[]
  current: StageView | undefined
  pot: AtTheStove | undefined
}

/** What the present step asks for besides its key: rinses, a weight, advice. */
function StageTools(props: StageToolsProps) {
  const { stage, view, loaderData, press, plan, stored, now, readings, events } = props
  const weighs = stage && loaderData.offer === 'weigh' ? weightAskedFor(stage, plan) : undefined
  const forgottenSince = leftOpen(plan, view, events, now)
  return (
    <>
      {forgottenSince !== undefined && (
        <StillCooking
          sinceMs={forgottenSince}
          now={now}
          clock={loaderData.household}
          onServed={(minutesAgo) => press('finish', plan.stages.at(-1)!.id, { minutesAgo })}
        />
      )}
      {stage?.kind === 'rinse' && (
        <Washes
          view={view}
          stage={stage}
          washes={plannedWashes(stage)}
          variety={varietyOf(loaderData.variety)}
          onWash={(clarity) => press('washed', stage.id, { clarity })}
        />
      )}
      {weighs && <WeighPot key={weighs} kind={weighs} measured={loaderData.measured} />}
      {stage && beforeThePour(stage, plan) && (
        <BeforePour
          key={stage.id}
          stage={stage}
          plan={plan}
          frozen={stored.plan}
          view={view}
          now={now}
          onTell={(kind, amount) => press(kind, stage.id, { amount })}
        />
      )}
      {stage && (
        <Proposal
          key={`proposal ${stage.id}`}
          readings={readings}
          stage={stage}
          onCue={(amount) => press('cue', stage.id, amount === undefined ? {} : { amount })}
        />
      )}
      <AdviceOrLook {...props} />
    </>
  )
}

/** Advice where something is wrong; else what a look under the lid found. */
function AdviceOrLook({ hint, stage, press, current, pot, now, events, retimed }: StageToolsProps) {
  if (!stage) return null
  if (hint)
    return (
      <AdviceCard
        says={hint.says}
        why={hint.why}
        doneWord={hint.act?.kind === 'add' ? 'Done' : 'Do it'}
        onDone={hint.act && (() => followHint(hint.act!, stage.id, press))}
        onNotNow={() => press(ADVICE_LEFT[hint.about], stage.id)}
      />
    )
  return (
    current &&
    pot && (
      <Look
        key={stage.id}
        stage={stage}
        current={current}
        events={events}
        inPot={pot.estimate.prepared.method.water === 'pot'}
        retimed={retimed}
        now={now}
        press={press}
      />
    )
  )
}

/** What the key under a hint presses. */
function followHint(act: HintAct, stage: string, press: StageToolsProps['press']): void {
  switch (act.kind) {
    case 'add':
      return press('water-added', stage, { amount: act.grams })
    case 'more':
      return press('minute-more', act.stage, { amount: act.minutes })
    case 'heat-off':
      return press('go-on', act.stage)
    case 'remedy':
      return press('remedy', stage, { remedy: act.remedy })
  }
}

/** What the panel shows of the batch as it was started. */
const shownOf = ({ title, vesselName, serveAtMs, variety, knob, cuePhotos }: Loaded) => ({
  title,
  vesselName,
  serveAtMs,
  variety: varietyOf(variety),
  knob,
  cuePhotos,
})

/** What the server knows, and what was pressed here and is still on its way. */
function useEvents(known: Loaded['events'], { taken, waiting }: Outbox<EventKind>) {
  const ownIds = [...taken, ...waiting].map(({ id }) => id).join()
  return useMemo(() => {
    const seen = new Set(known.map((event) => event.id))
    return [...known, ...[...taken, ...waiting].filter((event) => !seen.has(event.id) && seen.add(event.id))]
    // The outbox rebuilds its lists at every render; only other presses make them other lists.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [known, ownIds])
}

/** Presses a key; a second press of the same key at once is the same press. */
function usePress(outbox: Outbox<EventKind>, newestMs: number) {
  const last = useRef({ what: '', atMs: 0 })
  return (kind: EventKind, stageId: string, more?: PressMore) => {
    const atMs = Date.now()
    const what = `${kind} ${stageId}`
    if (last.current.what === what && atMs - last.current.atMs < SAME_PRESS_MS) return
    last.current = { what, atMs }
    outbox.press(kind, stageId, more, newestMs)
  }
}

/** Draining ends the soak: the water is planned again for how long it really soaked. */
const withSoak =
  (press: ReturnType<typeof usePress>, soakedMinutes: () => number | undefined): typeof press =>
  (kind, stageId, more) => {
    const soaked = kind === 'cue' && stageId === 'drain' ? soakedMinutes() : undefined
    if (soaked !== undefined) press('soaked', stageId, { amount: soaked })
    press(kind, stageId, more)
  }

/** What devices say beside this cook, the newest of each kind; what a device says that has dropped out is no news. */
function useReadings(cookId: string): { readings: DeviceReading[]; hear: (json: string) => void } {
  const [readings, setReadings] = useState<DeviceReading[]>([])
  const silence = useRef<ReturnType<typeof setTimeout> | undefined>(undefined)
  useEffect(() => () => clearTimeout(silence.current), [])
  const hear = (json: string) => {
    setReadings((JSON.parse(json) as DeviceReading[]).filter(({ cook }) => cook === cookId))
    clearTimeout(silence.current)
    silence.current = setTimeout(() => setReadings([]), STALE_MS)
  }
  return { readings, hear }
}
