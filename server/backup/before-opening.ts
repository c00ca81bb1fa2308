import { existsSync, statSync, writeFileSync } from 'node:fs'
import Database from 'better-sqlite3'
import { migrationCount } from '#server/store/open'
import { copiesFolder, copyBeforeUpdate } from './copy'

/** A household was kept here, and its file is gone or empty. */
export class HouseholdGone extends Error {
  constructor(file: string) {
    super(
      `${file} is missing or empty, but a household was kept here. Put a copy back: bin/omsel restore ` +
        `${copiesFolder(file)}/… To begin a new household instead, remove ${markerOf(file)}.`,
    )
    this.name = 'HouseholdGone'
  }
}

const markerOf = (file: string): string => `${file}.household`

/** Leaves a mark beside a household, by which it is missed when it is gone. */
export function markHousehold(file: string): void {
  if (file === ':memory:' || existsSync(markerOf(file))) return
  writeFileSync(
    markerOf(file),
    'A household of Omsel is kept beside this file. Without it a new one would be begun in silence.\n',
  )
}

/** Whether a household was begun here before. */
export const isMarked = (file: string): boolean => file !== ':memory:' && existsSync(markerOf(file))

const isEmpty = (file: string): boolean =>
  (!existsSync(file) || statSync(file).size === 0) && !existsSync(`${file}-wal`)

/**
 * Looks at a household before it is opened: that it is there, that it is sound where its last server was
 * killed, and with a copy made where this program will change its tables.
 * @param leftOpen the last server did not stop by itself
 * @throws {HouseholdGone} in words
 * @throws {Error} with SQLite's code for a damaged file
 */
export function lookBeforeOpening(file: string, leftOpen: boolean, nowMs: number): void {
  if (file === ':memory:') return
  if (isMarked(file) && isEmpty(file)) throw new HouseholdGone(file)
  if (!existsSync(file) || statSync(file).size === 0) return
  const db = new Database(file, { fileMustExist: true })
  let version: number
  try {
    version = db.pragma('user_version', { simple: true }) as number
    if (leftOpen) {
      const said = db.pragma('quick_check(1)', { simple: true })
      if (said !== 'ok') throw Object.assign(new Error(String(said)), { code: 'SQLITE_CORRUPT' })
    }
  } finally {
    db.close()
  }
  if (version > 0 && version < migrationCount()) copyBeforeUpdate(file, nowMs)
}
