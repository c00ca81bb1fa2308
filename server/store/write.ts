import type { Db } from './open'

const BUSY = 'Another program is writing into this household. Nothing was saved; try again in a moment.'

/**
 * Does all of it or nothing, in one write. It waits for another program's write before it reads anything: a
 * transaction that reads first and then writes is refused at once where another wrote meanwhile.
 * @throws {Response} 503, in words, where the other write takes longer than the database waits
 */
export function inOneWrite<T>(db: Db, work: () => T): T {
  try {
    return db.transaction(work).immediate()
  } catch (error) {
    if (!(error as { code?: string }).code?.startsWith('SQLITE_BUSY')) throw error
    throw new Response(BUSY, { status: 503, headers: { 'Retry-After': '5' } })
  }
}
