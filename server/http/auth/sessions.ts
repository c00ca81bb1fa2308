import { createHash, randomBytes } from 'node:crypto'
import type { accessIn } from '#server/store/access'

type Access = ReturnType<typeof accessIn>

const DAY_MS = 86_400_000
/** A device that was not seen for so long is asked again, and every device after so long. */
export const SESSION_DAYS = { idle: 60, most: 400 } as const
/** Seen is written down no oftener than this. */
const SEEN_EVERY_MS = 10 * 60_000
const TOKEN_BYTES = 32
/** Over HTTPS the name itself forbids another site or an open line to set it. */
export const cookieName = (secure: boolean): string => (secure ? '__Host-omsel' : 'omsel')

const hashOf = (token: string): string => createHash('sha256').update(token).digest('base64url')

/** Creates a session.  @returns its token; only the hash is stored */
export function createSession(access: Access, device: string, nowMs: number): string {
  const token = randomBytes(TOKEN_BYTES).toString('base64url')
  access.dropStale(nowMs - SESSION_DAYS.idle * DAY_MS, nowMs - SESSION_DAYS.most * DAY_MS)
  access.addSession({
    token_hash: hashOf(token),
    device: device.slice(0, 60),
    made_ms: Math.round(nowMs),
    seen_ms: Math.round(nowMs),
  })
  return token
}

/** Whether a token is of a device that was let in, and not too long ago. */
export function isAuthenticated(access: Access, token: string | undefined, nowMs: number): boolean {
  if (token === undefined || token.length > 200) return false
  const found = access.session(hashOf(token))
  if (!found) return false
  if (
    found.seen_ms < nowMs - SESSION_DAYS.idle * DAY_MS ||
    found.made_ms < nowMs - SESSION_DAYS.most * DAY_MS
  ) {
    access.dropSession(found.token_hash)
    return false
  }
  if (found.seen_ms < nowMs - SEEN_EVERY_MS) access.sawSession(found.token_hash, Math.round(nowMs))
  return true
}

export const revokeSession = (access: Access, token: string): boolean => access.dropSession(hashOf(token))

export const sessionCookie = (token: string, secure: boolean): string =>
  `${cookieName(secure)}=${token}; Path=/; HttpOnly; SameSite=Strict; Max-Age=${SESSION_DAYS.most * 86_400}${secure ? '; Secure' : ''}`
export const noCookie = (secure: boolean): string =>
  `${cookieName(secure)}=; Path=/; HttpOnly; SameSite=Strict; Max-Age=0${secure ? '; Secure' : ''}`

/** The token a browser shows, out of its Cookie header. */
export function tokenIn(cookies: string | undefined | null, secure: boolean): string | undefined {
  const name = `${cookieName(secure)}=`
  return (
    (cookies ?? '')
      .split(';')
      .map((part) => part.trim())
      .find((part) => part.startsWith(name))
      ?.slice(name.length) || undefined
  )
}

/** What kind of device it is, as a household would say. */
export function deviceWord(userAgent: string | null | undefined): string {
  const agent = userAgent ?? ''
  return /iPad|Tablet|Android(?!.*Mobile)/.test(agent)
    ? 'tablet'
    : /Mobile|iPhone/.test(agent)
      ? 'phone'
      : /Mozilla/.test(agent)
        ? 'computer'
        : 'program'
}
