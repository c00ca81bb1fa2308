import { randomUUID } from 'node:crypto'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { kitchen } from '#server/kitchen'
import { firstPlan, requestOf } from '../planning/plan-state'
import * as bench from './plan/plan'
import * as againRoute from './cooks/again'
import * as events from './cooks/events'
import * as notebook from './notebook/notebook'
import * as page from './notebook/entry'
import * as about from './settings/about'
import * as settings from './settings/settings'
import * as by from './ready-by/ready-by'
import * as compare from './compare/compare'
import * as dryRun from './simulation/simulation'
import * as burners from './stove/burners'
import * as stove from './stove/stove'
import * as welcome from './welcome/welcome'

let folder: string
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'omsel-routes-'))
  process.env.OMSEL_DATABASE = join(folder, 'omsel.sqlite')
  globalThis.omselKitchen = undefined
  kitchen().household.welcome()
})
afterEach(() => {
  globalThis.omselKitchen?.db.close()
  globalThis.omselKitchen = undefined
  rmSync(folder, { recursive: true })
})

const form = (fields: Record<string, string>, path = '/') =>
  new Request(`http://omsel.test${path}`, { method: 'POST', body: new URLSearchParams(fields) })
const json = (body: unknown) =>
  new Request('http://omsel.test/x', { method: 'POST', body: JSON.stringify(body) })
/** Calls a loader or an action the way the router does; an answer is its value, its status and where it leads. */
async function call(
  handler: (args: never) => unknown,
  args: { request?: Request; params?: Record<string, string> },
) {
  try {
    const given = await handler({
      request: new Request('http://omsel.test/'),
      params: {},
      context: {},
      ...args,
    } as never)
    if (given instanceof Response)
      return { status: given.status, to: given.headers.get('Location'), value: undefined }
    const wrapped = given as { data?: unknown; init?: { status?: number } | null; type?: string }
    return wrapped && wrapped.type === 'DataWithResponseInit'
      ? { status: wrapped.init?.status ?? 200, to: null, value: wrapped.data as Record<string, never> }
      : { status: 200, to: null, value: given as Record<string, never> }
  } catch (thrown) {
    if (thrown instanceof Response)
      return { status: thrown.status, to: thrown.headers.get('Location'), value: undefined }
    throw thrown
  }
}

async function begin(): Promise<string> {
  const { vessels, heats } = { vessels: kitchen().equipment.vessels(), heats: kitchen().equipment.heats() }
  const household = {
    vessels,
    heats,
    measures: [],
    bags: [],
    bottles: [],
    marks: [],
    programmes: [],
    units: 'grams' as const,
    system: 'metric' as const,
    cup: 'metric' as const,
    known: {},
    guidance: 'stricter' as const,
    crystal: 'table' as const,
    leftovers: [],
    eaters: [],
    elevation_m: 0,
    kitchen_c: 20,
    zone: 'UTC',
  }
  const cook = {
    request: requestOf(firstPlan(household), household, Date.now()),
    vessel_id: vessels[0]!.id,
    heat_id: heats[0]!.id,
  }
  const { status, to } = await call(bench.action, {
    request: form({ intent: 'start', cook: JSON.stringify(cook) }),
  })
  expect(status).toBe(302)
  return to!.replace('/stove/', '')
}

test('a new kitchen has pots, burners and settings, and an empty notebook and stove', async () => {
  const { value } = await call(bench.loader, {})
  expect(
    (value as unknown as { household: { vessels: unknown[] } }).household.vessels.length,
  ).toBeGreaterThan(2)
  expect((await call(notebook.loader, {})).value).toMatchObject({ cooks: [] })
  expect((await call(burners.loader, {})).value).toMatchObject({ running: [] })
})

