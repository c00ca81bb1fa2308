import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { openDatabase } from './open'
import { LEAST_FREE_BYTES, whyNotWritable } from './write-probe'

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
