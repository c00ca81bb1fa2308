import { spawn, type ChildProcess } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { randomOf } from '#core/random'
import { SITUATIONS } from '#core/practice/situations'
import { VARIETY_IDS } from '#core/grain/varieties'
import { checkHousehold } from '../../server/backup/copy'
import { openKitchen } from '../../server/store/open-household'
import { stage } from '../../server/transfer/staging'

export interface FuzzResult {
  requests: number
  /** How often each kind of answer came: 2xx, 3xx, 4xx. */
  answers: Record<string, number>
  slowestMs: number
  /** What must never be: each line says what was found. */
  wrong: string[]
}

/** Every route of app/routes.ts, as it is written there; fuzz.test.ts holds this list to it. */
export const ROUTES = [
  '',
  'stove',
  'stove/:cook',
  'notebook',
  'notebook/learned',
  'notebook/copy',
  'notebook/:cook',
  'meal',
  'meal/split',
  'meal/:meal',
  'taste-tests',
  'taste-tests/:tasteTest',
  'compare',
  'simulation',
  'practice',
  'practice/:situation',
  'my-way',
  'model',
  'ready-by',
  'grains',
  'grains/:grain',
  'pots',
  'leftovers',
  'leftovers/put-away',
  'leftovers/week',
  'convert',
  'ruler',
  'pots/:pot/ruler',
  'settings',
  'settings/people',
  'settings/keeping',
  'settings/alerts',
  'settings/keys',
  'settings/about',
  'transfer',
  'devices',
  'login',
  'authority.pem',
  'household.json',
  'household.zip',
  'household.schema.json',
  'transfer/progress',
  'welcome',
  'search',
  'meal/:meal/calendar.ics',
  'meal/:meal/events',
  'photos/:photo',
  'leftovers/labels',
  'recipe-card',
  'recipe/:form',
  'notebook.csv',
  'api/v1/*',
  'cooks',
  'cooks/:cook/events',
  'cooks/:cook/changes',
  'cooks/:cook/again',
] as const

const KEYS = [
  'grain',
  'holds',
  'pictures',
  'bag',
  'timing',
  'who',
  'keep',
  'kept',
  'hold',
  'self',
  'dress',
  'under',
  'salt',
  'stock',
  'poured',
  'by',
  'finish',
  'share',
  'passes',
  'toasted',
  'stir',
  'foil',
  'as',
  'purpose',
  'pot',
  'on',
  'texture',
  'washes',
  'drain',
  'wet',
  'rest',
  'lid',
  'heat',
  'pressure',
  'release',
  'q',
  'beside',
  'with',
  'add',
  'water',
  'at',
  'for',
  'grams',
  'soak',
  'cook',
  'their-height',
  'their-heat',
  'their-pot',
  'was',
  'page',
  'if',
  'tasteTest',
  'ended',
  'limit',
  'offset',
  'text',
  'steps',
  'own-dressing',
  'bottle',
  'fry-tomorrow',
  'ways',
] as const
const INTENTS = [
  'start',
  'gauge',
  'keep-mark',
  'judge',
  'measure',
  'remove',
  'photo',
  'drop-photo',
  'pin',
  'reset',
  'unsay',
  'save',
  'guidance',
  'device',
  'save-eater',
  'drop-eater',
  'save-vessel',
  'save-heat',
  'save-measure',
  'save-programme',
  'drop-vessel',
  'drop-heat',
  'calibrate-boil',
  'calibrate-full',
  'calibrate-simmer',
  'save-bag',
  'drop-bag',
  'adopt-label',
  'put-away',
  'make-bottle',
  'take-from-bottle',
  'save-container',
  'drop-container',
  'tell',
  'forget',
  'begin',
  'add',
  'fix',
  'seen',
  'drop',
  'drop-companion',
  'copy',
  'make',
  'taste',
  'untaste',
  'adopt',
  'done',
  'look',
  'bring',
  'set-passphrase',
  'code',
  'send-away',
  'leave',
  'enter',
  'join',
  'dance',
] as const
const FIELDS = [
  'id',
  'form_id',
  'name',
  'kind',
  'title',
  'tasks',
  'hour',
  'day',
  'cooks',
  'names',
  'oven',
  'burner',
  'dish',
  'ready_before_minutes',
  'capacity_ml',
  'base_diameter_mm',
  'rim_diameter_mm',
  'height_mm',
  'empty_g',
  'material',
  'lining',
  'lid',
  'quick',
  'rated_w',
  'efficiency',
  'vessel_id',
  'heat_id',
  'grain_key',
  'variety',
  'wet_dry',
  'hardness',
  'bottom',
  'note',
  'figure',
  'value',
  'clock',
  'units',
  'cup',
  'zone',
  'elevation_m',
  'kitchen_c',
  'crease_mm',
  'crystal',
  'appetite',
  'firmness',
  'avoids',
  'guidance',
  'grams',
  'made_g',
  'style',
  'cook',
  'parcel',
  'doing',
  'table',
  'serve_ms',
  'order',
  'pot-before',
  'pot-after',
  'water',
  'minutes',
  'dry_g',
  'pour_g',
  'depth_mm',
  'gauge',
  'photo',
  'cue',
  'trusted',
  'on',
  'way',
  'enriched',
  'new_crop',
  'target',
  'event',
  'portions',
  'file',
  'how',
  'pots',
  'holds',
  'passphrase',
  'again',
  'code',
  'session',
] as const

