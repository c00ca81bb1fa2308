import type { NextFunction, Request, RequestHandler, Response } from 'express'
import { dirname, join } from 'node:path'
import { noteDamage, whyDamaged, whyNotWritable } from '#server/store/write-probe'
import { migrationCount } from '#server/store/open'
import { kitchen } from '#server/kitchen'
import { databaseFile } from '#server/store/open-household'
import { opensCalendar } from '#server/commands/calendar-key'
import { errorOf, log, placeOf } from '#server/log'
import { nowMs } from '#server/clock'
import type { Certificates } from './certificate'
import { addressesHere, isOurs, namesHere } from './hosts'
import { refusedFor, type Answer } from '#server/api/handlers'
import { PairingCodes } from './pairing-codes'
import { isForPrograms, mayProgram, programScope } from './program-tokens'
import { isAuthenticated, tokenIn } from './sessions'
import { Throttle } from './throttle'

/** Where a request came in: at this machine's own address, or at the network's. */
export interface Listener {
  network: boolean
  secure: boolean
}

interface State {
  throttle: Throttle
  joins: PairingCodes
  /** The network's address and certificates, when it is open to it. */
  network: { port: number; addresses: string[]; certificates: Certificates } | undefined
}
declare global {
  var omselGuard: State | undefined
}
export const guardState = (): State =>
  (globalThis.omselGuard ??= {
    throttle: new Throttle(() => kitchen().access),
    joins: new PairingCodes(),
    network: undefined,
  })

const LISTENER = 'x-omsel-listener'
const ADDRESS = 'x-omsel-address'

/**
 * Where a request came in, and from which address; set by {@link requireSession}, whatever the sender
 * wrote there.
 */
export function listenerOf(request: Pick<globalThis.Request, 'headers'>): Listener & { address: string } {
  const listener = request.headers.get(LISTENER)
  return {
    network: listener === 'network' || listener === 'network-open',
    secure: listener === 'network',
    address: request.headers.get(ADDRESS) ?? '',
  }
}

/** Paths that need no session: signing in, and nothing of the household. */
const OPEN = /^\/(login(\.data)?|healthz|readyz|authority\.pem)$/

/** A stream ends by itself when its session has; what has not ended by then is cut off, ms. */
const CUT_OFF_MS = 8000

/**
 * Middleware before every page: answers only to names of this machine, and on the network only to devices
 * that were let in.
 */
export const requireSession = ({ network, secure }: Listener): RequestHandler => {
  const names = namesHere()
  return (request: Request, response: Response, next: NextFunction) => {
    request.headers[LISTENER] = network ? (secure ? 'network' : 'network-open') : 'own'
    request.headers[ADDRESS] = request.socket.remoteAddress ?? ''
    if (!isOurs(request.get('host'), network, names))
      return void response.status(421).type('text').send('This address is not allowed.')
    if (!network || OPEN.test(request.path) || hasCalendarKey(request)) return next()
    const isStillSignedIn = () => isSignedIn(request.get('cookie'), secure)
    if (isStillSignedIn()) {
      const looking = setInterval(() => isStillSignedIn() || response.destroy(), CUT_OFF_MS).unref()
      response.on('close', () => clearInterval(looking))
      return next()
    }
    if (isForPrograms(request)) {
      const refusal = programRefusal(request)
      if (refusal === undefined) return next()
      return void response
        .status(refusal.status)
        .set(refusal.status === 401 ? { 'WWW-Authenticate': 'Bearer realm="Omsel"' } : {})
        .json(refusal.body)
    }
    const asksForPage = request.method === 'GET' && (request.get('accept') ?? '').includes('text/html')
    if (asksForPage)
      return void response.redirect(302, `/login?to=${encodeURIComponent(request.originalUrl.slice(0, 500))}`)
    response.status(401).type('text').send('Sign in with the passphrase first.')
  }
}

