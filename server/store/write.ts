import type { Statement } from 'better-sqlite3'
import type { Db } from './open'

/** Why the disk or another program did not take a write, by the beginning of SQLite's code. */
const WHY: readonly (readonly [code: string, words: string])[] = [
  [
    'SQLITE_BUSY',
    'Another program is writing into this household. Nothing was saved; try again in a moment.',
  ],
  ['SQLITE_FULL', 'The disk is full. Nothing was saved; make room on it, then try again.'],
  [
    'SQLITE_READONLY',
    'The household is there for reading only. Nothing was saved; see who owns its folder, and how its disk was attached.',
  ],
  [
    'SQLITE_IOERR',
    'The disk did not take what was written. Nothing was saved; see whether it is full or failing, then try again.',
  ],
]

/** A write that was not taken: an answer of 503, and for programs without requests an error with words and a code. */
export class WriteRefused extends Response {
  constructor(
    readonly message: string,
    readonly code: string,
  ) {
    super(message, { status: 503, headers: { 'Retry-After': '5' } })
  }
}

/** @throws {WriteRefused} for what the disk or another program refused; anything else as it is */
function inWords(error: unknown): never {
  const { code } = error as { code?: unknown }
  const known = typeof code === 'string' ? WHY.find(([begins]) => code.startsWith(begins)) : undefined
  throw known ? new WriteRefused(known[1], code as string) : error
}

/**
 * Does all of it or nothing, in one write. It waits for another program's write before it reads anything: a
 * transaction that reads first and then writes is refused at once where another wrote meanwhile.
 * @throws {WriteRefused} where the other write takes longer than the database waits, or the disk does not take it
 */
export function inOneWrite<T>(db: Db, work: () => T): T {
  try {
    return db.transaction(work).immediate()
  } catch (error) {
    return inWords(error)
  }
}

/** From now on single writes fail in words too.  @returns the same database */
export function refusingInWords(db: Db): Db {
  const prepare = db.prepare.bind(db) as (sql: string) => Statement
  db.prepare = ((sql: string) => {
    const statement = prepare(sql)
    if (statement.readonly) return statement
    const run = statement.run.bind(statement)
    statement.run = (...given: unknown[]) => {
      try {
        return run(...given)
      } catch (error) {
        return inWords(error)
      }
    }
    return statement
  }) as typeof db.prepare
  return db
}
