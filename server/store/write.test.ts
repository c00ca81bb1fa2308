import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Worker } from 'node:worker_threads'
import { openDatabase, type Db } from './open'
import { inOneWrite } from './write'

let folder: string
let db: Db
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'omsel-write-'))
  db = openDatabase(join(folder, 'omsel.sqlite'))
  db.exec('CREATE TABLE tally (n INTEGER); INSERT INTO tally VALUES (1)')
})
afterEach(() => {
  db.close()
  rmSync(folder, { recursive: true })
})

const read = () => (db.prepare('SELECT n FROM tally').get() as { n: number }).n
const addOne = () => db.prepare('UPDATE tally SET n = ?').run(read() + 1)

/** Another program that holds the household's write for so long, and adds one in it. */
async function otherWriter(ms: number): Promise<Worker> {
  const worker = new Worker(
    `const { workerData, parentPort } = require('node:worker_threads')
     const db = require(workerData.sqlite)(workerData.file)
     db.exec('BEGIN IMMEDIATE; UPDATE tally SET n = n + 1')
     parentPort.postMessage('holds')
     setTimeout(() => { db.exec('COMMIT'); db.close() }, workerData.ms)`,
    {
      eval: true,
      workerData: { ms, file: join(folder, 'omsel.sqlite'), sqlite: require.resolve('better-sqlite3') },
    },
  )
  await new Promise((resolve) => worker.once('message', resolve))
  return worker
}
const ended = (worker: Worker) => new Promise((resolve) => worker.once('exit', resolve))

test('a write that reads first waits for another program, and builds on what that one wrote', async () => {
  const other = await otherWriter(300)
  // The pause of the test's own thread is the database's: it waits inside.
  inOneWrite(db, addOne)
  expect(read()).toBe(3)
  await ended(other)
})

test('a transaction that only begins to read is refused at once where another wrote meanwhile', () => {
  const other = openDatabase(join(folder, 'omsel.sqlite'))
  const late = db.transaction(() => {
    read()
    other.exec('UPDATE tally SET n = n + 1')
    addOne()
  })
  expect(() => late()).toThrow(/locked/)
  other.close()
  // The rule above: it would have waited before it read.
  inOneWrite(db, addOne)
  expect(read()).toBe(3)
})

test('one that is held for too long ends in words, with nothing saved', async () => {
  db.pragma('busy_timeout = 100')
  const other = await otherWriter(1500)
  let thrown: unknown
  try {
    inOneWrite(db, addOne)
  } catch (error) {
    thrown = error
  }
  expect(thrown).toBeInstanceOf(Response)
  expect((thrown as Response).status).toBe(503)
  expect(await (thrown as Response).text()).toContain('try again')
  expect((thrown as Response).headers.get('Retry-After')).toBe('5')
  await ended(other)
  expect(read()).toBe(2)
})

test('a write inside a write is part of it', () => {
  expect(() =>
    inOneWrite(db, () => {
      inOneWrite(db, addOne)
      throw new Error('no')
    }),
  ).toThrow('no')
  expect(read()).toBe(1)
})
