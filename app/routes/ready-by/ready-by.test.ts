import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
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

type Answer = ReturnType<typeof by.loader>
const load = (query: string): Answer =>
  by.loader({ request: new Request(`http://omsel.test/by?${query}`), params: {}, context: {} } as never)

test('one row a grain of the shelf, its best way first, and what cannot be by then with its soonest', () => {
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
  const answer = load(`for=4&at=${hour(50)}`)
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
] as const)('%s is told what is wrong, and still answered', (query, field) => {
  const answer = load(query)
  expect(answer.wrong[field]).toBeDefined()
  expect(answer.eaters).toBe(4)
  expect(answer.hour).toMatch(/^\d\d:\d\d$/)
})
