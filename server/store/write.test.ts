import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Worker } from 'node:worker_threads'
import { openDatabase, type Db } from './open'
import { inOneWrite, refusingInWords, WriteRefused } from './write'

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

describe('a write that the disk does not take', () => {
  const refusal = (write: () => unknown): WriteRefused => {
    try {
      write()
    } catch (error) {
      if (error instanceof WriteRefused) return error
      throw error
    }
    throw new Error('it was taken')
  }
  // As full as a file can get that may have no page more.
  const fill = () => {
    db.exec('CREATE TABLE filler (text TEXT)')
    db.pragma(`max_page_count = ${db.pragma('page_count', { simple: true }) as number}`)
  }
  const big = 'x'.repeat(20_000)

  test('is answered with 503 and what to do, alone and in one with others; nothing of it is there', async () => {
    fill()
    refusingInWords(db)
    for (const write of [
      () => db.prepare('INSERT INTO filler VALUES (?)').run(big),
      () =>
        inOneWrite(db, () => {
          addOne()
          db.prepare('INSERT INTO filler VALUES (?)').run(big)
        }),
    ]) {
      const error = refusal(write)
      expect([error.status, error.code]).toEqual([503, 'SQLITE_FULL'])
      expect(error.message).toContain('The disk is full. Nothing was saved')
      expect(await error.text()).toBe(error.message)
      expect(error.headers.get('Retry-After')).toBe('5')
    }
    expect(read()).toBe(1)
    expect(db.inTransaction).toBe(false)
    // What there is room for is still taken, and what is there can be read.
    inOneWrite(db, addOne)
    expect(read()).toBe(2)
  })

  test('says where the household is there for reading only', () => {
    refusingInWords(db).pragma('query_only = 1')
    expect(refusal(addOne).message).toContain('reading only')
    expect(refusal(() => inOneWrite(db, addOne)).message).toContain('reading only')
  })

  test('a fault of the program stays one', () => {
    refusingInWords(db)
    db.exec('CREATE TABLE single (id INTEGER PRIMARY KEY); INSERT INTO single VALUES (1)')
    const twice = () => db.prepare('INSERT INTO single VALUES (1)').run()
    expect(twice).toThrow(/UNIQUE/)
    expect(() => inOneWrite(db, twice)).toThrow(/UNIQUE/)
  })
})
