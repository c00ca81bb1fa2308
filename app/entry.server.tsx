import { randomBytes } from 'node:crypto'
import { rmSync } from 'node:fs'
import { PassThrough } from 'node:stream'
import { createReadableStreamFromReadable } from '@react-router/node'
import { isbot } from 'isbot'
import { renderToPipeableStream } from 'react-dom/server'
import { isRouteErrorResponse, ServerRouter, type EntryContext } from 'react-router'
import { startCopies } from '#server/backup/daily'
import { startWatching } from '#server/devices/start'
import { incomingFolder } from '#server/commands/transfer'
import { kitchen, openHousehold } from '#server/kitchen'
import { noteDamage } from '#server/store/write-probe'
import { databaseFile } from '#server/store/open-household'
import { errorOf, log, placeOf } from '#server/log'
import { currentBeliefs } from '#server/queries/beliefs'
import { NonceContext } from './layout/nonce'

// The server around the pages is plain JavaScript; what it guards the household with comes with the build.
export { failed, logged, prepareHttps, requireSession, whyNotReady } from '#server/http/auth/auth'
export { isLoopback } from '#server/http/auth/hosts'
export { afterImport, inTurn } from '#server/http/in-turn'
export { sendHousehold } from '#server/transfer/send-household'
export { storeNothing } from '#server/http/public-demo'
export { redirectRenamed } from '#server/http/redirects'
export { log } from '#server/log'

/** Opens the household and what goes on beside its pages.  @returns why it cannot be opened, in words */
export function openAtStart(): ReturnType<typeof openHousehold> {
  const opened = openHousehold()
  if (!opened.ok) return opened
  // What came in for an import that was never finished.
  rmSync(incomingFolder(databaseFile()), { recursive: true, force: true })
  startWatching()
  startCopies()
  // Before anybody asks: a long notebook takes some seconds, and a page would hold up the stove with it.
  currentBeliefs(kitchen())
  return opened
}
// The development server has no start of its own.
if (import.meta.env.DEV) openAtStart()

/** What went wrong behind a page, for the log. A visitor who left, and what has a status of its own, is no fault. */
export function handleError(error: unknown, { request }: { request: Request }): void {
  noteDamage(error)
  if (request.signal.aborted || isRouteErrorResponse(error) || error instanceof Response) return
  log.error({ place: placeOf(new URL(request.url).pathname), error: errorOf(error) }, 'page failed')
}

/** What a page still waits for is given up after this, ms: a busy board is slow, not broken. */
export const streamTimeout = 30_000

const policy = (nonce: string): string =>
  [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}'`,
    `style-src 'self' 'nonce-${nonce}'`,
    // Server-rendered style attributes are not covered by a nonce.
    "style-src-attr 'unsafe-inline'",
    "img-src 'self' data:",
    "font-src 'self'",
    "connect-src 'self'",
    "worker-src 'self'",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ')

export default function handleRequest(
  request: Request,
  status: number,
  headers: Headers,
  context: EntryContext,
): Promise<Response> {
  const nonce = import.meta.env.PROD ? randomBytes(16).toString('base64') : undefined
  return new Promise((resolve, reject) => {
    let shellSent = false
    const wholePage = isbot(request.headers.get('user-agent')) || context.isSpaMode
    const { pipe, abort } = renderToPipeableStream(
      <NonceContext value={nonce}>
        <ServerRouter context={context} url={request.url} nonce={nonce} />
      </NonceContext>,
      {
        nonce,
        // A page in its order, however long: by scripts it would come in pieces.
        progressiveChunkSize: Infinity,
        [wholePage ? 'onAllReady' : 'onShellReady']() {
          shellSent = true
          // The timer holds the whole page: it ends with it.
          const body = new PassThrough().once('close', () => clearTimeout(late))
          headers.set('Content-Type', 'text/html; charset=utf-8')
          headers.set('Cache-Control', 'no-store')
          if (nonce) headers.set('Content-Security-Policy', policy(nonce))
          resolve(new Response(createReadableStreamFromReadable(body), { headers, status }))
          pipe(body)
        },
        onShellError(error: unknown) {
          clearTimeout(late)
          reject(error as Error)
        },
        onError(error: unknown) {
          status = 500
          // A shell that failed is logged by handleError.
          if (shellSent || wholePage)
            log.error(
              { place: placeOf(new URL(request.url).pathname), error: errorOf(error) },
              'page failed while it was written',
            )
        },
      },
    )
    const late = setTimeout(abort, streamTimeout + 1000)
  })
}
