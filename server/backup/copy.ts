import { copyFileSync, existsSync, linkSync, mkdirSync, readdirSync, renameSync, rmSync } from 'node:fs'
import { basename, dirname, join } from 'node:path'
import Database from 'better-sqlite3'
import { migrationCount } from '#server/store/open'
import { inUseBy, lockHousehold, releaseHousehold } from './household-lock'

/** A copy is a folder: the database, and the pictures its rows name. */
const DATABASE = 'omsel.sqlite'
const PICTURES = 'photos'
/** Folder of automatic copies, next to the database. */
export const copiesFolder = (file: string): string => join(dirname(file), 'copies')

/** "2026-03-05T18-30-12Z": sorts by time, and can be a name everywhere. */
export const copyName = (nowMs: number): string =>
  new Date(nowMs)
    .toISOString()
    .replace(/\.\d+Z$/, 'Z')
    .replaceAll(':', '-')

/**
 * Copies a household while it is in use: SQLite's own online backup, then the pictures, then a check; under
 * its name only when all of it is there.
 * @returns the copy's folder
 * @throws {Error} in words, when there is nothing to copy or the copy is not sound
 */
export async function takeCopy(file: string, into: string, nowMs: number): Promise<string> {
  if (!existsSync(file)) throw new Error(`there is no household at ${file}`)
  const folder = join(into, copyName(nowMs))
  if (existsSync(folder)) throw new Error(`there is a copy of this second already: ${folder}`)
  const part = `${folder}.part`
  rmSync(part, { recursive: true, force: true })
  mkdirSync(join(part, PICTURES), { recursive: true })
  const db = new Database(file, { readonly: true, fileMustExist: true })
  try {
    await db.backup(join(part, DATABASE))
  } finally {
    db.close()
  }
  return finishCopy(file, part, folder)
}

/**
 * A copy made as a server starts that will change the household's tables; it is not thrown away with the daily
 * ones.
 * @returns the copy's folder
 */
export function copyBeforeUpdate(file: string, nowMs: number): string {
  const db = new Database(file, { fileMustExist: true })
  try {
    const version = db.pragma('user_version', { simple: true }) as number
    const folder = join(copiesFolder(file), `${copyName(nowMs)}-version-${version}`)
    const part = `${folder}.part`
    rmSync(part, { recursive: true, force: true })
    mkdirSync(join(part, PICTURES), { recursive: true })
    db.prepare('VACUUM INTO ?').run(join(part, DATABASE))
    return finishCopy(file, part, folder)
  } finally {
    db.close()
  }
}

/** Adds the pictures, checks all of it, and gives it its name. */
function finishCopy(file: string, part: string, folder: string): string {
  const pictures = join(dirname(file), PICTURES)
  for (const id of picturesIn(join(part, DATABASE))) {
    const from = join(pictures, `${id}.jpg`)
    if (existsSync(from)) sameFile(from, join(part, PICTURES, `${id}.jpg`))
  }
  const faults = checkHousehold(part)
  if (faults.length > 0) throw new Error(`the backup is damaged: ${faults.join('; ')}`)
  renameSync(part, folder)
  return folder
}

/** Stored pictures never change, so a hard link is a copy; bytes are copied where no link can be made. */
function sameFile(from: string, to: string): void {
  try {
    linkSync(from, to)
  } catch {
    copyFileSync(from, to)
  }
}

function picturesIn(file: string): string[] {
  const db = new Database(file, { readonly: true })
  try {
    const there = db
      .prepare("SELECT count(*) FROM sqlite_master WHERE type = 'table' AND name = 'photo'")
      .pluck()
      .get() as number
    return there === 0 ? [] : (db.prepare('SELECT id FROM photo').pluck().all() as string[])
  } finally {
    db.close()
  }
}

/**
 * Checks a household: SQLite's own integrity, its references, its version, and whether its pictures are
 * there.
 * @param path a database, or a copy's folder
 * @returns what is wrong, in words; nothing when it is sound
 */
export function checkHousehold(path: string): string[] {
  const file = existsSync(join(path, DATABASE)) ? join(path, DATABASE) : path
  if (!existsSync(file)) return [`there is no household at ${path}`]
  let db: Database.Database
  try {
    db = new Database(file, { readonly: true, fileMustExist: true })
  } catch (error) {
    return [`${file} cannot be opened: ${(error as Error).message}`]
  }
  try {
    const faults = (db.pragma('integrity_check') as { integrity_check: string }[])
      .map((row) => row.integrity_check)
      .filter((said) => said !== 'ok')
    const loose = db.pragma('foreign_key_check') as { table: string }[]
    if (loose.length > 0)
      faults.push(
        `${loose.length} rows refer to what is not there (${[...new Set(loose.map((row) => row.table))].join(', ')})`,
      )
    const version = db.pragma('user_version', { simple: true }) as number
    if (version > migrationCount())
      faults.push(`it is at version ${version}, newer than the ${migrationCount()} this program knows`)
    if (version === 0) faults.push('not an Omsel data file')
    const missing = picturesIn(file).filter((id) => !existsSync(join(dirname(file), PICTURES, `${id}.jpg`)))
    if (missing.length > 0) faults.push(`${missing.length} pictures are missing, the first is ${missing[0]!}`)
    return faults
  } catch (error) {
    return [`${file} cannot be read: ${(error as Error).message}`]
  } finally {
    db.close()
  }
}

/**
 * Puts a copy in the place of a household; what was there is moved aside, nothing is thrown away.
 * @returns where the replaced household is now; undefined when there was none
 * @throws {Error} in words: the copy is not sound, or the household is in use
 */
export function restoreCopy(copy: string, file: string, nowMs: number): string | undefined {
  const faults = checkHousehold(copy)
  if (faults.length > 0) throw new Error(`the backup is damaged: ${faults.join('; ')}`)
  const user = inUseBy(file)
  if (user !== undefined) throw new Error(`server is running (process ${user}); stop it first`)
  const taken = lockHousehold(file)
  try {
    return putInPlace(copy, file, nowMs)
  } finally {
    if (taken) releaseHousehold(file)
  }
}

function putInPlace(copy: string, file: string, nowMs: number): string | undefined {
  const folder = dirname(file)
  mkdirSync(folder, { recursive: true })
  let aside: string | undefined
  if (existsSync(file)) {
    aside = join(folder, `before-${copyName(nowMs)}`)
    mkdirSync(aside)
    for (const name of [basename(file), `${basename(file)}-wal`, `${basename(file)}-shm`, PICTURES])
      if (existsSync(join(folder, name))) renameSync(join(folder, name), join(aside, name))
  }
  mkdirSync(join(folder, PICTURES), { recursive: true })
  for (const name of existsSync(join(copy, PICTURES)) ? readdirSync(join(copy, PICTURES)) : [])
    copyFileSync(join(copy, PICTURES, name), join(folder, PICTURES, name))
  // The database last and under another name first: a torn restore is no household.
  copyFileSync(join(copy, DATABASE), `${file}.part`)
  renameSync(`${file}.part`, file)
  return aside
}
