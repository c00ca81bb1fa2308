import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { openDatabase } from './open'
import { LEAST_FREE_BYTES, noteDamage, whyDamaged, whyNotWritable } from './write-probe'

let folder: string
beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'omsel-probe-'))))
afterEach(() => rmSync(folder, { recursive: true }))
const opened = () => openDatabase(join(folder, 'omsel.sqlite'))

test('a household that can be written to is not changed by asking', () => {
  const db = opened()
  const [name] = db.prepare('SELECT name FROM household').pluck().all()
  const waits = db.pragma('busy_timeout', { simple: true })
  expect(whyNotWritable(db)).toBeUndefined()
  expect(db.inTransaction).toBe(false)
  expect(db.pragma('busy_timeout', { simple: true })).toBe(waits)
  expect(db.prepare('SELECT name FROM household').pluck().all()).toEqual(name === undefined ? [] : [name])
  db.close()
})

test('one that may only be read says so, and recovers without a restart', () => {
  const db = opened()
  db.pragma('query_only = 1')
  expect(whyNotWritable(db)).toContain('cannot be written to')
  db.pragma('query_only = 0')
  expect(whyNotWritable(db)).toBeUndefined()
  db.close()
})

test('a disk with 20 MB free is enough, a byte less is said', () => {
  const db = opened()
  expect(whyNotWritable(db, () => LEAST_FREE_BYTES)).toBeUndefined()
  expect(whyNotWritable(db, () => LEAST_FREE_BYTES - 1)).toContain('nearly full')
  db.close()
})

test('a write of another program is no fault', () => {
  const [db, other] = [opened(), opened()]
  other.exec('BEGIN IMMEDIATE')
  expect(whyNotWritable(db)).toBeUndefined()
  other.exec('ROLLBACK')
  other.close()
  db.close()
})

test('damage is remembered: what can be written elsewhere in the file is no sign of health', () => {
  const file = join(folder, 'omsel.sqlite')
  const db = openDatabase(file)
  db.exec('CREATE TABLE filler (text TEXT)')
  for (let i = 0; i < 200; i++) db.prepare('INSERT INTO filler VALUES (?)').run('x'.repeat(900))
  const pages = db.pragma('page_count', { simple: true }) as number
  const pageBytes = db.pragma('page_size', { simple: true }) as number
  db.close()
  const bytes = readFileSync(file)
  // The pages at the end hold the filler, none of the household's.
  bytes.fill(0xa5, (pages - 20) * pageBytes)
  writeFileSync(file, bytes)
  const damaged = openDatabase(file)
  noteDamage(Object.assign(new Error('busy'), { code: 'SQLITE_BUSY' }))
  noteDamage(null)
  expect([whyDamaged(), whyNotWritable(damaged)]).toEqual([undefined, undefined])
  try {
    damaged.prepare('SELECT text FROM filler').all()
  } catch (error) {
    noteDamage(error)
  }
  expect(whyDamaged()).toContain('bin/omsel restore')
  expect(whyNotWritable(damaged)).toBeUndefined()
  damaged.close()
})
