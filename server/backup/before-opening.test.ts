import {
  chmodSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  rmSync,
  statSync,
  truncateSync,
  writeFileSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import Database from 'better-sqlite3'
import { startFault } from '#server/start-fault'
import { migrationCount, openDatabase } from '#server/store/open'
import { HouseholdGone, isMarked, lookBeforeOpening, markHousehold } from './before-opening'
import { checkHousehold, copiesFolder } from './copy'
import { lockHousehold, releaseHousehold, wasLeftOpen } from './household-lock'

const NOW = Date.UTC(2026, 2, 5, 18, 0)
let folder: string
let file: string
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'omsel-before-'))
  file = join(folder, 'omsel.sqlite')
})
afterEach(() => {
  releaseHousehold(file)
  rmSync(folder, { recursive: true, force: true })
})
const begin = (version?: number) => openDatabase(file, version).close()
const look = (leftOpen = false) => lookBeforeOpening(file, leftOpen, NOW)

test('a new household may begin only where none was stored before', () => {
  expect(look).not.toThrow()
  begin()
  expect(isMarked(file)).toBe(false)
  markHousehold(file)
  expect(isMarked(file)).toBe(true)
  expect(look).not.toThrow()
  rmSync(file)
  expect(look).toThrow(HouseholdGone)
  writeFileSync(file, '')
  expect(look).toThrow(/missing or empty.*restore/s)
  // As the words say: without the mark a new one is begun.
  rmSync(`${file}.household`)
  expect(look).not.toThrow()
})

test('after a kill the file is looked through; a damaged one is said to be, with the way to a copy', () => {
  const db = openDatabase(file)
  db.exec('CREATE TABLE many (a TEXT)')
  const add = db.prepare('INSERT INTO many VALUES (?)')
  for (let i = 0; i < 2000; i++) add.run('x'.repeat(200))
  db.pragma('wal_checkpoint(TRUNCATE)')
  db.close()
  expect(() => look(true)).not.toThrow()
  truncateSync(file, 4096 * Math.floor(statSync(file).size / 8192))
  let said = ''
  try {
    look(true)
  } catch (error) {
    said = startFault(error, file)
  }
  expect(said).toContain('is damaged')
  expect(said).toContain('bin/omsel restore')
})

test('a server that was killed leaves its mark; one that stopped does not', () => {
  expect(wasLeftOpen(file)).toBe(false)
  lockHousehold(file)
  expect(wasLeftOpen(file)).toBe(true)
  releaseHousehold(file)
  expect(wasLeftOpen(file)).toBe(false)
})

test('before the tables are changed a sound copy is made, and only then', () => {
  begin()
  look()
  expect(existsSync(copiesFolder(file))).toBe(false)
  rmSync(file)
  begin(migrationCount() - 1)
  look()
  const [copy] = readdirSync(copiesFolder(file))
  expect(copy).toBe(`2026-03-05T18-00-00Z-version-${migrationCount() - 1}`)
  expect(checkHousehold(join(copiesFolder(file), copy!))).toEqual([])
  const copied = new Database(join(copiesFolder(file), copy!, 'omsel.sqlite'), { readonly: true })
  expect(copied.pragma('user_version', { simple: true })).toBe(migrationCount() - 1)
  copied.close()
})

test('nothing of a household is for other users of the machine, also what was there before', () => {
  begin()
  mkdirSync(join(folder, 'photos'))
  writeFileSync(join(folder, 'photos', 'a.jpg'), 'x')
  const others = (path: string) => statSync(join(folder, path)).mode & 0o077
  for (const path of ['omsel.sqlite', 'photos/a.jpg']) chmodSync(join(folder, path), 0o644)
  chmodSync(join(folder, 'photos'), 0o755)
  chmodSync(folder, 0o755)
  const before = process.umask()
  try {
    lockHousehold(file)
    expect(['omsel.sqlite', 'photos', 'photos/a.jpg', 'omsel.sqlite.lock'].map(others)).toEqual([0, 0, 0, 0])
    writeFileSync(join(folder, 'later'), 'x')
    expect(others('later')).toBe(0)
    // The folder around it may be anyone's.
    expect(statSync(folder).mode & 0o777).toBe(0o755)
  } finally {
    process.umask(before)
  }
})
