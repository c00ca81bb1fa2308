import { spawn, type ChildProcess } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { runningCookOf } from '#core/contract/running-cook'
import { replay } from '#core/cook/replay'
import { randomOf } from '#core/random'
import type { StoredEvent } from '../../server/store/cooks'
import { FIRST_KITCHEN } from '../../server/commands/begin-household'
import { openKitchen } from '../../server/store/open-household'

/** One press as a device keeps it until it has heard back. */
interface Press {
  id: string
  kind: string
  stage: string
  pressed_ms: number
  acknowledged: boolean
}

export interface ChaosResult {
  runs: number
  pressed: number
  acknowledged: number
  /** What must never be: each line says what was found. */
  wrong: string[]
}

const PRESSES_A_RUN = 6
/** Between a start and the kill, ms. */
const MAX_LIFE_MS = 120

/**
 * Kills a real server at random points of a cook, restarts it on the same file, and looks whether anything
 * acknowledged was lost, anything doubled, or the cook replayed otherwise than before.
 * @param say told after every run
 */
export async function chaos({
  runs,
  seed,
  port,
  say = () => {},
}: {
  runs: number
  seed: number
  port: number
  say?: (run: number) => void
}): Promise<ChaosResult> {
  const folder = mkdtempSync(join(tmpdir(), 'omsel-chaos-'))
  const file = join(folder, 'omsel.sqlite')
  const address = `http://127.0.0.1:${port}`
  const random = randomOf(seed)
  const result: ChaosResult = { runs, pressed: 0, acknowledged: 0, wrong: [] }
  let server = await serve(file, port)
  try {
    const cook = await startCook(address)
    const presses: Press[] = []
    for (let run = 0; run < runs; run++) {
      for (let i = 0; i < PRESSES_A_RUN; i++) presses.push(nextPress(random, result.pressed++))
      const sending = send(address, cook, presses, random)
      const killed = new Promise<void>((resolve) => setTimeout(resolve, random() * MAX_LIFE_MS)).then(() =>
        kill(server),
      )
      await Promise.all([sending, killed])
      const before = eventsIn(file, cook)
      server = await serve(file, port)
      // What was not acknowledged is sent again, as a device does; some of what was, too.
      await send(address, cook, presses, random, true)
      const after = eventsIn(file, cook)
      check(run, file, cook, presses, before, after, result.wrong)
      say(run)
    }
    result.acknowledged = presses.filter((p) => p.acknowledged).length
  } finally {
    await kill(server)
    rmSync(folder, { recursive: true })
  }
  return result
}

const KINDS = ['minute-more', 'lid-lifted', 'cue', 'stirred', 'minute-more'] as const
const STAGES = ['measure', 'rinse', 'drain', 'pour', 'heat-up', 'simmer'] as const

const nextPress = (random: () => number, n: number): Press => ({
  id: `press-${n}`,
  kind: KINDS[Math.floor(random() * KINDS.length)]!,
  stage: STAGES[Math.floor(random() * STAGES.length)]!,
  pressed_ms: Date.now(),
  acknowledged: false,
})

/** Sends what is not acknowledged, and now and then what is. A dead line only leaves it unacknowledged. */
async function send(
  address: string,
  cook: string,
  presses: Press[],
  random: () => number,
  patient = false,
): Promise<void> {
  for (const press of presses.filter((p) => !p.acknowledged || random() < 0.05)) {
    const { acknowledged: _, ...body } = press
    const answer = await fetch(`${address}/cooks/${cook}/events`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ ...body, sent_ms: Date.now() }),
    }).then(
      (r) => r.ok,
      () => false,
    )
    if (answer) press.acknowledged = true
    else if (!patient) return
  }
}

function check(
  run: number,
  file: string,
  cook: string,
  presses: readonly Press[],
  before: readonly StoredEvent[],
  after: readonly StoredEvent[],
  wrong: string[],
): void {
  const ids = after.map((e) => e.id)
  if (new Set(ids).size !== ids.length) wrong.push(`run ${run}: an event is there twice`)
  for (const event of before) {
    const again = after.find((e) => e.id === event.id)
    if (JSON.stringify(again) !== JSON.stringify(event))
      wrong.push(`run ${run}: ${event.id} was lost or changed by the kill`)
  }
  for (const { id, kind, stage, acknowledged } of presses) {
    if (!acknowledged || ids.includes(id)) continue
    // A second press of the same sign is the same event, and is acknowledged as that.
    if (!(kind === 'cue' && after.some((e) => e.kind === 'cue' && e.stage === stage)))
      wrong.push(`run ${run}: ${id} was acknowledged and is gone`)
  }
  const cues = after.filter((e) => e.kind === 'cue').map((e) => e.stage)
  if (new Set(cues).size !== cues.length) wrong.push(`run ${run}: one cue is two events`)
  const nowMs = Date.now()
  const then = stateOf(file, cook, before, nowMs)
  const now = stateOf(
    file,
    cook,
    after.filter((e) => before.some((b) => b.id === e.id)),
    nowMs,
  )
  if (then !== now) wrong.push(`run ${run}: the cook replays otherwise than before the kill`)
}

function stateOf(file: string, id: string, events: readonly StoredEvent[], nowMs: number): string {
  const kitchen = openKitchen(file)
  const cook = kitchen.cooks.find(id)!
  kitchen.db.close()
  return JSON.stringify(replay(runningCookOf(cook, events), events, nowMs))
}

function eventsIn(file: string, cook: string): StoredEvent[] {
  const kitchen = openKitchen(file)
  const events = kitchen.cooks.events(cook)
  const sound = kitchen.db.pragma('integrity_check', { simple: true })
  kitchen.db.close()
  if (sound !== 'ok') throw new Error(`the database is not sound after a kill: ${String(sound)}`)
  return events
}

async function startCook(address: string): Promise<string> {
  const cook = {
    request: { grains: [{ variety: 'short-white' }], amount: { basis: 'dry-mass', value: 300 } },
    vessel_id: FIRST_KITCHEN.vessels[0]!.id,
    heat_id: FIRST_KITCHEN.heats[0]!.id,
    bag_id: null,
  }
  const answer = await fetch(`${address}/?index`, {
    method: 'POST',
    redirect: 'manual',
    body: new URLSearchParams({ intent: 'start', cook: JSON.stringify(cook) }),
  })
  const [, id] = /\/stove\/([\w-]+)/.exec(answer.headers.get('location') ?? '') ?? []
  if (!id) throw new Error(`the cook was not started: ${answer.status}`)
  return id
}

async function serve(file: string, port: number): Promise<ChildProcess> {
  const server = spawn('node', ['server.js'], {
    env: {
      ...process.env,
      PORT: String(port),
      HOST: '127.0.0.1',
      OMSEL_DATABASE: file,
      NODE_ENV: 'production',
    },
    stdio: 'ignore',
  })
  for (let tries = 0; tries < 400; tries++) {
    if (
      await fetch(`http://127.0.0.1:${port}/healthz`).then(
        (r) => r.ok,
        () => false,
      )
    )
      return server
    await new Promise((resolve) => setTimeout(resolve, 25))
  }
  throw new Error('the server did not come up')
}

async function kill(server: ChildProcess): Promise<void> {
  if (server.exitCode !== null || server.signalCode !== null) return
  const gone = new Promise((resolve) => server.once('exit', resolve))
  server.kill('SIGKILL')
  await gone
}