/** Why a program may not send this; undefined when it may. */
function programRefusal(request: Request): Answer | undefined {
  const scope = programScope(kitchen().access, request.get('authorization'), nowMs())
  if (scope === undefined)
    return refusedFor(
      401,
      'not-allowed',
      'This token is not known here. Make one under Settings, Other devices, and send it as “Authorization: Bearer …”.',
    )
  return mayProgram(scope, request)
    ? undefined
    : refusedFor(403, 'not-allowed', 'This token is for reading. Make one that may write.')
}

const CALENDAR = /^\/meal\/([\w-]{1,64})\/calendar\.ics$/

/** A calendar program reads one meal by its secret address, without a session. */
function hasCalendarKey({ method, path, query }: Request): boolean {
  const meal = CALENDAR.exec(path)?.[1]
  if (meal === undefined || (method !== 'GET' && method !== 'HEAD') || typeof query.key !== 'string')
    return false
  return opensCalendar(kitchen(), meal, query.key)
}

const isSignedIn = (cookie: string | null | undefined, secure: boolean): boolean =>
  isAuthenticated(kitchen().access, tokenIn(cookie, secure), nowMs())

/** A check whether the sender of a request is still signed in. This computer needs no session. */
export function signedInCheck(headers: Headers): () => boolean {
  const { network, secure } = listenerOf({ headers })
  return () => !network || isSignedIn(headers.get('cookie'), secure)
}

/** One line a request, at its end; what failed is said louder. */
export const logged: RequestHandler = (request, response, next) => {
  const from = performance.now()
  response.on('finish', () => {
    const line = {
      method: request.method,
      place: placeOf(request.path),
      status: response.statusCode,
      ms: Math.round(performance.now() - from),
    }
    if (response.statusCode >= 500) log.error(line, 'request failed')
    else log.debug(line, 'request')
  })
  next()
}

/** The last word on what went wrong below the pages: in words, without what it was made of. */
export const failed = (error: unknown, request: Request, response: Response, next: NextFunction): void => {
  const status = Number((error as { status?: unknown }).status)
  const theirs = status >= 400 && status < 500
  noteDamage(error)
  if (!theirs) log.error({ place: placeOf(request.path), error: errorOf(error) }, 'request failed')
  if (response.headersSent) return next(error)
  response
    .status(theirs ? status : 500)
    .type('text')
    .send(
      theirs
        ? 'Bad request.'
        : 'Something went wrong; the log says why. "bin/omsel check" looks the household over.',
    )
}

/**
 * Why the server is not ready, in a cook's words: the household cannot be read, written to, or is of another
 * version.  @returns nothing when it is
 */
export function whyNotReady(): string | undefined {
  try {
    const { db } = kitchen()
    const why =
      db.pragma('user_version', { simple: true }) === migrationCount()
        ? (whyDamaged() ?? whyNotWritable(db))
        : 'The household was opened by another version of Omsel. Start Omsel again.'
    if (why !== undefined) log.error({ why }, 'not ready')
    return why
  } catch (error) {
    noteDamage(error)
    log.error({ error: errorOf(error) }, 'not ready')
    return whyDamaged() ?? 'The household cannot be read. “bin/omsel check” says why.'
  }
}

/** Readies the network's certificates.  @returns its certificates, or why it stays shut, in words */
export async function prepareHttps(
  port: number,
): Promise<{ ok: true; value: Certificates } | { ok: false; message: string }> {
  if (!kitchen().access.passphrase())
    return {
      ok: false,
      message:
        'HOST opens Omsel to the network, and no passphrase is set. Set one with "bin/omsel passphrase" or under Settings, Other devices; then start again.',
    }
  // Only a kitchen on the network needs these packages.
  const { certificatesIn } = await import('./certificate')
  const addresses = addressesHere()
  const certificates = await certificatesIn(
    join(dirname(databaseFile()), 'tls'),
    namesHere(),
    addresses,
    Date.now(),
  )
  guardState().network = { port, addresses, certificates }
  return { ok: true, value: certificates }
}
