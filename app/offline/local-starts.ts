import type { PlanRequestJson } from '#core/contract/plan-request'
import { STARTS_KEY } from './starts-key'

/** What is shown of a batch besides its plan, and no request says. */
export interface ShownStart {
  vesselName: string
  /** When it is to be served, by this device's clock. */
  tableMs: number
}

/** A batch that was started without a connection: it counts here, and the household hears of it later. */
export interface LocalStart<Shown extends ShownStart = ShownStart> {
  /** The batch's own, also once the household has it. */
  id: string
  /** By this device's clock. */
  startedMs: number
  /** What the server is sent. */
  start: { request: PlanRequestJson } & Record<string, unknown>
  shown: Shown
  /** Why the household would not have it, in its words. */
  refused?: string
}

/** A line that takes a start and never answers is given up after this, ms; it is sent again. */
const SEND_MS = 15_000

export function localStarts(): LocalStart[] {
  try {
    const list: unknown = JSON.parse(localStorage.getItem(STARTS_KEY) ?? '[]')
    return Array.isArray(list) ? (list as LocalStart[]) : []
  } catch {
    return []
  }
}

export const localStart = <Shown extends ShownStart>(id: string): LocalStart<Shown> | undefined =>
  localStarts().find((start) => start.id === id) as LocalStart<Shown> | undefined

function store(list: LocalStart[]): void {
  if (list.length === 0) localStorage.removeItem(STARTS_KEY)
  else localStorage.setItem(STARTS_KEY, JSON.stringify(list))
}

export const saveStart = (start: LocalStart): void =>
  store([...localStarts().filter(({ id }) => id !== start.id), start])

export const dropStart = (id: string): void => store(localStarts().filter((start) => start.id !== id))

/** Not let in any more, too slow, too much at once: no word on the start itself. */
const NOT_NOW: ReadonlySet<number> = new Set([401, 408, 421, 429])

/** One try at a time: a page and its stove may both think of it. */
let sending: Promise<boolean> | undefined

/** Sends what waits, the first first.  @returns whether the household has them all by now */
export function sendStarts(): Promise<boolean> {
  sending ??= sendAll().finally(() => (sending = undefined))
  return sending
}

async function sendAll(): Promise<boolean> {
  for (const waiting of localStarts()) {
    if (waiting.refused !== undefined) continue
    const { id, startedMs, start } = waiting
    const response = await fetch('/cooks', {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ ...start, id, started_ms: startedMs, sent_ms: Date.now() }),
      signal: AbortSignal.timeout(SEND_MS),
    }).catch(() => undefined)
    if (!response || response.status >= 500 || NOT_NOW.has(response.status)) return false
    if (response.ok) dropStart(id)
    else {
      const said = (await response.json().catch(() => undefined)) as
        { errors?: { message: string }[] } | undefined
      saveStart({ ...waiting, refused: said?.errors?.[0]?.message ?? `the server said ${response.status}` })
    }
  }
  return localStarts().length === 0
}