test.each([
  [{ intent: 'toString' }, 400, 'intent'],
  [{}, 400, 'intent'],
  [{ intent: 'start', cook: '{' }, 400, 'cook'],
  [{ intent: 'start', cook: 'null' }, 422, ''],
  [{ intent: 'start', cook: '{"request":{"grains":[]},"vessel_id":"heavy-pot"}' }, 422, 'request.grains'],
])('starting with %j is refused with %i', async (fields, status, path) => {
  const answer = await call(bench.action, { request: form(fields) })
  expect(answer.status).toBe(status)
  expect((answer.value as unknown as { errors: { path: string }[] }).errors.map((e) => e.path)).toContain(
    path,
  )
})

test('one pot on the stove is shown at once; two are listed', async () => {
  const id = await begin()
  expect(await call(burners.loader, {})).toMatchObject({ status: 302, to: `/stove/${id}` })
  await begin()
  expect(((await call(burners.loader, {})).value as unknown as { running: unknown[] }).running).toHaveLength(
    2,
  )
  expect((await call(stove.loader, { params: { cook: id } })).value).toMatchObject({
    id,
    title: 'Long-grain white',
    events: [],
  })
  expect((await call(stove.loader, { params: { cook: 'nobody' } })).status).toBe(404)
})

test('from start to rating through the routes alone', async () => {
  const cook = await begin()
  const press = (kind: string, stage: string) =>
    call(events.action, {
      params: { cook },
      request: json({ id: randomUUID(), kind, stage, pressed_ms: 1, sent_ms: 1 }),
    })
  expect((await press('cue', 'measure')).value).toEqual({ isNew: true })
  expect((await press('cue', 'measure')).value).toEqual({ isNew: false })
  expect((await press('dance', 'measure')).status).toBe(422)
  expect(
    (
      await call(events.action, {
        params: { cook: 'nobody' },
        request: json({ id: 'a', kind: 'cue', stage: 'measure', pressed_ms: 1, sent_ms: 1 }),
      })
    ).status,
  ).toBe(404)
  expect(
    (
      await call(events.action, {
        params: { cook },
        request: new Request('http://omsel.test/', { method: 'POST', body: '{' }),
      })
    ).status,
  ).toBe(400)
  expect((await call(page.loader, { params: { cook } })).status).toBe(404)
  await press('finish', 'fluff')

  const rate = (fields: Record<string, string>) =>
    call(page.action, { params: { cook }, request: form(fields) })
  expect(
    (await rate({ intent: 'judge', wet_dry: '9', hardness: '0', bottom: 'clean', note: 'kept' })).value,
  ).toMatchObject({
    errors: [{ path: 'wet_dry' }],
    typed: { note: 'kept' },
  })
  expect((await rate({ intent: 'forget' })).status).toBe(400)
  expect(
    (await rate({ intent: 'judge', wet_dry: '-1', hardness: '1', bottom: 'stuck', note: 'Dry.' })).value,
  ).toEqual({ saved: true })
  const { value } = await call(page.loader, { params: { cook } })
  expect(value).toMatchObject({
    title: 'Long-grain white',
    rating: { wetDry: -1, hardness: 1, bottom: 'stuck', note: 'Dry.' },
    learned: { cooks: 1 },
  })
  // Again is its own request: the same pot and amount, with what was learned; or with the very same water.
  const again = await call(againRoute.loader, { params: { cook } })
  const same = await call(againRoute.loader, {
    params: { cook },
    request: new Request('http://omsel.test/?water=same'),
  })
  expect(again.to).toMatch(/^\/\?grain=long-white&.*pot=/)
  expect(again.to).not.toContain('poured')
  expect(same.to).toMatch(/poured=\d+/)
  expect((await call(againRoute.loader, { params: { cook: 'nobody' } })).status).toBe(404)
  const next = (await call(bench.loader, {})).value as unknown as {
    household: { known: Record<string, { mean: number }> }
  }
  expect(next.household.known['grain long-white']!.mean).toBeGreaterThan(0)
})