type Random = () => number
const pick = <T>(random: Random, list: readonly T[]): T => list[Math.floor(random() * list.length)]!
const LONG = 'x'.repeat(6000)
const NASTY = [
  '',
  ' ',
  '0',
  '-0',
  '-1',
  '1e309',
  '-1e309',
  'NaN',
  'Infinity',
  'undefined',
  'null',
  'true',
  '[]',
  '{}',
  '[[[[[]]]]]',
  '"',
  "'; DROP TABLE cook; --",
  '__proto__',
  'constructor',
  'toString',
  '../../etc/passwd',
  '%00',
  '\u0000',
  '\uD800',
  '🍚'.repeat(40),
  LONG,
  '1,5',
  '１２',
  '999999999999',
  '0.0000001',
  '5',
  '300',
  '19:00',
  '25:99',
  '2026-03-05',
  '2026-02-31',
  '=1+1',
  '<script>',
  'a\r\nb',
  '1;2;3',
  '10-20-drain',
  'long-white:1',
  '~~~~~',
] as const

/** A value nobody would send: a wrong kind, a wrong size, nothing, or by chance a right one. */
function value(random: Random, ids: readonly string[]): string {
  const r = random()
  if (r < 0.6) return pick(random, NASTY)
  if (r < 0.75) return String(Math.round((random() - 0.3) * 1000))
  if (r < 0.85) return pick(random, VARIETY_IDS)
  if (r < 0.95 && ids.length > 0) return pick(random, ids)
  return Array.from({ length: Math.floor(random() * 30) }, () =>
    String.fromCodePoint(Math.floor(random() * 0xd7ff)),
  ).join('')
}

/** JSON of any shape, now and then very deep. */
function jsonOf(random: Random, ids: readonly string[], depth = 0): unknown {
  const r = random()
  if (depth > 5 || r < 0.3) return pick(random, [null, true, 0, -1, 1.5, 1e308, value(random, ids)])
  if (r < 0.5) return Array.from({ length: Math.floor(random() * 4) }, () => jsonOf(random, ids, depth + 1))
  return Object.fromEntries(
    Array.from({ length: Math.floor(random() * 6) }, () => [
      pick(random, [
        ...FIELDS,
        'grains',
        'amount',
        'basis',
        'request',
        'dishes',
        'burners',
        'serve_at',
        'events',
        'stage',
        'pressed_ms',
        'sent_ms',
        'ahead_ms',
        'seconds',
        'amount',
        'remedy',
        'heats',
        'lids',
        'pourG',
      ]),
      jsonOf(random, ids, depth + 1),
    ]),
  )
}

/** A pot somebody really could have asked for, with one thing in it broken. */
function nearly(random: Random, ids: readonly string[]): unknown {
  const pot: Record<string, unknown> = {
    grains: [{ variety: pick(random, VARIETY_IDS) }],
    amount: { basis: 'dry-mass', value: 300 },
    vessel_id: pick(random, ids),
    heat_id: pick(random, ids),
    bag_id: null,
  }
  const broken = pick(random, [
    ...Object.keys(pot),
    'texture',
    'soak',
    'rinse',
    'method',
    'elevation_m',
    'add_ins',
  ])
  pot[broken] = jsonOf(random, ids, 3)
  return random() < 0.5
    ? pot
    : { request: pot, vessel_id: pick(random, ids), heat_id: pick(random, ids), bag_id: null }
}

interface Sent {
  path: string
  init: RequestInit
}

