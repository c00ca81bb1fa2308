import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import Database from 'better-sqlite3'
import { createCookStore } from './cooks'
import { equipmentIn } from './equipment'
import { bringUp, openDatabase } from './open'

const migrations = join(process.cwd(), 'server/store/migrations')
const files = readdirSync(migrations).sort()
let folder: string
beforeEach(() => void (folder = mkdtempSync(join(tmpdir(), 'omsel-migrate-'))))
afterEach(() => rmSync(folder, { recursive: true }))

/** A database as a first version left it, with a household, a finished cook and a rating. */
function firstVersion(): string {
  const file = join(folder, 'old.sqlite')
  const db = new Database(file)
  db.pragma('foreign_keys = ON')
  db.exec(readFileSync(join(migrations, files[0]!), 'utf8'))
  db.pragma('user_version = 1')
  db.exec(`
    INSERT INTO household VALUES (1, 'old house', 'cups', 'scoop', 1120, 19, 24, '24', 'Europe/Berlin');
    INSERT INTO vessel VALUES ('blue', 0, 'heavy blue', 'pot', 3500, 200, 210, 106, 1600, 'tight', NULL, NULL);
    INSERT INTO heat VALUES ('gas', 0, 'big gas', 2700, 0.4);
    INSERT INTO cook VALUES ('c1', 1000, 'Quinoa', 'quinoa', 'blue', 'heavy blue', 'big gas', NULL, '{}', '{}');
    INSERT INTO cook_event (id, cook_id, kind, stage, identity, device_ms, at_ms, received_ms, seconds, target) VALUES
      ('e1', 'c1', 'cue', 'measure', 'cue measure 0', 1, 1100, 1100, NULL, NULL),
      ('e2', 'c1', 'lid-lifted', 'simmer', NULL, 1, 1200, 1200, 20, NULL),
      ('e3', 'c1', 'take-back', 'simmer', 'take-back e2', 1, 1300, 1300, NULL, 'e2'),
      ('e4', 'c1', 'finish', 'fluff', 'finish fluff 0', 1, 2000, 2000, NULL, NULL);
    INSERT INTO judgement VALUES ('c1', 3000, 1, 0, 'clean', 'fine');`)
  db.close()
  return file
}

test('an old household is brought up to date with nothing lost', () => {
  const db = openDatabase(firstVersion())
  expect(db.pragma('user_version', { simple: true })).toBe(files.length)
  const cooks = createCookStore(db)
  expect(cooks.events('c1').map((e) => [e.id, e.kind, e.atMs, e.seconds, e.target, e.identity])).toEqual([
    ['e1', 'cue', 1100, undefined, undefined, 'cue measure 0'],
    ['e2', 'lid-lifted', 1200, 20, undefined, undefined],
    ['e3', 'take-back', 1300, undefined, 'e2', 'take-back e2'],
    ['e4', 'finish', 2000, undefined, undefined, 'finish fluff 0'],
  ])
  expect(cooks.findFinished('c1')).toMatchObject({
    end: 'finish',
    endedMs: 2000,
    rating: { wetDry: 1, note: 'fine' },
  })
  expect(equipmentIn(db).vessels()[0]).toMatchObject({
    name: 'heavy blue',
    lining: 'bare',
    steam_factor: 1,
    marks: null,
    measured: '',
  })
  expect(equipmentIn(db).heats()[0]).toMatchObject({ knob: [], power_factor: 1 })
  expect(db.pragma('foreign_key_check')).toEqual([])
  expect(db.pragma('integrity_check', { simple: true })).toBe('ok')
  db.close()
})

test('the text of entries is found after their table got its present name', () => {
  const db = openDatabase(':memory:', 14)
  db.exec(`
    INSERT INTO cook (id, started_ms, title, grain_key, vessel_id, vessel_name, heat_name, serve_at_ms, request, plan)
      VALUES ('c1', 1, 'Quinoa', 'quinoa', 'blue', 'heavy blue', 'gas', NULL, '{}', '{}');
    INSERT INTO noted (cook_id, ended_ms, end, title, grain_key, vessel_id, vessel_name, method, grain_g, pour_g, minutes, planned_minutes, note)
      VALUES ('c1', 2, 'finish', 'Quinoa', 'quinoa', 'blue', 'heavy blue', 'covered-simmer', 200, 300, 30, 29, 'a little sandy');`)
  bringUp(db)
  const found = () =>
    db.prepare("SELECT rowid FROM notebook_text WHERE notebook_text MATCH 'sandy'").all().length
  expect(found()).toBe(1)
  db.exec("DELETE FROM cook WHERE id = 'c1'")
  expect(found()).toBe(0)
  expect(db.prepare("SELECT name FROM sqlite_master WHERE name GLOB '*noted*'").all()).toEqual([])
  db.close()
})

test('opened again, nothing happens; numbers go on where they were', () => {
  const file = firstVersion()
  openDatabase(file).close()
  const db = openDatabase(file)
  const cooks = createCookStore(db)
  const washed = {
    id: 'w',
    kind: 'washed' as const,
    stage: 'rinse',
    identity: undefined,
    deviceMs: 1,
    atMs: 1150,
    receivedMs: 1150,
    clarity: 0.75,
  }
  expect(cooks.append('c1', washed)).toBe(true)
  expect(cooks.append('c1', { ...washed })).toBe(false)
  expect(cooks.events('c1').find((e) => e.id === 'w')).toMatchObject({ kind: 'washed', clarity: 0.75 })
  expect(db.prepare('SELECT max(seq) FROM cook_event').pluck().get()).toBe(5)
  expect(() => cooks.append('c1', { ...washed, id: 'w2', clarity: 3 })).toThrow(/CHECK/)
  db.close()
})

test('a cook that goes takes its events and its rating along', () => {
  const db = openDatabase(firstVersion())
  db.exec("DELETE FROM cook WHERE id = 'c1'")
  for (const table of ['cook_event', 'rating'])
    expect(db.prepare(`SELECT count(*) FROM ${table}`).pluck().get()).toBe(0)
  db.close()
})

test('migrations are numbered without a gap', () => {
  expect(files.map((name) => Number(name.slice(0, 4)))).toEqual(files.map((_, i) => i + 1))
})
