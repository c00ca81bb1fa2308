import type { RequestHandler } from 'express'

/** Whether anybody may look, plan and simulate here, and nothing is stored (bin/public-demo). */
export const isPublicDemo = (): boolean => process.env.OMSEL_PUBLIC_DEMO === '1'

/** What is computed from what was sent alone, and kept nowhere. */
export const COMPUTED = /^\/api\/v1\/(plan|simulate|schedule)$/
/** Not supported here; to the pages an answer that a batch started on the device can do without. */
const NOT_HERE = 501

const WORDS =
  'This is a public demo: it stores nothing. A batch you start counts on this device only. ' +
  'To keep a household, run Omsel on your own computer.'

/** Middleware: in a public demo whatever would be stored is refused, in words. */
export const storeNothing: RequestHandler = (request, response, next) => {
  if (!isPublicDemo() || request.method !== 'POST' || COMPUTED.test(request.path)) return next()
  response.status(NOT_HERE)
  if (request.is('json')) response.json({ errors: [{ path: '', message: WORDS, code: 'public-demo' }] })
  else response.type('text').send(WORDS)
}
