import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { endThreads } from '#server/api/worker-pool'
import { kitchen } from '#server/kitchen'
import { saveBag } from '#server/commands/grains'
import * as by from './ready-by'

let folder: string
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'omsel-by-'))
  process.env.OMSEL_DATABASE = join(folder, 'omsel.sqlite')
  globalThis.omselKitchen = undefined
})
afterEach(() => {
  globalThis.omselKitchen?.db.close()
  globalThis.omselKitchen = undefined
  rmSync(folder, { recursive: true })
})

type Answer = Awaited<ReturnType<typeof by.loader>>
afterAll(endThreads)
const load = (query: string): Promise<Answer> =>
  by.loader({ request: new Request(`http://omsel.test/by?${query}`), params: {}, context: {} } as never)

test('one row a grain of the shelf, its best way first, and what cannot be by then with its soonest', async () => {
  for (const [variety, name] of [
    ['long-white', 'white'],
    ['barley-hulled', 'barley'],
    ['couscous', 'couscous'],
  ] as const)
    saveBag(kitchen(), {
      variety,
      name,
      label: '',
      label_ratio: '',
      bought_on: '',
      opened_on: '',
      left_g: '2000',
    })
  const now = new Date()
  const hour = (minutes: number) => {
    const at = new Date(now.getTime() + minutes * 60_000)
    return `${String(at.getHours()).padStart(2, '0')}:${String(at.getMinutes()).padStart(2, '0')}`
  }
  const answer = await load(`for=4&at=${hour(50)}`)
  const grains = answer.ready.map(({ best }) => best.grain)
  expect(new Set(grains).size).toBe(grains.length)
  expect(grains).toEqual(expect.arrayContaining(['couscous', 'long-white']))
  for (const { best } of answer.ready) {
    expect(best.roomForError).toBeGreaterThanOrEqual(0)
    expect(best.total + best.roomForError).toBeCloseTo(answer.minutes, 6)
  }
  for (const { best } of answer.tooLate) expect(grains).not.toContain(best.grain)
  expect(answer.wrong).toEqual({ at: undefined, for: undefined })
})

test.each([
  ['at=noon&for=4', 'at'],
  ['for=0', 'for'],
  ['for=1e9', 'for'],
  ['for=NaN', 'for'],
  ['at=25:00', 'at'],
] as const)('%s is told what is wrong, and still answered', async (query, field) => {
  const answer = await load(query)
  expect(answer.wrong[field]).toBeDefined()
  expect(answer.eaters).toBe(4)
  expect(answer.hour).toMatch(/^\d\d:\d\d$/)
})

test('a grain is offered by its usual way; named, by every way a cook would think of, the odd ones last', async () => {
  saveBag(kitchen(), {
    variety: 'short-white',
    name: 'short',
    label: '',
    label_ratio: '',
    bought_on: '',
    opened_on: '',
    left_g: '2000',
  })
  const usual = await load('servings=4')
  const [row] = usual.ready
  expect(row).toMatchObject({ best: { grain: 'short-white', usual: true } })
  expect(row!.others.every((one) => one.usual)).toBe(true)
  const all = (await load('servings=4&ways=short-white')).ready[0]!
  expect(all.best).toMatchObject({ usual: true })
  const order = all.others.map((one) => one.usual)
  expect(order).toContain(false)
  expect(order.lastIndexOf(true)).toBeLessThan(order.indexOf(false))
  expect(all.others.find((one) => /plenty of water|drain/i.test(one.way))?.usual).toBe(false)
})

test('a kitchen without grains is told what to add', async () => {
  const answer = await load('servings=4')
  expect(answer).toMatchObject({ empty: true, ready: [], tooLate: [] })
})
