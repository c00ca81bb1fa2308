import './server-env.js'
import { createRequestHandler } from '@react-router/express'
import { createHash } from 'node:crypto'
import { readFileSync } from 'node:fs'
import compression from 'compression'
import express from 'express'

const BUILD = './build/server/index.js' // a variable, so that type-checking does not depend on a build
const LARGEST_BODY = 1_000_000 // bytes
const LARGEST_PHOTO_BODY = 13_000_000 // a picture of 12 MB, and what a form wraps around it
const LARGEST_HOUSEHOLD_BODY = 101_000_000 // a household of 100 MB, where one is brought in
const port = Number(process.env.PORT ?? 4870)
const host = process.env.HOST ?? '127.0.0.1'

/** Forms of other sites may not act here. Programs that are no browser send no origin.
 *  @type {(origin: string | undefined, ownHost: string | undefined) => boolean} */
const fromHere = (origin, ownHost) => {
  if (origin === undefined) return true
  try {
    return new URL(origin).host === ownHost
  } catch {
    return false
  }
}

const app = express()
app.disable('x-powered-by')
app.use((request, response, next) => {
  response.set({
    'X-Content-Type-Options': 'nosniff',
    'X-Frame-Options': 'DENY',
    'Referrer-Policy': 'same-origin',
    'Permissions-Policy': 'camera=(), microphone=(), geolocation=()',
    'Cross-Origin-Opener-Policy': 'same-origin',
  })
  if (request.method === 'GET' || request.method === 'HEAD') return next()
  if (request.method !== 'POST')
    return void response.status(405).set('Allow', 'GET, HEAD, POST').type('text').send(`${request.method} is not known here; GET, HEAD and POST are.`)
  if (!fromHere(request.get('origin'), request.get('host')))
    return void response.status(403).type('text').send('This was sent from another site and is not accepted.')
  const length = request.get('content-length')
  if (length === undefined) return void response.status(411).type('text').send('Say how long the message is (Content-Length).')
  // What is packed could grow without end when it is unpacked; nothing here needs it.
  if (request.get('content-encoding') !== undefined) return void response.status(415).type('text').send('Send it as it is, without Content-Encoding.')
  const asParts = request.get('content-type')?.startsWith('multipart/form-data')
  const most = !asParts ? LARGEST_BODY : /^\/carry(\.data)?$/.test(request.path) ? LARGEST_HOUSEHOLD_BODY : LARGEST_PHOTO_BODY
  if (Number(length) > most)
    return void response.status(413).type('text').send(`The message may hold ${most} bytes at most; this one has ${length}.`)
  next()
})
app.get('/healthz', (_request, response) => void response.type('text').send('ok'))
// The worker bears the build it belongs to, so that another build is another worker.
const VERSION = createHash('sha256').update(readFileSync('build/server/index.js')).digest('hex').slice(0, 12)
const WORKER = readFileSync('build/client/sw.js', 'utf8').replace('__VERSION__', VERSION)
app.get('/sw.js', (_request, response) => void response.set('Cache-Control', 'no-cache').type('text/javascript').send(WORKER))
// A stream has no end to wait for, so it cannot be had as a page's data.
app.get(/\/changes\.data$/, (_request, response) => void response.status(404).type('text').send('This is a stream; it has no data form.'))
// Only what is the same for everybody is packed; pages are small and stream.
app.use('/assets', compression(), express.static('build/client/assets', { immutable: true, maxAge: '1y' }))
app.use(express.static('build/client', { maxAge: '1h' }))
app.use(createRequestHandler({ build: await import(BUILD) }))

const server = app.listen(port, host, (error) => {
  if (error) throw error
  console.log(`Omsel is at http://${host}:${port}`)
})
let stopping = false
for (const signal of ['SIGTERM', 'SIGINT'])
  process.on(signal, () => {
    if (stopping) return
    stopping = true
    server.close(() => process.exit(0))
    setTimeout(() => server.closeAllConnections(), 1000).unref()
  })
