import './server-env.js'
import { createRequestHandler } from '@react-router/express'
import { createHash } from 'node:crypto'
import { readdirSync, readFileSync } from 'node:fs'
import http from 'node:http'
import https from 'node:https'
import compression from 'compression'
import express from 'express'
import helmet from 'helmet'

const BUILD = './build/server/index.js' // a variable, so that type-checking does not depend on a build
const MAX_BODY = 1_000_000 // bytes
const MAX_PHOTO_BODY = 13_000_000 // a picture of 12 MB, and what a form wraps around it
const MAX_HOUSEHOLD_BODY = 50_000_000_000 // a household of any size, written to disk as it comes
const FINISH_MS = 10_000 // how long a request may still take when the server is asked to end
// an idle line is kept for longer than callers keep it: who ends it first never cuts off a question
const KEEP_MS = 65_000
/** A request's head, and all of it, must be here by then, ms: nobody holds a line with a trickle. */
const HEADERS_MS = 20_000
const REQUEST_MS = 120_000
/** A household may take longer, over a slow line. */
const UPLOAD_MS = 3_600_000
/** More lines than a household has devices for are refused. */
const MOST_CONNECTIONS = 1000
/** Suites of TLS 1.3, and those of 1.2 with forward secrecy and authenticated encryption; none with CBC or SHA-1. */
const CIPHERS = [
  'TLS_AES_256_GCM_SHA384',
  'TLS_CHACHA20_POLY1305_SHA256',
  'TLS_AES_128_GCM_SHA256',
  'ECDHE-ECDSA-AES128-GCM-SHA256',
  'ECDHE-RSA-AES128-GCM-SHA256',
  'ECDHE-ECDSA-AES256-GCM-SHA384',
  'ECDHE-RSA-AES256-GCM-SHA384',
  'ECDHE-ECDSA-CHACHA20-POLY1305',
  'ECDHE-RSA-CHACHA20-POLY1305',
].join(':')
/** A wrong start ends with this, and with words. */
const CANNOT_START = 2
/** @type {(message: string) => never} */
const cannotStart = (message) => {
  console.error(message)
  process.exit(CANNOT_START)
}
/** @type {(name: string, fallback: number) => number} */
const portNamed = (name, fallback) => {
  const text = process.env[name]
  if (text === undefined || text === '') return fallback
  const at = Number(text)
  if (!Number.isInteger(at) || at < 1 || at > 65535)
    cannotStart(`${name} must be a port from 1 to 65535, got "${text}".`)
  return at
}
const port = portNamed('PORT', 4870)
const host = process.env.HOST ?? '127.0.0.1'
const networkPort = portNamed('NETWORK_PORT', port + 1)

/** Forms of other sites may not act here. Programs that are no browser send no origin.
 *  @type {(request: express.Request) => boolean} */
const fromHere = (request) => {
  const origin = request.get('origin')
  if (origin === undefined) return !['cross-site', 'same-site'].includes(request.get('sec-fetch-site') ?? '')
  try {
    return new URL(origin).host === request.get('host')
  } catch {
    return false
  }
}

const build = await import(BUILD)
const {
  afterImport,
  failed,
  inTurn,
  isLoopback,
  whyNotReady,
  log,
  logged,
  openAtStart,
  prepareHttps,
  redirectRenamed,
  requireSession,
  sendHousehold,
  storeNothing,
} = build.entry.module
const opened = openAtStart()
if (!opened.ok) cannotStart(opened.message)
// On this machine no passphrase is asked; on the network a listener of its own asks for one.
const onNetwork = !isLoopback(host)
// The worker bears the build it belongs to, so that another build is another worker.
const VERSION = createHash('sha256').update(readFileSync('build/server/index.js')).digest('hex').slice(0, 12)
const ASSETS = readdirSync('build/client/assets')
  .filter((name) => /\.(js|css|woff2)$/.test(name))
  .map((name) => `/assets/${name}`)
const WORKER = readFileSync('build/client/sw.js', 'utf8')
  .replace('__VERSION__', VERSION)
  .replace('__ASSETS__', JSON.stringify(ASSETS))
const pages = createRequestHandler({ build })
let stopping = false

