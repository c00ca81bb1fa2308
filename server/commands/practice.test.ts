import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { runActions } from '#core/practice/run-actions'
import type { PlayerActions } from '#core/practice/player-actions'
import { kitchenOf } from '#core/practice/situation'
import { situationOf } from '#core/practice/situations'
import { openKitchen, type Kitchen } from '#server/store/open-household'
import { recordPractice } from './practice'

let folder: string
let kitchen: Kitchen
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'omsel-practice-'))
  kitchen = openKitchen(join(folder, 'omsel.sqlite'))
})
afterEach(() => {
  kitchen.db.close()
  rmSync(folder, { recursive: true })
})

const { real, card } = kitchenOf(situationOf('the-beep')!)
const filled: PlayerActions = {
  washes: 3,
  soakMinutes: 0,
  pourG: card.water.pour_g,
  heats: [{ atMin: 0, level: 'high' }],
  lids: [],
  putInMin: null,
  ventMin: null,
  serveMin: 120,
}
const { click } = runActions(real, filled).marks
const opened = (afterMin: number) => JSON.stringify({ ...filled, serveMin: click! + afterMin })

test('a pot that came out is understood, once; one that did not is not, whatever the page says of it', () => {
  expect(recordPractice(kitchen, 'the-beep', opened(0.2), 1000)).toEqual({ ok: true, value: false })
  expect(kitchen.practice.completed()).toEqual([])
  expect(recordPractice(kitchen, 'the-beep', opened(14), 2000)).toEqual({ ok: true, value: true })
  expect(recordPractice(kitchen, 'the-beep', opened(15), 3000)).toEqual({ ok: true, value: true })
  expect(kitchen.practice.completed()).toEqual(['the-beep'])
  expect(kitchen.db.prepare('SELECT at_ms FROM practice_result').pluck().all()).toEqual([2000])
})

test('nonsense is refused in words', () => {
  const said = (id: string, actions: unknown) => {
    const read = recordPractice(kitchen, id, actions, 0)
    return read.ok ? 'taken' : read.errors[0]!.message
  }
  expect(said('the-moon', opened(14))).toBe('situation must be a practice exercise, got "the-moon"')
  expect(said('the-beep', undefined)).toMatch(/^doing must be the actions/)
  expect(said('the-beep', '{')).toMatch(/^doing must be the actions/)
  expect(said('the-beep', `"${'x'.repeat(50_000)}"`)).toMatch(/at most 40000 characters/)
  expect(said('the-beep', JSON.stringify({ ...filled, serveMin: 1e9 }))).toBe(
    'serveMin must be a number from 0 to 1440 minutes, got 1000000000',
  )
  expect(kitchen.practice.completed()).toEqual([])
})
