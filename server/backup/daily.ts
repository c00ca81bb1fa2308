import { existsSync, readdirSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { databaseFile } from '#server/store/open-household'
import { errorOf, log } from '#server/log'
import { copiesFolder, copyName, takeCopy } from './copy'

const HOUR = 3_600_000
const DAY_MS = 24 * HOUR
/** Made a little early rather than a day late. */
const DUE_MS = DAY_MS - HOUR / 2
const FIRST_LOOK_MS = 5 * 60_000
const USUAL_COPIES = 14

const NAME = /^\d{4}-\d{2}-\d{2}T\d{2}-\d{2}-\d{2}Z$/
/** Names of a household's copies, the oldest first. */
export const copiesIn = (file: string): string[] => {
  const folder = copiesFolder(file)
  return existsSync(folder)
    ? readdirSync(folder)
        .filter((name) => NAME.test(name))
        .sort()
    : []
}

/**
 * Makes the day's copy when it is due, and throws the oldest away over the limit.
 * @param most how many copies are kept; 0 turns copies off
 * @returns the new copy's folder, if one was made
 */
export async function dailyCopy(
  file: string,
  nowMs: number,
  most = USUAL_COPIES,
): Promise<string | undefined> {
  if (most <= 0 || file === ':memory:') return undefined
  const folder = copiesFolder(file)
  if ((copiesIn(file).at(-1) ?? '') > copyName(nowMs - DUE_MS)) return undefined
  const made = await takeCopy(file, folder, nowMs)
  for (const name of copiesIn(file).slice(0, -most))
    rmSync(join(folder, name), { recursive: true, force: true })
  return made
}

declare global {
  var omselCopies: (() => void) | undefined
}

/**
 * A server that runs makes the day's copy of its household; once, however often the development server
 * reloads its modules.
 */
export function startCopies(): void {
  globalThis.omselCopies?.()
  globalThis.omselCopies = copyDaily(databaseFile(), Date.now)
}

/** Checks every hour whether the day's copy is due.  @returns a function that stops it */
function copyDaily(file: string, now: () => number): () => void {
  const most = Number(process.env.OMSEL_COPIES ?? USUAL_COPIES)
  const look = () =>
    void dailyCopy(file, now(), Number.isFinite(most) ? most : USUAL_COPIES).catch((error: Error) =>
      log.error({ error: errorOf(error) }, 'the day’s copy could not be made'),
    )
  const first = setTimeout(look, FIRST_LOOK_MS)
  const hourly = setInterval(look, HOUR)
  first.unref()
  hourly.unref()
  return () => {
    clearTimeout(first)
    clearInterval(hourly)
  }
}
