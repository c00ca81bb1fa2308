import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { kitchen } from '#server/kitchen'
import * as layout from '../layout/layout'
import * as bench from './plan/plan'
import * as changes from './cooks/changes'
import * as pots from './pots/pots'
import * as shelf from './grains/grains'

let folder: string
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'omsel-things-'))
  process.env.OMSEL_DATABASE = join(folder, 'omsel.sqlite')
  globalThis.omselKitchen = undefined
  kitchen().household.welcome()
})
afterEach(() => {
  globalThis.omselKitchen?.db.close()
  globalThis.omselKitchen = undefined
  rmSync(folder, { recursive: true })
})

type Answer = { data?: Record<string, unknown>; init?: { status?: number } | null; type?: string }
async function send(
  action: (args: never) => unknown,
  fields: Record<string, string>,
): Promise<{ status: number; value: Record<string, unknown> }> {
  const request = new Request('http://omsel.test/', { method: 'POST', body: new URLSearchParams(fields) })
  const given = (await action({ request, params: {}, context: {} } as never)) as Answer &
    Record<string, unknown>
  return given.type === 'DataWithResponseInit'
    ? { status: given.init?.status ?? 200, value: given.data ?? {} }
    : { status: 200, value: given }
}
const load = (loader: (args: never) => unknown) =>
  loader({ request: new Request('http://omsel.test/'), params: {}, context: {} } as never)

describe('the shelf', () => {
  const bag = {
    intent: 'save-bag',
    variety: 'quinoa',
    name: 'the new one',
    label: '1 to 1.5',
    label_ratio: '1,5',
    left_g: '500',
    new_crop: '1',
  }
  test('a bag is saved, filled in from its label, used and deleted', async () => {
    expect(await send(shelf.action, bag)).toMatchObject({ status: 200, value: { done: 'save-bag' } })
    const { bags } = load(shelf.loader) as {
      bags: { id: string; means: { low: number; high: number }; new_crop: number }[]
    }
    expect(bags).toHaveLength(1)
    expect(bags[0]!.new_crop).toBe(1)
    expect(bags[0]!.means.low).toBeLessThan(bags[0]!.means.high)
    const { id } = bags[0]!
    expect(await send(shelf.action, { intent: 'adopt-label', id })).toMatchObject({ status: 200 })
    expect(kitchen().grainBags.bags()[0]!.adopted_delta).not.toBeNull()
    expect(await send(shelf.action, { intent: 'drop-bag', id })).toMatchObject({ status: 200 })
    expect(load(shelf.loader)).toMatchObject({ bags: [], forecast: { outlooks: [], buy: [] } })
  })
  test.each([
    [{ intent: 'toString' }, 400, 'intent'],
    [{}, 400, 'intent'],
    [{ ...bag, variety: 'gravel' }, 422, 'variety'],
    [{ ...bag, label_ratio: '1,5,2' }, 422, 'label_ratio'],
    [{ ...bag, id: 'nobody' }, 422, 'id'],
    [{ intent: 'drop-bag', id: '../etc' }, 422, 'id'],
  ])('%j is refused with %i, and what was typed comes back', async (fields, status, path) => {
    const answer = await send(shelf.action, fields as Record<string, string>)
    expect(answer.status).toBe(status)
    expect((answer.value.errors as { path: string }[])[0]!.path).toBe(path)
    expect(answer.value.typed).toEqual(fields)
    expect(kitchen().grainBags.bags()).toEqual([])
  })
})

describe('pots and heat', () => {
  test('each kind of thing is saved and can go', async () => {
    const before = load(pots.loader) as { vessels: unknown[]; heats: unknown[]; measures: unknown[] }
    expect(
      await send(pots.action, {
        intent: 'save-vessel',
        name: 'tin',
        kind: 'pot',
        capacity_ml: '1500',
        rim_diameter_mm: '150',
        lid: 'loose',
        lining: 'bare',
        material: 'aluminium',
      }),
    ).toMatchObject({ status: 200, value: { said: 'tin' } })
    expect(
      await send(pots.action, {
        intent: 'save-heat',
        name: 'camp stove',
        kind: 'gas',
        rated_w: '1400',
        knob: '',
      }),
    ).toMatchObject({ status: 200 })
    expect(
      await send(pots.action, { intent: 'save-measure', how: 'known', name: 'mug', ml: '300' }),
    ).toMatchObject({ status: 200, value: { said: 'mug: 300 mL' } })
    const after = load(pots.loader) as {
      vessels: { id: string; name: string }[]
      heats: { id: string; name: string }[]
      measures: { id: string; name: string }[]
    }
    expect([after.vessels.length, after.heats.length, after.measures.length]).toEqual([
      before.vessels.length + 1,
      before.heats.length + 1,
      before.measures.length + 1,
    ])
    const idOf = (list: { id: string; name: string }[], name: string) =>
      list.find((row) => row.name === name)!.id
    for (const [intent, id] of [
      ['drop-vessel', idOf(after.vessels, 'tin')],
      ['drop-heat', idOf(after.heats, 'camp stove')],
      ['drop-measure', idOf(after.measures, 'mug')],
    ] as const)
      expect(await send(pots.action, { intent, id })).toMatchObject({ status: 200 })
    expect(load(pots.loader)).toEqual(before)
  })
  test.each(['constructor', '', 'save-everything'])('the intent "%s" is refused in words', async (intent) => {
    const { status, value } = await send(pots.action, { intent })
    expect(status).toBe(400)
    expect((value.errors as { message: string }[])[0]!.message).toMatch(
      /must be one of add-usual-pot, .*save-vessel/,
    )
  })
  test('a pot that has a mark loses it when it goes', async () => {
    await send(bench.action, {
      intent: 'keep-mark',
      grain_key: 'quinoa',
      vessel_id: 'thin-pot',
      dry_g: '200',
      pour_g: '300',
      depth_mm: '12',
    })
    expect(kitchen().grainBags.marks()).toHaveLength(1)
    await send(pots.action, { intent: 'drop-vessel', id: 'thin-pot' })
    expect(kitchen().grainBags.marks()).toEqual([])
  })
})

test('the bench keeps its gauge, and refuses what is none', async () => {
  expect(await send(bench.action, { intent: 'gauge', gauge: 'finger' })).toMatchObject({
    status: 200,
    value: { saved: true },
  })
  expect(await send(bench.action, { intent: 'gauge', gauge: 'a b' })).toMatchObject({ status: 422 })
  expect((load(bench.loader) as { gauge: string }).gauge).toBe('finger')
})

test('the header shows the kitchen and running batches', () => {
  expect(load(layout.loader)).toMatchObject({ household: 'our kitchen', running: [] })
})

test('a stream of a cook that is not there is a 404', () => {
  expect(() =>
    changes.loader({
      request: new Request('http://omsel.test/'),
      params: { cook: 'nobody' },
      context: {},
    } as never),
  ).toThrow(expect.objectContaining({ status: 404 }))
})
