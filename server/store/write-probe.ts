import { statfsSync } from 'node:fs'
import { dirname } from 'node:path'
import type { Db } from './open'

/** Under this a write may fail soon, bytes. */
export const LEAST_FREE_BYTES = 20_000_000

const freeBytes = (folder: string): number => {
  const { bavail, bsize } = statfsSync(folder)
  return bavail * bsize
}

/**
 * Whether a household can be written to now: a write that is begun and taken back, and room on its disk.
 * Another program's write in between is no fault, and is not waited for.
 * @param free bytes free in a folder
 * @returns what is wrong, in words; nothing when it can
 */
export function whyNotWritable(db: Db, free = freeBytes): string | undefined {
  if (db.name !== ':memory:') {
    const left = free(dirname(db.name))
    if (left < LEAST_FREE_BYTES) return `the disk is nearly full: ${Math.round(left / 1e6)} MB free`
  }
  const waits = db.pragma('busy_timeout', { simple: true }) as number
  db.pragma('busy_timeout = 0')
  try {
    db.exec('BEGIN IMMEDIATE')
    try {
      db.exec('UPDATE household SET name = name')
    } finally {
      db.exec('ROLLBACK')
    }
    return undefined
  } catch (error) {
    const { code, message } = error as { code?: string; message: string }
    return code?.startsWith('SQLITE_BUSY') ? undefined : `it cannot be written to: ${message}`
  } finally {
    db.pragma(`busy_timeout = ${waits}`)
  }
}
