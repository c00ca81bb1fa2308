import type { Candidate, OnTheTable } from '#core/compare/by-hour'
import type { ErrorCode } from '#core/contract/fields'
import { fieldError } from '#core/contract/field-error'
import { PROGRESS_CHANNEL, STOPPED, type prepareImport } from '#server/commands/prepare-import'
import type { ImportWrite, writeImport } from '#server/commands/write-import'
import { availableParallelism } from 'node:os'
import { resolve } from 'node:path'
import { Piscina } from 'piscina'
import { refusedFor } from './handlers'

/**
 * Two thousand kitchens or a dozen dishes take a second and more; meanwhile a key pressed at the stove must
 * be heard.
 */
const LONG: ReadonlySet<string> = new Set(['simulate', 'schedule'])
/** Questions that may wait for a thread. */
const MAX_WAITING = 16
/** A thread without a question ends after this long, ms. */
const IDLE_MS = 60_000

/** A plan takes long only where it is tried in many kitchens. */
export const takesLong = (question: string, text: string): boolean =>
  LONG.has(question) || (question === 'plan' && /"(runs|own)"\s*:/.test(text))

declare global {
  // One pool for a process, however often its modules are loaded while developing.
  var omselThreads: Piscina | undefined
}

/** The worker as built; while developing and in tests, as it is written. */
const worker = () =>
  process.env.NODE_ENV === 'production'
    ? { filename: resolve(process.env.OMSEL_ROOT ?? '.', 'build/node/worker.js') }
    : { filename: resolve('server/api/worker.ts'), execArgv: ['--import', 'tsx'] }

const threads = (): Piscina =>
  (globalThis.omselThreads ??= new Piscina({
    ...worker(),
    minThreads: 0,
    // One core is left for pages.
    maxThreads: Math.max(1, availableParallelism() - 1),
    idleTimeout: IDLE_MS,
  }))

const refused = (status: number, code: ErrorCode, message: string) => ({
  status,
  json: JSON.stringify(refusedFor(status, code, message).body),
})

/**
 * Answers a question in a thread of its own.
 * @param signal when the one who asked has gone, the thread is ended and another takes the next
 */
export async function runInWorker(
  question: string,
  text: string,
  signal?: AbortSignal,
): Promise<{ status: number; json: string }> {
  const pool = threads()
  if (pool.queueSize >= MAX_WAITING)
    return refused(429, 'busy', `${MAX_WAITING} questions are waiting already; ask again in a moment`)
  try {
    return (await pool.run({ question, text }, signal ? { signal } : {})) as { status: number; json: string }
  } catch (error) {
    if (signal?.aborted) return refused(408, 'cancelled', 'cancelled: the client disconnected')
    throw error
  }
}

/**
 * What of all that could be cooked is ready in so many minutes, worked out in a thread: hundreds of plans.
 * @throws when the one who asked has gone
 */
export async function readyInWorker<T>(
  candidates: Candidate<T>[],
  minutes: number,
  signal?: AbortSignal,
): Promise<{ ready: OnTheTable<T>[]; tooLate: OnTheTable<T>[] }> {
  const options = { name: 'readyBy', ...(signal ? { signal } : {}) }
  return (await threads().run({ candidates, minutes }, options)) as never
}

/** Prepares an import in a thread: reading a household of any size holds up nobody. */
export const prepareInWorker: typeof prepareImport = async (preparation, onProgress, signal) => {
  const channel = new BroadcastChannel(PROGRESS_CHANNEL)
  channel.onmessage = (event: MessageEvent) => {
    const { done, total } = event.data as { done: number; total: number }
    onProgress?.(done, total)
  }
  try {
    const options = { name: 'prepare', ...(signal ? { signal } : {}) }
    return (await threads().run(preparation, options)) as Awaited<ReturnType<typeof prepareImport>>
  } catch (error) {
    if (signal?.aborted) return fieldError('file', `cannot be imported: ${STOPPED}`)
    throw error
  } finally {
    channel.close()
  }
}

/** Writes an import in a thread: a large one is written for seconds, and pages are read meanwhile. */
export const writeInWorker = async (wanted: ImportWrite): Promise<ReturnType<typeof writeImport>> =>
  (await threads().run(wanted, { name: 'write' })) as ReturnType<typeof writeImport>

/** Ends the threads, for tests. */
export async function endThreads(): Promise<void> {
  await globalThis.omselThreads?.destroy()
  globalThis.omselThreads = undefined
}
