import { randomUUID } from 'node:crypto'
import { runningCookOf, type CookAtTheStove } from '#core/contract/running-cook'
import { replay, type CookView } from '#core/cook/replay'
import { truePot, truthOf } from '#core/cook/true-pot'
import type { StoredCook, StoredEvent } from '#server/store/cooks'
import type { DeviceRow } from '#server/store/devices'
import type { Kitchen } from '#server/store/open-household'
import { press } from '#server/commands/press'
import { announceReadings, type CookReadings } from '#server/realtime/hub'
import type { AtTheStove, Reading, Source } from './device'
import { faulty } from './faults'
import { SIMULATED } from '#server/devices/simulated/index'

/** A reading with what it would mean. */
export interface RunEvent extends Reading {
  cookId: string
  /** The stage it would end, if it is believed. */
  ends: string | undefined
  amount?: number
}

const TICK_MS = 1000
/** After a gap between ticks the moment of a sign is searched for to this precision, ms. */
const FINE_MS = 1000
const MAX_AT_ONCE = 12
/** From ready to dished out. */
const DISHED_OUT_MS = 45_000

/**
 * Reads every device of every running batch, records the signs of trusted ones, and notifies the screens.
 * @param beforeMs when it last ran; a sign that came since is recorded at its own moment
 */
export function watchOnce(kitchen: Kitchen, nowMs: number, beforeMs = nowMs - TICK_MS): RunEvent[] {
  const devices = kitchen.devices.all()
  if (devices.length === 0) return []
  const readings = kitchen.cooks.running().flatMap((cook) => {
    // After a long gap several signs may have come.
    let stages = atTheStove(kitchen, cook, nowMs)
    for (let i = 0; i < MAX_AT_ONCE && pressTrusted(kitchen, devices, cook, stages, nowMs, beforeMs); i++)
      stages = atTheStove(kitchen, cook, nowMs)
    return readingsOf(kitchen, devices, cook, stages)
  })
  announceReadings(readings.map(({ cookId, ...reading }): CookReadings => ({ cook: cookId, ...reading })))
  return readings
}

function readingsOf(
  kitchen: Kitchen,
  devices: readonly DeviceRow[],
  cook: StoredCook,
  stages: readonly AtTheStove[],
): RunEvent[] {
  return stages.flatMap((pot) =>
    devices.flatMap((device): RunEvent[] => {
      const source = SIMULATED[device.kind]
      const seen = parseAt(kitchen, source, device, cook, pot)
      const cue = seen && source.cue(seen, pot)
      return seen
        ? [
            {
              ...seen,
              cookId: cook.id,
              ends: cue ? pot.stage.id : undefined,
              ...(cue?.amount === undefined ? {} : { amount: cue.amount }),
            },
          ]
        : []
    }),
  )
}

/** Takes trusted devices at their word. @returns whether anything was written */
function pressTrusted(
  kitchen: Kitchen,
  devices: readonly DeviceRow[],
  cook: StoredCook,
  stages: readonly AtTheStove[],
  nowMs: number,
  beforeMs: number,
): boolean {
  const say = (kind: 'cue' | 'finish', stage: string, atMs: number, amount?: number) => {
    const pressed = press(
      kitchen,
      cook.id,
      {
        id: randomUUID(),
        kind,
        stage,
        pressed_ms: atMs,
        sent_ms: nowMs,
        ...(amount === undefined ? {} : { amount }),
      },
      nowMs,
    )
    return pressed.ok && pressed.value.isNew
  }
  const trusted = devices.filter((d) => d.trusted === 1)
  for (const pot of stages)
    for (const device of trusted) {
      const source = SIMULATED[device.kind]
      const seen = parseAt(kitchen, source, device, cook, pot)
      const cue = seen && source.cue(seen, pot)
      if (
        cue &&
        say(
          'cue',
          pot.stage.id,
          momentOf(kitchen, source, device, cook, pot, Math.max(pot.stageStartMs, beforeMs)),
          cue.amount,
        )
      )
        return true
    }
  // On a trusted scale the pot grows light: it is being dished out.
  if (stages.length === 0 && trusted.some((d) => d.kind === 'scale')) {
    const events = kitchen.cooks.events(cook.id)
    const running = runningOf(cook, events)
    const view = replay(running, events, nowMs)
    if (view.outcome === 'ready' && nowMs - view.tableMs > DISHED_OUT_MS)
      return say('finish', running.plan.stages.at(-1)!.id, view.tableMs + DISHED_OUT_MS)
  }
  return false
}