/** A household's document with something in it broken: a wrong type, a piece cut out, or bytes that are no text. */
function spoilt(random: Random, bundle: string): Blob {
  const r = random()
  if (r < 0.1) return new Blob([pick(random, NASTY)])
  if (r < 0.2) return new Blob([Uint8Array.from({ length: 400 }, () => Math.floor(random() * 256))])
  if (r < 0.3) return new Blob([bundle.slice(0, Math.floor(random() * bundle.length))])
  if (r < 0.4)
    return new Blob(['{"format":"omsel.household","tables":', '['.repeat(Math.floor(random() * 200_000))])
  let text = bundle
  for (let n = 1 + Math.floor(random() * 3); n > 0; n--) {
    // A value is what stands between a colon and the next comma or bracket.
    const from = text.indexOf(':', Math.floor(random() * text.length)) + 1
    const till = text.slice(from).search(/[,}\]]/) + from
    text = `${text.slice(0, from)}${pick(random, ['null', '-1', '1e309', '1e9', '"x"', '{}', '[]', 'true', '""', '"=1+1"', '"../x"', '[[[]]]', '{"__proto__":1}', '0.5', JSON.stringify(LONG)])}${text.slice(till)}`
  }
  return new Blob([text])
}

function next(random: Random, ids: readonly string[], bundle: string): Sent {
  if (random() < 0.04) {
    const parts = new FormData()
    parts.set('intent', pick(random, ['look', 'bring', 'photo', 'dance']))
    // In the place of the house only what nobody could take: the others' rows must stay.
    parts.set('how', pick(random, ['merge', 'merge', 'sideways']))
    parts.set(
      pick(random, ['pots', 'shelf', 'cooks', 'settings']),
      pick(random, ['ours', 'theirs', 'both', 'none']),
    )
    parts.set(random() < 0.9 ? 'file' : 'photo', spoilt(random, bundle), 'x.json')
    return {
      path: pick(random, [
        '/transfer',
        '/transfer',
        '/transfer',
        '/transfer.data',
        `/notebook/${encodeURIComponent(pick(random, ids))}`,
      ]),
      init: { method: 'POST', body: parts },
    }
  }
  const route = pick(random, ROUTES)
  const path = `/${route
    .replace(
      ':situation',
      random() < 0.7 ? pick(random, SITUATIONS).id : encodeURIComponent(safe(value(random, ids))),
    )
    .replace(':form', pick(random, ['recipe.json', 'recipe.md', 'recipe.ics', 'recipe.exe']))
    .replace(/:\w+/, () =>
      encodeURIComponent(safe(random() < 0.7 && ids.length > 0 ? pick(random, ids) : value(random, ids))),
    )
    .replace('*', () =>
      pick(random, [
        'plan',
        'simulate',
        'schedule',
        'notebook',
        'kept',
        'openapi.json',
        encodeURIComponent(safe(value(random, ids))),
      ]),
    )}`
  const search = new URLSearchParams(
    Array.from({ length: Math.floor(random() * 6) }, () => [pick(random, KEYS), safe(value(random, ids))]),
  )
  const address = `${path}${random() < 0.3 ? '.data' : ''}${search.size > 0 ? `?${search.toString()}` : ''}`
  if (random() < 0.45) return { path: address, init: { method: pick(random, ['GET', 'GET', 'GET', 'HEAD']) } }
  const asJson = random() < 0.4
  if (asJson) {
    const body =
      random() < 0.15
        ? '['.repeat(Math.floor(random() * 50_000))
        : JSON.stringify(random() < 0.5 ? nearly(random, ids) : jsonOf(random, ids))
    return { path: address, init: { method: 'POST', headers: { 'Content-Type': 'application/json' }, body } }
  }
  const fields = new URLSearchParams([
    ['intent', random() < 0.9 ? pick(random, INTENTS) : safe(value(random, ids))],
  ])
  for (let n = Math.floor(random() * 9); n > 0; n--)
    fields.append(
      pick(random, FIELDS),
      random() < 0.25
        ? JSON.stringify(random() < 0.5 ? nearly(random, ids) : jsonOf(random, ids))
        : safe(value(random, ids)),
    )
  return {
    path: random() < 0.5 && route === '' ? `/?index` : address,
    init: { method: pick(random, ['POST', 'POST', 'POST', 'PUT', 'DELETE']), body: fields },
  }
}

/** Lone halves of signs cannot be sent at all. */
const safe = (text: string): string => text.replace(/\p{Cs}/gu, '\uFFFD')

const MAX_MS = 10_000
const AT_ONCE = 4

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
    let sent = 0
    const worker = async (own: number) => {
      const random = randomOf(seed * 1000 + own)
      while (sent < requests && result.wrong.length < 20) {
        sent++
        if (sent % 1000 === 0) say(sent)
        await one(next(random, ids, bundle), port, result)
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
