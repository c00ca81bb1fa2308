import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { dirname } from 'node:path'
import Database from 'better-sqlite3'
import { makeHouseholdPrivate } from './private-files'

declare global {
  // On the global object because the development server reloads modules.
  var omselLocks: Map<string, Database.Database> | undefined
}

const markOf = (file: string): string => `${file}.in-use`

/** Whether the last server that had the household open did not give it back: it was killed, or the power went. */
export const wasLeftOpen = (file: string): boolean => existsSync(markOf(file))

/** Someone else has the household open. */
export class HouseholdInUse extends Error {
  constructor(file: string) {
    const pid = inUseBy(file)
    super(
      `${file} is open in another Omsel${pid === undefined ? '' : ` (process ${pid})`}. Stop that one first, or name another household with OMSEL_DATA.`,
    )
    this.name = 'HouseholdInUse'
  }
}

/**
 * Takes a household for this process alone, until it ends or releases it. The lock is the system's own, on a file
 * beside the database: it goes with its process, however that ends, so that none is ever stale.
 * @returns whether it was taken now; false where this process has it already
 * @throws {HouseholdInUse} in words
 */
export function lockHousehold(file: string): boolean {
  const held = (globalThis.omselLocks ??= new Map())
  if (file === ':memory:' || held.has(file)) return false
  mkdirSync(dirname(file), { recursive: true })
  const lock = new Database(`${file}.lock`, { timeout: 0 })
  try {
    lock.exec('BEGIN EXCLUSIVE')
  } catch (error) {
    lock.close()
    if ((error as { code?: string }).code?.startsWith('SQLITE_BUSY')) throw new HouseholdInUse(file)
    throw error
  }
  held.set(file, lock)
  makeHouseholdPrivate(file)
  // Who it is, for the words of others.
  writeFileSync(markOf(file), String(process.pid))
  process.once('exit', () => releaseHousehold(file))
  return true
}

/** Gives a household back that this process had taken. */
export function releaseHousehold(file: string): void {
  const lock = globalThis.omselLocks?.get(file)
  if (!lock) return
  globalThis.omselLocks!.delete(file)
  if (existsSync(markOf(file)) && readFileSync(markOf(file), 'utf8') === String(process.pid))
    rmSync(markOf(file), { force: true })
  lock.close()
}

/** Which living process has said that it has the household open; one that was killed does not count. */
export function inUseBy(file: string): number | undefined {
  if (!existsSync(markOf(file))) return undefined
  const pid = Number(readFileSync(markOf(file), 'utf8'))
  if (!Number.isInteger(pid) || pid <= 0) return undefined
  try {
    process.kill(pid, 0)
    return pid
  } catch (error) {
    // The process exists, but belongs to another user.
    return (error as NodeJS.ErrnoException).code === 'EPERM' ? pid : undefined
  }
}
