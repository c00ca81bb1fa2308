import { spawn, type ChildProcess } from 'node:child_process'
import { randomUUID } from 'node:crypto'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import Database from 'better-sqlite3'
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

/** A form that is sent until it is answered, always under its number: a bag on the shelf. */
interface BagForm {
  form_id: string
  name: string
  acknowledged: boolean
  /** It was begun before a kill, and the server says that it does not know. */
  unsure: boolean
}

/** A batch a device started by itself, sent until it is answered. */
interface Start {
  id: string
  acknowledged: boolean
}

export interface ChaosResult {
  runs: number
  pressed: number
  acknowledged: number
  /** Forms and starts that were sent, and how many of them were acknowledged. */
  sent: number
  answered: number
  /** What must never be: each line says what was found. */
  wrong: string[]
}

/** Devices that press at once, and how often each does between two kills. */
const DEVICES = 3
const PRESSES_EACH = 2
/** Between a start and the kill, ms. */
const MAX_LIFE_MS = 120
/** In every third run another program writes meanwhile, for up to so long, ms. */
const LOCKED_EVERY = 3
const MAX_LOCKED_MS = 60
/** Batches that may run at once are limited, so a device starts one in every so many runs. */
const STARTS_EVERY = 4

/**
 * Kills a real server at random points while several devices press, a form is sent, batches are started and another
 * program writes into the file; restarts it on the same file, and looks whether anything acknowledged was lost,
 * anything doubled, anything answered with a 500, or the cook replayed otherwise than before.
 * @param say called after every run
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
  const result: ChaosResult = { runs, pressed: 0, acknowledged: 0, sent: 0, answered: 0, wrong: [] }
  let server = await serve(file, port)
  const others = new Others(address, result.wrong)
  try {
    const cook = await startCook(address)
    const devices = Array.from({ length: DEVICES }, () => [] as Press[])
    const presses = () => devices.flat()
    for (let run = 0; run < runs; run++) {
      for (const device of devices)
        for (let i = 0; i < PRESSES_EACH; i++) device.push(nextPress(random, result.pressed++))
      others.next(run)
      const sending = [
        ...devices.map((device) => send(address, cook, device, random, result.wrong)),
        others.send(),
      ]
      const unlock = run % LOCKED_EVERY === 0 ? lock(file, random() * MAX_LOCKED_MS) : undefined
      const killed = new Promise<void>((resolve) => setTimeout(resolve, random() * MAX_LIFE_MS)).then(() =>
        kill(server),
      )
      await Promise.all([...sending, killed, unlock])
      const before = eventsIn(file, cook)
      server = await serve(file, port)
      // What was not acknowledged is sent again, as a device does; some of what was, too.
      await Promise.all(devices.map((device) => send(address, cook, device, random, result.wrong, true)))
      await others.send()
      const after = eventsIn(file, cook)
      check(run, file, cook, presses(), before, after, result.wrong)
      others.check(run, file)
      say(run)
    }
    result.acknowledged = presses().filter((p) => p.acknowledged).length
    ;[result.sent, result.answered] = others.counts()
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
  wrong: string[],
  patient = false,
): Promise<void> {
  for (const press of presses.filter((p) => !p.acknowledged || random() < 0.05)) {
    const { acknowledged: _, ...body } = press
    const answer = await fetch(`${address}/cooks/${cook}/events`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ ...body, sent_ms: Date.now() }),
    }).then(
      (r) => {
        if (r.status === 500) wrong.push(`${press.id} was answered with a 500`)
        return r.ok
      },
      () => false,
    )
    if (answer) press.acknowledged = true
    else if (!patient) return
  }
}

/** Another program that writes into the household for a while. */
function lock(file: string, ms: number): Promise<void> {
  const db = new Database(file, { timeout: 1000 })
  try {
    db.exec('BEGIN IMMEDIATE')
  } catch {
    // The server is writing right now: then there is nothing to hold up.
    db.close()
    return Promise.resolve()
  }
  return new Promise((resolve) =>
    setTimeout(() => {
      db.exec('ROLLBACK')
      db.close()
      resolve()
    }, ms),
  )
}

/** What is sent besides presses. */
class Others {
  readonly #forms: BagForm[] = []
  readonly #starts: Start[] = []
  constructor(
    readonly address: string,
    readonly wrong: string[],
  ) {}

  next(run: number): void {
    this.#forms.push({ form_id: `form-${run}-0000`, name: `bag ${run}`, acknowledged: false, unsure: false })
    if (run % STARTS_EVERY === 0) this.#starts.push({ id: randomUUID(), acknowledged: false })
  }

  /** Sends what has no answer yet; the newest form twice at once, as an impatient hand does. */
  async send(): Promise<void> {
    const forms = this.#forms.filter((form) => !form.acknowledged && !form.unsure)
    const newest = forms.at(-1)
    await Promise.all([
      ...[...forms, ...(newest ? [newest] : [])].map((form) => this.#sendForm(form)),
      ...this.#starts.filter(({ acknowledged }) => !acknowledged).map((start) => this.#sendStart(start)),
    ])
  }

  async #post(path: string, body: URLSearchParams | string): Promise<number> {
    const json: Record<string, string> =
      typeof body === 'string' ? { 'Content-Type': 'application/json' } : {}
    const status = await fetch(`${this.address}${path}`, { method: 'POST', body, headers: json }).then(
      (answer) => answer.status,
      () => 0,
    )
    if (status === 500) this.wrong.push(`POST ${path} was answered with a 500`)
    return status
  }

  async #sendForm(form: BagForm): Promise<void> {
    const { form_id, name } = form
    const status = await this.#post(
      '/grains',
      new URLSearchParams({ intent: 'save-bag', variety: 'basmati', name, form_id }),
    )
    if (status === 200) form.acknowledged = true
    else if (status === 409) form.unsure = true
  }

  async #sendStart(start: Start): Promise<void> {
    const status = await this.#post(
      '/cooks',
      JSON.stringify({ ...COOK, id: start.id, started_ms: Date.now(), sent_ms: Date.now() }),
    )
    if (status === 200) start.acknowledged = true
  }

  check(run: number, file: string): void {
    const kitchen = openKitchen(file)
    const bags = kitchen.grainBags.bags().map(({ name }) => name)
    const started = new Set(kitchen.cooks.running().map(({ id }) => id))
    kitchen.db.close()
    for (const { name, acknowledged } of this.#forms) {
      const many = bags.filter((bag) => bag === name).length
      if (many > 1) this.wrong.push(`run ${run}: ${name} is on the shelf ${many} times`)
      if (acknowledged && many === 0) this.wrong.push(`run ${run}: ${name} was acknowledged and is gone`)
    }
    for (const { id, acknowledged } of this.#starts)
      if (acknowledged && !started.has(id)) this.wrong.push(`run ${run}: a started batch is gone`)
  }

  /** @returns how many were sent, and how many of them were acknowledged or said to be unsure */
  counts(): [number, number] {
    const all = [...this.#forms, ...this.#starts]
    return [all.length, all.filter((one) => one.acknowledged || ('unsure' in one && one.unsure)).length]
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

const COOK = {
  request: { grains: [{ variety: 'short-white' }], amount: { basis: 'dry-mass', value: 300 } },
  vessel_id: FIRST_KITCHEN.vessels[0]!.id,
  heat_id: FIRST_KITCHEN.heats[0]!.id,
  bag_id: null,
}

async function startCook(address: string): Promise<string> {
  const answer = await fetch(`${address}/?index`, {
    method: 'POST',
    redirect: 'manual',
    body: new URLSearchParams({ intent: 'start', cook: JSON.stringify(COOK) }),
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