test('settings are saved together or not at all', async () => {
  const before = (await call(settings.loader, {})).value as unknown as {
    settings: Record<string, string | number>
    boilC: number
  }
  const typed = Object.fromEntries(Object.entries(before.settings).map(([k, v]) => [k, String(v)]))
  const save = (change: Record<string, string>) =>
    call(settings.action, { request: form({ intent: 'save', ...typed, ...change }) })
  for (const [field, value] of [
    ['elevation_m', '9000'],
    ['elevation_m', ''],
    ['kitchen_c', 'warm'],
    ['crease_mm', '1,2,3'],
    ['zone', 'Tarn/Head'],
    ['cup', 'bucket'],
    ['clock', '25'],
    ['name', '   '],
    ['units', 'stones'],
  ] as const) {
    const { status, value: answer } = await save({ [field]: value })
    expect(status).toBe(422)
    const { errors, typed: stored } = answer as unknown as {
      errors: { path: string; message: string }[]
      typed: Record<string, string>
    }
    expect(errors.map((e) => e.path)).toEqual([field])
    expect(stored[field]).toBe(value)
  }
  expect((await call(settings.loader, {})).value).toEqual(before)
  expect((await save({ elevation_m: '1120,5', name: 'Tarn Head' })).value).toEqual({ saved: true })
  const after = (await call(settings.loader, {})).value as unknown as typeof before
  expect(after.settings).toMatchObject({ elevation_m: 1120.5, name: 'Tarn Head' })
  expect(after.boilC).toBeLessThan(before.boilC - 3)
})

test('pages that continue a plan use the kitchen’s data, not the browser’s', async () => {
  for (const place of [compare, by, dryRun]) {
    const { status, value } = await call(place.loader as (args: never) => unknown, {})
    expect(status).toBe(200)
    // What can be served by an hour comes from the shelf, and a new household has an empty one.
    expect(JSON.stringify(value)).toContain(place === by ? '"ready":[]' : 'heavy-pot')
    // What a loader gives goes over the wire: nothing may be lost on the way.
    expect(JSON.parse(JSON.stringify(value))).toEqual(value)
  }
})

test('every pot on the stove is shown on each pot’s page', async () => {
  const [a, b] = [await begin(), await begin()]
  const { value } = await call(stove.loader, { params: { cook: a } })
  const { lanes } = value as unknown as { lanes: { id: string; events: unknown[] }[] }
  expect(lanes.map(({ id }) => id).sort()).toEqual([a, b].sort())
})

describe('a remedy through the routes', () => {
  const remedy = {
    complaint: 'dry-firm',
    addG: 40,
    turn: false,
    powerW: 180,
    lid: 'on',
    heatMinutes: 6,
    restMinutes: 5,
  }
  const pressAt =
    (cook: string) =>
    (kind: string, stage: string, more: object = {}) =>
      call(events.action, {
        params: { cook },
        request: json({ id: randomUUID(), kind, stage, pressed_ms: 1, sent_ms: 1, ...more }),
      })

  test('is stored as computed; its own stages can be pressed, and others cannot', async () => {
    const cook = await begin()
    const press = pressAt(cook)
    const id = randomUUID()
    expect((await press('remedy', 'measure', { id, remedy })).value).toEqual({ isNew: true })
    const { value } = await call(stove.loader, { params: { cook } })
    expect((value as unknown as { events: { remedy: unknown }[] }).events[0]!.remedy).toEqual(remedy)
    expect((await press('cue', `mend-${id.slice(0, 8)}-add`)).value).toEqual({ isNew: true })
    expect((await press('cue', 'mend-00000000-add')).status).toBe(422)
  })
  test.each([
    [{}, 'remedy'],
    [{ remedy: { ...remedy, addG: 'much' } }, 'remedy.addG'],
    [{ remedy: null }, 'remedy'],
    [{ remedy: [] }, 'remedy'],
  ])('is refused with %j, beside its cause', async (more, path) => {
    const { status, value } = await pressAt(await begin())('remedy', 'measure', more)
    expect(status).toBe(422)
    expect(
      (value as unknown as { errors: { path: string }[] }).errors.some((e) => e.path.startsWith(path)),
    ).toBe(true)
  })
  test('things that happened need their amounts', async () => {
    const press = pressAt(await begin())
    expect((await press('boiled-over', 'measure')).status).toBe(422)
    expect((await press('boiled-over', 'measure', { amount: 1e9 })).status).toBe(422)
    expect((await press('boiled-over', 'measure', { amount: 80 })).value).toEqual({ isNew: true })
    expect((await press('late', 'measure', { amount: 25 })).value).toEqual({ isNew: true })
  })
})

