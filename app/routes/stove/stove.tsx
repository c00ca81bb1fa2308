import { useEffect, useMemo, useRef, useState } from 'react'
import { useRevalidator } from 'react-router'
import { runningCookOf, type KeptCook } from '#core/contract/running-cook'
import type { EventKind } from '#core/cook/events'
import { replay } from '#core/cook/replay'
import { readPlanRequest } from '#core/contract/plan-request'
import { varietyOf } from '#core/grain/varieties'
import { nowMs } from '#server/clock'
import { kitchen, settingsOf } from '#server/kitchen/kitchen'
import { clockTime, type HouseClock } from '../../time/clock-hour'
import type { Route } from './+types/stove'
import { Also } from './also'
import { BeforePour, beforeThePour } from './before-pour'
import { Ended } from './ended'
import { Keys } from './keys'
import { NowPanel } from './now-panel'
import { useOutbox } from './outbox'
import { Strip } from './strip'
import { plannedWashes, Washes } from './washes'
import classes from './stove.module.css'

export const meta: Route.MetaFunction = ({ loaderData }) => [{ title: loaderData ? `${loaderData.title} · Stove · Omsel` : 'Stove · Omsel' }]

export function loader({ params }: Route.LoaderArgs) {
  const open = kitchen()
  const cook = open.cooks.find(params.cook)
  if (!cook) throw new Response('There is no such cook on this stove.', { status: 404 })
  const read = readPlanRequest(cook.request)
  const { zone, clock } = settingsOf(open)
  return {
    id: cook.id,
    title: cook.title,
    vesselName: cook.vesselName,
    serveAtMs: cook.serveAtMs,
    kept: { request: cook.request, plan: cook.plan, startedMs: cook.startedMs } satisfies KeptCook,
    // The knob's own places, in the words of the house.
    knob: open.equipment.heats().find((heat) => heat.name === cook.heatName) ?? null,
    // The grain that is most of the pot, to draw it.
    variety: read.ok ? read.value.grains.reduce((a, b) => (b.share > a.share ? b : a)).variety : varietyOf('long-white').id,
    events: open.cooks.events(cook.id),
    house: { zone, clock } satisfies HouseClock,
    nowMs: nowMs(),
  }
}

/** A second press of the same key within this time is the same press. */
const SAME_PRESS_MS = 600

export default function Stove({ loaderData }: Route.ComponentProps) {
  const { kept, house, id } = loaderData
  const { now, aheadMs } = useServerClock(loaderData.nowMs)
  const revalidator = useRevalidator()
  const refresh = () => void revalidator.revalidate()
  const outbox = useOutbox(id, aheadMs, refresh)
  useChanges(id, refresh)
  useAwake()

  const events = useMemo(() => {
    const known = new Set(loaderData.events.map((event) => event.id))
    return [...loaderData.events, ...outbox.waiting.filter((event) => !known.has(event.id))]
  }, [loaderData.events, outbox.waiting])
  const running = useMemo(() => runningCookOf(kept, events), [kept, events])
  const { plan } = running
  const view = replay(running, events, now)
  // Work by hand comes to the front, and what was there first stays: nothing swaps places under a finger.
  const begun = view.stages.filter((s) => s.state === 'now').sort((a, b) => a.startMs - b.startMs)
  const current = view.now.length === 0 ? undefined : (begun.find((s) => plan.stages.find((o) => o.id === s.id)!.hands_on) ?? begun[0])
  const stage = current && plan.stages.find((s) => s.id === current.id)

  const lastPress = useRef({ what: '', atMs: 0 })
  const press = (kind: EventKind, stageId: string, more?: { seconds?: number; clarity?: number; amount?: number; target?: string }) => {
    const atMs = Date.now()
    const what = `${kind} ${stageId}`
    if (lastPress.current.what === what && atMs - lastPress.current.atMs < SAME_PRESS_MS) return
    lastPress.current = { what, atMs }
    outbox.press(kind, stageId, more)
  }
  const takeBack = () => view.last && press('take-back', view.last.stage, { target: view.last.id })

  return (
    <main className={classes.stove}>
      <h1 className="unseen">
        {loaderData.title} in the {loaderData.vesselName}
      </h1>
      {(outbox.cutOff || outbox.waiting.length > 0) && outbox.cutOff && (
        <p role="status" className={classes.cutOff}>
          Counting here{outbox.waiting.length > 0 && `, ${outbox.waiting.length === 1 ? 'one press' : `${outbox.waiting.length} presses`} kept`}
        </p>
      )}
      <Strip plan={plan} view={view} now={now} clock={house} />
      {view.outcome === 'finished' || view.outcome === 'stopped' ? (
        <Ended id={id} outcome={view.outcome} endedMs={view.endedMs ?? now} clock={house} onTakeBack={takeBack} />
      ) : (
        <>
          <NowPanel
            plan={plan} view={view} now={now} clock={house} stage={stage} current={current} title={loaderData.title}
            vesselName={loaderData.vesselName} serveAtMs={loaderData.serveAtMs} variety={varietyOf(loaderData.variety)} knob={loaderData.knob}
          />
          {stage?.kind === 'rinse' && <Washes view={view} stage={stage} washes={plannedWashes(stage)} variety={varietyOf(loaderData.variety)} onWash={(clarity) => press('washed', stage.id, { clarity })} />}
          {stage && beforeThePour(stage, plan) && <BeforePour key={stage.id} stage={stage} plan={plan} frozen={kept.plan} view={view} now={now} onTell={(kind, amount) => press(kind, stage.id, { amount })} />}
          {view.now.length > 1 && <Also others={view.now.filter((s) => s.id !== current?.id)} stages={plan.stages} now={now} press={press} />}
          <Keys view={view} stage={stage} stages={plan.stages} now={now} press={press} takeBack={takeBack} tableAt={clockTime(view.tableMs, house)} />
        </>
      )}
    </main>
  )
}

const TICK_MS = 250

/** The server's clock on this device. Reading it again on every load keeps a wrong device clock out of the cook. */
function useServerClock(serverMs: number): { now: number; aheadMs: number } {
  const [clock, setClock] = useState({ now: serverMs, aheadMs: 0 })
  useEffect(() => {
    const aheadMs = serverMs - Date.now()
    const tick = () => setClock({ now: Date.now() + aheadMs, aheadMs })
    tick()
    const timer = setInterval(tick, TICK_MS)
    return () => clearInterval(timer)
  }, [serverMs])
  return clock
}

/** Looks again when another screen pressed something, and whenever this one is looked at again. */
function useChanges(cookId: string, refresh: () => void) {
  const latest = useRef(refresh)
  useEffect(() => {
    latest.current = refresh
  })
  useEffect(() => {
    const source = new EventSource(`/cooks/${cookId}/changes`)
    let first = true
    source.addEventListener('changed', () => {
      // The first only says that the line stands; the page has just been loaded.
      if (!first) latest.current()
      first = false
    })
    const seen = () => document.visibilityState === 'visible' && latest.current()
    document.addEventListener('visibilitychange', seen)
    return () => {
      source.close()
      document.removeEventListener('visibilitychange', seen)
    }
  }, [cookId])
}

/** Keeps the screen lit while a pot is on, where the device can. */
function useAwake() {
  useEffect(() => {
    let lock: WakeLockSentinel | undefined
    navigator.wakeLock?.request('screen').then(
      (held) => (lock = held),
      () => {
        // A device on its last charge may refuse; the cook still counts.
      },
    )
    return () => void lock?.release()
  }, [])
}
