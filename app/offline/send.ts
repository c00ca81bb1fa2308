/** Not let in any more, too slow, by another name, too much at once: no word on what was sent. */
const NOT_NOW: ReadonlySet<number> = new Set([401, 408, 421, 429])
/** A line that takes something and never answers is given up after this, ms; it is sent again. */
const SEND_MS = 15_000

/** What the server said, or why it would not have it, in its words. */
export type Sent = { ok: true; said: unknown } | { ok: false; refused: string }

/**
 * Sends something that waits on the device.
 * @throws where the server cannot be reached, or cannot take it now: it stays, and is sent again
 */
export async function send(address: string, body: object): Promise<Sent> {
  const response = await fetch(address, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify(body),
    signal: AbortSignal.timeout(SEND_MS),
  })
  if (response.status >= 500 || NOT_NOW.has(response.status))
    throw new Error(`the server said ${response.status}`)
  const said: unknown = await response.json().catch(() => undefined)
  if (response.ok) return { ok: true, said }
  const { errors } = (said ?? {}) as { errors?: { message: string }[] }
  return { ok: false, refused: errors?.[0]?.message ?? `the server said ${response.status}` }
}

/** A list that waits on the device; empty where what is there cannot be read. */
export function waitingIn<T>(key: string): T[] {
  try {
    const list: unknown = JSON.parse(localStorage.getItem(key) ?? '[]')
    return Array.isArray(list) ? (list as T[]) : []
  } catch {
    return []
  }
}
