import fc from 'fast-check'
import { spawn, type ChildProcess } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { checkHousehold } from '../../server/backup/copy'
import { openKitchen } from '../../server/store/open-household'
import { stage } from '../../server/transfer/staging'
import { requestOf, type Sent } from './requests'

export interface FuzzResult {
  requests: number
  /** How often each kind of answer came: 2xx, 3xx, 4xx. */
  answers: Record<string, number>
  slowestMs: number
  /** What must never be: each line says what was found. */
  wrong: string[]
}

const MAX_MS = 10_000
const AT_ONCE = 4
const MAX_WRONG = 20
/** Generated at once. */
const BATCH = 200

/** Values of an arbitrary without end, the same for the same seed. */
function* endless<T>(arbitrary: fc.Arbitrary<T>, seed: number): Generator<T> {
  for (let batch = 0; ; batch++)
    yield* fc.sample(arbitrary, { seed: seed + batch * 1_000_003, numRuns: BATCH })
}

/**
 * Sends generated requests over all routes to a real server on a demo household: none may end in a 5xx, none
 * may hang, the server must live, the file must be sound, and a batch that nobody may delete must still be there.
 */
export async function fuzz({
  requests,
  seed,
  port,
  say = () => {},
}: {
  requests: number
  seed: number
  port: number
  say?: (done: number) => void
}): Promise<FuzzResult> {
  const folder = mkdtempSync(join(tmpdir(), 'omsel-fuzz-'))
  const file = join(folder, 'omsel.sqlite')
  const env = {
    ...process.env,
    PORT: String(port),
    HOST: '127.0.0.1',
    OMSEL_DATABASE: file,
    NODE_ENV: 'production',
    OMSEL_COPIES: '0',
  }
  const result: FuzzResult = { requests, answers: {}, slowestMs: 0, wrong: [] }
  const server = spawn('sh', ['-c', 'node build/node/demo.js >/dev/null && exec node server.js'], {
    env,
    stdio: ['ignore', 'ignore', 'pipe'],
  })
  let log = ''
  server.stderr?.on('data', (data: Buffer) => (log = (log + data.toString()).slice(-4000)))
  try {
    await up(port)
    const ids = idsIn(file)
    const before = countsIn(file)
    const bundle = await fetch(`http://127.0.0.1:${port}/household.json`).then((r) => r.text())
    const generated = requestOf(ids, bundle)
    let sent = 0
    const worker = async (own: number) => {
      for (const request of endless(generated, seed * 1000 + own)) {
        if (sent >= requests || result.wrong.length >= MAX_WRONG) return
        sent++
        if (sent % 1000 === 0) say(sent)
        await one(request, port, result)
      }
    }
    await Promise.all(Array.from({ length: AT_ONCE }, (_, i) => worker(i)))
    // Whatever the doors let in, the house can be carried: what comes out is what another house would take.
    const exported = await stage(
      Buffer.from(await (await fetch(`http://127.0.0.1:${port}/household.zip`)).arrayBuffer()),
      join(folder, 'staged'),
    )
    if (!exported.ok)
      result.wrong.push(...exported.errors.map((e) => `the house can no longer be carried: ${e.message}`))
    if (server.exitCode !== null) result.wrong.push(`the server ended with ${server.exitCode}: ${log}`)
    else if (
      !(await fetch(`http://127.0.0.1:${port}/healthz`).then(
        (r) => r.ok,
        () => false,
      ))
    )
      result.wrong.push('the server does not answer any more')
    if (result.wrong.length > 0) result.wrong.push(log)
    const after = countsIn(file)
    // What is only ever added to is never less; what an intent may drop is left out.
    for (const table of ['cook_event', 'leftover_event', 'meal_event'] as const)
      if (after[table]! < before[table]! && table !== 'cook_event')
        result.wrong.push(`rows of ${table} went from ${before[table]} to ${after[table]}`)
    result.wrong.push(...checkHousehold(file))
  } finally {
    await ended(server)
    rmSync(folder, { recursive: true })
  }
  return result
}

async function one({ path, init }: Sent, port: number, result: FuzzResult): Promise<void> {
  const from = performance.now()
  const stop = new AbortController()
  const timer = setTimeout(() => stop.abort(), MAX_MS)
  try {
    const answer = await fetch(`http://127.0.0.1:${port}${path}`, {
      ...init,
      redirect: 'manual',
      signal: stop.signal,
    })
    const stream = answer.headers.get('content-type')?.includes('event-stream')
    if (stream) stop.abort()
    else await answer.arrayBuffer()
    const kind = `${Math.floor(answer.status / 100)}xx`
    result.answers[kind] = (result.answers[kind] ?? 0) + 1
    if (answer.status >= 500)
      result.wrong.push(
        `${answer.status} for ${init.method ?? 'GET'} ${path.slice(0, 300)} ${typeof init.body === 'string' ? init.body.slice(0, 600) : init.body instanceof URLSearchParams ? init.body.toString().slice(0, 600) : ''}`,
      )
  } catch (error) {
    const word =
      (error as Error).name === 'AbortError'
        ? `no answer within ${MAX_MS / 1000} s`
        : String((error as Error).cause ?? error)
    result.wrong.push(`${word} for ${init.method ?? 'GET'} ${path.slice(0, 300)}`)
  } finally {
    clearTimeout(timer)
    result.slowestMs = Math.max(result.slowestMs, performance.now() - from)
  }
}

function idsIn(file: string): string[] {
  const { equipment, notebook, meals, grainBags, db } = openKitchen(file)
  const ids = [
    ...equipment.vessels().map((v) => v.id),
    ...equipment.heats().map((h) => h.id),
    ...notebook.lines({}, 10, 0).map((l) => l.cook_id),
    ...meals.all().map((s) => s.id),
    ...grainBags.bags().map((b) => b.id),
    ...(db.prepare('SELECT id FROM taste_test').pluck().all() as string[]),
    ...(db.prepare('SELECT id FROM leftover').pluck().all() as string[]),
  ]
  db.close()
  return ids
}

function countsIn(file: string): Record<string, number> {
  const { db } = openKitchen(file)
  const counts = Object.fromEntries(
    ['cook_event', 'leftover_event', 'meal_event'].map((table) => [
      table,
      db.prepare(`SELECT count(*) FROM ${table}`).pluck().get() as number,
    ]),
  )
  db.close()
  return counts
}

async function up(port: number): Promise<void> {
  for (let tries = 0; tries < 600; tries++) {
    if (
      await fetch(`http://127.0.0.1:${port}/healthz`).then(
        (r) => r.ok,
        () => false,
      )
    )
      return
    await new Promise((resolve) => setTimeout(resolve, 50))
  }
  throw new Error('the server did not come up')
}

async function ended(server: ChildProcess): Promise<void> {
  if (server.exitCode !== null) return
  const gone = new Promise((resolve) => server.once('exit', resolve))
  server.kill('SIGKILL')
  await gone
}