/**
 * A prepared batch, cached until it gets an event: preparing it again at every tick would be most of the
 * work.
 */
const ready = new Map<string, { of: string; running: CookAtTheStove }>()
const MAX_READY = 64
function runningOf(cook: StoredCook, events: readonly StoredEvent[]): CookAtTheStove {
  const of = events.map(({ id }) => id).join()
  const known = ready.get(cook.id)
  if (known?.of === of) return known.running
  const running = runningCookOf(cook, events)
  if (ready.size >= MAX_READY) ready.clear()
  ready.set(cook.id, { of, running })
  return running
}

/** Every stage under way at a moment, with the simulated pot. */
function atTheStove({ cooks }: Kitchen, cook: StoredCook, atMs: number): AtTheStove[] {
  const events = cooks.events(cook.id).filter((e) => e.atMs <= atMs)
  const running = runningOf(cook, events)
  const view: CookView = replay(running, events, atMs)
  if (view.now.length === 0) return []
  const real = truePot(
    { plan: running.plan, request: running.request, view, events, nowMs: atMs },
    truthOf(cook.id),
  )
  return view.now.map((seen) => ({
    cookId: cook.id,
    plan: running.plan,
    view,
    events,
    nowMs: atMs,
    real,
    stage: running.plan.stages.find((s) => s.id === seen.id)!,
    stageStartMs: seen.startMs,
  }))
}

/** What a device says, as late and as wrong as it is. */
function parseAt(
  kitchen: Kitchen,
  source: Source,
  device: DeviceRow,
  cook: StoredCook,
  pot: AtTheStove,
): Reading | undefined {
  const then =
    device.lag_s > 0
      ? atTheStove(kitchen, cook, pot.nowMs - device.lag_s * 1000).find((b) => b.stage.id === pot.stage.id)
      : pot
  const reading = then && source.read(then)
  return (
    reading &&
    faulty(
      { ...reading, atMs: pot.nowMs },
      {
        driftPerHour: device.drift_per_hour,
        lagSeconds: device.lag_s,
        dropOut: device.drop_out,
        lie: device.lie,
      },
      device.on_since_ms,
      `${cook.id} ${device.kind}`,
    )
  )
}

/** When the sign came, between two ticks. */
function momentOf(
  kitchen: Kitchen,
  source: Source,
  device: DeviceRow,
  cook: StoredCook,
  pot: AtTheStove,
  fromMs: number,
): number {
  let [low, high] = [fromMs, pot.nowMs]
  while (high - low > FINE_MS) {
    const middle = Math.round((low + high) / 2)
    const then = atTheStove(kitchen, cook, middle).find((b) => b.stage.id === pot.stage.id)
    const reading = then && parseAt(kitchen, source, device, cook, then)
    if (then && reading && source.cue(reading, then)) high = middle
    else low = middle
  }
  return high
}

/** Watches the stove from now on. @returns its own undo */
export function watchStove(kitchen: Kitchen, clock: () => number): () => void {
  let last = clock()
  const timer = setInterval(() => {
    const now = clock()
    try {
      watchOnce(kitchen, now, last)
    } catch (error) {
      // A device must never take the kitchen down with it.
      console.error(
        JSON.stringify({
          at: new Date(now).toISOString(),
          what: 'devices',
          error: error instanceof Error ? error.message : String(error),
        }),
      )
    }
    last = now
  }, TICK_MS)
  timer.unref()
  return () => clearInterval(timer)
}
