import type { PlanRequestJson } from '#core/contract/plan-request'
import { send, waitingIn } from './send'
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

export const localStarts = (): LocalStart[] => waitingIn<LocalStart>(STARTS_KEY)

export const localStart = <Shown extends ShownStart>(id: string): LocalStart<Shown> | undefined =>
  localStarts().find((start) => start.id === id) as LocalStart<Shown> | undefined

function store(list: LocalStart[]): void {
  if (list.length === 0) localStorage.removeItem(STARTS_KEY)
  else localStorage.setItem(STARTS_KEY, JSON.stringify(list))
}

export const saveStart = (start: LocalStart): void =>
  store([...localStarts().filter(({ id }) => id !== start.id), start])

export const dropStart = (id: string): void => store(localStarts().filter((start) => start.id !== id))

/** One try at a time: a page and its stove may both think of it. */
let sending: Promise<void> | undefined

/** Sends what waits, the first first, as far as the household can be reached. */
export function sendStarts(): Promise<void> {
  sending ??= sendAll().finally(() => (sending = undefined))
  return sending
}

async function sendAll(): Promise<void> {
  for (const waiting of localStarts()) {
    if (waiting.refused !== undefined) continue
    const { id, startedMs, start } = waiting
    try {
      const sent = await send('/cooks', { ...start, id, started_ms: startedMs, sent_ms: Date.now() })
      if (sent.ok) dropStart(id)
      else saveStart({ ...waiting, refused: sent.refused })
    } catch {
      return
    }
  }
}
