/**
 * Records what the API answers to 2,000 seeded requests, and lists what differs between two recordings. npm
 * run behaviour -- record FILE        one JSON line a request: question, request, status, body npm run
 * behaviour -- compare OLD NEW    keys, figures and texts that differ, counted A recording of an earlier
 * commit is made in a worktree of that commit.
 */
import { createHash } from 'node:crypto'
import { readFileSync, writeFileSync } from 'node:fs'
import { VARIETY_IDS } from '#core/grain/varieties'
import { HEAT_PRESET_IDS } from '#core/heat/sources'
import { METHOD_IDS } from '#core/methods/index'
import { PURPOSES } from '#core/plan/request'
import { VESSEL_PRESET_IDS } from '#core/vessel/presets'
import { ask } from '../server/api/handlers'

const REQUESTS = 2000
const SEED = 20_261_128

/** A seeded generator of numbers from 0 to 1 (mulberry32). */
function seededRandom(seed: number): () => number {
  let state = seed >>> 0
  return () => {
    state = (state + 0x6d2b79f5) >>> 0
    let t = Math.imul(state ^ (state >>> 15), 1 | state)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296
  }
}

const random = seededRandom(SEED)
const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!
const chance = (share: number): boolean => random() < share
const between = (least: number, most: number): number =>
  Math.round((least + (most - least) * random()) * 10) / 10
const maybe = <T extends object>(share: number, part: () => T): T | object => (chance(share) ? part() : {})

function planRequest(): Record<string, unknown> {
  const grains = chance(0.8)
    ? [{ variety: pick(VARIETY_IDS) }]
    : [
        { variety: pick(VARIETY_IDS), share: 2 },
        { variety: pick(VARIETY_IDS), share: 1 },
      ]
  const amount = pick([
    () => ({ basis: 'dry-mass', value: between(80, 900) }),
    () => ({ basis: 'servings', value: Math.ceil(between(1, 9)) }),
    () => ({ basis: 'dry-volume', value: between(120, 700) }),
    () => ({ basis: 'cooked-mass', value: between(200, 1500) }),
  ])()
  return {
    grains,
    amount,
    ...maybe(0.3, () => ({ purpose: pick(PURPOSES) })),
    ...maybe(0.6, () => ({ method: pick(METHOD_IDS) })),
    ...maybe(0.6, () => ({ vessel: pick(VESSEL_PRESET_IDS) })),
    ...maybe(0.3, () => ({ heat: pick(HEAT_PRESET_IDS) })),
    ...maybe(0.3, () => ({ rinse: { washes: Math.floor(between(0, 5)) } })),
    ...maybe(0.3, () => ({
      soak: { minutes: between(10, 700), celsius: between(4, 35), water: pick(['drain', 'keep']) },
    })),
    ...maybe(0.3, () => ({ texture: between(0, 1) })),
    ...maybe(0.3, () => ({ elevation_m: between(0, 2800) })),
    ...maybe(0.15, () => ({ salt_percent: between(0, 2) })),
    ...maybe(0.15, () => ({ pour_override_g: between(100, 1500) })),
    ...maybe(0.15, () => ({ hold_minutes: between(0, 90) })),
    ...maybe(0.1, () => ({ keep_servings: Math.ceil(between(1, 4)) })),
    ...maybe(0.1, () => ({ toasted_bottom: true })),
    ...maybe(0.1, () => ({ release: pick(['natural', 'timed', 'quick']), pressure: pick(['low', 'high']) })),
    ...maybe(0.05, () => ({ kitchen_c: 'warm', [pick(['soak', 'rinse', 'amount'])]: 7 })),
  }
}

const HOURS = ['2026-11-28T12:30:00+01:00', '2026-11-28T19:00:00+01:00']

function scheduleRequest(): Record<string, unknown> {
  const dishes = Array.from({ length: 1 + Math.floor(random() * 3) }, (_, i) =>
    chance(0.7)
      ? { id: `dish${i}`, ...planRequest() }
      : {
          id: `dish${i}`,
          title: 'Stew',
          tasks: [
            { id: 'a', title: 'Brown', minutes: 15, hands_on: true, needs: 'burner' },
            { id: 'b', title: 'Stew', minutes: 45, needs: 'burner', after: ['a'] },
          ],
        },
  )
  return {
    serve_at: pick(HOURS),
    burners: [
      { id: 'one', heat: 'gas-medium' },
      { id: 'two', heat: 'gas-small' },
    ],
    cooks: pick([1, 2]),
    dishes,
  }
}

const simulateRequest = (): Record<string, unknown> => ({
  ...planRequest(),
  runs: pick([1, 1, 1, 20]),
  ...maybe(0.3, () => ({
    events: [{ at_min: between(2, 20), kind: pick(['lid-lift', 'stir']), seconds: 20 }],
  })),
})

function record(file: string): void {
  const lines: string[] = []
  for (let i = 0; i < REQUESTS; i++) {
    const question = i % 10 === 9 ? 'schedule' : i % 10 >= 7 ? 'simulate' : 'plan'
    const request =
      question === 'plan' ? planRequest() : question === 'simulate' ? simulateRequest() : scheduleRequest()
    const { status, body } = ask(question, JSON.stringify(request))
    lines.push(JSON.stringify({ question, request, status, body }))
    if (i % 100 === 99) process.stderr.write(`${i + 1} of ${REQUESTS}\r`)
  }
  const text = lines.join('\n') + '\n'
  writeFileSync(file, text)
  console.log(`${REQUESTS} answers, sha256 ${createHash('sha256').update(text).digest('hex')}`)
}

/** Differences below one answer, as [kind, path, old, new]. */
function* differences(
  before: unknown,
  after: unknown,
  path: string,
): Generator<[string, string, unknown, unknown]> {
  if (
    typeof before !== typeof after ||
    Array.isArray(before) !== Array.isArray(after) ||
    before === null ||
    after === null
  ) {
    if (before !== after)
      yield [before === undefined || after === undefined ? 'key' : 'type', path, before, after]
  } else if (typeof before === 'object') {
    const [b, a] = [before as Record<string, unknown>, after as Record<string, unknown>]
    for (const key of new Set([...Object.keys(b), ...Object.keys(a)]))
      yield* differences(b[key], a[key], `${path}.${/^\d+$/.test(key) ? '*' : key}`)
  } else if (before !== after) yield [typeof before === 'string' ? 'text' : 'figure', path, before, after]
}

function compare(oldFile: string, newFile: string): void {
  const [olds, news] = [oldFile, newFile].map((file) =>
    readFileSync(file, 'utf8')
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line) as unknown),
  )
  const found = new Map<string, { count: number; example: string }>()
  olds!.forEach((old, i) => {
    for (const [kind, path, before, after] of differences(old, news![i], '')) {
      const known = found.get(`${kind} ${path}`)
      if (known) known.count++
      else
        found.set(`${kind} ${path}`, {
          count: 1,
          example: `${JSON.stringify(before)} -> ${JSON.stringify(after)}`,
        })
    }
  })
  for (const [what, { count, example }] of [...found].sort())
    console.log(`${count}\t${what}\t${example.slice(0, 200)}`)
  console.log(`${olds!.length} answers compared, ${found.size} kinds of difference`)
}

const [command, first, second] = process.argv.slice(2)
if (command === 'record' && first) record(first)
else if (command === 'compare' && first && second) compare(first, second)
else {
  console.error('npm run behaviour -- record FILE | compare OLD NEW')
  process.exitCode = 2
}
