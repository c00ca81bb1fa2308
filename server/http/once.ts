import { errorOf, log } from '#server/log'
import type { Db } from '#server/store/open'
import { inOneWrite } from '#server/store/write'

/** How long an answer is kept for who asks again, ms. */
const KEPT_MS = 2 * 86_400_000
/** An answer is no longer than this, bytes; a longer one is not kept, and the form is only known to be done. */
const MAX_ANSWER = 400_000
const ID = /^[\w.-]{8,100}$/

const UNSURE =
  'This form was sent before, and whether it was saved is not known: the server was stopped meanwhile. Look whether it is there; if not, open the page again and send it again.'
const DONE = 'This form was sent before and has been saved.'

interface Stored {
  status: number | null
  headers: string | null
  body: Buffer | null
}

/** Forms that are being answered right now, by their number. */
const underWay = new Map<string, Promise<Response>>()

/** Forms that were refused on a disk that then did not even take this; by their number. */
const refusedForms = new Set<string>()

/** The number a form carries; undefined for one that carries none, or is no form that can be read at once. */
export async function formIdOf(request: Request): Promise<string | undefined> {
  const type = request.headers.get('content-type') ?? ''
  if (request.method !== 'POST' || !type.startsWith('application/x-www-form-urlencoded')) return undefined
  const id = new URLSearchParams(await request.clone().text()).get('form_id')
  return id !== null && ID.test(id) ? id : undefined
}

/**
 * Answers a form once. A repeat gets the first answer; a form that was refused may be corrected and sent again
 * under its number.
 * @param act does what the form asks for
 */
export async function once(
  db: Db,
  id: string,
  nowMs: number,
  act: () => Promise<Response>,
): Promise<Response> {
  const waiting = underWay.get(id)
  if (waiting) return (await waiting).clone()
  const known = db.prepare('SELECT status, headers, body FROM answered_form WHERE id = ?').get(id) as
    Stored | undefined
  if (known && !refusedForms.has(id)) return again(known)
  const answering = answered(db, id, nowMs, act)
  underWay.set(id, answering)
  try {
    return (await answering).clone()
  } finally {
    underWay.delete(id)
  }
}

async function answered(db: Db, id: string, nowMs: number, act: () => Promise<Response>): Promise<Response> {
  inOneWrite(db, () => {
    db.prepare('DELETE FROM answered_form WHERE at_ms < ?').run(Math.round(nowMs - KEPT_MS))
    db.prepare('INSERT OR REPLACE INTO answered_form (id, at_ms) VALUES (?, ?)').run(id, Math.round(nowMs))
  })
  refusedForms.delete(id)
  let response: Response
  try {
    response = await act()
  } catch (error) {
    try {
      inOneWrite(db, () => forget(db, id))
    } catch {
      refusedForms.add(id)
    }
    throw error
  }
  const { status, headers } = response
  const body = Buffer.from(await response.arrayBuffer())
  try {
    inOneWrite(db, () => (status >= 400 ? forget(db, id) : remember(db, id, { status, headers, body })))
  } catch (error) {
    // It is done, and its sender hears so; only who sends it again hears that this is not known.
    log.warn({ error: errorOf(error) }, 'the answer of a form was not stored')
  }
  return new Response(bodyFor(status, body), { status, headers })
}

const forget = (db: Db, id: string) => db.prepare('DELETE FROM answered_form WHERE id = ?').run(id)

const remember = (
  db: Db,
  id: string,
  { status, headers, body }: { status: number; headers: Headers; body: Buffer },
) =>
  db
    .prepare('UPDATE answered_form SET status = ?, headers = ?, body = ? WHERE id = ?')
    .run(status, JSON.stringify([...headers]), body.length > MAX_ANSWER ? null : body, id)

/** Some answers have no body, not even an empty one. */
const bodyFor = (status: number, body: Buffer): Uint8Array<ArrayBuffer> | null =>
  status === 204 || status === 304 ? null : new Uint8Array(body)

const plain = (text: string, status: number): Response =>
  new Response(text, { status, headers: { 'Content-Type': 'text/plain; charset=utf-8' } })

function again({ status, headers, body }: Stored): Response {
  if (status === null) return plain(UNSURE, 409)
  if (body === null) return plain(DONE, 200)
  return new Response(bodyFor(status, body), {
    status,
    headers: JSON.parse(headers!) as [string, string][],
  })
}