/** @type {(listener: { network: boolean, secure: boolean }) => express.Express} */
const householdBehind = (listener) => {
  const app = express()
  app.disable('x-powered-by')
  app.use(logged)
  app.use(
    helmet({
      // Pages set their own, with a number of their own; a household on plain HTTP stays on it.
      contentSecurityPolicy: false,
      strictTransportSecurity: false,
      // A name that was asked over plain HTTP before is in another cluster, and browsers complain of it.
      originAgentCluster: false,
      xFrameOptions: { action: 'deny' },
      referrerPolicy: { policy: 'same-origin' },
    }),
  )
  app.use((request, response, next) => {
    response.set('Permissions-Policy', 'camera=(), microphone=(self), geolocation=()')
    if (request.method === 'GET' || request.method === 'HEAD') return next()
    if (request.method !== 'POST')
      return void response
        .status(405)
        .set('Allow', 'GET, HEAD, POST')
        .type('text')
        .send(`${request.method} is not known here; GET, HEAD and POST are.`)
    if (!fromHere(request))
      return void response
        .status(403)
        .type('text')
        .send('This was sent from another site and is not accepted.')
    const length = request.get('content-length')
    if (length === undefined)
      return void response.status(411).type('text').send('Say how long the message is (Content-Length).')
    // What is packed could grow without end when it is unpacked; nothing here needs it.
    if (request.get('content-encoding') !== undefined)
      return void response.status(415).type('text').send('Send it as it is, without Content-Encoding.')
    const asParts = request.get('content-type')?.startsWith('multipart/form-data')
    const most = !asParts
      ? MAX_BODY
      : /^\/transfer(\.data)?$/.test(request.path)
        ? MAX_HOUSEHOLD_BODY
        : MAX_PHOTO_BODY
    if (Number(length) > most)
      return void response
        .status(413)
        .type('text')
        .send(`The message may hold ${most} bytes at most; this one has ${length}.`)
    if (most !== MAX_HOUSEHOLD_BODY) {
      const late = setTimeout(() => request.complete || request.destroy(), REQUEST_MS)
      request.once('close', () => clearTimeout(late))
    }
    next()
  })
  app.get('/healthz', (_request, response) => void response.type('text').send('ok'))
  app.get('/readyz', (_request, response) => {
    const why = stopping ? 'Omsel is being stopped.' : whyNotReady()
    response
      .status(why === undefined ? 200 : 503)
      .type('text')
      .send(why ?? 'ready')
  })
  app.get(
    '/sw.js',
    (_request, response) =>
      void response.set('Cache-Control', 'no-cache').type('text/javascript').send(WORKER),
  )
  // A stream has no end to wait for, so it cannot be had as a page's data.
  app.get(
    /\/changes\.data$/,
    (_request, response) =>
      void response.status(404).type('text').send('This is a stream; it has no data form.'),
  )
  // Only what is the same for everybody is compressed, and served without a passphrase; pages are small and stream.
  app.use('/assets', compression(), express.static('build/client/assets', { immutable: true, maxAge: '1y' }))
  app.use(express.static('build/client', { maxAge: '1h' }))
  // Of the demo household; shown by a device before it installs the app.
  app.use('/screenshots', express.static('docs/screenshots', { maxAge: '1h', fallthrough: false }))
  app.use(redirectRenamed)
  app.use((request, response, next) => {
    // What pages are made of stays in no cache of the browser's own; pages say so themselves.
    if (/\.data$/.test(request.path) || request.path === '/search') response.set('Cache-Control', 'no-store')
    next()
  })
  app.use(requireSession(listener))
  app.use(storeNothing)
  app.use(sendHousehold)
  app.use(inTurn)
  app.use(afterImport)
  app.use(pages)
  app.use(failed)
  return app
}

/** @type {Set<http.ServerResponse>} */
const underWay = new Set()
/** @type {(server: http.Server | https.Server) => typeof server} */
const counted = (server) =>
  server.on('request', (_request, response) => {
    underWay.add(response)
    response.on('close', () => underWay.delete(response))
  })
/** @type {(http.Server | https.Server)[]} */
const servers = []
/** @type {(server: http.Server | https.Server, at: number, on: string, says: string) => void} */
const open = (server, at, on, says) => {
  servers.push(counted(server))
  server.keepAliveTimeout = KEEP_MS
  server.headersTimeout = HEADERS_MS
  server.requestTimeout = UPLOAD_MS
  server.maxConnections = MOST_CONNECTIONS
  server.on('error', (/** @type {NodeJS.ErrnoException} */ error) => {
    cannotStart(
      error.code === 'EADDRINUSE'
        ? `Port ${at} is taken by another program. Start with another one, for example PORT=${at + 10}.`
        : `Omsel cannot be at ${on}:${at}: ${error.message}`,
    )
  })
  server.listen(at, on, () => console.log(says))
}

if (onNetwork) {
  const listener = await prepareHttps(networkPort)
  if (!listener.ok) {
    cannotStart(listener.message)
  }
  const { key, chain, fingerprint } = listener.value
  open(
    https.createServer(
      { key, cert: chain, minVersion: 'TLSv1.2', ciphers: CIPHERS, honorCipherOrder: true },
      householdBehind({ network: true, secure: true }),
    ),
    networkPort,
    host,
    `On the network it is at https://${host}:${networkPort}, for who has the passphrase (certificate ${fingerprint.slice(0, 23)} …)`,
  )
}
const own = onNetwork ? '127.0.0.1' : host
open(
  http.createServer(householdBehind({ network: false, secure: false })),
  port,
  own,
  `Omsel is at http://${own}:${port}`,
)

for (const signal of ['SIGTERM', 'SIGINT'])
  process.on(signal, () => {
    if (stopping) return
    stopping = true
    log.debug({ underWay: underWay.size }, 'ending')
    let left = servers.length
    for (const server of servers) {
      server.close(() => --left === 0 && process.exit(0))
      server.closeIdleConnections()
    }
    // Streams have no end of their own; what is being written has, and is waited for.
    for (const response of underWay)
      if (String(response.getHeader('content-type')).startsWith('text/event-stream')) response.destroy()
    const idle = setInterval(
      () => underWay.size === 0 && servers.forEach((server) => server.closeAllConnections()),
      50,
    )
    idle.unref()
    setTimeout(() => servers.forEach((server) => server.closeAllConnections()), FINISH_MS).unref()
  })