test('devices are switched on the settings, and a wrong word is refused', async () => {
  const send = (fields: Record<string, string>) =>
    call(about.action, {
      request: form({ intent: 'device', kind: 'probe', on: 'yes', trusted: 'yes', way: 'lags', ...fields }),
    })
  expect((await send({})).value).toEqual({ saved: true })
  const shown = (await call(about.loader, {})).value as unknown as {
    devices: { kind: string; on: boolean; trusted: boolean; way: string }[]
  }
  expect(shown.devices.find((d) => d.kind === 'probe')).toEqual({
    kind: 'probe',
    on: true,
    trusted: true,
    way: 'lags',
  })
  expect(shown.devices.filter((d) => d.on)).toHaveLength(1)
  const wrong: Record<string, string>[] = [{ kind: 'oven' }, { on: 'perhaps' }, { way: 'sings' }]
  for (const fields of wrong) expect((await send(fields)).status).toBe(422)
})

describe('a new kitchen', () => {
  const answers = {
    intent: 'begin',
    elevation_m: '1120',
    units: 'cups',
    system: 'metric',
    pot: 'pressure-electric-5',
    heat: 'induction',
    eaters: '3,5',
  }
  beforeEach(() => kitchen().household.isNew())

  test('is asked its first things before the plan page, but not where an address names a pot', async () => {
    expect(await call(bench.loader, {})).toMatchObject({ status: 302, to: '/welcome' })
    expect(
      (await call(bench.loader, { request: new Request('http://omsel.test/?grain=quinoa') })).status,
    ).toBe(200)
    expect((await call(welcome.loader, {})).value).toHaveProperty('heats')
  })

  test('after five answers it has its own pot, burner and altitude, and plans for who eats', async () => {
    expect(await call(welcome.action, { request: form(answers) })).toMatchObject({
      status: 302,
      to: '/?servings=3.5&pot=first-pot&burner=first-heat',
    })
    const { household, settings } = (await call(bench.loader, {})).value as unknown as {
      household: { vessels: { name: string; own_rated_w: number }[]; heats: { name: string }[] }
      settings: { elevation_m: number; units: string }
    }
    expect(household.vessels).toMatchObject([{ name: 'electric pressure cooker', own_rated_w: 900 }])
    expect(household.heats).toMatchObject([{ name: 'induction plate' }])
    expect(settings).toMatchObject({ elevation_m: 1120, units: 'cups' })
    // Once is enough.
    expect(await call(welcome.loader, {})).toMatchObject({ status: 302, to: '/' })
    expect((await call(welcome.action, { request: form(answers) })).status).toBe(422)
  })

  test('with invalid answers it stays as it was and says what is wrong', async () => {
    const refused = await call(welcome.action, {
      request: form({ ...answers, elevation_m: '9000', pot: 'bucket', eaters: '' }),
    })
    expect(refused.status).toBe(422)
    expect((refused.value as unknown as { errors: { path: string }[] }).errors.map((e) => e.path)).toEqual([
      'elevation_m',
      'pot',
      'eaters',
    ])
    expect(kitchen().equipment.vessels().length).toBeGreaterThan(1)
    expect((await call(welcome.action, { request: form({ intent: 'dance' }) })).status).toBe(400)
  })

  test('that would rather look around is let in', async () => {
    expect(await call(welcome.action, { request: form({ intent: 'later' }) })).toMatchObject({
      status: 302,
      to: '/',
    })
    expect((await call(bench.loader, {})).status).toBe(200)
  })
})
